import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { root } from '../lib/paths.mjs';

const PACKAGES = ['core', 'packet', 'server', 'cli', 'web'];

/** What the import rule says of a tree: how much it looked at, and what is broken by which file. */
const cruise = (tree) => {
  const done = spawnSync(
    'node',
    [
      join(root, 'node_modules/dependency-cruiser/bin/dependency-cruise.mjs'),
      ...PACKAGES.map((one) => `packages/${one}/src`),
      ...['--config', '.dependency-cruiser.cjs', '--output-type', 'json'],
    ],
    { cwd: tree, encoding: 'utf8', maxBuffer: 1 << 26 },
  );
  const { summary } = JSON.parse(done.stdout);
  return {
    cruised: summary.totalCruised,
    broken: summary.violations.map((one) => `${one.rule.name}: ${one.from}`),
  };
};

const BREAKS = [
  [
    'a core file that reads the server',
    'packages/core/src/model/breaksServer.ts',
    "import { createApp } from '../../../server/src/index.js';\nexport const bad = createApp;\n",
    'core-stands-alone',
  ],
  [
    'a core file that reads Node',
    'packages/core/src/model/breaksNode.ts',
    "import { readFileSync } from 'node:fs';\nexport const bad = readFileSync;\n",
    'core-stands-alone',
  ],
  [
    'a simulator that reads planning',
    'packages/core/src/circuit/breaks.ts',
    "import { planJob } from '../planning/planJob.js';\nexport const bad = planJob;\n",
    'core-circuit',
  ],
  [
    'materials that read the rules',
    'packages/core/src/materials/breaks.ts',
    "import { RULES } from '../code/rules.js';\nexport const bad = RULES;\n",
    'core-materials',
  ],
  [
    'a change that is priced beside its one difference',
    'packages/core/src/plans/change/breaks.ts',
    "import { changeCost } from './cost.js';\nexport const bad = changeCost;\n",
    'one-difference',
  ],
  [
    'bounds that read the descent',
    'packages/core/src/search/bounds/breaks.ts',
    "import { searchLarge } from '../descent/largeSearch.js';\nexport const bad = searchLarge;\n",
    'core-search-bounds',
  ],
  [
    'a page that reads the inside of the core',
    'packages/web/src/parts/breaks.ts',
    "import { planJob } from '../../../core/src/planning/planJob.js';\nexport const bad = planJob;\n",
    'entry-only',
  ],
  [
    'a part of the pages that reads upwards',
    'packages/web/src/wiring/breaks.ts',
    "import { App } from '../shell/App.js';\nexport const bad = App;\n",
    'web-wiring',
  ],
  [
    'a screen that reads another',
    'packages/web/src/screens/jobs/breaks.ts',
    "import { BenchScreen } from '../bench/BenchScreen.js';\nexport const bad = BenchScreen;\n",
    'one-screen-alone',
  ],
  [
    'a folder that nobody has told of',
    'packages/web/src/attic/breaks.ts',
    "import '../main.js';\n",
    'no-part-without-a-line',
  ],
];

/** The sources as they are with every break in them, in a folder of its own: nothing is written beside the real ones. */
const brokenTree = () => {
  const tree = mkdtempSync(join(tmpdir(), 'amber-house-'));
  const sources = (path) => !/\/(node_modules|dist|test)(\/|$)/.test(path);
  for (const one of PACKAGES)
    cpSync(join(root, 'packages', one), join(tree, 'packages', one), { recursive: true, filter: sources });
  for (const file of [
    '.dependency-cruiser.cjs',
    'tsconfig.cruise.json',
    'tsconfig.base.json',
    'package.json',
  ])
    cpSync(join(root, file), join(tree, file));
  mkdirSync(join(tree, 'scripts/lib'), { recursive: true });
  cpSync(join(root, 'scripts/lib/house.json'), join(tree, 'scripts/lib/house.json'));
  symlinkSync(join(root, 'node_modules'), join(tree, 'node_modules'));
  for (const [, path, text] of BREAKS) {
    mkdirSync(dirname(join(tree, path)), { recursive: true });
    writeFileSync(join(tree, path), text);
  }
  return tree;
};

test('the house keeps its import rule', () => {
  const { cruised, broken } = cruise(root);
  expect(cruised).toBeGreaterThan(400);
  expect(broken).toEqual([]);
}, 60_000);

describe('what breaks it is found:', () => {
  let tree = '';
  let broken = [];
  beforeAll(() => {
    tree = brokenTree();
    ({ broken } = cruise(tree));
  }, 60_000);
  afterAll(() => rmSync(tree, { recursive: true }));
  test.each(BREAKS)('%s', (_name, path, _text, rule) => expect(broken).toContain(`${rule}: ${path}`));
});
