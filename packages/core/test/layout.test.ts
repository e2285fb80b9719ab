import fc from 'fast-check';
import { emptyWiring } from '../src/model/wiring.js';
import {
  hasDevice,
  hasLuminaire,
  existingDocument,
  cablesThere,
  addCircuit,
  addExistingCable,
  addDoor,
  addLuminaire,
  addPlainBox,
  addRoom,
  addSwitch,
  changeDoor,
  changeRoom,
  distance,
  evenSpots,
  findPlans,
  floorArea,
  gangInto,
  holdOf,
  isWithin,
  jobSchema,
  latchSpot,
  layoutFaults,
  moveBox,
  moveDoor,
  moveRoom,
  newJob,
  notchCorner,
  placeBox,
  pushWall,
  removeExistingCable,
  removeRoom,
  sayWhatItIs,
  setDistance,
  setHeight,
  setWallLength,
  standardStock,
  ungang,
  wallsOf,
  withoutBox,
  withoutFeed,
  withoutGroup,
  withoutSlot,
  type Job,
} from '../src/index.js';
import { anyFullJob } from './support/fullJobs.js';

/** Ids of the tests; the boundary check below sees that all of them lead somewhere. */
const id = (text: string) => text as never;

const found = <T extends { id: string }>(items: readonly T[], name: string): T => {
  const one = items.find((item) => item.id === name);
  if (!one) throw new Error(`there is no ${name}`);
  return one;
};
const spotOfBox = (job: Job, box: string) => {
  const { at } = found(job.boxes, box);
  if (!at) throw new Error(`${box} stands nowhere`);
  return at;
};

/** A sail loft of 20 by 12 ft with a door in its left wall, a switch at its latch, and a row of three luminaires. */
const loft = (): Job => {
  let job = newJob(id('loft'), 'Loft', standardStock());
  job = addRoom(job, {
    id: id('r'),
    name: 'Sail loft',
    kind: 'storage',
    width: 240,
    depth: 144,
    at: null,
    level: null,
  });
  job = addCircuit(job, {
    circuit: id('c'),
    group: id('g'),
    feed: id('f'),
    room: id('r'),
    name: 'Sail loft',
  });
  job = addDoor(job, { id: id('d'), name: 'Loft door', room: id('r'), wall: 3, middle: 60 });
  job = addSwitch(job, { box: id('s1'), slot: id('slot1'), group: id('g'), at: null });
  for (const [i, at] of evenSpots(found(job.rooms, 'r'), 3, 1).entries())
    job = addLuminaire(job, { box: id(`l${i}`), luminaire: id(`lum${i}`), group: id('g'), at });
  return { ...job, routing: { ...job.routing, panel: { level: null, at: { x: -120, y: 0, z: 60 } } } };
};

const sound = (job: Job) => expect(jobSchema.safeParse(job).error?.issues ?? []).toEqual([]);

test('a layout is sound, and a switch lands at the latch of the door with its name', () => {
  const job = loft();
  sound(job);
  const door = found(job.doors, 'd');
  expect(spotOfBox(job, 's1')).toMatchObject({ ...latchSpot(job, door), z: 48 });
  expect(found(job.boxes, 's1').name).toBe('Loft door');
  // The left wall goes upwards from the lower corner; the hinge is at its start, so the latch is above the door.
  const hold = holdOf(job, found(job.boxes, 's1'));
  expect(hold).toMatchObject({ distance: 8, reference: { kind: 'casing', edge: 'end' } });
  const swung = changeDoor(job, id('d'), { hinge: 'end' });
  expect(latchSpot(swung, found(swung.doors, 'd'))).toEqual({ x: 0, y: 144 - (60 - 16 - 8) });
  expect(layoutFaults(job)).toEqual([]);
});

test('a second switch goes to a door that has none, and both doors want three-ways', () => {
  const job = addDoor(loft(), { id: id('d2'), name: 'Ladder', room: id('r'), wall: 1, middle: null });
  const two = addSwitch(job, { box: id('s2'), slot: id('slot2'), group: id('g'), at: null });
  expect(found(two.boxes, 's2').name).toBe('Ladder');
  expect(distance(spotOfBox(two, 's2'), { x: 240, y: 72 })).toBeLessThan(30);
  const plans = findPlans(two, id('c'), { mostSteps: 200_000 });
  expect(plans.candidates[0]?.sketch?.nodes.flatMap((node) => node.letters)).toEqual(['S3', 'S3']);
});

