import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import type { Summarise } from './summarise.js';

/** Milliseconds that a thread waits for more before it ends, and with it what it holds in memory. */
const REST = 60_000;

/** Threads for heavy work, so that a large job stops nobody: one core is left to those that are served. */
export const openThreads = (): { summarise: Summarise; close: () => Promise<void> } => {
  const pool = new Piscina({
    // Built beside this file; a test that reads the source finds it in the build.
    filename: new URL('../../dist/summary/worker.js', import.meta.url).href,
    minThreads: 0,
    maxThreads: Math.max(1, availableParallelism() - 1),
    idleTimeout: REST,
  });
  return {
    summarise: (document) => pool.run(document) as Promise<string | null>,
    close: () => pool.destroy(),
  };
};
