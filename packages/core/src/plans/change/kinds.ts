import { joinedId, type BoxId, type CircuitId, type SlotId } from '../../model/ids.js';
import type { Job, Slot } from '../../model/job.js';
import {
  findBox,
  findGroup,
  findLuminaire,
  findSlot,
  groupIdsOf,
  groupsOfCircuit,
  nextGang,
  switchesOfGroup,
} from '../../model/lookup.js';
import { newGroup, newLuminaire, newSlot } from '../../model/newJob.js';
import { hasDevice, isDeviceKept, isLuminaireKept, isReplaced } from '../../model/there.js';
import { setRunFact } from '../constraints.js';
import type { Change, Hung, NewPlace } from './changes.js';

type Kind = Change['kind'];
type Of<K extends Kind> = Extract<Change, { kind: K }>;

/** What is known of one kind of change. */
interface ChangeKind<K extends Kind> {
  /** The circuit that it is about; null where it names what is not there. */
  circuit: (job: Job, change: Of<K>) => CircuitId | null;
  /** The job as it is asked for, before any run is chosen for it; several where it may be had in several ways. */
  jobs: (job: Job, change: Of<K>) => Job[];
  /** Boxes that it is about. */
  touches: (job: Job, change: Of<K>) => BoxId[];
}

const withPlace = (job: Job, { box, runs }: NewPlace): Job =>
  runs.reduce(
    (placed, { between: [a, b], ...said }) => setRunFact(placed, a, b, said),
    job.boxes.some((one) => one.id === box.id) ? job : { ...job, boxes: [...job.boxes, box] },
  );

/** A device that was there and gives way to a new one. */
const freed = (slot: Slot): Slot => ({ ...slot, article: null, comesNew: true });

const circuitOfSlot = (job: Job, slot: SlotId): CircuitId | null =>
  findGroup(job, findSlot(job, slot)?.group)?.circuit ?? null;

const boxOfSlot = (job: Job, slot: SlotId): BoxId[] => {
  const box = findSlot(job, slot)?.box;
  return box === undefined ? [] : [box];
};

/** The switches of a group, freed where one more or one less makes them another kind: a single-pole has too few screws for a pair. */
const refitted = (job: Job, group: Slot['group'], left: number, slots: Slot[]): Slot[] =>
  left > 1 && switchesOfGroup(job, group).length > 1
    ? slots
    : slots.map((slot) => (slot.group === group && slot.role !== 'receptacle' ? freed(slot) : slot));

const hanging = (group: Slot['group'], box: BoxId, hung: Hung) =>
  newLuminaire({ ...hung, id: joinedId(`${group}:${box}:light`), box, group });

/** A group for what comes new, called by its first place. */
const newGroupFor = (
  job: Job,
  circuit: CircuitId,
  { box }: NewPlace,
  control: 'switched' | 'hot',
  name: string,
) => {
  const room = box.room ?? groupsOfCircuit(job, circuit)[0]?.room ?? job.rooms[0]?.id ?? '';
  return newGroup({ id: joinedId(`${control}:${box.id}`), name, circuit, room, control });
};

const addedSwitch = (job: Job, group: Slot['group'], place: NewPlace): Job => {
  const { id: box } = place.box;
  const fresh = newSlot({ id: joinedId(`${group}:${box}`), box, gang: nextGang(job, box), group });
  const others = switchesOfGroup(job, group).length;
  return {
    ...withPlace(job, place),
    slots: [...refitted(job, group, others, job.slots), fresh],
  };
};

/** The device of a slot comes out; one that was to come new does not come. */
const leaving = (job: Job, id: SlotId): Job => {
  const slot = findSlot(job, id);
  const isThere = slot !== undefined && hasDevice(job, slot.id);
  return {
    ...job,
    slots: isThere
      ? job.slots.map((one) => (one === slot ? { ...one, leaves: true } : one))
      : job.slots.filter((one) => one !== slot),
  };
};

