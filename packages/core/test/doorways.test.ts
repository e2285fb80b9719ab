import {
  addCircuit,
  addDoor,
  addRoom,
  addSwitch,
  beginPlace,
  changeBox,
  changeDoor,
  doorsOf,
  latchSpot,
  layoutFaults,
  newJob,
  roomsOfDoor,
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

describe('a door belongs to the rooms on both sides of its wall', () => {
  /** The hall from 0 to 144, the den behind a wall of five inches, with a door in it hinged at its upper end and swinging into the hall. */
  const twoRooms = (gap = 5): Job => {
    const draw = (job: Job, id: string, x: number): Job =>
      addRoom(job, {
        ...{ id: id as never, name: id, kind: 'habitable', width: 144, depth: 120 },
        ...{ at: { x, y: 0 }, level: null },
      });
    const rooms = draw(draw(newJob('job' as JobId, 'Job', standardStock()), 'hall', 0), 'den', 144 + gap);
    // The right wall of the hall runs downwards.
    const door = { id: 'd' as never, name: 'Den door', room: 'hall' as never, wall: 1, middle: 60 };
    return addCircuit(addDoor(rooms, door), {
      ...{ circuit: 'c' as never, group: 'g' as never, feed: 'f' as never },
      ...{ room: 'den' as never, name: 'Den' },
    });
  };
  const seenFrom = (job: Job, room: string) => doorsOf(job, room as never);

  test('told as each has it: the same opening in its own wall, hinged and swinging as seen from there', () => {
    const job = twoRooms();
    expect(roomsOfDoor(job, 'd' as never)).toEqual(['hall', 'den']);
    const [own] = seenFrom(job, 'hall');
    const [other] = seenFrom(job, 'den');
    expect(own).toBe(job.doors[0]);
    expect(other).toMatchObject({ id: 'd', room: 'den', wall: 3, width: 32, swings: 'out', hinge: 'end' });
    // The very same stretch of the plan, from the other face of the wall.
    const stretch = (door: Door) => {
      const wall = wallOfDoor(job, door);
      if (!wall) throw new Error('no wall');
      return [spotOn(wall, door.offset).y, spotOn(wall, door.offset + door.width).y].sort((a, b) => a - b);
    };
    expect(other && stretch(other)).toEqual(own && stretch(own));
    expect(other && latchSpot(job, other)).toEqual({ x: 149, y: (own && latchSpot(job, own)?.y) ?? NaN });
    // Rooms that are farther apart than a wall is thick have nothing in common.
    expect(seenFrom(twoRooms(30), 'den')).toEqual([]);
  });

  test('the next switch of the other room goes beside it, goes along with it, and may not stand in it', () => {
    const job = addSwitch(twoRooms(), {
      ...{ box: 's' as never, slot: 'sl' as never, group: 'g' as never, at: null },
    });
    const at = (one: Job) => one.boxes.find(({ id }) => id === 's')?.at;
    expect(at(job)).toMatchObject({ x: 149, y: 84 });
    expect(job.boxes[0]?.name).toBe('Den door');
    const moved = changeDoor(job, 'd' as never, { offset: 60 });
    expect(at(moved)).toMatchObject({ x: 149, y: 100 });
    const turned = changeDoor(job, 'd' as never, { hinge: 'end' });
    expect(at(switchesToLatch(job, turned, 'd' as never))).toMatchObject({ x: 149, y: 36 });
    const inside = changeBox(job, 's' as never, { at: { x: 149, y: 60, z: 48 } });
    expect(said(inside)).toContain('Den door is in the doorway of Den door. Move it beside the casing.');
    // Swinging into the den, hinged there, its leaf hides the switch.
    const hidden = changeDoor(inside, 'd' as never, { swings: 'out', hinge: 'end' });
    const behind = changeBox(hidden, 's' as never, { at: { x: 149, y: 90, z: 48 } });
    expect(said(behind)).toContain(
      'Den door is behind the open door Den door. Move it to the latch side, or say how the door swings.',
    );
  });
});
