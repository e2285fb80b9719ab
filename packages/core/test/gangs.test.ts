import fc from 'fast-check';
import {
  addCircuit,
  addDoor,
  addRoom,
  addSwitch,
  jobSchema,
  newGroup,
  newJob,
  standardStock,
  type Job,
} from '../src/index.js';
import { distance } from '../src/layout/walls.js';

const id = (text: string) => text as never;

/** A room with a door and two groups that both want a switch there. */
const room = (): Job => {
  let job = newJob(id('room'), 'Room', standardStock());
  job = addRoom(job, {
    ...{ id: id('r'), name: 'Sail loft', kind: 'storage', width: 240, depth: 144, at: null, level: null },
  });
  job = addCircuit(job, { circuit: id('c'), group: id('a'), feed: id('f'), room: id('r'), name: 'Loft' });
  job = addDoor(job, { id: id('d'), name: 'Loft door', room: id('r'), wall: 3, middle: 60 });
  const [first] = job.groups;
  if (!first) throw new Error('no group');
  return {
    ...job,
    groups: ['a', 'b', 'c'].map((one) => newGroup({ ...first, id: one, name: `Group ${one}` })),
  };
};

const withSwitch = (job: Job, group: string, at: { x: number; y: number } | null = null): Job => {
  const n = job.slots.length;
  return addSwitch(job, { box: id(`box${n}`), slot: id(`slot${n}`), group: id(group), at });
};

test('a switch of another group at a door that has one comes into its box, gang beside gang', () => {
  const two = withSwitch(withSwitch(room(), 'a'), 'b');
  expect(two.boxes.map(({ name }) => name)).toEqual(['Loft door']);
  expect(two.slots.map(({ box, gang, group }) => [box, gang, group])).toEqual([
    ['box0', 0, 'a'],
    ['box0', 1, 'b'],
  ]);
  expect(jobSchema.safeParse(two).success).toBe(true);
});

test('a box of which the articles are settled, or that is there, takes none: a new one is set beside it on the wall', () => {
  const one = withSwitch(room(), 'a');
  for (const told of [{ article: id('wall-1-18') }, { work: 'existing' as const }]) {
    const settled = { ...one, boxes: one.boxes.map((box) => ({ ...box, ...told })) };
    const two = withSwitch(settled, 'b');
    expect(two.boxes).toHaveLength(2);
    const [a, b] = two.boxes.map(({ at }) => at);
    if (!a || !b) throw new Error('nowhere');
    expect(distance(a, b)).toBeGreaterThanOrEqual(8);
    expect(distance(a, b)).toBeLessThan(30);
    // On the same wall, the left one.
    expect(b.x).toBe(a.x);
  }
});

test('wherever switches are set, no two boxes stand in one another, and no box has two switches of a group', () => {
  const spot = fc.record({ x: fc.integer({ min: -10, max: 250 }), y: fc.integer({ min: -10, max: 154 }) });
  const asked = fc.tuple(fc.constantFrom('a', 'b', 'c'), fc.option(spot));
  fc.assert(
    fc.property(fc.array(asked, { minLength: 2, maxLength: 7 }), (all) => {
      const job = all.reduce((left, [group, at]) => withSwitch(left, group, at), room());
      expect(job.slots).toHaveLength(all.length);
      for (const [i, { at }] of job.boxes.entries())
        for (const other of job.boxes.slice(i + 1))
          if (at && other.at) expect(distance(at, other.at)).toBeGreaterThanOrEqual(6);
      for (const box of job.boxes) {
        const groups = job.slots.filter((slot) => slot.box === box.id).map(({ group }) => group);
        expect(new Set(groups).size).toBe(groups.length);
      }
    }),
    { seed: 1971, numRuns: 120 },
  );
});
