import { spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { isRoot, root } from '../lib/paths.mjs';

/** A folder with an apt-get in it that writes down what it is asked, and cannot give it. */
let folder = '';
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'amber-apt-'));
  chmodSync(folder, 0o777);
  const script = join(folder, 'apt-get');
  writeFileSync(script, `#!/bin/sh\necho "$@" >> ${folder}/asked\n[ "$1" = update ]\n`);
  chmodSync(script, 0o755);
});
afterAll(() => rmSync(folder, { recursive: true }));

const asking = (asRoot) =>
  spawnSync(
    process.execPath,
    [
      '--input-type=module',
      '-e',
      `import { run } from './scripts/lib/say.mjs';
       import { needDebian } from './scripts/lib/needs.mjs';
       await run(() => needDebian('package-that-is-not-there', 'program-that-is-not-there'));`,
    ],
    {
      cwd: root,
      encoding: 'utf8',
      env: { ...process.env, PATH: `${folder}:${process.env.PATH ?? ''}` },
      ...(asRoot ? {} : { uid: 65534, gid: 65534 }),
    },
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
    expect(() => readFileSync(join(folder, 'asked'))).toThrow('ENOENT');
  },
);

(isRoot ? test : test.skip)('a package that cannot be had is said first and told after', () => {
  const { status, stdout, stderr } = asking(true);
  expect(status).toBe(1);
  expect(stdout).toContain('Installing package-that-is-not-there, which is missing');
  expect(stderr).toContain('package-that-is-not-there could not be installed.');
  expect(readFileSync(join(folder, 'asked'), 'utf8').trim().split('\n')).toEqual([
    'update -qq',
    'install -y -qq --no-install-recommends package-that-is-not-there',
  ]);
});