const KINDS: { [K in Kind]: ChangeKind<K> } = {
  replaceDevice: {
    circuit: (job, { slot }) => circuitOfSlot(job, slot),
    jobs: (job, { slot: id, role, article }) => [
      {
        ...job,
        slots: job.slots.map((slot) => (slot.id === id ? { ...slot, role, article, comesNew: true } : slot)),
      },
    ],
    touches: (job, { slot }) => boxOfSlot(job, slot),
  },
  addSwitch: {
    circuit: (job, { group }) => findGroup(job, group)?.circuit ?? null,
    jobs: (job, { group, place }) => [addedSwitch(job, group, place)],
    touches: (job, { group }) => job.slots.filter((slot) => slot.group === group).map(({ box }) => box),
  },
  addLight: {
    circuit: (job, { group }) => findGroup(job, group)?.circuit ?? null,
    jobs: (job, { group, place, hung }) => [
      {
        ...withPlace(job, place),
        luminaires: [...job.luminaires, hanging(group, place.box.id, hung)],
      },
    ],
    touches: (job, { group }) =>
      [...job.slots, ...job.luminaires].filter((one) => one.group === group).map(({ box }) => box),
  },
  bringNeutral: {
    circuit: (job, { slot }) => circuitOfSlot(job, slot),
    jobs: (job) => [job],
    touches: (job, { slot }) => boxOfSlot(job, slot),
  },
  takeOff: {
    circuit: (_job, { circuit }) => circuit,
    jobs: (job, { circuit, place, from, what, va }) => {
      const { box } = place;
      const group = newGroupFor(job, circuit, place, 'hot', box.name);
      const taken: Job = {
        ...setRunFact(withPlace(job, place), from, box.id, { rule: 'forced' }),
        groups: [...job.groups, group],
      };
      const at = { box: box.id, group: group.id };
      if (what === 'receptacle') {
        const id = joinedId(`${group.id}:receptacle`);
        return [{ ...taken, slots: [...job.slots, newSlot({ id, gang: 0, role: 'receptacle', ...at })] }];
      }
      const onward = newLuminaire({
        ...{ id: joinedId(`${group.id}:onward`), name: box.name, ...at, va },
        ...{ unit: 'onward', terminals: 'leads', leadAwg: 14, metal: true },
      });
      return [{ ...taken, luminaires: [...job.luminaires, onward] }];
    },
    touches: (_job, { from }) => [from],
  },
  branch: {
    circuit: (_job, { circuit }) => circuit,
    jobs: (job, { circuit, from, switchAt, lightAt, hung }) => {
      const group = newGroupFor(job, circuit, lightAt, 'switched', hung.name);
      const placed = withPlace(withPlace(job, switchAt), lightAt);
      const box = switchAt.box.id;
      const slot = newSlot({ id: joinedId(`${group.id}:${box}`), box, gang: 0, group: group.id });
      const branched: Job = {
        ...placed,
        groups: [...job.groups, group],
        slots: [...job.slots, slot],
        luminaires: [...job.luminaires, hanging(group.id, lightAt.box.id, hung)],
      };
      // Power goes on to the switch first, or to the light.
      return [switchAt, lightAt].map((first) => setRunFact(branched, from, first.box.id, { rule: 'forced' }));
    },
    touches: (_job, { from }) => [from],
  },
  moveSwitch: {
    circuit: (job, { slot }) => circuitOfSlot(job, slot),
    jobs: (job, { slot: id, place }) => {
      const old = findSlot(job, id);
      if (!old) return [];
      const { id: box } = place.box;
      const moved = newSlot({
        ...{ id: joinedId(`${id}:${box}`), box, gang: nextGang(job, box) },
        ...{ group: old.group, role: old.role },
      });
      const left = leaving(withPlace(job, place), id);
      return [{ ...left, slots: [...left.slots, moved] }];
    },
    touches: (job, { slot }) => boxOfSlot(job, slot),
  },
  removeSwitch: {
    circuit: (job, { slot }) => circuitOfSlot(job, slot),
    jobs: (job, { slot: id }) => {
      const group = findSlot(job, id)?.group;
      if (group === undefined) return [];
      const left = leaving(job, id);
      return [{ ...left, slots: refitted(job, group, switchesOfGroup(job, group).length - 1, left.slots) }];
    },
    touches: (job, { slot }) => boxOfSlot(job, slot),
  },
  replaceLuminaire: {
    circuit: (job, { luminaire }) => findGroup(job, findLuminaire(job, luminaire)?.group)?.circuit ?? null,
    jobs: (job, { luminaire, hung }) => [
      {
        ...job,
        luminaires: job.luminaires.map((one) =>
          one.id === luminaire
            ? { ...one, ...hung, comesNew: true }
            : // A light under a fan goes with it.
              one.partOf === luminaire
              ? { ...one, comesNew: true }
              : one,
        ),
      },
    ],
    touches: (job, { luminaire }) => {
      const box = findLuminaire(job, luminaire)?.box;
      return box === undefined ? [] : [box];
    },
  },
  asAsked: {
    circuit: (job, { circuit }) => (job.circuits.some(({ id }) => id === circuit) ? circuit : null),
    jobs: (job) => [job],
    touches: (job, { circuit }) => {
      const groups = groupIdsOf(job, circuit);
      return [
        ...job.slots.filter((one) => groups.has(one.group) && (one.leaves || !isDeviceKept(job, one))),
        ...job.luminaires.filter((one) => groups.has(one.group) && !isLuminaireKept(job, one)),
      ].map(({ box }) => box);
    },
  },
  mend: {
    circuit: (job, { circuit }) => (job.circuits.some(({ id }) => id === circuit) ? circuit : null),
    jobs: (job) => [job],
    touches: (job, { circuit }) => {
      const groups = groupIdsOf(job, circuit);
      return [...job.slots, ...job.luminaires].filter((one) => groups.has(one.group)).map(({ box }) => box);
    },
  },
};

/** The entry of a change. The compiler cannot see that it takes this very kind. */
const kindOf = ({ kind }: Change): ChangeKind<Kind> => KINDS[kind] as unknown as ChangeKind<Kind>;

/** The circuit that a change is about; null where it names what is not there. */
export const circuitOf = (job: Job, change: Change): CircuitId | null => kindOf(change).circuit(job, change);

/** The job as it is asked for, before any run is chosen for it, in each way in which it may be had. */
export const changedJobs = (job: Job, change: Change): Job[] => kindOf(change).jobs(job, change);

/** Boxes of the job that a change is about. */
export const touchedBy = (job: Job, change: Change): BoxId[] =>
  kindOf(change)
    .touches(job, change)
    .filter((box) => findBox(job, box) !== undefined);

/** The devices that others come in the place of, by a change and by what was planned before it; those are bought, be they of the same kind. */
export const replacedBy = (job: Job, change: Change): SlotId[] => [
  ...(change.kind === 'replaceDevice' ? [change.slot] : []),
  ...job.slots.filter((slot) => isReplaced(job, slot)).map(({ id }) => id),
];

/** Switches to which a change brings the neutral. */
export const neutralAskedBy = (change: Change): SlotId[] =>
  change.kind === 'bringNeutral' ? [change.slot] : [];

/** The job in which any switch of a circuit may give way to another one; what serves is put back when a way is looked at. */
export const withDevicesFreed = (job: Job, circuit: CircuitId): Job => {
  const groups = groupIdsOf(job, circuit);
  return {
    ...job,
    slots: job.slots.map((slot) => (groups.has(slot.group) && slot.role === 'switch' ? freed(slot) : slot)),
  };
};
