import {
  beginPlace,
  changeRoom,
  circuitBegun,
  customerSum,
  estimate,
  findPlans,
  orderLines,
  planAll,
  reviewJob,
  PANEL,
  roughRooms,
  setRunFact,
  wireAll,
  type Job,
  type Place,
} from '../src/index.js';
import { HALL_STEM, hallBegun } from './support/hall.js';

const circuit = circuitBegun(HALL_STEM);
const measured = (job: Job): Job =>
  job.rooms.reduce((made, { id }) => changeRoom(made, id, { rough: false }), job);

const orderOf = (job: Job) => {
  const { job: planned, wiring, compiled } = reviewJob(wireAll(job));
  const { takeOff, cuts, labour } = estimate(planned, wiring, compiled);
  return orderLines(planned, { takeOff, cuts, labour });
};

test('of a room that nobody has measured nothing is called proved, and its sums are about so much, until somebody says that it is', () => {
  const job = hallBegun();
  expect(job.rooms.map(({ rough }) => rough)).toEqual([true]);
  const rough = findPlans(job, circuit);
  expect(rough.candidates.length).toBeGreaterThan(2);
  expect(rough.profiles.filter(({ proved }) => proved)).toEqual([]);
  expect(rough.profiles[0]?.unproved).toEqual(['Nobody has measured Hall yet.']);
  expect(rough.notes).toContain(
    'Nobody has measured Hall yet: lengths there are those of an everyday place. Correct its walls on the layout, and say that it is measured.',
  );
  // Nor where all circuits are planned together.
  expect(planAll(job, [circuit]).parts[0]?.unsure).toEqual(['Nobody has measured Hall yet.']);
  expect(planAll(measured(job), [circuit]).parts).toMatchObject([{ proved: true, unsure: [] }]);
  const sure = findPlans(measured(job), circuit);
  expect(sure.profiles[0]?.proved).toBe(true);
  // It is the same search: only the word hangs on it.
  expect(sure.candidates.map(({ measures }) => measures.cost)).toEqual(
    rough.candidates.map(({ measures }) => measures.cost),
  );
  const [ordered, orderedSure] = [orderOf(job), orderOf(measured(job))];
  expect([ordered.rough, orderedSure.rough]).toEqual([job.rooms.map(({ id }) => id), []]);
  expect(customerSum(job, ordered, { price: 0 }, 0).about).toBe(true);
  expect(customerSum(job, orderedSure, { price: 0 }, 0).about).toBe(false);
});

test('each cable to cut says what its length rests on, on its own', () => {
  const cutsOf = (job: Job) => {
    const { job: planned, wiring, compiled } = reviewJob(wireAll(job));
    return estimate(planned, wiring, compiled).cuts;
  };
  const rough = cutsOf(hallBegun());
  expect(new Set(rough.map(({ restsOn }) => restsOn))).toEqual(new Set(['rough']));
  expect(new Set(cutsOf(measured(hallBegun())).map(({ restsOn }) => restsOn))).toEqual(
    new Set(['estimated']),
  );
  const [first] = rough;
  if (!first) throw new Error('no cut');
  const paced = cutsOf(setRunFact(hallBegun(), first.from, first.to, { length: first.length?.run ?? 0 }));
  expect(paced.find(({ from, to }) => from === first.from && to === first.to)?.restsOn).toBe('measured');
});

test('a run that was measured along its way hangs on no wall; a room that no cable meets is not spoken of', () => {
  const job = hallBegun();
  const rooms = job.rooms.map(({ id }) => id);
  const [from, to] = job.boxes.map(({ id }) => id);
  if (!from || !to) throw new Error('no two boxes');
  expect(roughRooms(job, [{ from, to, lengthSource: 'estimated' }])).toEqual(rooms);
  expect(roughRooms(job, [{ from, to, lengthSource: 'measured' }])).toEqual([]);
  expect(roughRooms(job, [])).toEqual([]);
  expect(roughRooms(measured(job), [{ from, to, lengthSource: 'estimated' }])).toEqual([]);
  // With every run of it measured a plan is proved, whatever the room.
  const places: Place[] = [PANEL, ...job.boxes.map(({ id }) => id)];
  const pairs = places.flatMap((a, i) => places.slice(i + 1).map((b) => [a, b] as const));
  const paced = pairs.reduce((made, [a, b]) => setRunFact(made, a, b, { length: 120 }), job);
  const { profiles, notes } = findPlans(paced, circuit);
  expect(profiles[0]).toMatchObject({ proved: true, unproved: [] });
  expect(notes.join()).not.toContain('measured Hall');
  // A place that is begun in a room that is there takes its walls as they are.
  const [room] = job.rooms;
  const second = beginPlace(measured(job), {
    ...{ place: 'room', stem: 'second', name: 'Second', power: 'panel' as const, into: room?.id ?? null },
  });
  expect(second.rooms.map(({ rough }) => rough)).toEqual([false]);
});
