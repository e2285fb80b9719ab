import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import request from 'supertest';
import type { DataSource } from 'typeorm';
import { newJob, readJob, standardStock, type Job } from '@amber/core';
import { createApp, dataSourceOf, prepareDatabase, storesOn } from '../../src/index.js';

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

/** The same on a database of its own, for what would be in the way of other tests; and what throws it away. */
export const ownSource = async (
  name: string,
  /** Nothing in it yet. */
  { bare = false } = {},
): Promise<{ url: string; source: DataSource; drop: () => Promise<void> }> => {
  const url = new URL(process.env['TEST_DATABASE_URL'] ?? '');
  const shared = await dataSourceOf(url.toString()).initialize();
  await shared.query(`DROP DATABASE IF EXISTS ${name}`);
  await shared.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  await shared.destroy();
  url.pathname = `/${name}`;
  const source = await dataSourceOf(url.toString()).initialize();
  if (!bare) await prepareDatabase(source);
  const drop = async () => {
    // What still works on it ends first: it would miss the database.
    await source.destroy();
    const other = await dataSourceOf(process.env['TEST_DATABASE_URL'] ?? '').initialize();
    await other.query(`DROP DATABASE ${name}`);
    await other.destroy();
  };
  return { url: url.toString(), source, drop };
};

export const apiOn = (source: DataSource) => request(createApp(storesOn(source)));
