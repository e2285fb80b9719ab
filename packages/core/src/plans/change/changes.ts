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

/** The circuit that a change is about; null where it names what is not there. */
export const circuitOf = (job: Job, change: Change): CircuitId | null => {
  if (change.kind === 'takeOff') return change.circuit;
  const group =
    change.kind === 'addSwitch' ? change.group : job.slots.find((slot) => slot.id === change.slot)?.group;
  return job.groups.find((one) => one.id === group)?.circuit ?? null;
};

/** The job as it is asked for, before any run is chosen for it. */
export const changedJob = (job: Job, change: Change): Job => {
  switch (change.kind) {
    case 'replaceDevice':
      return {
        ...job,
        slots: job.slots.map((slot) =>
          slot.id === change.slot
            ? { ...slot, role: change.role, article: change.article, existing: false }
            : slot,
        ),
      };
    case 'addSwitch': {
      const slots = job.slots.filter((slot) => slot.group === change.group && slot.role !== 'receptacle');
      const { id } = change.place.box;
      const gang = job.slots.filter((slot) => slot.box === id).length;
      const fresh = newSlot({ id: joinedId(`${change.group}:${id}`), box: id, gang, group: change.group });
      return {
        ...withPlace(job, change.place),
        // A single-pole has too few terminals for one end of a pair.
        slots: [
          ...job.slots.map((slot) => (slots.length === 1 && slot === slots[0] ? freed(slot) : slot)),
          fresh,
        ],
      };
    }
    case 'bringNeutral':
      return job;
    case 'takeOff': {
      const { box } = change.place;
      const room = job.groups.find((group) => group.circuit === change.circuit)?.room ?? job.rooms[0]?.id;
      const group = newGroup({
        id: joinedId(`hot:${box.id}`),
        name: box.name,
        circuit: change.circuit,
        room: room ?? '',
        control: 'hot',
      });
      return {
        ...setRunFact(withPlace(job, change.place), change.from, box.id, { rule: 'forced' }),
        groups: [...job.groups, group],
        slots:
          change.what === 'receptacle'
            ? [
                ...job.slots,
                newSlot({
                  id: joinedId(`${group.id}:receptacle`),
                  box: box.id,
                  gang: 0,
                  group: group.id,
                  role: 'receptacle',
                }),
              ]
            : job.slots,
        luminaires:
          change.what === 'onward'
            ? [
                ...job.luminaires,
                newLuminaire({
                  ...{
                    id: joinedId(`${group.id}:onward`),
                    name: box.name,
                    box: box.id,
                    group: group.id,
                  },
                  ...{ va: change.va, unit: 'onward', terminals: 'leads', leadAwg: 14, metal: true },
                }),
              ]
            : job.luminaires,
      };
    }
  }
};

/** Existing devices of a group may be replaced where that helps. */
export const withDevicesFreed = (job: Job, circuit: CircuitId): Job => {
  const groups = new Set<string>(
    job.groups.filter((group) => group.circuit === circuit).map((group) => group.id),
  );
  return {
    ...job,
    slots: job.slots.map((slot) => (groups.has(slot.group) && slot.role === 'switch' ? freed(slot) : slot)),
  };
};
