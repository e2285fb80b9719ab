import {
  beginPlace,
  changeDoor,
  latchSpot,
  layoutFaults,
  newJob,
  spotOn,
  standardStock,
  switchesToLatch,
  wallOfDoor,
  type Box,
  type Door,
  type Job,
  type JobId,
} from '../src/index.js';

const room = (): Job =>
  beginPlace(newJob('job' as JobId, 'Job', standardStock()), { place: 'room', stem: 'p', name: 'Den' });
const doorOf = (job: Job): Door => job.doors[0] as Door;
const switchOf = (job: Job): Box => job.boxes.find(({ name }) => name === 'Door') as Box;
const said = (job: Job) => layoutFaults(job).map(({ sentence }) => sentence);
/** The switch on the wall of the door, so far from where that wall begins, inches. */
const switchAt = (job: Job, offset: number): Job => {
  const wall = wallOfDoor(job, doorOf(job));
  if (!wall) throw new Error('the door has no wall');
  const at = spotOn(wall, offset);
  return {
    ...job,
    boxes: job.boxes.map((box) =>
      box.name === 'Door' && box.at ? { ...box, at: { ...box.at, ...at } } : box,
    ),
  };
};

test('a hinge that is on the other side leaves the switch behind the open door, and one step puts it to the latch', () => {
  const before = room();
  const job = changeDoor(before, doorOf(before).id, { hinge: 'end' });
  expect(said(job)).toEqual([
    'Door is behind the open door Door. Move it to the latch side, or say how the door swings.',
  ]);
  const moved = switchesToLatch(before, job, doorOf(job).id);
  expect(said(moved)).toEqual([]);
  expect(switchOf(moved).at).toMatchObject(latchSpot(moved, doorOf(moved)) ?? {});
  expect(switchOf(moved).at?.z).toBe(switchOf(before).at?.z);
  // Where none stood at the latch, or the latch is where it was, nothing is moved.
  const away: Job = {
    ...before,
    boxes: before.boxes.map((box) =>
      box.at && box.name === 'Door' ? { ...box, at: { ...box.at, y: 0 } } : box,
    ),
  };
  const turned = changeDoor(away, doorOf(away).id, { hinge: 'end' });
  expect(switchesToLatch(away, turned, doorOf(away).id)).toBe(turned);
  expect(switchesToLatch(before, before, doorOf(before).id)).toBe(before);
});

test('a door that swings out, or is none, hides nothing; a switch beyond its leaf is seen', () => {
  const job = changeDoor(room(), doorOf(room()).id, { hinge: 'end' });
  for (const change of [{ swings: 'out' }, { hinge: 'none' }] as const)
    expect(said(changeDoor(job, doorOf(job).id, change))).toEqual([]);
  const { offset, width } = doorOf(room());
  expect(said(switchAt(room(), offset - width + 2))).toHaveLength(1);
  expect(said(switchAt(room(), offset - width - 2))).toEqual([]);
});

test('in a corner the leaf stands against the wall beside it', () => {
  const job = room();
  const door = doorOf(job);
  const wall = wallOfDoor(job, door);
  if (!wall) throw new Error('the door has no wall');
  const cornered = changeDoor(job, door.id, { offset: 2 });
  const besideIt = (inches: number): Job => ({
    ...cornered,
    boxes: cornered.boxes.map((box) =>
      box.name === 'Door' && box.at
        ? { ...box, at: { x: wall.from.x, y: wall.from.y + wall.inward.y * inches, z: 48 } }
        : box,
    ),
  });
  expect(said(besideIt(20))[0]).toMatch(/behind the open door/);
  expect(said(besideIt(door.width + 4))).toEqual([]);
});

test('nothing hangs in a doorway: no switch, no panel; over the door there is room', () => {
  const job = room();
  const { offset, width } = doorOf(job);
  const inIt = switchAt(job, offset + width / 2);
  expect(said(inIt)).toEqual(['Door is in the doorway of Door. Move it beside the casing.']);
  const above = {
    ...inIt,
    boxes: inIt.boxes.map((box) => (box.at ? { ...box, at: { ...box.at, z: Math.max(box.at.z, 86) } } : box)),
  };
  expect(said(above)).toEqual([]);
  const at = switchOf(inIt).at;
  if (!at) throw new Error('the switch is nowhere');
  const level = job.rooms[0]?.level ?? null;
  const withPanel = { ...job, routing: { ...job.routing, panel: { level, at: { ...at, z: 60 } } } };
  expect(said(withPanel)).toEqual([
    'The panel hangs in the doorway of Door. Move it along the wall, or to another.',
  ]);
});
