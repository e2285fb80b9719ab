import fc from 'fast-check';
import {
  articlesAt,
  articleOf,
  cubicInches,
  fillOf,
  findPlans,
  planJob,
  plannedWiring,
  roomForCable,
  sayRoomLeft,
  wireAll,
  withChoice,
  type BoxId,
  type Job,
} from '../src/index.js';
import { firstWithRoom } from '../src/materials/boxChoice.js';
import { EVERYDAY } from './support/everyday.js';
import { naming } from './support/samples.js';
import { yard } from './support/yard.js';

const leftIn = (job: Job, box: BoxId): number => {
  const wiring = plannedWiring(job);
  if (!wiring) throw new Error('nothing is planned');
  const { available, needed } = fillOf(job, wiring, box);
  if (available === null) throw new Error(`${box} is not known`);
  return available - needed;
};

const asking = (job: Job, roomToSpare: 0 | 1 | 2): Job =>
  planJob(wireAll({ ...job, preferences: { ...job.preferences, roomToSpare } })).job;

test('the box that is taken is the cheapest with room, of as many gangs; else the one that leaves the most', () => {
  const offer = fc.record({ gangs: fc.integer({ min: 1, max: 2 }), left: fc.integer({ min: -6, max: 9 }) });
  fc.assert(
    fc.property(fc.array(offer, { maxLength: 9 }), fc.integer({ min: 0, max: 7 }), (some, room) => {
      const offers = [...some].sort((a, b) => a.gangs - b.gangs);
      const found = firstWithRoom(
        offers,
        (one) => one.gangs,
        (one) => one.left,
        room,
      );
      const fitting = offers.filter((one) => one.left >= 0);
      const alike = fitting.filter((one) => one.gangs === fitting[0]?.gangs);
      const roomy = alike.filter((one) => one.left >= room);
      const most = alike.filter((one) => one.left === Math.max(...alike.map(({ left }) => left)));
      expect(found).toBe(roomy[0] ?? most[0] ?? null);
    }),
    { seed: 1901, numRuns: 500 },
  );
});

const volumeOf = (job: Job, box: BoxId): number => {
  const wiring = plannedWiring(job);
  return wiring
    ? articlesAt(wiring, box).reduce((sum, id) => sum + articleOf(job.stock, 'box', id).volume, 0)
    : 0;
};

test('in everyday rooms each new box takes one more cable where the job asks for it, and some are larger for it', () => {
  let larger = 0;
  for (const [name, job] of Object.entries(EVERYDAY))
    naming(name, () => {
      const room = asking(job, 1);
      const none = planJob({ ...room, preferences: { ...room.preferences, roomToSpare: 0 } }).job;
      for (const { id } of job.boxes.filter((box) => volumeOf(room, box.id) > 0)) {
        expect(leftIn(room, id)).toBeGreaterThanOrEqual(roomForCable(14));
        expect(volumeOf(room, id)).toBeGreaterThanOrEqual(volumeOf(none, id));
        if (volumeOf(room, id) > volumeOf(none, id)) larger += 1;
      }
    });
  expect(larger).toBeGreaterThan(2);
});

test('a plan of least cost has its boxes as small as the code allows, says so in its choice, and keeps it', () => {
  const job: Job = EVERYDAY.living;
  const [circuit] = job.circuits;
  if (!circuit) throw new Error('no circuit');
  const set = findPlans(job, circuit.id);
  const [first] = set.candidates;
  const least = set.candidates.find(({ bestAt }) => bestAt.includes('leastCost'));
  const roomiest = set.candidates.find(({ bestAt }) => bestAt.includes('roomiest'));
  expect(first?.choice.room).toBeUndefined();
  expect(first?.measures.tightest?.left).toBeGreaterThanOrEqual(roomForCable(circuit.awg));
  expect(least?.choice.room).toBe(0);
  expect(set.paidFor).toContain('room for one more cable in every box');
  if (!least || !roomiest) throw new Error('no such plans');
  for (const { measures } of set.candidates)
    expect(measures.tightest?.left ?? 0).toBeLessThanOrEqual(roomiest.measures.tightest?.left ?? 0);
  // Planned again from the choice alone, every box of either is as it was measured.
  for (const plan of [least, roomiest]) {
    const again = planJob(withChoice(job, circuit.id, plan.choice)).job;
    const tightest = plan.measures.tightest;
    if (tightest) expect(leftIn(again, tightest.box)).toBe(tightest.left);
  }
});

test('a box of two circuits keeps free what the one that asks for more asks for', () => {
  const job = yard();
  const box = 'landing-switches' as BoxId;
  const saying = (rooms: Record<string, number>) =>
    planJob({
      ...job,
      boxes: job.boxes.map((one) => (one.id === box ? { ...one, article: null, sections: [] } : one)),
      choices: job.choices.map((one) => ({ ...one, room: rooms[one.circuit] ?? 0 })),
    }).job;
  const none = leftIn(saying({}), box);
  const asked = none + 1;
  for (const circuit of ['landing-lights', 'slip-light'])
    expect(leftIn(saying({ [circuit]: asked }), box)).toBeGreaterThanOrEqual(asked);
  expect(leftIn(saying({ 'galley-lights': asked }), box)).toBe(none);
});

test('what is left is told in words', () => {
  expect(sayRoomLeft(43_000, false)).toBe('4.3 in³ or more to spare in each box that is known');
  expect(sayRoomLeft(43_000, true)).toBe(`${cubicInches(43_000)} or more to spare in each box`);
  expect(sayRoomLeft(-5_000, true)).toBe(`a box ${cubicInches(5_000)} too small`);
});
