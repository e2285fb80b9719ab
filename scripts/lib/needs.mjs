import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { runShown } from './process.mjs';
import { isRoot, root } from './paths.mjs';
import { say, Stop } from './say.mjs';

/** The first of these programs that is on the machine, or undefined. */
export const findProgram = (...names) => {
  const folders = [...(process.env.PATH ?? '').split(':'), '/usr/sbin', '/usr/bin', '/usr/local/sbin'];
  for (const name of names)
    for (const folder of folders) if (folder && existsSync(join(folder, name))) return join(folder, name);
  return undefined;
};

/** Installs a Debian package when its program is missing; says so first, and stops where it may not. */
export const needDebian = (debianPackage, ...programs) =>
  needFound(debianPackage, programs, () => findProgram(...programs));

/** The same of a file that is no program. */
export const needDebianFile = (debianPackage, ...files) =>
  needFound(debianPackage, files, () => files.find((file) => existsSync(file)));

/** What Debian has is asked once, however many packages are missing. */
let isUpdated = false;

const needFound = (debianPackage, programs, find) => {
  const there = find();
  if (there) return there;
  if (!findProgram('apt-get'))
    throw new Stop(
      `${programs[0]} is missing and this machine has no apt-get.`,
      `Install ${debianPackage} and start again.`,
    );
  if (!isRoot)
    throw new Stop(
      `${programs[0]} is missing, and installing it takes root rights.`,
      `Run this, then start again:\n\n    sudo apt-get update && sudo apt-get install --no-install-recommends ${debianPackage}\n`,
    );
  say(`Installing ${debianPackage}, which is missing (apt-get) ...`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const quiet = { env, stdio: ['ignore', 'ignore', 'inherit'] };
  if (!isUpdated) runShown('apt-get', ['update', '-qq'], quiet);
  isUpdated = true;
  const code = runShown('apt-get', ['install', '-y', '-qq', '--no-install-recommends', debianPackage], quiet);
  const found = find();
  if (code !== 0 || !found)
    throw new Stop(
      `${debianPackage} could not be installed.`,
      'Read what apt-get said above, mend it and start again.',
    );
  return found;
};

const LEAST_NODE = [20, 19];

/** Stops on a Node that the packages do not run on. */
const needNode = () => {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
  if (major > LEAST_NODE[0] || (major === LEAST_NODE[0] && minor >= LEAST_NODE[1])) return;
  throw new Stop(
    `This is Node ${process.versions.node}; Amber Junction needs ${LEAST_NODE.join('.')} or later.`,
    'Install a newer Node and start again.',
  );
};

const stampFile = (name) => join(root, 'node_modules', `.${name}-stamp`);
const readStamp = (file) => (existsSync(file) ? readFileSync(file, 'utf8') : '');

/** Installs the packages of the lock file, when it or Node has changed since. */
export const needPackages = () => {
  needNode();
  const lock = readFileSync(join(root, 'package-lock.json'));
  const stamp = createHash('sha256').update(lock).update(process.version).digest('hex');
  if (readStamp(stampFile('packages')) === stamp) return;
  say('Installing packages (npm ci) ...');
  const code = runShown('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
  if (code !== 0)
    throw new Stop(
      'The packages could not be installed.',
      'Read what npm said above; check the connection and the disk.',
    );
  writeFileSync(stampFile('packages'), stamp);
};

const hashTree = (hash, path) => {
  for (const entry of readdirSync(path, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1))) {
    if (['node_modules', 'dist', 'test'].includes(entry.name)) continue;
    const inside = join(path, entry.name);
    if (entry.isDirectory()) hashTree(hash, inside);
    else hash.update(inside).update(readFileSync(inside));
  }
};

// One project at a time: built side by side they have been seen to write beside their sources.
const COMPILE = [
  ...['node_modules/tsc7/bin/tsc', '-b', '--builders', '1'],
  ...['packages/core', 'packages/packet', 'packages/server', 'packages/cli'],
];

const built = (steps) => {
  if (steps.some((args) => runShown('node', args) !== 0))
    throw new Stop('The build failed.', 'Read what the compiler said above.');
};

/** Compiles core, packet, server and command line, which takes no time where nothing has changed; the web is not built. */
export const needCompiled = () => built([COMPILE]);

/** Builds core, server, command line and web, when their sources have changed since. */
export const needBuild = () => {
  const hash = createHash('sha256').update(readStamp(stampFile('packages')));
  hash.update(readFileSync(join(root, 'tsconfig.base.json')));
  hashTree(hash, join(root, 'packages'));
  const stamp = hash.digest('hex');
  const stampAt = join(root, '.cache/build-stamp');
  const isThere = ['index.html', 'pocket.html', 'serviceWorker.js'].every((file) =>
    existsSync(join(root, 'packages/web/dist', file)),
  );
  if (isThere && readStamp(stampAt) === stamp) return;
  say('Building ...');
  built([
    COMPILE,
    ['node_modules/vite/bin/vite.js', 'build', 'packages/web', '--logLevel', 'warn'],
    // Beside it, and so after it: the first build empties the folder.
    [
      'node_modules/vite/bin/vite.js',
      'build',
      'packages/web',
      '--config',
      'packages/web/vite.pocket.config.ts',
      '--logLevel',
      'warn',
    ],
    // Last, as it names all the others.
    [
      'node_modules/vite/bin/vite.js',
      'build',
      'packages/web',
      '--config',
      'packages/web/vite.offline.config.ts',
      '--logLevel',
      'warn',
    ],
  ]);
  mkdirSync(dirname(stampAt), { recursive: true });
  writeFileSync(stampAt, stamp);
};
