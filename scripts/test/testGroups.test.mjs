import { readFileSync, readdirSync } from 'node:fs';
import { basename, dirname, join, resolve } from 'node:path';
import { root } from '../lib/paths.mjs';
import { dealt, isGroup, testGroups } from '../lib/testGroups.mjs';

test('each file is in one group, and no group is larger than another by more than one file', () => {
  const files = Array.from({ length: 41 }, (_, i) => ({ name: `${i}`, size: 100 + ((i * 7919) % 5000) }));
  const groups = dealt(files, 6);
  expect(groups.flat().sort()).toEqual(files.map(({ name }) => name).sort());
  const sizes = groups.map((names) => names.reduce((sum, name) => sum + files[Number(name)].size, 0));
  const largest = Math.max(...files.map(({ size }) => size));
  expect(Math.max(...sizes) - Math.min(...sizes)).toBeLessThanOrEqual(largest);
  expect(dealt(files.slice(0, 2), 6)).toEqual(expect.arrayContaining([['0'], ['1']]));
});

test('of the core every test file is loaded once, by a group or alone where it has a hook at its top', () => {
  const there = readdirSync(join(root, 'packages/core/test')).filter((one) => one.endsWith('.test.ts'));
  const paths = testGroups('core', 16, '.cache/groups-tried');
  const loaded = paths.flatMap((path) => {
    if (!isGroup(path)) return [resolve(root, path)];
    const imported = [...readFileSync(join(root, path), 'utf8').matchAll(/import '(.+)';/g)];
    return imported.map(([, one]) => resolve(root, dirname(path), one));
  });
  expect(loaded.map((one) => basename(one)).sort()).toEqual(there.sort());
  const hooked = there.filter((one) =>
    /^(before|after)(Each|All)\(/m.test(readFileSync(join(root, 'packages/core/test', one), 'utf8')),
  );
  for (const one of hooked) expect(paths).toContain(`packages/core/test/${one}`);
});
