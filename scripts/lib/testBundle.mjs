import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { rolldown } from 'rolldown';
import { OWN_GLOBALS } from './ownGlobals.mjs';
import { root } from './paths.mjs';

const filesOf = (folder) =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((one) => one.isFile() && /\.tsx?$/.test(one.name))
    .map((one) => join(one.parentPath, one.name))
    .sort();

/** Modules of a package that its tests import, by their paths in its sources without an ending. */
const testedOf = (tests, sources) => {
  const wanted = tests.flatMap((file) =>
    [...readFileSync(file, 'utf8').matchAll(/'((?:\.\.\/)+src\/[^']+)\.js'/g)].map(([, path]) =>
      relative(sources, resolve(dirname(file), path)),
    ),
  );
  return [...new Set(wanted)].sort();
};

const sourceOf = (sources, name) => {
  const file = ['.ts', '.tsx'].map((ending) => join(sources, name + ending)).find((one) => existsSync(one));
  if (!file) throw new Error(`A test imports ${name}, and ${sources} has no such module.`);
  return file;
};

/** What there may be one of only, whoever imports it. */
const SHARED = /^(react|react-dom|react-redux|@reduxjs\/toolkit|use-sync-external-store)(\/|$)/;
/** In one file nothing is loaded late, and no server tells its parts from those of a page. */
const HARMLESS = ['INEFFECTIVE_DYNAMIC_IMPORT', 'MODULE_LEVEL_DIRECTIVE'];

/** Milliseconds for which one of other sources is kept: a run with it may still be on. */
const KEPT = 3_600_000;

/**
 * The modules of a package in one file, and beside it a small one for each module that its tests import, which gives them on: a test then loads two
 * files where it would load hundreds, and each module is still there once. Made anew when a source or a test has changed. Returns its folder.
 */
export const testBundle = async (name, inside = []) => {
  const sources = join(root, 'packages', name, 'src');
  const files = filesOf(sources);
  const tests = filesOf(join(root, 'packages', name, 'test'));
  const entry = existsSync(join(sources, 'index.ts')) ? ['index'] : [];
  const modules = [...new Set([...testedOf(tests, sources), ...entry])];
  const sum = createHash('sha256').update(JSON.stringify([modules, inside, OWN_GLOBALS]));
  const makes = [fileURLToPath(import.meta.url), join(root, 'package-lock.json')];
  for (const file of [...makes, ...files]) sum.update(relative(root, file)).update(readFileSync(file));
  const all = join(root, '.cache/tested', name);
  const folder = join(all, sum.digest('hex').slice(0, 16));
  if (existsSync(folder)) return folder;
  const made = `${folder}.${process.pid}`;
  mkdirSync(made, { recursive: true });
  const bundle = await rolldown({
    input: Object.fromEntries(modules.map((one) => [one, sourceOf(sources, one)])),
    // What tests import themselves, and what is there once for all, comes from outside.
    external: (id, from) =>
      /^[^./]/.test(id) && (from?.includes('node_modules') ? SHARED.test(id) : !inside.includes(id)),
    onLog: (level, log, tell) => {
      if (!HARMLESS.includes(log.code)) tell(level, log);
    },
    preserveEntrySignatures: 'strict',
  });
  await bundle.write({
    ...{ dir: made, format: 'esm', sourcemap: true, banner: OWN_GLOBALS },
    ...{ entryFileNames: '[name].mjs', chunkFileNames: '[name].mjs' },
    codeSplitting: { groups: [{ name: 'all', test: () => true }] },
  });
  await bundle.close();
  for (const one of readdirSync(all).map((path) => join(all, path)))
    if (one !== made && Date.now() - statSync(one).mtimeMs > KEPT) rmSync(one, { recursive: true });
  // Another run may have made the same meanwhile.
  if (existsSync(folder)) rmSync(made, { recursive: true });
  else renameSync(made, folder);
  return folder;
};
