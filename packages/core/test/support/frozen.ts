import { readFileSync } from 'node:fs';
import { readJob, standardStock, type Job } from '../../src/index.js';

/** A job as it was once drawn at random, kept under `fixtures` without the standard stock that it has beside its own articles. */
export const frozenJob = (name: string): Job => {
  const file = new URL(`../fixtures/${name}.json`, import.meta.url);
  const kept = JSON.parse(readFileSync(file, 'utf8')) as { stock: unknown[] };
  const read = readJob({ ...kept, stock: [...standardStock(), ...kept.stock] });
  if (!read.ok) throw new Error(`${name}: ${JSON.stringify(read.faults)}`);
  return read.job;
};
