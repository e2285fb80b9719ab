import { randomUUID } from 'node:crypto';
import { get, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import request from 'supertest';
import type { DataSource } from 'typeorm';
import { jobNewsSchema, type JobNews } from '@amber/core';
import { createApp, storesOn, type Stores } from '../src/index.js';
import { apiOn, emptyJob, freshSource } from './support/api.js';

interface Serving {
  source: DataSource;
  watch: Stores['watch'];
  server: Server;
}

/** Two servers of their own before one database. */
const serving: Serving[] = [];
beforeAll(async () => {
  for (let i = 0; i < 2; i++) {
    const source = await freshSource();
    const stores = storesOn(source, { poll: 200 });
    const app = createApp(stores);
    const server = await new Promise<Server>((resolve) => {
      const listening: Server = app.listen(0, '127.0.0.1', () => resolve(listening));
    });
    serving.push({ source, watch: stores.watch, server });
  }
});
afterAll(async () => {
  for (const { source, watch, server } of serving) {
    await watch.close();
    await new Promise((resolve) => server.close(resolve));
    await source.destroy();
  }
});

const at = (i: number): Serving => {
  const one = serving[i];
  if (!one) throw new Error('It is not served.');
  return one;
};

/** A page that listens, what it was told, and a way to wait until it was told something. */
const listening = (job: string, editor: string, { on = 0, called = '', browser = editor } = {}) => {
  const told: JobNews[] = [];
  const { port } = at(on).server.address() as AddressInfo;
  const query = new URLSearchParams({ editor, browser, called }).toString();
  const asking = get(`http://127.0.0.1:${port}/api/jobs/${job}/events?${query}`, (response) => {
    response.setEncoding('utf8').on('data', (piece: string) => {
      for (const line of piece.split('\n'))
        if (line.startsWith('data: ')) told.push(jobNewsSchema.parse(JSON.parse(line.slice(6))));
    });
  });
  asking.on('error', () => undefined);
  return {
    told,
    until: async (holds: (news: JobNews) => boolean) => {
      for (let tries = 0; tries < 600; tries++) {
        const last = told.at(-1);
        if (last && holds(last)) return last;
        await new Promise((resolve) => setTimeout(resolve, 20));
      }
      throw new Error(`It was told ${JSON.stringify(told)}.`);
    },
    leave: () => asking.destroy(),
  };
};

test('a page is told of newer revisions, records and the end of a job, also of what another server did', async () => {
  const [here, there] = [apiOn(at(0).source), apiOn(at(1).source)];
  const job = emptyJob('watched');
  await here.post('/api/jobs').send({ saveId: randomUUID(), document: job }).expect(201);
  const page = listening('watched', 'one');
  expect(await page.until(() => true)).toEqual({ revision: 1, gone: false, records: 0, others: [] });
  const save = (api: typeof here, parent: number) =>
    api
      .put('/api/jobs/watched')
      .send({ saveId: randomUUID(), parent, document: { ...job, name: `After ${parent}` } })
      .expect(200);
  await save(there, 1);
  await page.until(({ revision }) => revision === 2);
  // Through the same server it is told at once, and not at the next look.
  await save(request(at(0).server), 2);
  await page.until(({ revision }) => revision === 3);
  const record = {
    ...{ id: 'r1', kind: 'note', version: 1, about: { kind: 'job', id: 'watched' }, body: { text: 'Seen' } },
    ...{ retracts: null, by: 'AB', at: new Date().toISOString() },
  };
  await there.post('/api/jobs/watched/records').send(record).expect(201);
  await page.until(({ records }) => records > 0);
  await there.delete('/api/jobs/watched').expect(200);
  expect(await page.until(({ gone }) => gone)).toMatchObject({ revision: 3 });
  await there.post('/api/jobs/watched/restore').expect(200);
  await page.until(({ gone }) => !gone);
  page.leave();
}, 30_000);

test('who has a job open is known to all others, whichever server they ask, until they leave', async () => {
  const api = apiOn(at(0).source);
  await api
    .post('/api/jobs')
    .send({ saveId: randomUUID(), document: emptyJob('shared') })
    .expect(201);
  const one = listening('shared', 'one', { called: 'AB' });
  const two = listening('shared', 'two', { on: 1, called: 'CD', browser: 'b' });
  const elsewhere = listening('other-job', 'three');
  await one.until(({ others }) => others.length === 1);
  expect(one.told.at(-1)?.others).toEqual([{ editor: 'two', browser: 'b', called: 'CD' }]);
  expect((await two.until(({ others }) => others.length === 1)).others[0]?.called).toBe('AB');
  two.leave();
  await one.until(({ others }) => others.length === 0);
  // One whose server was killed says no goodbye; after half a minute it is taken for gone.
  await at(0).source.query(
    "INSERT INTO presence (job_id, editor, browser, called, seen_at) VALUES ('shared', 'dead', '', 'EF', NOW(3) - INTERVAL 24 SECOND)",
  );
  await one.until(({ others }) => others.some(({ called }) => called === 'EF'));
  await one.until(({ others }) => others.length === 0);
  expect(await elsewhere.until(() => true)).toEqual({ revision: null, gone: true, records: 0, others: [] });
  one.leave();
  elsewhere.leave();
}, 30_000);

test('who does not say which page listens is told so', async () => {
  const api = apiOn(at(0).source);
  const refused = await api.get('/api/jobs/watched/events').expect(400);
  expect(refused.body).toMatchObject({ code: 'bad-request', path: 'editor' });
});

test('ids are compared byte for byte: two that differ in case name two jobs, and two saves', async () => {
  const api = apiOn(at(0).source);
  const ids = ['bytes', 'Bytes', 'byteS'];
  for (const id of ids)
    await api
      .post('/api/jobs')
      .send({ saveId: 'first', document: emptyJob(id, `named ${id}`) })
      .expect(201);
  for (const id of ids) {
    const opened = await api.get(`/api/jobs/${encodeURIComponent(id)}`).expect(200);
    expect(opened.body).toMatchObject({ revision: 1, document: { id, name: `named ${id}` } });
  }
  await api.get('/api/jobs/BYTES').expect(404);
  // Two saves whose names differ in case are two.
  const save = (saveId: string, parent: number) =>
    api.put('/api/jobs/bytes').send({ saveId, parent, document: emptyJob('bytes') });
  await save('FIRST', 1).expect(200, { id: 'bytes', revision: 2 });
  await save('first', 1).expect(200, { id: 'bytes', revision: 1 });
});
