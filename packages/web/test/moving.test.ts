import fc from 'fast-check';
import {
  addCircuit,
  addDoor,
  addLuminaire,
  addRoom,
  addSwitch,
  findBox,
  findRoom,
  holdOf,
  isWithin,
  jobSchema,
  newJob,
  standardStock,
  wallsOf,
  type Job,
  type Spot,
} from '@amber/core';
import {
  dragged,
  drawnRoom,
  dropped,
  nameOf,
  nudged,
  removed,
  type Grip,
} from '../src/screens/layout/moving.js';
import { doorAt, luminairesAt, placedBy, switchAt } from '../src/screens/layout/placing.js';

/** Ids of the tests. */
const id = (text: string) => text as never;
const room = (job: Job, name: string, x: number, width = 144): Job =>
  addRoom(job, {
    ...{ id: id(name), name, kind: 'habitable', width, depth: 120, at: { x, y: 0 }, level: null },
  });

/** Two rooms with a gap of ten inches, a door, two switches and a light in the first. */
const house = (): Job => {
  let job = room(room(newJob(id('house'), 'House', standardStock()), 'hall', 0), 'den', 154);
  job = addCircuit(job, { circuit: id('c'), group: id('g'), feed: id('f'), room: id('hall'), name: 'Hall' });
  job = addDoor(job, { id: id('d'), name: 'Front door', room: id('hall'), wall: 0, middle: 72 });
  job = addSwitch(job, { box: id('s1'), slot: id('slot1'), group: id('g'), at: { x: 20, y: 0 } });
  job = addSwitch(job, { box: id('s2'), slot: id('slot2'), group: id('g'), at: { x: 144, y: 60 } });
  return addLuminaire(job, { box: id('l'), luminaire: id('lum'), group: id('g'), at: { x: 72, y: 60 } });
};
/** What is worked on while a tool is in hand. */
const inHand = () => ({ group: id('g'), hung: 'fan' as const, power: { circuit: id('c') } });
const GRIPS: Grip[] = [
  { kind: 'room', id: id('hall') },
  { kind: 'wall', room: id('hall'), wall: 1 },
  { kind: 'door', id: id('d') },
  { kind: 'box', id: id('s1') },
  { kind: 'box', id: id('l') },
  { kind: 'panel' },
];
const withPanel = (job: Job): Job => ({
  ...job,
  routing: { ...job.routing, panel: { level: null, at: { x: 10, y: 10, z: 60 } } },
});
const spotOf = (job: Job, box: string): Spot => {
  const at = findBox(job, box)?.at;
  if (!at) throw new Error(`${box} has no place`);
  return at;
};

test('wherever a thing is dragged, the job stays one that can be kept, and nothing else is lost', () => {
  const before = withPanel(house());
  let held = 0;
  fc.assert(
    fc.property(
      ...[
        fc.constantFrom(...GRIPS),
        fc.integer({ min: -400, max: 600 }),
        fc.integer({ min: -400, max: 600 }),
      ],
      (grip, x, y) => {
        const after = dragged(before, grip, { x: 72, y: 60 }, { x, y });
        expect(jobSchema.safeParse(after).error?.issues).toBeUndefined();
        for (const list of ['rooms', 'doors', 'boxes', 'slots', 'luminaires', 'groups'] as const)
          expect(after[list].map((one) => one.id)).toEqual(before[list].map((one) => one.id));
        // What holds on to a wall still does; a box that was dragged off all walls stands where the pointer is.
        const free = grip.kind === 'box' && grip.id === 's1' && holdOf(after, findBox(after, 's1')!) === null;
        if (free)
          expect([spotOf(after, 's1').x, spotOf(after, 's1').y]).toEqual([Math.round(x), Math.round(y)]);
        else held += 1;
        if (grip.kind !== 'wall')
          for (const one of after.rooms)
            expect(wallsOf(one).map((wall) => wall.length)).toEqual([144, 120, 144, 120]);
      },
    ),
    { seed: 31, numRuns: 160 },
  );
  expect(held).toBeGreaterThan(100);
});