test('a door that is moved takes its switch along, and another wall leaves it where it was', () => {
  const job = loft();
  const moved = moveDoor(job, id('d'), { x: 10, y: 144 - 96 });
  expect(found(moved.doors, 'd')).toMatchObject({ wall: 3, offset: 80 });
  expect(holdOf(moved, found(moved.boxes, 's1'))).toMatchObject({ distance: 8, reference: { door: 'd' } });
  expect(spotOfBox(moved, 's1').y).toBe(spotOfBox(job, 's1').y - 36);
});

test('a luminaire row stays even, and boxes on walls keep their distances, wherever a wall is pushed', () => {
  let kept = 0;
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 3 }),
      fc.integer({ min: -40, max: 300 }),
      fc.integer({ min: 12, max: 130 }),
      (wall, out, along) => {
        const placed = addSwitch(loft(), {
          box: id('s2'),
          slot: id('slot2'),
          group: id('g'),
          at: { x: along, y: 143 },
        });
        const job = setDistance(placed, id('s2'), along);
        const pushed = pushWall(job, id('r'), wall, out);
        const room = found(pushed.rooms, 'r');
        const spots = evenSpots(room, 3, 1);
        spots.forEach((spot, i) => expect(distance(spotOfBox(pushed, `l${i}`), spot)).toBeLessThan(1.5));
        for (const box of ['s1', 's2']) {
          const [before, after] = [job, pushed].map((one) => holdOf(one, found(one.boxes, box)));
          expect(after?.wall.index).toBe(before?.wall.index);
          const same =
            after?.reference.edge === before?.reference.edge &&
            after?.reference.kind === before?.reference.kind;
          if (!before || !after || !same) continue;
          kept += 1;
          expect(after.distance).toBeCloseTo(before.distance, 0);
        }
      },
    ),
    { seed: 61, numRuns: 120 },
  );
  expect(kept).toBeGreaterThan(120);
});

test('walls are measured: a length moves the next wall, a push stops before the room is gone', () => {
  const job = setWallLength(loft(), id('r'), 0, 300);
  expect(wallsOf(found(job.rooms, 'r')).map((wall) => wall.length)).toEqual([300, 144, 300, 144]);
  const narrow = pushWall(job, id('r'), 1, -1000);
  expect(wallsOf(found(narrow.rooms, 'r')).map((wall) => wall.length)).toEqual([12, 144, 12, 144]);
  const moved = moveRoom(job, id('r'), { x: 24, y: -12 });
  for (const box of job.boxes)
    expect(spotOfBox(moved, box.id)).toMatchObject({
      x: spotOfBox(job, box.id).x + 24,
      y: spotOfBox(job, box.id).y - 12,
    });
});

test('a corner cut out makes an L; doors and switches stay where they are', () => {
  const job = loft();
  for (const corner of [0, 1, 2, 3]) {
    const cut = notchCorner(job, id('r'), corner, 60, 36);
    const { outline } = found(cut.rooms, 'r');
    expect(floorArea(outline ?? [])).toBe(240 * 144 - 60 * 36);
    expect(outline).toHaveLength(6);
    sound(cut);
  }
  // Of corner 1 the walls beside it are the upper and the right one; the left one with the door is another.
  const cut = notchCorner(job, id('r'), 1, 60, 36);
  const [before, after] = [job, cut].map((one) => latchSpot(one, found(one.doors, 'd')));
  expect(after).toEqual(before);
  expect(isWithin(found(cut.rooms, 'r').outline ?? [], { x: 235, y: 5 })).toBe(false);
  expect(notchCorner(job, id('r'), 1, 240, 36)).toBe(job);
});

