import { fileURLToPath } from 'node:url';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

/** A file beside this one. */
export const at = (path: string): string => fileURLToPath(new URL(path, import.meta.url));

/** What the program and the pages of pocket circuits are made of alike. */
export default defineConfig({
  root: at('.'),
  plugins: [react(), tailwindcss()],
  resolve: {
    alias: {
      '@amber/core': at('../core/src/index.ts'),
      '@amber/packet/sections': at('../packet/src/sections.ts'),
      '@amber/packet': at('../packet/src/index.ts'),
    },
  },
  build: { outDir: 'dist', chunkSizeWarningLimit: 600 },
});
