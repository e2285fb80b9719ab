import { join } from 'node:path';
import { needBuild, needPackages } from './lib/needs.mjs';
import { root } from './lib/paths.mjs';
import { runShown } from './lib/process.mjs';
import { run, say } from './lib/say.mjs';

const KILLS = 200;
/** So often two browsers change one job at the same moment. */
const MERGES = 500;

/** Jobs with faults in them, single faults, pairs of faults, and single faults with one answer in ten wrong. */
const FAULTS = ['70', '2000', '500', '500'];

/**
 * Twenty times as many cases as in the tests: the search against trying everything on some 30,000 jobs, groups apart, two circuits and prices of judgement among them, and 50,000 files with
 * something wrong in them, the laws of the drawing over 900 wirings, each planned and spoiled; and for changes of old work the laws over
 * 2,000 random jobs and the twin over 3,000, of up to six boxes, and every way of 500 planned for what it is put off by. First the server and its database are killed 200 times while several save, and two browsers change
 * one job 500 times at the same moment; then 2,000 hidden faults are looked for, the wires of 5,000 circuits told apart, and 200,000 hostile requests answered; and 5,000 exercises of each kind are drawn,
 * solved and spoiled. It takes nine hours.
 */
await run(async () => {
  needPackages();
  needBuild();
  const env = {
    ...process.env,
    TWIN_TIMES: process.env.TWIN_TIMES ?? '20',
    CHANGE_RUNS: process.env.CHANGE_RUNS ?? '2000',
    CHANGE_TWIN_RUNS: process.env.CHANGE_TWIN_RUNS ?? '500',
    CHANGE_TWIN_SMALL: process.env.CHANGE_TWIN_SMALL ?? '2000',
    CHANGE_TWIN_LARGE: process.env.CHANGE_TWIN_LARGE ?? '500',
    LEAST_WAYS_RUNS: process.env.LEAST_WAYS_RUNS ?? '500',
    PRACTICE_SEEDS: process.env.PRACTICE_SEEDS ?? '500',
    NODE_OPTIONS: '--experimental-vm-modules --disable-warning=ExperimentalWarning',
  };
  const args = [
    join(root, 'node_modules/jest/bin/jest.js'),
    '--selectProjects',
    'core',
    '--',
    'test/search.test',
    'test/judgement.test',
    'test/nodes.test',
    'test/lyingNodes.test',
    'test/together.test',
    'test/mutations.test',
    'test/drawing.test',
    'test/crossings.test',
    'test/boxWords.test',
    'test/changeRandom.test',
    'test/changeTwin',
    'test/leastWays.test',
    'test/practice.test',
    'test/whichWire.test',
    '--testTimeout',
    '7200000',
  ];
  const { killTrial } = await import('./lib/killTrial.mjs');
  // Two hundred kills while several save, at moments of their own.
  const { acknowledged, lost } = await killTrial(KILLS, 1, (times, saves, gone) => {
    if (times % 20 === 0) say(`${times} kills: ${saves} saves acknowledged, ${gone} of them lost`);
  });
  if (lost.length > 0 || acknowledged === 0) process.exitCode = 1;
  const { twoBrowsers } = await import('./lib/twoBrowsers.mjs');
  const merges = await twoBrowsers(MERGES, 1, (times, saves) => {
    if (times % 50 === 0)
      say(`${times} times two changed one job: ${saves} saves had lost, and were put together`);
  });
  if (merges.wrong.length > 0 || merges.lost === 0) {
    say(JSON.stringify(merges.wrong));
    process.exitCode = 1;
  }
  const found = runShown('node', ['--import', 'tsx', join(root, 'scripts/lib/finderFigures.ts'), ...FAULTS]);
  const told = runShown('node', ['--import', 'tsx', join(root, 'scripts/lib/identifyFigures.ts'), '5000']);
  // Two hundred thousand requests of somebody who means no good.
  const hostile = runShown(
    'node',
    [args[0], '--selectProjects', 'server', '--', 'hostile', 'stages', '--testTimeout', '7200000'],
    {
      env: { ...env, HOSTILE_REQUESTS: '200000', EVERY_STAGE: '1' },
    },
  );
  process.exitCode = runShown('node', args, { env }) || found || told || hostile || process.exitCode;
});