test('a drag back to where it began gives what was, but for what snaps', () => {
  const before = withPanel(house());
  for (const grip of GRIPS.filter((one) => one.kind !== 'room')) {
    const there = dragged(before, grip, { x: 72, y: 60 }, { x: 90, y: 78 });
    const from =
      grip.kind === 'box'
        ? spotOf(there, grip.id)
        : grip.kind === 'door'
          ? { x: 90, y: 0 }
          : { x: 90, y: 78 };
    const to =
      grip.kind === 'box'
        ? spotOf(before, grip.id)
        : grip.kind === 'door'
          ? { x: 72, y: 0 }
          : { x: 72, y: 60 };
    expect([nameOf(before, grip), dragged(there, grip, from, to)]).toEqual([nameOf(before, grip), before]);
  }
});

test('a room that comes near to another lies against it, and carries what is in it along', () => {
  const before = house();
  const after = dragged(before, { kind: 'room', id: id('hall') }, { x: 0, y: 0 }, { x: 6, y: 3 });
  const edge = Math.max(...(findRoom(after, 'hall')?.outline ?? []).map((corner) => corner.x));
  expect(edge).toBe(154);
  expect(spotOf(after, 'l')).toEqual({ ...spotOf(before, 'l'), x: 82 });
  expect(findRoom(after, 'den')).toEqual(findRoom(before, 'den'));
  const far = dragged(before, { kind: 'room', id: id('hall') }, { x: 0, y: 0 }, { x: -30, y: 20 });
  expect(Math.min(...(findRoom(far, 'hall')?.outline ?? []).map((corner) => corner.x))).toBe(-30);
});

test('a switch that is let go on another is ganged with it; beside it, it is moved', () => {
  const before = house();
  const grip: Grip = { kind: 'box', id: id('s1') };
  const { job, label } = dropped(before, grip, spotOf(before, 's1'), spotOf(before, 's2'));
  expect(label).toMatch(/^gang .+ into .+/);
  expect(findBox(job, 's1')).toBeUndefined();
  expect(job.slots.map((slot) => [slot.box, slot.gang])).toEqual([
    ['s2', 1],
    ['s2', 0],
  ]);
  const beside = dropped(before, grip, spotOf(before, 's1'), { x: 60, y: 0 });
  expect(beside.label).toBe(`move ${findBox(before, 's1')?.name ?? ''}`);
  expect(spotOf(beside.job, 's1').x).toBeCloseTo(60, 0);
  // While it is dragged nothing is ganged yet.
  expect(dragged(before, grip, spotOf(before, 's1'), spotOf(before, 's2')).slots).toEqual(before.slots);
});

test('arrow keys move by what they say, and what has no place stays', () => {
  const before = withPanel(house());
  expect(spotOf(nudged(before, { kind: 'box', id: id('l') }, { x: 12, y: -1 }), 'l')).toMatchObject({
    x: 84,
    y: 59,
  });
  const panel = nudged(before, { kind: 'panel' }, { x: 1, y: 2 }).routing.panel?.at;
  expect(panel).toMatchObject({ x: 11, y: 12 });
  const door = nudged(before, { kind: 'door', id: id('d') }, { x: 6, y: 0 }).doors[0];
  expect(door?.offset).toBe((before.doors[0]?.offset ?? 0) + 6);
  const unplaced = { ...before, boxes: before.boxes.map((box) => ({ ...box, at: null })) };
  expect(nudged(unplaced, { kind: 'box', id: id('l') }, { x: 12, y: 0 })).toBe(unplaced);
});

