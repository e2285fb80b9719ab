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

export const pause = (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds));

/** Asks a child to end and waits until it has; one that has not after so many seconds is ended. */
export const endChild = async (child, seconds) => {
  if (child.exitCode === null && child.signalCode === null) child.kill('SIGTERM');
  const late = setTimeout(() => child.kill('SIGKILL'), seconds * 1000);
  await exited(child);
  clearTimeout(late);
};

const POLL = 500;

/**
 * Aborts when whoever started this wants it to end: by a signal, the terminal that closes, or by going away itself, as npm does that was killed.
 */
export const stopAsked = () => {
  const asked = new AbortController();
  const stop = () => asked.abort();
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, stop);
  const parent = process.ppid;
  if (process.env.npm_lifecycle_event)
    setInterval(() => {
      if (process.ppid !== parent) stop();
    }, POLL).unref();
  return asked.signal;
};

export const aborted = (signal) =>
  signal.aborted
    ? Promise.resolve()
    : new Promise((resolve) => signal.addEventListener('abort', () => resolve(), { once: true }));

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
