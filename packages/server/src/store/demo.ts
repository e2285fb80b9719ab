import { readFileSync } from 'node:fs';
import type { DataSource } from 'typeorm';
import { planJob, readJob, wireAll } from '@amber/core';
import { CatalogStore } from './catalog.js';
import { NoteEntity } from './entities.js';
import type { JobStore } from './jobs.js';

/**
 * Loads the demo job once in the life of a database, planned by the core: the file holds layouts, and choices where the least cost is not to be taken. One
 * that was deleted stays deleted.
 */
export const loadDemo = async (source: DataSource, store: JobStore, file: string): Promise<void> => {
  const notes = source.getRepository(NoteEntity);
  if (await notes.findOneBy({ name: 'demo' })) return;
  const { articles, labour, judgement } = await new CatalogStore(source).read();
  const layout = JSON.parse(readFileSync(file, 'utf8')) as object;
  const read = readJob({ stock: articles, labour, judgement, ...layout });
  if (!read.ok)
    throw new Error(
      `The demo file is not a job: ${read.faults.map((f) => `${f.path}: ${f.message}`).join('; ')}`,
    );
  await store.create(planJob(wireAll(read.job)).job, 'demo');
  await notes.insert({ name: 'demo', value: read.job.id });
};
