import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import request from 'supertest';
import type { DataSource } from 'typeorm';
import { newJob, readJob, standardStock, type Job } from '@amber/core';
import {
  CatalogStore,
  createApp,
  dataSourceOf,
  JobStore,
  PictureStore,
  prepareDatabase,
  RecordStore,
} from '../../src/index.js';

export const demoFile = fileURLToPath(new URL('../../../../demo/heron-yard.json', import.meta.url));

/** The demo as a plain job, not yet planned. */
export const demoJob = (id: string): Job => {
  const layout = JSON.parse(readFileSync(demoFile, 'utf8')) as object;
  const read = readJob({ stock: standardStock(), ...layout, id });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.job;
};

export const emptyJob = (id: string, name = id): Job => newJob(id as Job['id'], name, standardStock());

/** A migrated and seeded data source on the database that all tests share. */
export const freshSource = async (): Promise<DataSource> => {
  const source = dataSourceOf(process.env['TEST_DATABASE_URL'] ?? '');
  await source.initialize();
  await prepareDatabase(source);
  return source;
};

export const apiOn = (source: DataSource) =>
  request(
    createApp({
      store: new JobStore(source),
      catalog: new CatalogStore(source),
      pictures: new PictureStore(source),
      records: new RecordStore(source),
    }),
  );
