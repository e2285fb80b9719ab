import {
  asksMore,
  cablesThere,
  hasDevice,
  findBox,
  newBox,
  newRunFact,
  PANEL,
  switchedGroups,
  USUAL_LUMINAIRE,
  type Box,
  type BoxId,
  type Change,
  type Circuit,
  type GroupId,
  type Hung,
  type Job,
  type Luminaire,
  type LuminaireId,
  type NewPlace,
  type Slot,
  type SlotId,
  type TappedSource,
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
  mount: 'wall' | 'ceiling';
  /** Along the run, by the box that it comes from; inches. */
  lengths: Record<string, number>;
}

/** What was filled in so far; fields that the kind does not ask for keep what they had. */
export interface ChangeDraft {
  kind: Change['kind'];
  slot: SlotId | null;
  role: Slot['role'];
  group: GroupId | null;
  luminaire: LuminaireId | null;
  hung: Hung;
  from: BoxId | null;
  /** What the receptacle in that box is, where one is in it. */
  source: TappedSource;
  what: 'receptacle' | 'onward';
  va: number;
  place: PlaceDraft;
  /** Where the light comes that has a switch of its own. */
  lightAt: PlaceDraft;
}

/** The switches of a circuit, group by group; those that come out already are none. */
export const slotsOf = (job: Job, circuit: Circuit): Slot[] => {
  const ids = switchedGroups(job, circuit).flatMap(({ slots }) => slots);
  return job.slots.filter((slot) => ids.includes(slot.id) && !slot.leaves);
};

/** The luminaires and fans of a circuit; a light under a fan goes with it. */
export const luminairesOf = (job: Job, circuit: Circuit): Luminaire[] => {
  const groups = new Set<string>(
    job.groups.filter((group) => group.circuit === circuit.id).map(({ id }) => id),
  );
  return job.luminaires.filter(
    ({ group, unit, partOf }) => groups.has(group) && unit !== 'onward' && partOf === null,
  );
};

/** Boxes of the circuit from which a run may come. */
export const placesOf = (job: Job, circuit: Circuit): Box[] => {
  const mine = boxesOf(job, circuit.id);
  return job.boxes.filter((box) => mine.has(box.id) && box.work !== 'beyond');
};

/** Is there a receptacle in a box that something is to be taken off? */
export const hasReceptacle = (job: Job, box: BoxId | null): boolean =>
  job.slots.some((slot) => slot.box === box && ['receptacle', 'switchReceptacle'].includes(slot.role));

/** Is anything of the circuit there already? Only then is there something to change. */
export const hasExisting = (job: Job, circuit: Circuit): boolean => {
  const mine = boxesOf(job, circuit.id);
  return (
    job.boxes.some((box) => mine.has(box.id) && box.work === 'existing') ||
    slotsOf(job, circuit).some((slot) => hasDevice(job, slot.id)) ||
    cablesThere(job).some(({ between: [a, b] }) => [a, b].every((one) => one === PANEL || mine.has(one)))
  );
};

const newPlace = (name: string, mount: PlaceDraft['mount']): PlaceDraft => ({
  ...{ existing: null, id: fresh<BoxId>('box'), name, work: 'old', mount, lengths: {} },
});

export const startOf = (job: Job, circuit: Circuit): ChangeDraft => {
  const [slot] = slotsOf(job, circuit);
  return {
    kind: asksMore(job, circuit.id) ? 'asAsked' : slot ? 'replaceDevice' : 'branch',
    slot: slot?.id ?? null,
    role: 'dimmer',
    group: switchedGroups(job, circuit)[0]?.group.id ?? null,
    luminaire: luminairesOf(job, circuit)[0]?.id ?? null,
    hung: { ...USUAL_LUMINAIRE, name: 'New light', unit: 'luminaire', pounds: null, driverBox: null },
    from: slot?.box ?? placesOf(job, circuit)[0]?.id ?? null,
    source: 'unknown',
    what: 'receptacle',
    va: 180,
    place: newPlace('New box', 'wall'),
    lightAt: newPlace('New light', 'ceiling'),
  };
};

