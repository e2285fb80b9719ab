import { mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { root } from './paths.mjs';

const FOLDER = '.cache/groups';
const NAME = /-\d+\.group\.test\.ts$/;
const HOOK = /^(before|after)(Each|All)\(/m;

/** Is a test file one that loads others? */
export const isGroup = (path) => NAME.test(path);

/** Deals files out to so many groups, the largest first, each to the group that is the least by then. */
export const dealt = (files, count) => {
  const groups = Array.from({ length: count }, () => ({ size: 0, names: [] }));
  for (const { name, size } of [...files].sort((a, b) => b.size - a.size)) {
    const least = groups.reduce((one, other) => (other.size < one.size ? other : one));
    least.size += size;
    least.names.push(name);
  }
  return groups.map(({ names }) => names).filter((names) => names.length > 0);
};

/**
 * Files that load the tests of a package in so many groups. A test file that is run alone loads its package alone, and runs it slowly at first; in a group
 * that is done once for all. A hook at the top of one would be a hook of its whole group: such a file stays alone. Returns their paths from the root.
 */
export const testGroups = (name, count, into = FOLDER) => {
  const tests = join('packages', name, 'test');
  const files = readdirSync(join(root, tests))
    .filter((one) => one.endsWith('.test.ts'))
    .sort()
    .map((one) => ({ name: join(tests, one), text: readFileSync(join(root, tests, one), 'utf8') }));
  const alone = files.filter(({ text }) => HOOK.test(text)).map((one) => one.name);
  const together = files
    .filter(({ text }) => !HOOK.test(text))
    .map((one) => ({ name: one.name, size: one.text.length }));
  const folder = join(into, name);
  rmSync(join(root, folder), { recursive: true, force: true });
  mkdirSync(join(root, folder), { recursive: true });
  const groups = dealt(together, count).map((names, at) => {
    const path = join(folder, `${name}-${at + 1}.group.test.ts`);
    writeFileSync(join(root, path), names.map((one) => `import '${relative(folder, one)}';\n`).join(''));
    return path;
  });
  return [...groups, ...alone];
};
