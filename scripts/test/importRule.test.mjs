import { spawnSync } from 'node:child_process';
import { existsSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from '../lib/paths.mjs';

const cruise = () => {
  const done = spawnSync(
    'node',
    [
      join(root, 'node_modules/dependency-cruiser/bin/dependency-cruise.mjs'),
      ...['core', 'server', 'cli', 'web'].map((one) => `packages/${one}/src`),
      '--config',
      '.dependency-cruiser.cjs',
      '--output-type',
      'json',
    ],
    { cwd: root, encoding: 'utf8', maxBuffer: 1 << 26 },
  );
  const { summary } = JSON.parse(done.stdout);
  return {
    cruised: summary.totalCruised,
    broken: summary.violations.map((one) => `${one.rule.name}: ${one.from}`),
  };
};

const withFile = (path, text, check) => {
  const file = join(root, path);
  if (existsSync(file)) throw new Error(`${path} is there already`);
  writeFileSync(file, text);
  try {
    check();
  } finally {
    rmSync(file);
  }
};

test('the house keeps its import rule', () => {
  const { cruised, broken } = cruise();
  expect(cruised).toBeGreaterThan(60);
  expect(broken).toEqual([]);
}, 60_000);

test.each([
  [
    'a core file that reads the server',
    'packages/core/src/model/breaks.ts',
    "import { createApp } from '../../../server/src/index.js';\nexport const bad = createApp;\n",
    'core-stands-alone',
  ],
  [
    'a core file that reads Node',
    'packages/core/src/model/breaks.ts',
    "import { readFileSync } from 'node:fs';\nexport const bad = readFileSync;\n",
    'core-stands-alone',
  ],
  [
    'a simulator that reads planning',
    'packages/core/src/circuit/breaks.ts',
    "import { planJob } from '../planning/planJob.js';\nexport const bad = planJob;\n",
    'circuit-knows-only-the-model',
  ],
  [
    'a page that reads the inside of the core',
    'packages/web/src/parts/breaks.ts',
    "import { planJob } from '../../../core/src/planning/planJob.js';\nexport const bad = planJob;\n",
    'entry-only',
  ],
])(
  '%s is found',
  (_name, path, text, rule) => {
    withFile(path, text, () => expect(cruise().broken).toContain(`${rule}: ${path}`));
  },
  60_000,
);
