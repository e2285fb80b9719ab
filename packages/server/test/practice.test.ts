import type { DataSource } from 'typeorm';
import { CONTRACT, type Practised } from '@amber/core';
import { checkStore } from '../src/index.js';
import { apiOn, freshSource } from './support/api.js';

let source: DataSource;
beforeAll(async () => {
  source = await freshSource();
});
afterAll(() => source.destroy());

const answered = (id: string, learner: string, more: Partial<Practised> = {}): Practised => ({
  ...{ id, learner, kind: 'makeUp', level: 'fourWay', seed: 7, edition: 2023 },
  ...{ outcome: 'right', stopped: 0, at: '2026-03-02T08:15:00.123Z' },
  ...more,
});
const put = (one: object) => apiOn(source).post('/api/practice').send(one);
const of = async (learner: string): Promise<Practised[]> => {
  const path = `/api/practice/learners/${encodeURIComponent(learner)}`;
  return CONTRACT.practised.answer.parse((await apiOn(source).get(path).expect(200)).body).practised;
};

test('what was practised is kept as it was answered, once each, by who learns', async () => {
  const first = answered('p1', 'Una Reed');
  const second = answered('p2', 'una reed ', { kind: 'judgeIt', outcome: 'missed', stopped: 2 });
  await put(first).expect(201, { id: 'p1' });
  await put(second).expect(201);
  // Its answer was lost and it comes again, perhaps otherwise: what came first stands.
  await put({ ...first, outcome: 'missed' }).expect(201);
  await put(answered('P1', 'Somebody else/at the "yard"')).expect(201);
  expect(await of('Una Reed')).toEqual([first, { ...second, learner: 'una reed' }]);
  expect(await of('UNA REED')).toHaveLength(2);
  expect((await of('Somebody else/at the "yard"')).map(({ id }) => id)).toEqual(['P1']);
  expect(await of('nobody')).toEqual([]);
});

test('learners are listed by the name that was first written, whoever practised last first', async () => {
  await put(answered('l1', 'Early Bird', { at: '2026-05-01T06:00:00.000Z' })).expect(201);
  await put(answered('l2', 'Late Owl', { at: '2026-05-02T22:00:00.000Z' })).expect(201);
  await put(answered('l3', 'early bird', { at: '2026-05-03T06:00:00.000Z' })).expect(201);
  const body = (await apiOn(source).get('/api/practice/learners').expect(200)).body as unknown;
  const { learners } = CONTRACT.learners.answer.parse(body);
  expect(learners.filter(({ name }) => /bird|owl/i.test(name))).toEqual([
    { name: 'Early Bird', lastAt: '2026-05-03T06:00:00.000Z' },
    { name: 'Late Owl', lastAt: '2026-05-02T22:00:00.000Z' },
  ]);
});

test.each([
  ['learner', { learner: '   ' }],
  ['kind', { kind: 'guess' }],
  ['level', { level: 'sevenWay' }],
  ['level', { level: 'kitchen' }],
  ['seed', { seed: -1 }],
  ['edition', { edition: 1959 }],
  ['stopped', { stopped: 1.5 }],
  ['at', { at: 'yesterday' }],
])('what is no exercise is refused by its path: %s', async (path, wrong) => {
  const { body } = await put({ ...answered('wrong', 'Nobody'), ...wrong }).expect(422);
  expect(body).toMatchObject({ code: 'bad-record', path });
  expect(await of('Nobody')).toEqual([]);
});

test('a row that a hand in the database has spoiled is named by the check', async () => {
  await put(answered('spoiled', 'Una Reed')).expect(201);
  await source.query("UPDATE practised SET outcome = 'perhaps' WHERE practised_id = 'spoiled'");
  const damage = (await checkStore(source)).filter(({ what }) => what === 'practised');
  expect(damage).toEqual([
    { what: 'practised', which: 'exercise spoiled of Una Reed', why: 'it cannot be read' },
  ]);
  await source.query("DELETE FROM practised WHERE practised_id = 'spoiled'");
});
