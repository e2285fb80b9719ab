import { defineConfig, mergeConfig } from 'vite';
import { chunksOf, noCircles } from './build/chunks.js';
import { early } from './build/early.js';
import base, { at } from './vite.base.js';

const webPort = Number(process.env.WEB_PORT ?? 4747);

/** The program. */
export default defineConfig(
  mergeConfig(base, {
    plugins: [noCircles, early(at('public/before.js'))],
    server: {
      host: '127.0.0.1',
      port: webPort,
      strictPort: true,
      proxy: { '/api': `http://127.0.0.1:${process.env.PORT ?? webPort + 1}` },
    },
    build: {
      ...{ emptyOutDir: true, sourcemap: true },
      rolldownOptions: { output: { codeSplitting: { groups: chunksOf(at) } } },
    },
  }),
);
