import { fileURLToPath } from 'node:url';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

const webPort = Number(process.env.WEB_PORT ?? 4747);

export default defineConfig({
  root: fileURLToPath(new URL('.', import.meta.url)),
  plugins: [react(), tailwindcss()],
  resolve: {
    alias: {
      '@amber/core': fileURLToPath(new URL('../core/src/index.ts', import.meta.url)),
      '@amber/packet/sections': fileURLToPath(new URL('../packet/src/sections.ts', import.meta.url)),
      '@amber/packet': fileURLToPath(new URL('../packet/src/index.ts', import.meta.url)),
    },
  },
  server: {
    host: '127.0.0.1',
    port: webPort,
    strictPort: true,
    proxy: { '/api': `http://127.0.0.1:${process.env.PORT ?? webPort + 1}` },
  },
  build: { outDir: 'dist', emptyOutDir: true, sourcemap: true, chunkSizeWarningLimit: 600 },
});
