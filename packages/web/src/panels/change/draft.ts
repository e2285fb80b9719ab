import {
  findBox,
  newBox,
  newRunFact,
  PANEL,
  switchedGroups,
  type Box,
  type BoxId,
  type Change,
  type Circuit,
  type GroupId,
  type Job,
  type Slot,
  type SlotId,
} from '@amber/core';
import { boxesOf } from '../../plan/view.js';
import { fresh } from '../../parts/fresh.js';

/** Where something comes: a box of the layout with nothing in it, or a new one at the end of runs that were measured. */
export interface PlaceDraft {
  /** Null for a new box. */
  existing: BoxId | null;
  id: BoxId;
  name: string;
  work: Exclude<Box['work'], 'beyond'>;
  /** Along the run, by the box that it comes from; inches. */
  lengths: Record<string, number>;
}

/** What was filled in so far; fields that the kind does not ask for keep what they had. */
export interface SmallJobDraft {
  kind: Change['kind'];
  slot: SlotId | null;
  role: Slot['role'];
  group: GroupId | null;
  from: BoxId | null;
  what: 'receptacle' | 'onward';
  va: number;
  place: PlaceDraft;
}

/** The switches of a circuit, group by group. */
export const slotsOf = (job: Job, circuit: Circuit): Slot[] => {
  const ids = switchedGroups(job, circuit).flatMap(({ slots }) => slots);
  return job.slots.filter((slot) => ids.includes(slot.id));
};

/** Boxes of the circuit from which a run may come. */
export const placesOf = (job: Job, circuit: Circuit): Box[] => {
  const mine = boxesOf(job, circuit.id);
  return job.boxes.filter((box) => mine.has(box.id) && box.work !== 'beyond');
};

/** Is anything of the circuit there already? Only then is there something to change. */
export const hasExisting = (job: Job, circuit: Circuit): boolean => {
  const mine = boxesOf(job, circuit.id);
  return (
    job.boxes.some((box) => mine.has(box.id) && box.work === 'existing') ||
    slotsOf(job, circuit).some((slot) => slot.existing) ||
    job.existingCables.some(({ between: [a, b] }) => [a, b].every((one) => one === PANEL || mine.has(one)))
  );
};

export const startOf = (job: Job, circuit: Circuit): SmallJobDraft => {
  const [slot] = slotsOf(job, circuit);
  return {
    kind: 'replaceDevice',
    slot: slot?.id ?? null,
    role: 'dimmer',
    group: switchedGroups(job, circuit)[0]?.group.id ?? null,
    from: slot?.box ?? placesOf(job, circuit)[0]?.id ?? null,
    what: 'receptacle',
    va: 180,
    place: { existing: null, id: fresh<BoxId>('box'), name: 'New box', work: 'old', lengths: {} },
  };
};

/** The change that a draft asks for, or what is still to be said. */
export const changeOf = (
  job: Job,
  circuit: Circuit,
  draft: SmallJobDraft,
): { change: Change } | { missing: string } => {
  const { kind, slot, role, group, from, what, va } = draft;
  const beyond = kind === 'takeOff' && what === 'onward';
  const placed = (place: PlaceDraft) => {
    const known = findBox(job, place.existing);
    const room = job.groups.find((one) => one.circuit === circuit.id)?.room ?? null;
    const made = newBox({
      ...{ id: place.id, name: place.name, article: null, room, accessible: 'unknown' },
      work: beyond ? 'beyond' : place.work,
    });
    const box = known ?? made;
    const runs = Object.entries(place.lengths).map(([to, length]) =>
      newRunFact({ between: [to as BoxId, box.id], length }),
    );
    return { box, runs };
  };
  const reached = (boxes: readonly (BoxId | null)[]) =>
    draft.place.existing !== null || boxes.some((box) => box && draft.place.lengths[box] !== undefined);
  switch (kind) {
    case 'replaceDevice':
      return slot
        ? { change: { kind, slot, role, article: null } }
        : { missing: 'The circuit has no switch.' };
    case 'bringNeutral':
      return slot ? { change: { kind, slot } } : { missing: 'The circuit has no switch.' };
    case 'addSwitch':
      if (!group) return { missing: 'The circuit has no group that is switched.' };
      return reached(placesOf(job, circuit).map((box) => box.id))
        ? { change: { kind, group, place: placed(draft.place) } }
        : {
            missing:
              'Measure the run to the new box from one box at least; from more, and the best is found.',
          };
    case 'takeOff':
      if (!from) return { missing: 'The circuit has no box to go on from.' };
      return reached([from])
        ? { change: { kind, from, circuit: circuit.id, place: placed(draft.place), what, va } }
        : { missing: 'Measure the run to where it goes.' };
  }
};
