import { articleOf, type Article, type DeviceTerminal } from './articles.js';
import type { BoxId, RoomId } from './ids.js';
import type { Group, Job, Luminaire, Slot } from './job.js';
import type { Awg } from './units.js';
import type { Cable, Device, Lead, Wiring } from './wiring.js';

/**
 * Where something of a job or a wiring is. Neither is ever changed in place, nor are their lists, so a list is sorted once, however
 * many states of the job share it.
 */
type List<T> = readonly T[];
type Id = string | null | undefined;

const NONE: readonly never[] = [];

/** Ids are told apart by the schema; in an unchecked list with a double the first one counts. */
const byIds = new WeakMap<List<unknown>, ReadonlyMap<string, unknown>>();
const find = <T extends { id: string }>(list: List<T>, id: Id): T | undefined => {
  if (id === null || id === undefined) return undefined;
  let known = byIds.get(list) as Map<string, T> | undefined;
  if (!known) {
    known = new Map();
    for (const one of list) if (!known.has(one.id)) known.set(one.id, one);
    byIds.set(list, known);
  }
  return known.get(id);
};

/** The items of a list by something that they name, in the order of the list. */
const grouping = <T>(by: (item: T) => string | null) => {
  const groupings = new WeakMap<List<T>, ReadonlyMap<string, T[]>>();
  return (list: List<T>, id: string): List<T> => {
    let known = groupings.get(list);
    if (!known) {
      const made = new Map<string, T[]>();
      for (const one of list) {
        const key = by(one);
        if (key === null) continue;
        const same = made.get(key);
        if (same) same.push(one);
        else made.set(key, [one]);
      }
      groupings.set(list, (known = made));
    }
    return known.get(id) ?? NONE;
  };
};

type Listed = 'boxes' | 'rooms' | 'levels' | 'circuits' | 'groups' | 'slots' | 'luminaires' | 'feeds';
const finder =
  <K extends Listed>(list: K) =>
  (job: Pick<Job, K>, id: Id): Job[K][number] | undefined =>
    find<Job[K][number]>(job[list], id);

export const findBox = finder('boxes');
export const findRoom = finder('rooms');
export const findLevel = finder('levels');
export const findCircuit = finder('circuits');
export const findGroup = finder('groups');
export const findSlot = finder('slots');
export const findLuminaire = finder('luminaires');
export const findFeed = finder('feeds');

/** The name of a circuit, or what is said of a breaker that nobody has named. */
export const circuitName = (job: Job, id: string): string =>
  findCircuit(job, id)?.name ?? 'a breaker that nobody has named';

const byCircuit = grouping((group: Group) => group.circuit);
const slotsByGroup = grouping((slot: Slot) => slot.group);
const slotsByBox = grouping((slot: Slot) => slot.box);
const luminairesByGroup = grouping((one: Luminaire) => one.group);
const luminairesByBox = grouping((one: Luminaire) => one.box);

export const groupsOfCircuit = (job: Job, circuit: string): List<Group> => byCircuit(job.groups, circuit);
export const slotsOfGroup = (job: Job, group: string): List<Slot> => slotsByGroup(job.slots, group);
export const slotsInBox = (job: Job, box: string): List<Slot> => slotsByBox(job.slots, box);

/** The gang after those that are taken in a box, counted from 0. */
export const nextGang = (job: Job, box: string): number =>
  slotsInBox(job, box).reduce((most, { gang }) => Math.max(most, gang + 1), 0);
export const luminairesOfGroup = (job: Job, group: string): List<Luminaire> =>
  luminairesByGroup(job.luminaires, group);
/** Does a new cable wait there without a box, until a luminaire comes that brings its own driver box? */
export const waitsWithoutBox = (job: Job, id: string): boolean => {
  const box = findBox(job, id);
  return box !== undefined && box.work !== 'existing' && box.article === null && hasDriverBox(job, id);
};

/** Does a luminaire there bring its own driver box, which takes the place of an outlet box? */
export const hasDriverBox = (job: Job, box: string): boolean =>
  luminairesInBox(job, box).some(({ driverBox }) => driverBox !== null);

export const luminairesInBox = (job: Job, box: string): List<Luminaire> =>
  luminairesByBox(job.luminaires, box);

/** Has a group a device or a load in a box? */
export const isGroupInBox = (job: Job, box: string, group: string): boolean =>
  [...slotsInBox(job, box), ...luminairesInBox(job, box)].some((one) => one.group === group);

/** The groups of a circuit that some switch turns on and off. */
export const switchedGroupsOf = (job: Job, circuit: string): Group[] =>
  groupsOfCircuit(job, circuit).filter((group) => group.control === 'switched');

