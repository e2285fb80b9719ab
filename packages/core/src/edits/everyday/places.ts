import type { Circuit, Feed } from '../../model/job.js';
import type { RoomKind } from '../../model/place.js';
import type { LoadKind } from '../loads.js';

/** A part of a room, 0 at its left or upper wall, 1 at the other. */
type Part = number;

export interface EverydayRoom {
  name: string;
  kind: RoomKind;
  /** Inches, from wall to wall; a first measure that is to be corrected. */
  width: number;
  depth: number;
  /** One floor above the others. */
  isUpstairs?: boolean;
}

export interface EverydayDoor {
  name: string;
  /** Of the rooms of the place. */
  room: number;
  /** 0 the upper wall of the plan, then clockwise. */
  wall: 0 | 1 | 2 | 3;
  /** Middle of the opening along the wall, going clockwise. */
  at: Part;
  /** Inches. */
  width?: number;
  /** None is an opening without a door. */
  hinge?: 'start' | 'end' | 'none';
}

export interface EverydayLight {
  name: string;
  room: number;
  x: Part;
  y: Part;
  /** What hangs there; a luminaire of the usual kind where it is left out. */
  kind?: LoadKind;
  /** On the wall at this height above the floor, inches; at the ceiling where it is left out. */
  height?: number;
}

/** What is switched together: a switch beside the latch of each of these doors, and the lights. */
export interface EverydayGroup {
  name: string;
  room: number;
  doors: readonly number[];
  lights: readonly EverydayLight[];
}

/** Where power may come from: a home run, or a box that is there already. */
export type EverydayPower = 'panel' | Feed['tap'];

export interface EverydayPlace {
  title: string;
  /** What it is, in a line. */
  says: string;
  circuit: Pick<Circuit, 'breaker' | 'awg' | 'purpose'>;
  power: EverydayPower;
  rooms: readonly [EverydayRoom, ...EverydayRoom[]];
  doors: readonly EverydayDoor[];
  groups: readonly [EverydayGroup, ...EverydayGroup[]];
}

const LIGHTING = { breaker: 15, awg: 14, purpose: 'lighting' } as const;

/** Height of a luminaire over a vanity or a door, inches. */
const OVER_MIRROR = 78;

const place = (given: EverydayPlace): EverydayPlace => given;

/**
 * The places that a circuit is begun with most often (guide 1, "Decide what controls what"). Sizes are a first measure, nobody's house.
 * What only somebody on site can know (what is visible, which locations are damp, what a room is served by) stays unanswered and is asked.
 */
