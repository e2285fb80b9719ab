import { readdirSync, readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { DataSource } from 'typeorm';
import { standardStock } from '@amber/core';
import { prepareDatabase, dataSourceOf } from '../src/index.js';
import { apiOn, ownSource } from './support/api.js';

const FORMATS = new URL('../../core/test/fixtures/shapes/', import.meta.url);

/** Job files as versions of the program wrote them, one of each format. */
const files = new Map(
  readdirSync(FORMATS)
    .sort()
    .map((name) => {
      const document = JSON.parse(readFileSync(new URL(name, FORMATS), 'utf8')) as {
        id: string;
        name: string;
        format: number;
      };
      // The demo is loaded with the stock; what is stored has one.
      return [document.format, { stock: standardStock(), ...document }] as const;
    }),
);

const latest = [...files.keys()].length;
const count = (dataSourceOf('mysql://nobody@127.0.0.1:1/none').options.migrations as unknown[]).length;

/** What a row holds, for those of its columns that the table had by then. */
const insert = async (source: DataSource, table: string, row: Record<string, unknown>): Promise<void> => {
  const columns = await source.query<{ Field: string }[]>(`SHOW COLUMNS FROM ${table}`);
  const names = columns.map(({ Field }) => Field).filter((name) => name in row);
  const marks = names.map(() => '?').join(', ');
  await source.query(
    `INSERT INTO ${table} (${names.map((name) => `\`${name}\``).join(', ')}) VALUES (${marks})`,
    names.map((name) => row[name]),
  );
};

/** A database as it was after so many migrations, with a job in two revisions and what was ticked off by then. */
const asItWas = async (url: string, stage: number, document: { id: string; name: string }): Promise<void> => {
  const { options } = dataSourceOf(url);
  const early = new DataSource({
    ...options,
    migrations: (options.migrations as (new () => object)[]).slice(0, stage),
  });
  await early.initialize();
  try {
    await early.runMigrations({ transaction: 'each' });
    const { id, name } = document;
    await insert(early, 'jobs', { id, name, revision: 2, summary: '{}', summary_of: 2, words: name });
    for (const [revision, called] of [
      [1, 'Before'],
      [2, name],
    ] as const)
      await insert(early, 'revisions', {
        ...{ job_id: id, revision, parent: revision - 1, save_id: `save-${revision}` },
        document: gzipSync(JSON.stringify({ ...document, name: called })),
      });
    // A save that lost stands there without a revision.
    await insert(early, 'revisions', {
      ...{ job_id: id, revision: null, parent: 1, save_id: 'lost' },
      document: gzipSync(JSON.stringify({ ...document, name: 'Lost' })),
    });
    if (stage >= 4 && stage < 7) await insert(early, 'ticks', { job_id: id, step: 'a step', done: 1 });
    if (stage >= 7)
      await insert(early, 'records', {
        ...{ job_id: id, record_id: 'r1', kind: 'tick', version: 1, about_kind: 'fact', about_id: 'a step' },
        ...{ body: '{}', made_by: 'JS', made_at: new Date() },
      });
  } finally {
    await early.destroy();
  }
};

/** In the usual tests every other one, the last among them; all of them where the proof asks for it. */
const stages = Array.from({ length: count }, (_, i) => i + 1).filter(
  (stage) => process.env['EVERY_STAGE'] !== undefined || (count - stage) % 2 === 0,
);

test.each(stages)(
  'a database of stage %i opens with its jobs, their history and what was ticked',
  async (stage) => {
    const document = files.get(1 + ((stage - 1) % latest));
    if (!document) throw new Error('no such format');
    const own = await ownSource(`amber_stage_${stage}`, { bare: true });
    try {
      await asItWas(own.url, stage, document);
      await prepareDatabase(own.source);
      const { upQueries } = await own.source.driver.createSchemaBuilder().log();
      expect(upQueries.map(({ query }) => query)).toEqual([]);
      const api = apiOn(own.source);
      const opened = await api.get(`/api/jobs/${document.id}`).expect(200);
      expect(opened.body).toMatchObject({
        revision: 2,
        document: { id: document.id, name: document.name, format: latest },
      });
      const before = await api.get(`/api/jobs/${document.id}/revisions/1`).expect(200);
      expect(before.body).toMatchObject({ document: { name: 'Before' } });
      const { revisions } = (await api.get(`/api/jobs/${document.id}/revisions`).expect(200)).body as {
        revisions: { saveId: string; revision: number | null }[];
      };
      expect(revisions.map(({ saveId, revision }) => [saveId, revision])).toEqual([
        ['lost', null],
        ['save-2', 2],
        ['save-1', 1],
      ]);
      const listed = await api.get('/api/jobs').expect(200);
      expect(listed.body).toMatchObject({ total: 1, jobs: [{ id: document.id, name: document.name }] });
      const saved = await api
        .put(`/api/jobs/${document.id}`)
        .send({ saveId: 'now', parent: 2, document: (opened.body as { document: object }).document });
      expect([saved.status, saved.body]).toMatchObject([200, { revision: 3 }]);
      if (stage >= 4) {
        const { records } = (await api.get(`/api/jobs/${document.id}/records`).expect(200)).body as {
          records: { kind: string; about: { id: string } }[];
        };
        expect(records.map(({ kind, about }) => [kind, about.id])).toEqual([['tick', 'a step']]);
      }
      expect((await api.get('/api/catalog').expect(200)).body).toMatchObject({ articles: expect.any(Array) });
    } finally {
      await own.drop();
    }
  },
);
