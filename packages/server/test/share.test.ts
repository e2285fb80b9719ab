import { createHash, randomUUID } from 'node:crypto';
import { strToU8, unzipSync, zipSync } from 'fflate';
import type { DataSource } from 'typeorm';
import { CONTRACT, type Job, type SiteRecord } from '@amber/core';
import { apiOn, demoJob, emptyJob, ownSource } from './support/api.js';

/** Two installations: here, and a colleague's. */
const place = async (name: string) => {
  const { source, drop } = await ownSource(name);
  return { source, drop, api: apiOn(source) };
};
let here: Awaited<ReturnType<typeof place>>;
let there: Awaited<ReturnType<typeof place>>;
beforeAll(async () => {
  here = await place('amber_share_here');
  there = await place('amber_share_there');
});
afterAll(() => Promise.all([here.drop(), there.drop()]));

type Place = { api: ReturnType<typeof apiOn>; source: DataSource };

const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);

const create = ({ api }: Place, job: Job) =>
  api.post('/api/jobs').send({ saveId: randomUUID(), document: job }).expect(201);
const opened = async ({ api }: Place, id: string) =>
  (await api.get(`/api/jobs/${id}`).expect(200)).body as { revision: number; document: Job };
const change = async (at: Place, id: string, how: (job: Job) => Partial<Job>) => {
  const { revision, document } = await opened(at, id);
  await at.api
    .put(`/api/jobs/${id}`)
    .send({ saveId: randomUUID(), parent: revision, document: { ...document, ...how(document) } })
    .expect(200);
};
const note = (id: string, job: string, more: Partial<SiteRecord> = {}): object => ({
  ...{ id, kind: 'note', version: 1, about: { kind: 'job', id: job }, body: { text: id } },
  ...{ retracts: null, by: 'AB', at: '2026-03-01T10:00:00.000Z', ...more },
});
const record = ({ api }: Place, job: string, one: object) =>
  api.post(`/api/jobs/${job}/records`).send(one).expect(201);
const recordsOf = async ({ api }: Place, job: string) =>
  CONTRACT.records.answer
    .parse((await api.get(`/api/jobs/${job}/records`).expect(200)).body)
    .records.map(({ id }) => id);
const give = async ({ api }: Place, id: string): Promise<Buffer> => {
  const sent = await api
    .get(`/api/jobs/${id}/shared`)
    .buffer(true)
    .parse((response, done) => {
      const pieces: Buffer[] = [];
      response.on('data', (piece: Buffer) => pieces.push(piece));
      response.on('end', () => done(null, Buffer.concat(pieces)));
    });
  expect([sent.status, sent.headers['content-type']]).toEqual([200, 'application/zip']);
  return sent.body as Buffer;
};
const takeIn = async ({ api }: Place, file: Buffer) =>
  CONTRACT.takeIn.answer.parse(
    (await api.post('/api/shared-jobs').type('application/zip').send(file).expect(201)).body,
  );

test('a job goes to a colleague with pictures and records, is worked on there and here, and comes back with all of it', async () => {
  const picture = (
    (await here.api.post('/api/pictures').type('image/png').send(PNG).expect(201)).body as { hash: string }
  ).hash;
  await create(here, demoJob('house'));
  await record(
    here,
    'house',
    note('here-1', 'house', { kind: 'photo' as never, body: { hash: picture, words: '' } }),
  );
  const sent = await give(here, 'house');

  expect(await takeIn(there, sent)).toEqual({
    id: 'house',
    outcome: 'new',
    clashes: [],
    records: 1,
    pictures: 1,
  });
  expect((await opened(there, 'house')).document).toEqual((await opened(here, 'house')).document);
  await there.api.get(`/api/pictures/${picture}`).expect(200);
  // The same file again changes nothing.
  expect(await takeIn(there, sent)).toEqual({
    id: 'house',
    outcome: 'same',
    clashes: [],
    records: 0,
    pictures: 0,
  });

  // Only there is it worked on: it comes back as it is there.
  await change(there, 'house', () => ({ edition: 2020 }));
  await record(there, 'house', note('there-1', 'house'));
  expect(await takeIn(here, await give(there, 'house'))).toMatchObject({ outcome: 'newer', records: 1 });
  expect(await opened(here, 'house')).toMatchObject({ revision: 2, document: { edition: 2020 } });

  // In both places, in different things.
  await change(there, 'house', () => ({ name: 'House at the quay' }));
  await change(here, 'house', () => ({ edition: 2017 }));
  await record(here, 'house', note('here-2', 'house'));
  expect(await takeIn(here, await give(there, 'house'))).toMatchObject({ outcome: 'merged', clashes: [] });
  expect((await opened(here, 'house')).document).toMatchObject({ name: 'House at the quay', edition: 2017 });
  expect(await recordsOf(here, 'house')).toEqual(['here-1', 'there-1', 'here-2']);

  // And there again: what was put together here is newer there.
  expect(await takeIn(there, await give(here, 'house'))).toMatchObject({ outcome: 'newer', records: 1 });
  expect((await opened(there, 'house')).document).toEqual((await opened(here, 'house')).document);
}, 60_000);