export const EVERYDAY = {
  room: place({
    title: 'A room with one door',
    says: 'One switch, one luminaire',
    circuit: LIGHTING,
    power: 'panel',
    rooms: [{ name: 'Room', kind: 'unknown', width: 144, depth: 120 }],
    doors: [{ name: 'Door', room: 0, wall: 2, at: 0.75 }],
    groups: [
      { name: 'Room', room: 0, doors: [0], lights: [{ name: 'Room light', room: 0, x: 0.5, y: 0.5 }] },
    ],
  }),
  hall: place({
    title: 'A hall with two ways in',
    says: 'A switch at each end, two luminaires between',
    circuit: LIGHTING,
    power: 'panel',
    rooms: [{ name: 'Hall', kind: 'hallway', width: 216, depth: 48 }],
    doors: [
      { name: 'Near end', room: 0, wall: 2, at: 0.88 },
      { name: 'Far end', room: 0, wall: 2, at: 0.12, hinge: 'end' },
    ],
    groups: [
      {
        ...{ name: 'Hall', room: 0, doors: [0, 1] },
        lights: [
          { name: 'Hall light, near', room: 0, x: 0.28, y: 0.5 },
          { name: 'Hall light, far', room: 0, x: 0.72, y: 0.5 },
        ],
      },
    ],
  }),
  stair: place({
    title: 'A stair between two floors',
    says: 'A switch at the foot and one at the head, on two levels',
    circuit: LIGHTING,
    power: 'panel',
    rooms: [
      { name: 'Stair', kind: 'stairway', width: 60, depth: 144 },
      { name: 'Stair head', kind: 'hallway', width: 60, depth: 60, isUpstairs: true },
    ],
    doors: [
      { name: 'Stair foot', room: 0, wall: 2, at: 0.5, hinge: 'none' },
      { name: 'Stair head', room: 1, wall: 0, at: 0.5, hinge: 'none' },
    ],
    groups: [
      {
        ...{ name: 'Stair', room: 0, doors: [0, 1] },
        lights: [
          { name: 'Stair light', room: 0, x: 0.5, y: 0.75 },
          { name: 'Head light', room: 1, x: 0.5, y: 0.5 },
        ],
      },
    ],
  }),
  bedroom: place({
    title: 'A bedroom with a closet',
    says: 'One switch at the door, one at the closet',
    circuit: LIGHTING,
    power: 'panel',
    rooms: [
      { name: 'Bedroom', kind: 'bedroom', width: 144, depth: 132 },
      { name: 'Closet', kind: 'closet', width: 30, depth: 72 },
    ],
    doors: [
      { name: 'Bedroom door', room: 0, wall: 2, at: 0.8 },
      { name: 'Closet door', room: 0, wall: 1, at: 0.28 },
    ],
    groups: [
      {
        ...{ name: 'Bedroom', room: 0, doors: [0] },
        lights: [{ name: 'Bedroom light', room: 0, x: 0.5, y: 0.5 }],
      },
      {
        ...{ name: 'Closet', room: 1, doors: [1] },
        lights: [{ name: 'Closet light', room: 1, x: 0.5, y: 0.5 }],
      },
    ],
  }),
  bath: place({
    title: 'A bath with a fan and a vanity',
    says: 'Three switches in one box: ceiling, vanity, fan',
    circuit: LIGHTING,
    power: 'panel',
    rooms: [{ name: 'Bath', kind: 'bathroom', width: 96, depth: 66 }],
    doors: [{ name: 'Bath door', room: 0, wall: 2, at: 0.78 }],
    groups: [
      {
        ...{ name: 'Bath ceiling', room: 0, doors: [0] },
        lights: [{ name: 'Bath light', room: 0, x: 0.35, y: 0.4 }],
      },
      {
        ...{ name: 'Vanity', room: 0, doors: [0] },
        lights: [{ name: 'Vanity light', room: 0, x: 0.7, y: 0, height: OVER_MIRROR }],
      },
      {
        ...{ name: 'Bath fan', room: 0, doors: [0] },
        lights: [{ name: 'Bath fan', room: 0, x: 0.15, y: 0.7, kind: 'ventFan' }],
      },
    ],
  }),
  kitchen: place({
    title: 'A kitchen with two doors',
    says: 'The ceiling from both doors, the sink from one',
    circuit: LIGHTING,
    power: 'panel',
    rooms: [{ name: 'Kitchen', kind: 'kitchen', width: 168, depth: 132 }],
    doors: [
      { name: 'Hall door', room: 0, wall: 2, at: 0.82 },
      { name: 'Garden door', room: 0, wall: 1, at: 0.28 },
    ],
    groups: [
      {
        ...{ name: 'Kitchen ceiling', room: 0, doors: [0, 1] },
        lights: [
          { name: 'Ceiling light, left', room: 0, x: 0.28, y: 0.5 },
          { name: 'Ceiling light, right', room: 0, x: 0.72, y: 0.5 },
        ],
      },
      {
        ...{ name: 'Over the sink', room: 0, doors: [0] },
        lights: [{ name: 'Sink light', room: 0, x: 0.5, y: 0.12 }],
      },
    ],
  }),
  living: place({
    title: 'A living room with three ways in',
    says: 'A switch at each: two three-ways and a four-way',
    circuit: LIGHTING,
    power: 'panel',
    rooms: [{ name: 'Living room', kind: 'living', width: 216, depth: 168 }],
    doors: [
      { name: 'Hall door', room: 0, wall: 2, at: 0.8 },
      { name: 'Kitchen way', room: 0, wall: 3, at: 0.5, hinge: 'none' },
      { name: 'Porch door', room: 0, wall: 1, at: 0.35 },
    ],
    groups: [
      {
        ...{ name: 'Living room', room: 0, doors: [0, 1, 2] },
        lights: [
          { name: 'Light, left', room: 0, x: 0.28, y: 0.5 },
          { name: 'Light, right', room: 0, x: 0.72, y: 0.5 },
        ],
      },
    ],
  }),
  garage: place({
    title: 'A garage',
    says: 'A switch at the house door and one at the side door',
    circuit: LIGHTING,
    power: 'panel',
    rooms: [{ name: 'Garage', kind: 'garage', width: 240, depth: 264 }],
    doors: [
      { name: 'House door', room: 0, wall: 0, at: 0.2 },
      { name: 'Side door', room: 0, wall: 1, at: 0.75 },
      { name: 'Vehicle door', room: 0, wall: 2, at: 0.5, width: 192, hinge: 'none' },
    ],
    groups: [
      {
        ...{ name: 'Garage', room: 0, doors: [0, 1] },
        lights: [
          { name: 'Garage light, house end', room: 0, x: 0.5, y: 0.25 },
          { name: 'Garage light, vehicle end', room: 0, x: 0.5, y: 0.75 },
        ],
      },
    ],
  }),
  lightOff: place({
    title: 'A light off what is there',
    says: 'Power from a receptacle that is there, a new switch and luminaire',
    circuit: { breaker: 15, awg: 14, purpose: 'unknown' },
    power: 'receptacle',
    rooms: [{ name: 'Room', kind: 'unknown', width: 144, depth: 120 }],
    doors: [{ name: 'Door', room: 0, wall: 2, at: 0.75 }],
    groups: [
      { name: 'Room', room: 0, doors: [0], lights: [{ name: 'Room light', room: 0, x: 0.5, y: 0.5 }] },
    ],
  }),
} as const satisfies Record<string, EverydayPlace>;

export type EverydayId = keyof typeof EVERYDAY;