test('what is removed takes with it what led to it, under a name', () => {
  const before = withPanel(house());
  const { job, label } = removed(before, { kind: 'box', id: id('l') });
  expect(label).toMatch(/^remove /);
  expect([findBox(job, 'l'), job.luminaires]).toEqual([undefined, []]);
  expect(removed(before, { kind: 'door', id: id('d') }).job.doors).toEqual([]);
  expect(removed(before, { kind: 'room', id: id('den') }).job.rooms.map((one) => one.id)).toEqual(['hall']);
  expect(removed(before, { kind: 'panel' })).toMatchObject({
    label: 'take the panel off the plan',
    job: { routing: { panel: null } },
  });
  for (const grip of GRIPS)
    if (grip.kind !== 'wall') expect(jobSchema.safeParse(removed(before, grip).job).success).toBe(true);
});

describe('a tap with a tool', () => {
  test('puts the thing there, selected, and the job can be kept', () => {
    const before = house();
    for (const tool of ['door', 'switch', 'luminaire', 'receptacle', 'onward', 'box', 'panel'] as const) {
      const placed = placedBy(tool, before, { x: 40, y: 2 }, inHand());
      if (!placed) throw new Error(`${tool} placed nothing`);
      expect(jobSchema.safeParse(placed.job).error?.issues).toBeUndefined();
      expect(placed.selected).not.toBeNull();
      expect(placed.label).toMatch(/^(add|place) /);
    }
    for (const tool of ['select', 'room', 'picture'] as const)
      expect(placedBy(tool, before, { x: 40, y: 2 }, inHand())).toBeNull();
  });

  test('without a group gives no switch and no light, without a room no door', () => {
    for (const tool of ['switch', 'luminaire', 'receptacle', 'onward'] as const)
      expect(
        placedBy(tool, house(), { x: 40, y: 2 }, { group: null, hung: 'light', power: null }),
      ).toBeNull();
    expect(doorAt({ ...house(), rooms: [] }, { x: 40, y: 2 })).toBeNull();
  });

  test('a door goes on the nearest wall, a switch beside the next door, lights where they are asked for', () => {
    const before = house();
    const door = doorAt(before, { x: 160, y: 118 })?.job.doors.at(-1);
    expect([door?.room, door?.name]).toEqual(['den', 'den, lower door']);
    const beside = switchAt(before, id('g'), null);
    const added = beside?.job.boxes.at(-1);
    expect(
      added && isWithin(findRoom(before, 'hall')?.outline ?? [], { x: added.at!.x, y: added.at!.y + 1 }),
    ).toBe(true);
    const three = luminairesAt(
      before,
      id('g'),
      [36, 72, 108].map((x) => ({ x, y: 30 })),
      'light',
    );
    expect([three?.label, three?.job.luminaires.length]).toEqual(['add 3 luminaires', 4]);
    expect(luminairesAt(before, id('g'), [], 'fan')).toBeNull();
  });
});

describe('a room that is drawn by hand', () => {
  test('comes to half a foot, and to the walls that are near; whichever corner was first', () => {
    const job = house();
    // The rooms reach from 0 to 144 and from 154 on, 120 deep: drawn below them, their edges hold.
    const drawn = drawnRoom(job, { x: 3, y: 117 }, { x: 141, y: 221 });
    expect(drawn).toEqual({ at: { x: 0, y: 120 }, width: 144, depth: 102 });
    expect(drawnRoom(job, { x: 141, y: 221 }, { x: 3, y: 117 })).toEqual(drawn);
    expect(drawnRoom({ ...job, rooms: [] }, { x: 7, y: 8 }, { x: 70, y: 64 })).toEqual({
      ...{ at: { x: 6, y: 6 }, width: 66, depth: 60 },
    });
  });

  test('what is narrower than a closet is none', () => {
    fc.assert(
      fc.property(fc.integer({ min: -400, max: 400 }), fc.integer({ min: -200, max: 200 }), (x, y) => {
        const drawn = drawnRoom({ ...house(), rooms: [] }, { x: 0, y: 0 }, { x, y });
        expect(drawn === null).toBe(Math.min(Math.abs(x), Math.abs(y)) < 21);
        if (drawn) expect([drawn.width % 6, drawn.depth % 6]).toEqual([0, 0]);
      }),
      { seed: 23, numRuns: 200 },
    );
  });
});