test('a box is put on the wall it is dropped next to, keeps its height, and hangs free in the middle', () => {
  const job = moveBox(setHeight(loft(), id('s1'), 54), id('s1'), { x: 100, y: 12 });
  expect(spotOfBox(job, 's1')).toEqual({ x: 100, y: 0, z: 54 });
  const lamp = moveBox(job, id('l0'), { x: 51.4, y: 70.6 });
  expect(spotOfBox(lamp, 'l0')).toEqual({ x: 51, y: 71, z: 96 });
});

test('two boxes gang into one and come apart again', () => {
  let job = addSwitch(loft(), { box: id('s2'), slot: id('slot2'), group: id('g'), at: { x: 100, y: 0 } });
  job = gangInto(job, id('s2'), id('s1')) ?? job;
  expect(job.slots.map((slot) => [slot.id, slot.box, slot.gang])).toEqual([
    ['slot1', 's1', 0],
    ['slot2', 's1', 1],
  ]);
  expect(job.boxes.some((box) => box.id === 's2')).toBe(false);
  const apart = ungang(job, id('slot2'), id('s3'));
  expect(apart.slots.map((slot) => [slot.box, slot.gang])).toEqual([
    ['s1', 0],
    ['s3', 0],
  ]);
  sound(apart);
  expect(gangInto(job, id('l0'), id('s1'))).toBeNull();
});

describe('what cannot be as it is told is said in a sentence', () => {
  const cases: [string, (job: Job) => Job, RegExp][] = [
    [
      'a luminaire outside',
      (job) => moveBox(job, id('l0'), { x: 900, y: 900 }),
      /^Luminaire is outside every room/,
    ],
    ['two in one place', (job) => moveBox(job, id('l0'), spotOfBox(job, 'l1')), /are in one place/],
    [
      'a height above the ceiling',
      (job) => setHeight(job, id('s1'), 100),
      /Loft door is at 8'-4", above the ceiling of Sail loft at 8'-0"/,
    ],
    [
      'a switch with nothing',
      (job) => ['l0', 'l1', 'l2'].reduce((left, box) => withoutBox(left, id(box)), job),
      /nothing that it controls/,
    ],
    ['no switch', (job) => withoutSlot(job, id('slot1')), /no switch/],
    [
      'a room of no width',
      (job) =>
        changeRoom(job, id('r'), {
          outline: [
            { x: 0, y: 0 },
            { x: 0, y: 9 },
            { x: 0, y: 5 },
            { x: 0, y: 2 },
          ],
        }),
      /has no floor/,
    ],
    [
      'a door beyond its wall',
      (job) => setWallLength(job, id('r'), 1, 30),
      /Loft door is .* longer than the wall leaves/,
    ],
  ];
  test.each(cases)('%s', (_name, edit, sentence) => {
    const job = edit(loft());
    expect(
      layoutFaults(job)
        .map((one) => one.sentence)
        .join('\n'),
    ).toMatch(sentence);
    sound(job);
    // The rest is planned all the same, or the planner says what is missing.
    const { candidates, refusals } = findPlans(job, id('c'), { mostSteps: 50_000 });
    expect(candidates.length + refusals.length).toBeGreaterThan(0);
  });
});

test('whatever is taken away of any job, nothing leads to what is gone', () => {
  let wired = 0;
  for (const job of fc.sample(anyFullJob, { seed: 77, numRuns: 22 })) {
    wired += job.choices.length;
    for (const left of [
      ...job.boxes.map((box) => withoutBox(job, box.id)),
      ...job.slots.map((slot) => withoutSlot(job, slot.id)),
      ...job.groups.map((group) => withoutGroup(job, group.id)),
      ...job.feeds.map((feed) => withoutFeed(job, feed.id)),
      ...job.rooms.map((room) => removeRoom(job, room.id)),
    ])
      sound(left);
  }
  expect(wired).toBeGreaterThan(20);
});

test('an existing box may stand anywhere and feed a circuit', () => {
  const job = addPlainBox(loft(), { box: id('j'), at: { x: 12, y: 12 }, existing: true });
  expect(found(job.boxes, 'j')).toMatchObject({
    work: 'existing',
    name: 'Existing box',
    room: 'r',
    mount: 'ceiling',
  });
  sound(job);
});

