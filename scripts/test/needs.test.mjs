import { spawnSync } from 'node:child_process';
import { isRoot, root } from '../lib/paths.mjs';

const asking = (asRoot) =>
  spawnSync(
    'node',
    [
      '--input-type=module',
      '-e',
      `import { run } from './scripts/lib/say.mjs';
       import { needDebian } from './scripts/lib/needs.mjs';
       await run(() => needDebian('package-that-is-not-there', 'program-that-is-not-there'));`,
    ],
    { cwd: root, encoding: 'utf8', ...(asRoot ? {} : { uid: 65534, gid: 65534 }) },
  );

// Only root can become somebody else to try it.
(isRoot ? test : test.skip)(
  'without root rights the exact command is printed and nothing is installed',
  () => {
    const { status, stdout, stderr } = asking(false);
    expect(status).toBe(1);
    expect(stdout).toBe('');
    expect(stderr).toContain('installing it takes root rights');
    expect(stderr).toContain('sudo apt-get install --no-install-recommends package-that-is-not-there');
  },
);

(isRoot ? test : test.skip)(
  'a package that cannot be had is said first and told after',
  () => {
    const { status, stdout, stderr } = asking(true);
    expect(status).toBe(1);
    expect(stdout).toContain('Installing package-that-is-not-there, which is missing');
    expect(stderr).toContain('package-that-is-not-there could not be installed.');
  },
  120_000,
);
