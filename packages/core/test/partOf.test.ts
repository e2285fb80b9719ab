import fc from 'fast-check';
import { reviewCircuit, reviewJob, type Job } from '../src/index.js';
import { partOf } from '../src/review/partOf.js';
import { anyFullJob } from './support/fullJobs.js';
import { naming } from './support/samples.js';
import { yard } from './support/yard.js';

/** Circuits of which the part is not all of the job, each found the same alone as in the whole. */
const compared = (job: Job): { parts: number; findings: number } => {
  const whole = reviewJob(job);
  let [parts, findings] = [0, 0];
  for (const { id } of job.circuits) {
    const fresh = reviewJob(job);
    if (partOf(fresh.job, fresh.wiring, id) === null) continue;
    parts += 1;
    const alone = fresh.findingsOn(id);
    expect(alone).toEqual(reviewCircuit(whole, id).findings);
    findings += alone.length;
  }
  return { parts, findings };
};

test('of every circuit of the yard the same is found in its part as in the whole job', () => {
  const { parts, findings } = compared(yard());
  expect(parts).toBeGreaterThan(6);
  expect(findings).toBeGreaterThan(60);
});

/** Two random jobs on one panel, their ids told apart. */
const beside = (a: Job, b: Job): Job => {
  const text = JSON.stringify({ ...b, stock: [], wirings: [] });
  const ids = [
    ...b.rooms,
    ...b.circuits,
    ...b.groups,
    ...b.boxes,
    ...b.slots,
    ...b.luminaires,
    ...b.feeds,
  ].map(({ id }) => id);
  const renamed = ids.reduce(
    (said, id) => said.replaceAll(JSON.stringify(id), JSON.stringify(`b.${id}`)),
    text,
  );
  const other = JSON.parse(renamed) as Job;
  return {
    ...a,
    stock: [...a.stock, ...b.stock.filter((one) => !a.stock.some(({ id }) => id === one.id))],
    rooms: [...a.rooms, ...other.rooms],
    circuits: [...a.circuits, ...other.circuits],
    groups: [...a.groups, ...other.groups],
    boxes: [...a.boxes, ...other.boxes],
    slots: [...a.slots, ...other.slots],
    luminaires: [...a.luminaires, ...other.luminaires],
    feeds: [...a.feeds, ...other.feeds],
    runFacts: [...a.runFacts, ...other.runFacts],
    choices: [...a.choices, ...other.choices],
  };
};

test('and so it is of random jobs that stand beside one another', () => {
  let [parts, findings] = [0, 0];
  fc.sample(fc.tuple(anyFullJob, anyFullJob), { seed: 128, numRuns: 12 }).forEach(([a, b], at) =>
    naming(`case ${at}`, () => {
      const told = compared(beside(a, { ...b, wirings: [] }));
      parts += told.parts;
      findings += told.findings;
    }),
  );
  expect(parts).toBeGreaterThan(12);
  expect(findings).toBeGreaterThan(80);
});