/** A place of a draft as the change names it; `beyond` lies outside of the plan. */
const placed = (job: Job, circuit: Circuit, place: PlaceDraft, beyond: boolean): NewPlace => {
  const room = job.groups.find((one) => one.circuit === circuit.id)?.room ?? null;
  const { id, name, mount, work } = place;
  const made = newBox({
    ...{ id, name, article: null, room, accessible: 'unknown' },
    ...(beyond ? { work: 'beyond' } : { work, mount }),
  });
  const box = findBox(job, place.existing) ?? made;
  const runs = Object.entries(place.lengths).map(([to, length]) =>
    newRunFact({ between: [to as BoxId, box.id], length }),
  );
  return { box, runs };
};

/** Is it known how far a place is from any of these? One of the layout is measured by the program. */
const isReached = ({ existing, lengths }: PlaceDraft, boxes: readonly (BoxId | null)[]): boolean =>
  existing !== null || boxes.some((box) => box !== null && lengths[box] !== undefined);

/** The box that a place of a draft is. */
export const boxOf = ({ existing, id }: PlaceDraft): BoxId => existing ?? id;

type Asked = { change: Change } | { missing: string };

const NO_SWITCH = { missing: 'The circuit has no switch.' };
const NO_GROUP = { missing: 'The circuit has no group that is switched.' };
const MEASURE = {
  missing: 'Measure the run to the new box from one box at least; from more, and the best is found.',
};

/** The change that a draft asks for, or what is still to be said. */
export const changeOf = (job: Job, circuit: Circuit, draft: ChangeDraft): Asked => {
  const { kind, slot, role, group, luminaire, hung, from, what, va, place, lightAt } = draft;
  const places = placesOf(job, circuit).map((box) => box.id);
  const at = (one: PlaceDraft, beyond = false) => placed(job, circuit, one, beyond);
  switch (kind) {
    case 'replaceDevice':
      return slot ? { change: { kind, slot, role, article: null } } : NO_SWITCH;
    case 'bringNeutral':
    case 'removeSwitch':
      return slot ? { change: { kind, slot } } : NO_SWITCH;
    case 'moveSwitch':
      if (!slot) return NO_SWITCH;
      return isReached(place, places) ? { change: { kind, slot, place: at(place) } } : MEASURE;
    case 'addSwitch':
      if (!group) return NO_GROUP;
      return isReached(place, places) ? { change: { kind, group, place: at(place) } } : MEASURE;
    case 'addLight':
      if (!group) return NO_GROUP;
      return isReached(place, places) ? { change: { kind, group, place: at(place), hung } } : MEASURE;
    case 'replaceLuminaire':
      return luminaire ? { change: { kind, luminaire, hung } } : { missing: 'The circuit has no luminaire.' };
    case 'takeOff':
      if (!from) return { missing: 'The circuit has no box to go on from.' };
      return isReached(place, [from])
        ? {
            change: { kind, from, circuit: circuit.id, place: at(place, what === 'onward'), what, va },
          }
        : { missing: 'Measure the run to where it goes.' };
    case 'branch': {
      if (!from) return { missing: 'The circuit has no box to go on from.' };
      if (boxOf(place) === boxOf(lightAt)) return { missing: 'Switch and light come into two boxes.' };
      const isFirst = isReached(place, [from]) || isReached(lightAt, [from]);
      const isNext =
        isReached(lightAt, [boxOf(place)]) || (isReached(place, [from]) && isReached(lightAt, [from]));
      return isFirst && isNext
        ? {
            change: {
              ...{ kind, from, circuit: circuit.id, hung },
              ...{ switchAt: at(place), lightAt: at(lightAt) },
            },
          }
        : { missing: 'Measure the run from the box to the switch or to the light, and on to the other.' };
    }
    case 'asAsked':
    case 'mend':
      return { change: { kind, circuit: circuit.id } };
  }
};
