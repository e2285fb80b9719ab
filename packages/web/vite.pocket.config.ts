import { fileURLToPath } from 'node:url';
import { defineConfig, mergeConfig, type Plugin } from 'vite';
import base from './vite.base.js';

/** Puts scripts and styles into the page that asks for them, so that it is one file that opens anywhere. */
const oneFile: Plugin = {
  name: 'one-file',
  enforce: 'post',
  generateBundle(_options, bundle) {
    const page = Object.values(bundle).find((one) => one.fileName === 'pocket.html');
    if (page?.type !== 'asset') return this.error('The bundle has no pocket.html.');
    let html = String(page.source);
    for (const [name, one] of Object.entries(bundle)) {
      if (one === page) continue;
      const text = one.type === 'chunk' ? one.code : String(one.source);
      const tag =
        one.type === 'chunk'
          ? new RegExp(`<script[^>]*src="[^"]*${one.fileName}"[^>]*></script>`)
          : new RegExp(`<link[^>]*href="[^"]*${one.fileName}"[^>]*>`);
      if (!tag.test(html)) return this.error(`${one.fileName} has no place in the page: it is not one file.`);
      html = html.replace(tag, () =>
        one.type === 'chunk'
          ? `<script type="module">${text.replaceAll('</script', '<\\/script')}</script>`
          : `<style>${text}</style>`,
      );
      delete bundle[name];
    }
    page.source = html;
  },
};

/** The page of the pocket circuits, beside that of the program. */
export default defineConfig(
  mergeConfig(base, {
    publicDir: false,
    plugins: [oneFile],
    build: {
      emptyOutDir: false,
      sourcemap: false,
      modulePreload: false,
      // Types are in what is inlined: no file beside it.
      assetsInlineLimit: Number.MAX_SAFE_INTEGER,
      chunkSizeWarningLimit: 4000,
      rolldownOptions: {
        input: fileURLToPath(new URL('pocket.html', import.meta.url)),
        output: { codeSplitting: false },
      },
    },
  }),
);
