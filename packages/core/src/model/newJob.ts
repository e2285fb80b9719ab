import type { Article } from './articles.js';
import { JOB_FORMAT, UNITS, type Job } from './job.js';
import type { JobId } from './ids.js';

/** An empty job. The stock becomes the job's own: it keeps what it was planned and priced with. */
export const newJob = (id: JobId, name: string, stock: Article[]): Job => ({
  format: JOB_FORMAT,
  units: UNITS,
  id,
  name,
  edition: 2023,
  preferences: { neutral: 'byEdition', connectors: 'lever', reidentify: 'black' },
  stock: stock,
  rooms: [],
  circuits: [],
  feeds: [],
  boxes: [],
  slots: [],
  luminaires: [],
  groups: [],
  runFacts: [],
  choices: [],
  wirings: [],
});
