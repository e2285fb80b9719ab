import { join } from 'node:path';
import { needBuild, needPackages } from './lib/needs.mjs';
import { root } from './lib/paths.mjs';
import { runShown } from './lib/process.mjs';
import { run } from './lib/say.mjs';

/** The search against trying everything, on ten times as many jobs as in the tests: about 20,000, for half an hour. */
await run(() => {
  needPackages();
  needBuild();
  const env = {
    ...process.env,
    TWIN_TIMES: process.env.TWIN_TIMES ?? '10',
    NODE_OPTIONS: '--experimental-vm-modules --disable-warning=ExperimentalWarning',
  };
  const args = [
    join(root, 'node_modules/jest/bin/jest.js'),
    '--selectProjects',
    'core',
    '--',
    'test/search.test',
  ];
  process.exitCode = runShown('node', args, { env });
});
