/** Jobs in which faults are hidden: the demo, and random ones of one to five locations. */
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { readJob, standardStock, wireAll, type Job } from '@amber/core';
import { anyFullJob } from '../../packages/core/test/support/fullJobs.js';

const demo = (): Job => {
  const file = new URL('../../demo/heron-yard.json', import.meta.url);
  const read = readJob({ stock: standardStock(), ...(JSON.parse(readFileSync(file, 'utf8')) as object) });
  if (!read.ok) throw new Error('The demo is no job.');
  return wireAll(read.job);
};

export const finderJobs = (count: number): Job[] => [
  demo(),
  ...fc.sample(anyFullJob, { seed: 7, numRuns: Math.max(0, count - 1) }),
];
