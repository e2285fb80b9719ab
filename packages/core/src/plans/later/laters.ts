import { findBox, findGroup, groupIdsOf, slotsInBox } from '../../model/lookup.js';
import type { BoxId, CircuitId, LuminaireId, SlotId } from '../../model/ids.js';
import type { Job, Luminaire, Slot } from '../../model/job.js';
import { newBox, newRunFact } from '../../model/newJob.js';
import type { Change, NewPlace } from '../change/changes.js';

/** A change that may come once the circuit is built: of a switch or at its box, or a fan in the place of a luminaire. */
export type Later =
  { what: Slot['expected'][number]; slot: SlotId } | { what: 'fan'; luminaire: LuminaireId };

/** Cable down the same stud bay to a receptacle under a switch, inches. */
const DOWN_THE_BAY = 60;

const isPlain = ({ role }: Slot): boolean => role === 'switch';
const mayBeFan = ({ unit, partOf }: Luminaire): boolean => unit === 'luminaire' && partOf === null;

/** What may come at the places of a circuit, in the order of its boxes. */
export const latersOf = (job: Job, circuit: CircuitId): Later[] => {
  const groups = groupIdsOf(job, circuit);
  const switched = (group: string) => groups.has(group) && findGroup(job, group)?.control === 'switched';
  return job.boxes.flatMap((box): Later[] => {
    const slots = slotsInBox(job, box.id).filter(
      (slot) => switched(slot.group) && isPlain(slot) && !slot.leaves,
    );
    const [first] = slots;
    return [
      ...slots.flatMap(({ id: slot }): Later[] => [
        { what: 'dimmer', slot },
        { what: 'sensor', slot },
        { what: 'anotherSwitch', slot },
      ]),
      ...(first ? [{ what: 'receptacle' as const, slot: first.id }] : []),
      ...job.luminaires
        .filter((one) => one.box === box.id && switched(one.group) && mayBeFan(one))
        .map(({ id }): Later => ({ what: 'fan', luminaire: id })),
    ];
  });
};

export const isExpected = (job: Job, later: Later): boolean =>
  'slot' in later
    ? job.slots.some(({ id, expected }) => id === later.slot && expected.includes(later.what))
    : job.luminaires.some(({ id, fanExpected }) => id === later.luminaire && fanExpected);

/** What somebody expects of a circuit. */
export const expectedOf = (job: Job, circuit: CircuitId): Later[] =>
  latersOf(job, circuit).filter((later) => isExpected(job, later));

/** Says of something that it is expected, or not any more. */
export const expectLater = (job: Job, later: Later, is: boolean): Job =>
  'slot' in later
    ? {
        ...job,
        slots: job.slots.map((slot) =>
          slot.id === later.slot
            ? {
                ...slot,
                expected: [...slot.expected.filter((one) => one !== later.what), ...(is ? [later.what] : [])],
              }
            : slot,
        ),
      }
    : {
        ...job,
        luminaires: job.luminaires.map((one) =>
          one.id === later.luminaire ? { ...one, fanExpected: is } : one,
        ),
      };

/** A box that comes new by a run of known length from one that is there. */
const near = (job: Job, from: BoxId, id: string, name: string, length: number): NewPlace => ({
  box: newBox({
    ...{ id, name, article: null, accessible: findBox(job, from)?.accessible ?? 'unknown' },
    ...{ work: 'old', mount: 'wall', room: findBox(job, from)?.room ?? null },
  }),
  runs: [newRunFact({ between: [from, id], length, access: 'fished' })],
});

/** The change of the built job that it is; null where what it is about is not there. */
export const changeOf = (job: Job, later: Later): Change | null => {
  if (!('slot' in later)) {
    const old = job.luminaires.find(({ id }) => id === later.luminaire);
    return (
      (old && {
        kind: 'replaceLuminaire',
        luminaire: old.id,
        hung: {
          ...{ name: 'Fan', unit: 'fan', va: 75, pounds: 35 },
          ...{ terminals: 'leads', leadAwg: 18, metal: true, driverBox: null },
        },
      }) ??
      null
    );
  }
  const slot = job.slots.find(({ id }) => id === later.slot);
  const circuit = findGroup(job, slot?.group)?.circuit;
  if (!slot || circuit === undefined) return null;
  switch (later.what) {
    case 'dimmer':
    case 'sensor': {
      const role = later.what === 'dimmer' ? 'dimmer' : 'occupancySensor';
      return { kind: 'replaceDevice', slot: slot.id, role, article: null };
    }
    case 'anotherSwitch':
      return {
        kind: 'addSwitch',
        group: slot.group,
        place: near(job, slot.box, `${slot.id}~later`, 'The later switch', job.routing.runGuess),
      };
    case 'receptacle':
      return {
        ...{ kind: 'takeOff', from: slot.box, circuit, what: 'receptacle', va: 180 },
        place: near(job, slot.box, `${slot.box}~later`, 'The later receptacle', DOWN_THE_BAY),
      };
  }
};
