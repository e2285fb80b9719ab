import {
  findPlans,
  forcedEntry,
  leastCostOf,
  measureWired,
  planJob,
  reviewJob,
  runFactOf,
  setEntry,
  setRunFact,
  wireAll,
  withChoice,
  withoutCircuit,
  type BoxId,
  type CircuitId,
  type Job,
} from '../src/index.js';
import { jobOf } from './support/jobs.js';

const circuit = 'c1' as CircuitId;
const box = (name: string) => name as BoxId;

/** A pair of three-ways with a luminaire, all at known places and any box to be had. */
const brief = (): Job => {
  const job = jobOf({ runs: ['F-S1', 'S1-L', 'L-S2'] });
  const spots: Record<string, number> = { S1: 0, L: 90, S2: 200 };
  return {
    ...job,
    choices: [],
    routing: { ...job.routing, panel: { level: null, at: { x: -60, y: 0, z: 60 } } },
    boxes: job.boxes.map((one) => ({
      ...one,
      article: null,
      at: { x: spots[one.id] ?? 0, y: 0, z: one.id === 'L' ? 96 : 48 },
    })),
  };
};
const boxes = new Set(['S1', 'L', 'S2']);

test('power is forced into one box after another, and each price is that of the plan which then is the first', () => {
  const free = leastCostOf(brief(), circuit) ?? 0;
  let dearer = 0;
  for (const at of ['S1', 'L', 'S2'].map(box)) {
    const job = setEntry(setEntry(brief(), boxes, box('L')), boxes, at);
    expect(forcedEntry(job, boxes)).toBe(at);
    expect(job.runFacts.filter((fact) => fact.rule === 'forced')).toHaveLength(1);
    const price = leastCostOf(job, circuit);
    const { candidates } = findPlans(job, circuit, { mostSteps: 500_000 });
    expect(candidates[0]?.entry).toBe(at);
    const first = candidates.find(({ bestAt }) => bestAt.includes('leastCost'));
    expect(price).toBe(first?.measures.cost);
    expect(price).toBeGreaterThanOrEqual(free);
    if ((price ?? 0) > free) dearer += 1;
  }
  expect(dearer).toBe(2);
  expect(setEntry(setEntry(brief(), boxes, box('L')), boxes, null)).toEqual(brief());
});

test('a run is forbidden, measured, and forgotten again; without any way there is no price', () => {
  const forbidden = setRunFact(brief(), box('S1'), box('L'), { rule: 'forbidden' });
  const measured = setRunFact(forbidden, box('L'), box('S1'), { length: 240 });
  expect(measured.runFacts).toHaveLength(1);
  expect(runFactOf(measured, 'S1', 'L')).toMatchObject({ rule: 'forbidden', length: 240 });
  expect(setRunFact(measured, box('S1'), box('L'), { rule: null, length: null }).runFacts).toEqual([]);
  expect(leastCostOf(forbidden, circuit)).toBeGreaterThan(leastCostOf(brief(), circuit) ?? 0);
  const cutOff = [box('S1'), box('S2'), 'panel' as const].reduce(
    (job, from) => setRunFact(job, from, box('L'), { rule: 'forbidden' }),
    brief(),
  );
  expect(leastCostOf(cutOff, circuit)).toBeNull();
});

test('what nobody has chosen is wired as a master would choose, works in every position, and stays once it is chosen', () => {
  const job = wireAll(brief());
  const review = reviewJob(planJob(job).job);
  const [proof] = review.proofs;
  expect(proof).toMatchObject({ positions: 4, working: 4 });
  expect(wireAll(job)).toEqual(job);
  const first = findPlans(brief(), circuit, { mostSteps: 500_000 }).candidates.find(({ bestAt }) =>
    bestAt.includes('mastersChoice'),
  );
  expect(measureWired(job, circuit)?.cost).toBe(first?.measures.cost);
  expect(measureWired(brief(), circuit)).toBeNull();
  const elsewhere = setEntry(job, boxes, box(first?.entry === 'S2' ? 'S1' : 'S2'));
  expect(measureWired(elsewhere, circuit)).toBeNull();
  expect(withChoice(job, circuit, null).choices).toEqual([]);
});

test('a circuit that is taken away leaves the rooms that were measured, with their doors', () => {
  const job = brief();
  const outline = [
    { x: 0, y: 0 },
    { x: 240, y: 0 },
    { x: 240, y: 120 },
  ];
  const measured = { ...job, rooms: job.rooms.map((room) => ({ ...room, outline })) };
  expect(withoutCircuit(measured, circuit).rooms).toHaveLength(job.rooms.length);
  expect(withoutCircuit(job, circuit).rooms).toEqual([]);
});
