import { spawn, spawnSync } from 'node:child_process';
import { createServer } from 'node:net';
import { root } from './paths.mjs';

/** Runs a command to its end with its output shown; gives its exit code. */
export const runShown = (command, args, options = {}) =>
  spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options }).status ?? 1;

/** A program in a process group of its own, so that Ctrl-C reaches only the one who stops things in order. */
export const spawnApart = (command, args, options = {}) =>
  spawn(command, args, { cwd: root, detached: true, ...options });

export const exited = (child) =>
  child.exitCode !== null || child.signalCode !== null
    ? Promise.resolve()
    : new Promise((resolve) => child.once('exit', () => resolve()));

/** Asks a child to end and waits until it has. */
export const endChild = async (child) => {
  if (child.exitCode === null && child.signalCode === null) child.kill('SIGTERM');
  await exited(child);
};

export const pause = (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds));

/** Is this loopback port free to listen on? */
export const portIsFree = (port) =>
  new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', (error) =>
      error.code === 'EADDRINUSE' || error.code === 'EACCES' ? resolve(false) : reject(error),
    );
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });

export const freePort = () =>
  new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });
