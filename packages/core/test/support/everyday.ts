import {
  newBox,
  newCircuit,
  newFeed,
  newGroup,
  newJob,
  newLuminaire,
  newRoom,
  newSlot,
  standardStock,
  type Job,
  type JobId,
  type RoomKind,
} from '../../src/index.js';

const STOCK = standardStock();

/** "House door" as an id. */
const idOf = (name: string) => name.toLowerCase().replaceAll(' ', '-');

/** A box by its name, where it stands in feet, and the groups of its switches or of what hangs there. */
interface Place {
  name: string;
  at: [x: number, y: number];
  switches?: string[];
  lights?: string[];
}

/** A room with one lighting circuit from the panel, nothing chosen. Switches stand 4 ft high, luminaires 8. */
const room = (
  name: string,
  kind: RoomKind,
  panel: [x: number, y: number],
  groups: readonly string[],
  places: readonly Place[],
  wholeFloorVisible: 'yes' | 'no' = 'yes',
): Job => {
  const job = newJob(idOf(name) as JobId, name, []);
  const slots = places.flatMap(({ name: box, switches = [] }) =>
    switches.map((group, gang) =>
      newSlot({ id: idOf(`${box}:${group}`), box: idOf(box), gang, group: idOf(group) }),
    ),
  );
  const luminaires = places.flatMap(({ name: box, lights = [] }) =>
    lights.map((group) =>
      newLuminaire({
        ...{
          id: idOf(`${box}:${group}:lamp`),
          name: box,
          box: idOf(box),
          group: idOf(group),
          va: 20,
          pounds: 4,
        },
        ...{ terminals: 'leads', leadAwg: 18, metal: true },
      }),
    ),
  );
  return {
    ...job,
    stock: STOCK,
    routing: { ...job.routing, panel: { level: null, at: { x: 12 * panel[0], y: 12 * panel[1], z: 60 } } },
    rooms: [newRoom({ id: 'room', name, kind, wholeFloorVisible, otherLight: 'yes' })],
    circuits: [newCircuit({ id: 'c', name, breaker: 15, awg: 14, afci: 'yes', gfci: 'no' })],
    groups: groups.map((group) => newGroup({ id: idOf(group), name: group, circuit: 'c', room: 'room' })),
    boxes: places.map(({ name: box, at: [x, y], switches }) =>
      newBox({
        ...{
          id: idOf(box),
          name: box,
          article: null,
          accessible: 'no',
          staysAccessible: 'yes',
          location: 'dry',
        },
        ...{ room: 'room', at: { x: 12 * x, y: 12 * y, z: switches ? 48 : 96 } },
        mount: switches ? 'wall' : 'ceiling',
      }),
    ),
    slots,
    luminaires,
    feeds: [newFeed({ id: 'feed', circuit: 'c', at: 'panel' })],
  };
};

/** Everyday rooms: what a master wires in each is plain to him. */
export const EVERYDAY = {
  garage: room(
    'Garage',
    'garage',
    [0, 10],
    ['Garage'],
    [
      { name: 'House door', at: [2, 0], switches: ['Garage'] },
      { name: 'Side door', at: [22, 12], switches: ['Garage'] },
      { name: 'First bay', at: [8, 10], lights: ['Garage'] },
      { name: 'Second bay', at: [16, 10], lights: ['Garage'] },
    ],
  ),
  bath: room(
    'Bath',
    'bathroom',
    [-20, 4],
    ['Vanity', 'Fan'],
    [
      { name: 'Bath door', at: [0, 2], switches: ['Vanity', 'Fan'] },
      { name: 'Over the mirror', at: [6, 0], lights: ['Vanity'] },
      { name: 'Fan', at: [5, 6], lights: ['Fan'] },
    ],
  ),
  living: room(
    'Living room',
    'living',
    [-30, 10],
    ['Living'],
    [
      { name: 'Hall door', at: [0, 4], switches: ['Living'] },
      { name: 'Porch door', at: [20, 0], switches: ['Living'] },
      { name: 'Kitchen door', at: [18, 16], switches: ['Living'] },
      { name: 'Middle', at: [10, 8], lights: ['Living'] },
    ],
  ),
  kitchen: room(
    'Kitchen',
    'kitchen',
    [-15, 0],
    ['Kitchen', 'Sink'],
    [
      { name: 'Hall', at: [0, 6], switches: ['Kitchen'] },
      { name: 'Yard', at: [14, 12], switches: ['Kitchen'] },
      { name: 'By the sink', at: [8, 0], switches: ['Sink'] },
      { name: 'Over the sink', at: [10, 0], lights: ['Sink'] },
      { name: 'North', at: [5, 8], lights: ['Kitchen'] },
      { name: 'South', at: [10, 8], lights: ['Kitchen'] },
    ],
  ),
  bedroom: room(
    'Bedroom',
    'bedroom',
    [-25, 0],
    ['Bedroom', 'Closet'],
    [
      { name: 'Bedroom door', at: [0, 3], switches: ['Bedroom'] },
      { name: 'Closet door', at: [10, 12], switches: ['Closet'] },
      { name: 'Ceiling', at: [6, 6], lights: ['Bedroom'] },
      { name: 'In the closet', at: [12, 14], lights: ['Closet'] },
    ],
  ),
} satisfies Record<string, Job>;

/** Rooms in which several groups share their switch boxes: no one cable between two doors carries the travelers of two pairs. */
export const SHARED = {
  /** Two pairs at the same two doors, the lights of either beyond. */
  hall: room(
    'Hall',
    'hallway',
    [-15, 4],
    ['Ceiling', 'Wall'],
    [
      { name: 'Front door', at: [0, 2], switches: ['Ceiling', 'Wall'] },
      { name: 'Back door', at: [18, 6], switches: ['Ceiling', 'Wall'] },
      { name: 'Ceiling', at: [22, 3], lights: ['Ceiling'] },
      { name: 'Sconce', at: [21, 9], lights: ['Wall'] },
    ],
  ),
  /** A pair and a single-pole. */
  pantry: room(
    'Pantry',
    'living',
    [-15, 4],
    ['Room', 'Shelf'],
    [
      { name: 'Near door', at: [0, 2], switches: ['Room', 'Shelf'] },
      { name: 'Far door', at: [16, 6], switches: ['Room'] },
      { name: 'Middle', at: [8, 5], lights: ['Room'] },
      { name: 'Shelf', at: [3, 8], lights: ['Shelf'] },
    ],
  ),
  /** A fan and lights round it, each from two doors. */
  den: room(
    'Den',
    'living',
    [-18, 4],
    ['Fan', 'Lights'],
    [
      { name: 'Hall side', at: [0, 4], switches: ['Fan', 'Lights'] },
      { name: 'Yard side', at: [16, 10], switches: ['Fan', 'Lights'] },
      { name: 'Centre', at: [9, 7], lights: ['Fan'] },
      { name: 'North end', at: [9, 2], lights: ['Lights'] },
      { name: 'South end', at: [9, 12], lights: ['Lights'] },
    ],
  ),
  /** Three groups over three boxes, each pair at two of them. */
  studio: room(
    'Studio',
    'living',
    [-20, 8],
    ['Bench', 'Easel', 'Stove'],
    [
      { name: 'Lane door', at: [0, 4], switches: ['Bench', 'Easel'] },
      { name: 'Loft stair', at: [18, 2], switches: ['Easel', 'Stove'] },
      { name: 'Yard gate', at: [16, 16], switches: ['Bench', 'Stove'] },
      { name: 'Over the bench', at: [5, 10], lights: ['Bench'] },
      { name: 'Over the easel', at: [10, 3], lights: ['Easel'] },
      { name: 'Over the stove', at: [12, 12], lights: ['Stove'] },
    ],
  ),
  /** Four gangs in the middle, two of them four-ways. */
  lobby: room(
    'Lobby',
    'hallway',
    [-16, 6],
    ['Long', 'Round', 'Porch', 'Stair'],
    [
      { name: 'Street end', at: [0, 6], switches: ['Long', 'Round'] },
      { name: 'Four gangs', at: [12, 4], switches: ['Long', 'Round', 'Porch', 'Stair'] },
      { name: 'Garden end', at: [24, 8], switches: ['Long', 'Round'] },
      { name: 'Long lamp', at: [27, 4], lights: ['Long'] },
      { name: 'Round lamp', at: [27, 11], lights: ['Round'] },
      { name: 'Porch lamp', at: [12, 0], lights: ['Porch'] },
      { name: 'Stair lamp', at: [15, 9], lights: ['Stair'] },
    ],
  ),
} satisfies Record<string, Job>;
