import { readFileSync } from 'node:fs';
import type { Plugin } from 'vite';
import { closureOf } from './chunks.js';

const PLACE = 'const FILES = {};';

/** The screen of a module that the shell loads when it is wanted: the name of its folder; `job` for the frame of an open job. */
const screenOf = (id: string): string | null =>
  /[\\/]src[\\/]screens[\\/](\w+)[\\/]/.exec(id)?.[1] ??
  (/[\\/]shell[\\/]JobShell\.tsx$/.test(id) ? 'job' : null);

/**
 * Writes into `before.js` which files each screen needs, so that they are asked for with the page itself. Each name is of a folder of
 * `src/screens`; a screen of another name than the word of its address would only come later.
 */
export const early = (before: string): Plugin => ({
  name: 'early-files',
  apply: 'build',
  generateBundle(_, bundle) {
    const chunks = Object.values(bundle).filter((one) => one.type === 'chunk');
    const [entry] = chunks.filter(({ isEntry }) => isEntry);
    const there = new Set(entry ? closureOf(bundle, entry.fileName) : []);
    const byShell = (id: string): boolean =>
      this.getModuleInfo(id)?.dynamicImporters.some((from) => /[\\/]src[\\/]shell[\\/]/.test(from)) === true;
    const screens = chunks.flatMap(({ facadeModuleId: id, fileName }) => {
      const screen = id !== null && byShell(id) ? screenOf(id) : null;
      return screen === null ? [] : [[screen, closureOf(bundle, fileName, there)] as const];
    });
    const fonts = Object.keys(bundle).filter((name) => /archivo-latin-wght-normal.*\.woff2$/.test(name));
    const source = readFileSync(before, 'utf8');
    if (!source.includes(PLACE) || screens.length === 0 || fonts.length === 0)
      this.error('before.js has no place for the files, or the build no screens or no font.');
    const named = Object.fromEntries(
      [...screens, ['fonts', fonts] as const].map(([of, files]) => [of, files.map((file) => `/${file}`)]),
    );
    this.emitFile({
      type: 'asset',
      fileName: 'before.js',
      source: source.replace(PLACE, `const FILES = ${JSON.stringify(named)};`),
    });
  },
});
