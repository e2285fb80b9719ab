import { readFileSync } from 'node:fs';
import { readJob, standardStock, wireAll, type Job } from '../../src/index.js';

/** The boat yard, as its file has it. */
export const yardFile = (): Job => {
  const file = new URL('../../../../demo/heron-yard.json', import.meta.url);
  const read = readJob({ stock: standardStock(), ...(JSON.parse(readFileSync(file, 'utf8')) as object) });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.job;
};

/** The same as it is loaded: planned as a master would. */
export const yard = (): Job => wireAll(yardFile());
