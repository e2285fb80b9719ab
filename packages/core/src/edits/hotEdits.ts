import type { BoxId, CircuitId, GroupId, LuminaireId, RoomId, SlotId } from '../model/ids.js';
import type { Group, Job } from '../model/job.js';
import { findCircuit, findGroup, groupsOfCircuit } from '../model/lookup.js';
import { newGroup, newLuminaire, newSlot } from '../model/newJob.js';
import type { Spot } from '../layout/walls.js';
import { boxAt } from './placeEdits.js';

/** The usual height of a receptacle above the floor, inches to its middle; told otherwise in its form. */
export const RECEPTACLE_HEIGHT = 16;

/** The group of a circuit that is never switched, made under this id where it has none. Null where there is no such circuit, or no room for it. */
export const withHotGroup = (
  job: Job,
  circuit: CircuitId,
  made: { id: GroupId; name: string; room: RoomId | null },
): { job: Job; group: Group } | null => {
  const own = groupsOfCircuit(job, circuit);
  const hot = own.find(({ control }) => control === 'hot');
  if (hot) return { job, group: hot };
  const room = made.room ?? own[0]?.room ?? job.rooms[0]?.id;
  if (!findCircuit(job, circuit) || room === undefined) return null;
  const group = newGroup({
    ...{ id: made.id, name: `${made.name}, always hot`, circuit },
    ...{ room, control: 'hot' },
  });
  return { job: { ...job, groups: [...job.groups, group] }, group };
};

/** Whose power something takes: what a group switches, or what of a circuit is never switched. */
export type TakenFrom = { group: GroupId } | { circuit: CircuitId; hotGroup: GroupId };

const groupTaken = (job: Job, from: TakenFrom, name: string, room: RoomId | null) => {
  if ('circuit' in from) return withHotGroup(job, from.circuit, { id: from.hotGroup, name, room });
  const group = findGroup(job, from.group);
  return group ? { job, group } : null;
};

/** Puts a receptacle on the wall next to a spot, in a box of its own. The job itself where there is no such group or circuit. */
export const addReceptacle = (
  job: Job,
  { box, slot, at, from }: { box: BoxId; slot: SlotId; at: Spot; from: TakenFrom },
): Job => {
  const made = boxAt(job, { id: box, name: 'Receptacle', spot: at, mount: 'wall' });
  const taken = groupTaken(job, from, made.name, made.room);
  if (!taken) return job;
  const set = made.at ? { ...made, at: { ...made.at, z: RECEPTACLE_HEIGHT } } : made;
  return {
    ...taken.job,
    boxes: [...job.boxes, set],
    slots: [...job.slots, newSlot({ id: slot, box, gang: 0, group: taken.group.id, role: 'receptacle' })],
  };
};

/**
 * A cable that goes on from here to what this plan does not show, of so many volt-amperes. It ends in other work: neither bought, opened nor
 * judged. The job itself where there is no such group or circuit.
 */
export const addOnwardFeed = (
  job: Job,
  {
    box,
    luminaire,
    at,
    from,
    va,
  }: { box: BoxId; luminaire: LuminaireId; at: Spot; from: TakenFrom; va: number },
): Job => {
  const made = boxAt(job, { id: box, name: 'Onward feed', spot: at, mount: 'wall', work: 'beyond' });
  const taken = groupTaken(job, from, made.name, made.room);
  if (!taken) return job;
  return {
    ...taken.job,
    boxes: [...job.boxes, made],
    luminaires: [
      ...job.luminaires,
      newLuminaire({
        ...{ id: luminaire, name: made.name, box, group: taken.group.id, va },
        ...{ unit: 'onward', terminals: 'leads', leadAwg: 14, metal: true },
      }),
    ],
  };
};