test('a cable that lies there already is used by the plan, is one between two places, and can be taken away', () => {
  const job = loft();
  const laid = addExistingCable(job, {
    id: id('old'),
    article: id('14-3'),
    circuit: id('c'),
    from: id('s1'),
    to: id('l0'),
  });
  const again = addExistingCable(laid, {
    id: id('newer'),
    article: id('14-2'),
    circuit: id('c'),
    from: id('l0'),
    to: id('s1'),
  });
  expect(cablesThere(again).map((cable) => cable.id)).toEqual(['newer']);
  sound(again);
  const [first] = findPlans(again, id('c'), { mostSteps: 200_000 }).candidates;
  expect(first?.measures.reused).toBe(1);
  expect(first?.runs.filter((run) => run.existing).map((run) => run.cable)).toEqual(['14/2']);
  const bare = removeExistingCable(again, id('newer'));
  expect(existingDocument(bare)?.wiring).toEqual(emptyWiring());
  expect({ ...bare, wirings: [] }).toEqual(job);
});

test('a box that was begun without a plan is placed by a tap: a switch on the wall near to it, a luminaire overhead, on the floor that is seen', () => {
  const job = loft();
  const [switched] = job.slots;
  const [lamp] = job.luminaires;
  if (!switched || !lamp) throw new Error('an empty loft');
  const waiting: Job = {
    ...job,
    boxes: job.boxes.map((box) => ({ ...box, at: null, mount: null, room: null, level: null })),
  };
  const wall = placeBox(waiting, switched.box, null, { x: 60, y: 4 });
  expect(found(wall.boxes, switched.box)).toMatchObject({ mount: 'wall', at: { y: 0, z: 48 } });
  const over = placeBox(waiting, lamp.box, null, { x: 100, y: 70 });
  const placed = found(over.boxes, lamp.box);
  expect(placed.mount).toBe('ceiling');
  expect(placed.at?.z).toBeGreaterThan(80);
  expect(placed.room).toBe(job.rooms[0]?.id);
  // Nothing else is moved.
  expect(over.boxes.filter(({ at }) => at !== null)).toHaveLength(1);
});

test('what an existing box is found to be is there, and is not bought; a receptacle is always hot', () => {
  const job = addPlainBox(loft(), { box: id('old'), at: { x: 30, y: 30 }, existing: true });
  const [group] = job.groups;
  const [circuit] = job.circuits;
  if (!group || !circuit) throw new Error('an empty loft');
  const withSwitch = sayWhatItIs(job, id('old'), { what: 'switch', group: group.id, slot: id('s') });
  expect(found(withSwitch.slots, 's')).toMatchObject({
    box: 'old',
    group: group.id,
    gang: 0,
  });
  expect(hasDevice(withSwitch, 's')).toBe(true);
  const lit = sayWhatItIs(job, id('old'), { what: 'luminaire', group: group.id, luminaire: id('l') });
  expect(found(lit.luminaires, 'l')).toMatchObject({ box: 'old' });
  expect(hasLuminaire(lit, 'l')).toBe(true);
  const said = { what: 'receptacle', circuit: circuit.id, slot: id('r'), group: id('hot') } as const;
  const outlet = sayWhatItIs(job, id('old'), said);
  expect(found(outlet.slots, 'r')).toMatchObject({ role: 'receptacle', group: 'hot' });
  expect(hasDevice(outlet, 'r')).toBe(true);
  expect(found(outlet.groups, 'hot')).toMatchObject({ control: 'hot', circuit: circuit.id });
  // A second one joins what is hot already, in the next gang.
  const second = sayWhatItIs(outlet, id('old'), { ...said, slot: id('r2'), group: id('hot2') });
  expect(found(second.slots, 'r2')).toMatchObject({ group: 'hot', gang: 1 });
  expect(second.groups).toHaveLength(outlet.groups.length);
  for (const made of [withSwitch, lit, second]) expect(jobSchema.safeParse(made).success).toBe(true);
  // Of a box that comes new nothing is there yet.
  const [fresh] = job.boxes;
  if (!fresh) throw new Error('no box');
  expect(sayWhatItIs(job, fresh.id, said)).toBe(job);
});
