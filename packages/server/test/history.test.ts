import { randomUUID } from 'node:crypto';
import type { DataSource } from 'typeorm';
import { CONTRACT, pathOf, type DeletedJob, type Job, type RevisionHead } from '@amber/core';
import { JobStore, RecordStore, thinStore, toThin, type Kept } from '../src/index.js';
import { JobEntity, RecordEntity, RevisionEntity } from '../src/store/entities.js';
import { apiOn, emptyJob, ownSource } from './support/api.js';

let source: DataSource;
let api: ReturnType<typeof apiOn>;
let drop: () => Promise<void>;
beforeAll(async () => {
  ({ source, drop } = await ownSource('amber_history_test'));
  api = apiOn(source);
});
afterAll(() => drop());

const at = (path: string) => `/api${path}`;
/** The body of an answer that is as it should be. */
const read = async <T>(path: string): Promise<T> => {
  const { body } = await api.get(path).expect(200);
  return body as T;
};
const revisionsOf = async (id: string): Promise<RevisionHead[]> =>
  (await read<{ revisions: RevisionHead[] }>(at(pathOf(CONTRACT.revisions, { id })))).revisions;
const begun = async (id: string): Promise<Job> => {
  const job = emptyJob(id, `Job ${id}`);
  await new JobStore(source).create(job, `${id}-1`);
  return job;
};

test('every save is opened, those that lost too; one is named, renamed and unnamed', async () => {
  const job = await begun('history-a');
  const store = new JobStore(source);
  await store.save({ ...job, name: 'Second' }, 1, 'history-a-2');
  await store.save({ ...job, name: 'Lost' }, 1, 'history-a-lost');
  const document = async (save: string) =>
    (await read<{ document: Job }>(at(pathOf(CONTRACT.openSave, { id: job.id, save })))).document;
  expect((await document('history-a-1')).name).toBe('Job history-a');
  expect((await document('history-a-lost')).name).toBe('Lost');
  await api.get(at(pathOf(CONTRACT.openSave, { id: job.id, save: 'none' }))).expect(404);
  await api.get(at(pathOf(CONTRACT.openSave, { id: 'history-none', save: 'history-a-1' }))).expect(404);
  const name = (save: string, words: string) =>
    api.put(at(pathOf(CONTRACT.nameSave, { id: job.id, save }))).send({ name: words });
  await name('history-a-1', ' As priced for the owner ').expect(200);
  await name('none', 'x').expect(404);
  await name('history-a-1', 'x'.repeat(201)).expect(400);
  const named = async () => (await revisionsOf(job.id)).map(({ saveId, name: called }) => [saveId, called]);
  expect(await named()).toEqual([
    ['history-a-lost', null],
    ['history-a-2', null],
    ['history-a-1', 'As priced for the owner'],
  ]);
  await name('history-a-1', '').expect(200);
  expect((await named()).at(-1)).toEqual(['history-a-1', null]);
});

test('a deleted job is on the list of those, and comes back from there', async () => {
  const { id } = await begun('history-b');
  const deleted = async () =>
    (await read<{ jobs: DeletedJob[] }>('/api/deleted-jobs')).jobs.map((one) => one.id);
  expect(await deleted()).not.toContain(id);
  await api.delete(`/api/jobs/${id}`).expect(200);
  expect(await deleted()).toContain(id);
  await api.post(`/api/jobs/${id}/restore`).expect(200);
  expect(await deleted()).not.toContain(id);
});

const HOUR = 3_600_000;
const NOW = new Date('2026-11-30T12:00:00Z');

test('what is thinned out: nothing of the last day, then all but the last of each hour, day, month', () => {
  let id = 0;
  const save = (hoursAgo: number, more: Partial<Kept> = {}): Kept => ({
    ...{ id: ++id, revision: 10_000 - id, called: null },
    savedAt: new Date(NOW.getTime() - hoursAgo * HOUR),
    ...more,
  });
  const lastDay = [0.1, 0.2, 5, 23].map((hours) => save(hours));
  const hourly = [25.2, 25.4, 25.6, 30.1].map((hours) => save(hours));
  const daily = [24 * 20 + 1, 24 * 20 + 2, 24 * 21 + 1].map((hours) => save(hours));
  const monthly = [24 * 400, 24 * 401].map((hours) => save(hours));
  const named = save(24 * 20 + 3, { called: 'As priced' });
  const head = save(24 * 402);
  const lost = [save(24 * 50, { revision: null }), save(24 * 95, { revision: null })];
  const all = [...lastDay, ...hourly, ...daily, ...monthly, named, head, ...lost];
  const gone = toThin(all, head.revision ?? 0, NOW);
  expect(gone).toEqual([hourly[1]?.id, hourly[2]?.id, daily[1]?.id, monthly[1]?.id, lost[1]?.id]);
  // Thinned again a moment later, nothing more goes.
  expect(
    toThin(
      all.filter((one) => !gone.includes(one.id)),
      head.revision ?? 0,
      NOW,
    ),
  ).toEqual([]);
});

test('the head and what has a name outlive years; a job deleted long ago goes with all that is its own', async () => {
  const job = await begun('history-c');
  const store = new JobStore(source);
  for (let revision = 1; revision < 6; revision++)
    await store.save({ ...job, name: `State ${revision}` }, revision, `history-c-${revision + 1}`);
  await store.nameSave(job.id, 'history-c-2', 'Kept');
  const old = await begun('history-d');
  await new RecordStore(source).add(old.id, {
    ...{ id: 'r', kind: 'note', version: 1, body: { text: 'x' }, retracts: null, by: '' },
    about: { kind: 'job', id: old.id, wiring: null, revision: null, hash: null },
    at: NOW.toISOString(),
  });
  await store.remove(old.id);
  const recent = await begun('history-e');
  await store.remove(recent.id);
  // Years later, as far as these are concerned: all were saved and deleted now.
  const inHundredDays = new Date(Date.now() + 100 * 24 * HOUR);
  await source.getRepository(JobEntity).update({ id: recent.id }, { deletedAt: inHundredDays });
  await thinStore(source, inHundredDays);
  expect((await revisionsOf(job.id)).map(({ revision }) => revision)).toEqual([6, 2]);
  expect((await store.open(job.id)).kind).toBe('open');
  expect(await store.restore(old.id)).toBe(false);
  expect(await source.getRepository(RevisionEntity).countBy({ jobId: old.id })).toBe(0);
  expect(await source.getRepository(RecordEntity).countBy({ jobId: old.id })).toBe(0);
  expect(await store.restore(recent.id)).toBe(true);
  expect(await store.save({ ...job, name: 'Goes on' }, 6, randomUUID())).toEqual({
    kind: 'saved',
    revision: 7,
  });
});
