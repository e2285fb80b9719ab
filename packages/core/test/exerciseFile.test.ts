import {
  BUILT,
  DEAD_TESTS,
  drawHiddenFault,
  drawMakeUp,
  judgeMakeUp,
  newJob,
  notAnExercise,
  plannedWiring,
  readExercise,
  standardStock,
  withDocument,
  writeExercise,
  type Job,
  type JobId,
} from '../src/index.js';

const { job: loose } = drawMakeUp({ level: 'pairAtLight', seed: 3, edition: 2020 });
const { job: spoiled } = drawHiddenFault({ level: 'fourGang', seed: 3, edition: 2023 });
const madeUp = (job: Job): Job => {
  const document = job.wirings.find(({ id }) => id === BUILT);
  const planned = plannedWiring(job);
  if (!document || !planned) throw new Error('no bench');
  return withDocument(job, { ...document, wiring: planned });
};

test.each([
  ['makeUp', loose],
  ['findFault', spoiled],
  ['findFault', loose],
] as const)('an exercise of kind %s is read back as it was written, and is thought of alike', (kind, job) => {
  const exercise = { kind, title: 'For the new ones', note: 'Take your time.', job };
  const read = readExercise(writeExercise(exercise));
  expect(read).toEqual({ ok: true, exercise });
  if (read.ok) expect(judgeMakeUp(read.exercise.job)).toEqual(judgeMakeUp(job));
});

test('what nobody could solve is no exercise: no bench, nothing planned, nothing to be found', () => {
  const empty = newJob('none' as JobId, 'None', standardStock());
  expect(notAnExercise({ kind: 'makeUp', job: empty })).toMatch(/no wiring that is to be made up/);
  const unplanned = { ...loose, choices: [] };
  expect(notAnExercise({ kind: 'makeUp', job: unplanned })).toMatch(/cannot be planned/);
  expect(notAnExercise({ kind: 'findFault', job: madeUp(loose) })).toMatch(/nothing to be found/);
  expect(notAnExercise({ kind: 'makeUp', job: madeUp(loose) })).toBeNull();
  expect(() => writeExercise({ kind: 'findFault', title: 'x', note: '', job: madeUp(loose) })).toThrow(
    /nothing to be found/,
  );
});

const written = () =>
  JSON.parse(writeExercise({ kind: 'makeUp', title: 'x', note: '', job: loose })) as Record<string, unknown>;
test.each<[string, string, RegExp]>([
  ['{', 'file', /not JSON, so it is no exercise/],
  ['[]', 'file', /no exercise\. A job is opened under Jobs/],
  [JSON.stringify(loose), 'file', /no exercise\. A job is opened under Jobs/],
  [JSON.stringify({ ...written(), format: 2 }), 'format', /up to 1\. Open it with a later version/],
  [JSON.stringify({ ...written(), kind: 'guess' }), 'kind', /./],
  [JSON.stringify({ ...written(), title: ' ' }), 'title', /./],
  [JSON.stringify({ ...written(), job: { ...loose, circuits: 3 } }), 'job.circuits', /./],
  [JSON.stringify({ ...written(), job: null }), 'job', /not a job file/],
  [JSON.stringify({ ...written(), job: { ...loose, choices: [] } }), 'job', /cannot be planned/],
])('what is wrong with a file is told by its path: %#', (text, path, message) => {
  const read = readExercise(text);
  if (read.ok) throw new Error('it was taken');
  expect(read.faults[0]?.path).toBe(path);
  expect(read.faults[0]?.message).toMatch(message);
});

test('of the ways to take a box for dead one proves it, by two poles, to neutral and to ground, proved before and after', () => {
  const proving = DEAD_TESTS.filter(({ why }) => why === null);
  expect(proving.map(({ id }) => id)).toEqual(['thorough']);
  for (const part of ['two-pole', 'before and after', 'hot to neutral', 'hot to ground', 'neutral to ground'])
    expect(proving[0]?.words).toContain(part);
  for (const { why } of DEAD_TESTS) if (why !== null) expect(why).toMatch(/\.$/);
});