test('what both changed is told, and what came is kept among the saves', async () => {
  await create(here, emptyJob('torn'));
  await takeIn(there, await give(here, 'torn'));
  await change(here, 'torn', () => ({ name: 'Mine' }));
  await change(there, 'torn', () => ({ name: 'Theirs' }));
  const told = await takeIn(here, await give(there, 'torn'));
  expect(told.outcome).toBe('clash');
  expect(told.clashes).toEqual([
    { mine: ['The job: name from torn to Mine'], theirs: ['The job: name from torn to Theirs'] },
  ]);
  expect((await opened(here, 'torn')).document.name).toBe('Mine');
  const { revisions } = CONTRACT.revisions.answer.parse(
    (await here.api.get('/api/jobs/torn/revisions')).body,
  );
  const lost = revisions.find(({ revision }) => revision === null);
  expect(lost?.name).toMatch(/^Came in .*, clashes$/);
  const kept = await here.api.get(`/api/jobs/torn/saves/${lost?.saveId ?? ''}`).expect(200);
  expect(kept.body).toMatchObject({ document: { name: 'Theirs' } });
});

test('a job of the same id that never was the same comes in beside it', async () => {
  await create(here, emptyJob('twin', 'Here'));
  await create(there, emptyJob('twin', 'There'));
  const told = await takeIn(here, await give(there, 'twin'));
  expect(told.outcome).toBe('apart');
  expect((await opened(here, told.id)).document.name).toBe('There (came in)');
  expect((await opened(here, 'twin')).document.name).toBe('Here');
});

test('what was pulled from a colleague’s truck does not come off this one', async () => {
  await create(here, emptyJob('pulled'));
  const article = emptyJob('x').stock.find(({ kind }) => kind === 'cable')?.id;
  const truck = async ({ api }: Place) =>
    CONTRACT.truck.answer.parse((await api.get('/api/catalog/truck').expect(200)).body).amounts;
  await record(here, 'pulled', {
    ...note('pulled-1', 'pulled'),
    ...{ kind: 'pulled', about: { kind: 'cable', id: 'c1' } },
    body: { length: 240, draws: { article, amount: 20 } },
  });
  expect(await truck(here)).toEqual([{ article, amount: -20 }]);
  await takeIn(there, await give(here, 'pulled'));
  expect([await recordsOf(there, 'pulled'), await truck(there)]).toEqual([['pulled-1'], []]);
});

test('a file of which anything is wrong is refused with what it is, and nothing of it is taken', async () => {
  await create(here, emptyJob('whole'));
  const good = await give(here, 'whole');
  const files = unzipSync(good);
  const repacked = (more: Record<string, Uint8Array>) => Buffer.from(zipSync({ ...files, ...more }));
  const hash = createHash('sha256').update(PNG).digest('hex');
  const { 'job.json': _job, ...without } = files;
  const cases: [Buffer, RegExp][] = [
    [good.subarray(0, good.length - 40), /damaged. Send it once more/],
    [Buffer.from('no zip'), /damaged. Send it once more/],
    [Buffer.from(zipSync(without)), /has no job.json in it/],
    [repacked({ 'job.json': strToU8('{') }), /job.json in it is damaged/],
    [repacked({ 'job.json': strToU8('{"format":99}') }), /The job in it cannot be read/],
    [repacked({ 'records.json': strToU8('[{"id":1}]') }), /records in it cannot be read: 0.id/],
    [
      repacked({ 'about.json': strToU8('{"amber":"job with pictures and records","format":2,"states":[]}') }),
      /later version/,
    ],
    [repacked({ [`pictures/${hash}.png`]: new Uint8Array([1, 2, 3]) }), /picture .* in it is damaged/],
  ];
  for (const [file, why] of cases) {
    const refused = await there.api.post('/api/shared-jobs').type('application/zip').send(file).expect(422);
    expect(refused.body).toMatchObject({ code: 'not-a-file', message: expect.stringMatching(why) as string });
  }
  await there.api.get('/api/jobs/whole').expect(404);
  await there.api.post('/api/shared-jobs').type('application/json').send('{}').expect(415);
  await there.api.get('/api/jobs/none/shared').expect(404);
});
