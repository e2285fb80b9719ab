import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { root } from '../lib/paths.mjs';

// A compiled file beside its source would be read in its place, and go stale without a word.
test('no compiled output lies among the sources', () => {
  const packages = readdirSync(join(root, 'packages'));
  const stray = packages.flatMap((name) =>
    readdirSync(join(root, 'packages', name, 'src'), { recursive: true }).filter((file) =>
      /\.(js|d\.ts|map)$/.test(file),
    ),
  );
  expect(packages).toContain('core');
  expect(stray).toEqual([]);
});
