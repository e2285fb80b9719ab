import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import request from 'supertest';
import type { DataSource } from 'typeorm';
import { newJob, standardStock, type Job } from '@amber/core';
import { createApp, dataSourceOf, JobStore } from '../../src/index.js';

export const demoFile = fileURLToPath(new URL('../../../../demo/heron-yard.json', import.meta.url));

/** The demo as a plain job, not yet planned. */
export const demoJob = (id: string): Job =>
  ({ stock: standardStock(), ...(JSON.parse(readFileSync(demoFile, 'utf8')) as object), id }) as Job;

export const emptyJob = (id: string, name = id): Job => newJob(id as Job['id'], name, standardStock());

export const freshSource = async (): Promise<DataSource> => {
  const source = dataSourceOf(process.env['TEST_DATABASE_URL'] ?? '');
  await source.initialize();
  await source.runMigrations();
  return source;
};

export const apiOn = (source: DataSource) => request(createApp({ store: new JobStore(source) }));
