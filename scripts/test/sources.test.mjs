import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from '../lib/paths.mjs';

const packages = readdirSync(join(root, 'packages'));
const filesOf = (name) => readdirSync(join(root, 'packages', name, 'src'), { recursive: true });
const house = JSON.parse(readFileSync(join(root, 'scripts/lib/house.json'), 'utf8'));

// A compiled file beside its source would be read in its place, and go stale without a word.
test('no compiled output lies among the sources', () => {
  const stray = packages.flatMap((name) => filesOf(name).filter((file) => /\.(js|d\.ts|map)$/.test(file)));
  expect(packages).toContain('core');
  expect(stray).toEqual([]);
});

test('every part of the core says in five lines what it is', () => {
  for (const { part } of house.core) {
    const text = readFileSync(join(root, 'packages/core/src', part, 'README.md'), 'utf8');
    const lines = text.split('\n').filter((line) => line.startsWith('- '));
    expect([part, lines.length]).toEqual([part, 5]);
    // A test that it names is there.
    for (const [, path] of text.matchAll(/`(test\/[\w./]+\.ts)`/g))
      expect(() => readFileSync(join(root, 'packages/core', path))).not.toThrow();
  }
});

test('a screen is a folder and an entry of the table', () => {
  const folders = readdirSync(join(root, 'packages/web/src/screens'));
  const shell = ['App.tsx', 'screens.ts'].map((file) =>
    readFileSync(join(root, 'packages/web/src/shell', file), 'utf8'),
  );
  const loaded = [...shell.join('').matchAll(/import\('\.\.\/screens\/(\w+)\//g)].map(([, folder]) => folder);
  expect(loaded.sort()).toEqual(folders.sort());
});

test('every address is made in one place', () => {
  const made = filesOf('web').filter((file) => {
    if (!/\.tsx?$/.test(file) || file.endsWith('parts/paths.ts')) return false;
    return /[`'"]\/(jobs|api)\//.test(readFileSync(join(root, 'packages/web/src', file), 'utf8'));
  });
  expect(made).toEqual([]);
});