/** The switches of a group: what only takes power is none. */
export const switchesOfGroup = (job: Job, group: string): Slot[] =>
  slotsOfGroup(job, group).filter((slot) => slot.role !== 'receptacle');

/** The groups of a circuit of which nothing is placed yet: no switch, no receptacle and no luminaire. */
export const emptyGroups = (job: Job, circuit: string): Group[] =>
  groupsOfCircuit(job, circuit).filter(
    ({ id }) => slotsOfGroup(job, id).length === 0 && luminairesOfGroup(job, id).length === 0,
  );

/** Ids of the groups of a circuit. */
export const groupIdsOf = (job: Job, circuit: string): ReadonlySet<string> =>
  new Set(groupsOfCircuit(job, circuit).map((group) => group.id));

/** Boxes in which something of a circuit stands or hangs: in the order of its devices, then of its luminaires. */
export const boxesOfCircuit = (job: Job, circuit: string): BoxId[] => {
  const groups = groupIdsOf(job, circuit);
  return [
    ...new Set(
      [...job.slots, ...job.luminaires].filter((one) => groups.has(one.group)).map((one) => one.box),
    ),
  ];
};

export const findCable = (wiring: Pick<Wiring, 'cables'>, id: Id): Cable | undefined =>
  find(wiring.cables, id);
export const findDevice = (wiring: Pick<Wiring, 'devices'>, id: Id): Device | undefined =>
  find(wiring.devices, id);

const devicesByBox = grouping((device: Device) => device.box);
const devicesBySlot = grouping((device: Device) => device.slot);
export const devicesInBox = (wiring: Wiring, box: string): List<Device> => devicesByBox(wiring.devices, box);
/** The devices of a box by their gangs, from left to right with the plate on; those that stand in no slot last. */
export const devicesByGang = (job: Job, wiring: Wiring, box: string): Device[] => {
  const gang = ({ slot }: Device) => findSlot(job, slot)?.gang ?? Infinity;
  return [...devicesInBox(wiring, box)].sort((one, other) => gang(one) - gang(other));
};
/** The device that stands in a slot. */
export const deviceInSlot = (wiring: Wiring, slot: string): Device | undefined =>
  devicesBySlot(wiring.devices, slot)[0];

/** A terminal or a lead of a device, with its face; undefined where the device or the terminal is not there. */
export const deviceTerminal = (
  stock: readonly Article[],
  wiring: Wiring,
  { device: id, name }: { device: string; name: string },
): DeviceTerminal | undefined => {
  const device = findDevice(wiring, id);
  return device && articleOf(stock, 'device', device.article).terminals.find((one) => one.name === name);
};

/** Size of a lead; 18 AWG where nobody says whose it is. */
export const leadAwg = (job: Job, wiring: Wiring, lead: Lead): Awg => {
  if ('luminaire' in lead) return findLuminaire(job, lead.luminaire)?.leadAwg ?? 18;
  const face = deviceTerminal(job.stock, wiring, lead)?.face;
  return face?.kind === 'lead' ? face.awg : 18;
};

/** The room of a box: its own, else that of what is in it; null where neither is told. */
export const roomOfBox = (job: Job, id: string): RoomId | null => {
  const box = findBox(job, id);
  if (!box) return null;
  if (box.room !== null) return box.room;
  const standing = slotsInBox(job, id)[0] ?? luminairesInBox(job, id)[0];
  return findGroup(job, standing?.group)?.room ?? null;
};

/**
 * Rooms that nobody has measured and from whose walls the length of some of these new cables is taken: each such length is about so. One that was
 * measured along its way hangs on no wall.
 */
export const roughRooms = (
  job: Job,
  cables: Iterable<{ from: string; to: string; lengthSource: Cable['lengthSource'] }>,
): RoomId[] => {
  if (!job.rooms.some(({ rough }) => rough)) return [];
  const rooms = new Set<string | null>(
    [...cables]
      .filter(({ lengthSource }) => lengthSource === 'estimated')
      .flatMap(({ from, to }) => [roomOfBox(job, from), roomOfBox(job, to)]),
  );
  return job.rooms.filter(({ id, rough }) => rough && rooms.has(id)).map(({ id }) => id);
};

/** What the length of a new cable rests on: by the plan, where nobody has measured a room that it is taken from, is `rough`. */
export type LengthRest = Cable['lengthSource'] | 'rough';
export const lengthRestOf = (
  job: Job,
  cable: { from: string; to: string; lengthSource: Cable['lengthSource'] },
): LengthRest => (roughRooms(job, [cable]).length > 0 ? 'rough' : cable.lengthSource);
