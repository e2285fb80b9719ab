import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

const dist = fileURLToPath(new URL('dist', import.meta.url));

/** Every file of the build by its address; one without a hash in its name by a sum of what is in it. */
const files = () => [
  ...readdirSync(`${dist}/assets`)
    .filter((name) => !name.endsWith('.map'))
    .map((name) => ({ url: `/assets/${name}`, revision: null })),
  ...['before.js', 'icon.svg', 'icon-192.png', 'icon-512.png', 'manifest.webmanifest', 'pocket.html'].map(
    (name) => ({
      url: `/${name}`,
      revision: createHash('sha256')
        .update(readFileSync(`${dist}/${name}`))
        .digest('hex'),
    }),
  ),
];

/** The service worker, beside the program that it keeps: built last, as it names all other files. */
export default defineConfig(() => ({
  root: fileURLToPath(new URL('.', import.meta.url)),
  publicDir: false as const,
  define: { __FILES__: JSON.stringify(files()), 'process.env.NODE_ENV': '"production"' },
  build: {
    outDir: 'dist',
    emptyOutDir: false,
    sourcemap: false,
    lib: {
      entry: fileURLToPath(new URL('offline/serviceWorker.ts', import.meta.url)),
      formats: ['es' as const],
      fileName: () => 'serviceWorker.js',
    },
  },
}));
