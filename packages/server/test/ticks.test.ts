import type { DataSource } from 'typeorm';
import { apiOn, emptyJob, freshSource } from './support/api.js';

let source: DataSource;
beforeAll(async () => {
  source = await freshSource();
});
afterAll(() => source.destroy());

const ticked = async (id: string) => {
  const answer = await apiOn(source).get(`/api/jobs/${id}/ticks`).expect(200);
  return (answer.body as { ticks: { step: string }[] }).ticks.map((one) => one.step);
};

test('a tick is kept, can be taken back, and both stay on record', async () => {
  const api = apiOn(source);
  await api
    .post('/api/jobs')
    .send({ saveId: 'ticks', document: emptyJob('ticked') })
    .expect(201);
  let made = 0;
  const tick = (step: string, done: boolean, id = `t${made++}`) =>
    api.post('/api/jobs/ticked/ticks').send({ id, step, done }).expect(201);
  await tick('box/dead', true);
  await tick('box/check', true);
  await tick('box/dead', false);
  expect(await ticked('ticked')).toEqual(['box/check']);
  await tick('box/dead', true);
  expect((await ticked('ticked')).sort()).toEqual(['box/check', 'box/dead']);
  const [row] = await source.query<{ count: string }[]>(
    "SELECT COUNT(*) AS count FROM ticks WHERE job_id = 'ticked'",
  );
  expect(Number(row?.count)).toBe(4);
  // One whose answer was lost comes again under its id, and is kept once, wherever it stood.
  await tick('box/dead', false, 't9');
  await tick('box/dead', true, 't10');
  await tick('box/dead', false, 't9');
  expect((await ticked('ticked')).sort()).toEqual(['box/check', 'box/dead']);
  const long = `${'b'.repeat(200)}/splice/${'c'.repeat(1500)}`;
  await tick(long, true);
  expect(await ticked('ticked')).toContain(long);
});

test('ticks belong to one job, and a copy starts without them', async () => {
  const api = apiOn(source);
  for (const id of ['ticks-a', 'ticks-b'])
    await api
      .post('/api/jobs')
      .send({ saveId: id, document: emptyJob(id) })
      .expect(201);
  await api.post('/api/jobs/ticks-a/ticks').send({ id: 'a', step: 'box/dead', done: true }).expect(201);
  expect(await ticked('ticks-b')).toEqual([]);
  const { body } = await api.post('/api/jobs/ticks-a/duplicate').expect(201);
  expect(await ticked((body as { id: string }).id)).toEqual([]);
  expect(await ticked('ticks-a')).toEqual(['box/dead']);
});

test('ticks of a job that is not there, and ticks that name no step, are refused', async () => {
  await apiOn(source).get('/api/jobs/nowhere/ticks').expect(404);
  await apiOn(source).post('/api/jobs/nowhere/ticks').send({ id: 'b', step: 'a', done: true }).expect(404);
  const bad = await apiOn(source)
    .post('/api/jobs/ticked/ticks')
    .send({ id: 'c', step: '', done: true })
    .expect(400);
  expect(bad.body).toMatchObject({ code: 'bad-request', path: 'step' });
});

test('a tick without a name is refused', async () => {
  const bad = await apiOn(source).post('/api/jobs/ticked/ticks').send({ step: 'a', done: true }).expect(400);
  expect(bad.body).toMatchObject({ code: 'bad-request', path: 'id' });
});
