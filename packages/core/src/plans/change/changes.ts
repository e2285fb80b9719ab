import {
  findGroup,
  findSlot,
  groupIdsOf,
  groupsOfCircuit,
  slotsInBox,
  switchesOfGroup,
} from '../../model/lookup.js';
import {
  joinedId,
  type ArticleId,
  type BoxId,
  type CircuitId,
  type GroupId,
  type SlotId,
} from '../../model/ids.js';
import type { Box, Job, RunFact, Slot } from '../../model/job.js';
import { newGroup, newLuminaire, newSlot } from '../../model/newJob.js';
import { setRunFact } from '../constraints.js';

/** A place that comes new, or a box of the layout with nothing in it yet; and what is known of the runs to it. */
export interface NewPlace {
  box: Box;
  runs: RunFact[];
}

/** A small job on existing work. */
export type Change =
  | { kind: 'replaceDevice'; slot: SlotId; role: Slot['role']; article: ArticleId | null }
  /** A single-pole becomes a pair, a pair gets a four-way. */
  | { kind: 'addSwitch'; group: GroupId; place: NewPlace }
  | { kind: 'bringNeutral'; slot: SlotId }
  /** Off a switch box: a receptacle, or a feed that goes on beyond the plan, of so many volt-amperes. */
  | {
      kind: 'takeOff';
      from: BoxId;
      circuit: CircuitId;
      place: NewPlace;
      what: 'receptacle' | 'onward';
      va: number;
    };

const withPlace = (job: Job, { box, runs }: NewPlace): Job =>
  runs.reduce(
    (placed, { between: [a, b], ...said }) => setRunFact(placed, a, b, said),
    job.boxes.some((one) => one.id === box.id) ? job : { ...job, boxes: [...job.boxes, box] },
  );

/** A device that was there and gives way to a new one. */
const freed = (slot: Slot): Slot => ({ ...slot, article: null, existing: false });

type Kind = Change['kind'];
type Of<K extends Kind> = Extract<Change, { kind: K }>;

/** What is known of one kind of change. */
interface ChangeKind<K extends Kind> {
  /** The circuit that it is about; null where it names what is not there. */
  circuit: (job: Job, change: Of<K>) => CircuitId | null;
  /** The job as it is asked for, before any run is chosen for it. */
  job: (job: Job, change: Of<K>) => Job;
}

const circuitOfSlot = (job: Job, slot: SlotId): CircuitId | null =>
  findGroup(job, findSlot(job, slot)?.group)?.circuit ?? null;

const KINDS: { [K in Kind]: ChangeKind<K> } = {
  replaceDevice: {
    circuit: (job, { slot }) => circuitOfSlot(job, slot),
    job: (job, { slot: id, role, article }) => ({
      ...job,
      slots: job.slots.map((slot) => (slot.id === id ? { ...slot, role, article, existing: false } : slot)),
    }),
  },
  addSwitch: {
    circuit: (job, { group }) => findGroup(job, group)?.circuit ?? null,
    job: (job, { group, place }) => {
      const [only, ...others] = switchesOfGroup(job, group);
      const { id } = place.box;
      const gang = slotsInBox(job, id).length;
      const fresh = newSlot({ id: joinedId(`${group}:${id}`), box: id, gang, group });
      return {
        ...withPlace(job, place),
        // A single-pole has too few terminals for one end of a pair.
        slots: [
          ...job.slots.map((slot) => (others.length === 0 && slot === only ? freed(slot) : slot)),
          fresh,
        ],
      };
    },
  },
  bringNeutral: {
    circuit: (job, { slot }) => circuitOfSlot(job, slot),
    job: (job) => job,
  },
  takeOff: {
    circuit: (_job, { circuit }) => circuit,
    job: (job, { circuit, place, from, what, va }) => {
      const { box } = place;
      const room = groupsOfCircuit(job, circuit)[0]?.room ?? job.rooms[0]?.id;
      const group = newGroup({
        ...{ id: joinedId(`hot:${box.id}`), name: box.name, circuit, room: room ?? '', control: 'hot' },
      });
      const taken: Job = {
        ...setRunFact(withPlace(job, place), from, box.id, { rule: 'forced' }),
        groups: [...job.groups, group],
      };
      const at = { box: box.id, group: group.id };
      if (what === 'receptacle') {
        const id = joinedId(`${group.id}:receptacle`);
        return { ...taken, slots: [...job.slots, newSlot({ id, gang: 0, role: 'receptacle', ...at })] };
      }
      const onward = newLuminaire({
        ...{ id: joinedId(`${group.id}:onward`), name: box.name, ...at, va },
        ...{ unit: 'onward', terminals: 'leads', leadAwg: 14, metal: true },
      });
      return { ...taken, luminaires: [...job.luminaires, onward] };
    },
  },
};

/** The entry of a change. The compiler cannot see that it takes this very kind. */
const kindOf = ({ kind }: Change): ChangeKind<Kind> => KINDS[kind] as unknown as ChangeKind<Kind>;

/** The circuit that a change is about; null where it names what is not there. */
export const circuitOf = (job: Job, change: Change): CircuitId | null => kindOf(change).circuit(job, change);

/** The job as it is asked for, before any run is chosen for it. */
export const changedJob = (job: Job, change: Change): Job => kindOf(change).job(job, change);

/** Existing devices of a group may be replaced where that helps. */
export const withDevicesFreed = (job: Job, circuit: CircuitId): Job => {
  const groups = groupIdsOf(job, circuit);
  return {
    ...job,
    slots: job.slots.map((slot) => (groups.has(slot.group) && slot.role === 'switch' ? freed(slot) : slot)),
  };
};
