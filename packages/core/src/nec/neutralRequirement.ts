import { findRoom } from '../model/lookup.js';
import type { SlotId } from '../model/ids.js';
import type { Box, Group, Job, JudgedEdition } from '../model/job.js';
import type { RoomKind } from '../model/place.js';
import { HABITABLE } from './rooms.js';

/**
 * Where 404.2(C) asks for a neutral at the switches of a group, by edition.
 * `slots` are those it is asked at: each of them, or one of them. `because` names the fact that decided.
 */
export interface NeutralRequirement {
  need: 'each' | 'one' | 'none';
  slots: SlotId[];
  because:
    | 'asked'
    | 'notYetAsked'
    | 'visibleFloor'
    | 'roomKind'
    | 'allAccessible'
    | 'switchesReceptacle'
    | 'neverSwitched';
  /** Facts not answered, taken the strict way. */
  takenStrictly: ('wholeFloorVisible' | 'accessible')[];
  /** The authority may read the clause otherwise. */
  readLiterally: boolean;
}

/** 2014 excepts switches that serve neither a habitable room nor a bathroom; 2017 on lists the rooms that count. */
const roomsAsked = (edition: JudgedEdition): readonly RoomKind[] => [
  ...HABITABLE,
  'bathroom',
  ...(edition === 2014 ? [] : (['hallway', 'stairway', 'laundry'] as const)),
];

/** Does something else spare the neutral in a box? A raceway from the beginning, the others from 2014. */
const isExcepted = (exception: Box['neutralException'], edition: JudgedEdition): boolean =>
  exception === 'raceway' || (edition >= 2014 && (exception === 'integral' || exception === 'automatic'));

/** By the job's own edition where none is named. */
export const neutralRequirement = (
  job: Job,
  group: Group,
  edition: JudgedEdition = job.edition,
): NeutralRequirement => {
  const room = findRoom(job, group.room);
  const slots = job.slots.filter((slot) => slot.group === group.id && slot.role !== 'receptacle');
  const none = (because: NeutralRequirement['because'], readLiterally = false): NeutralRequirement => ({
    need: 'none',
    slots: [],
    because,
    takenStrictly: [],
    readLiterally,
  });
  if (group.control === 'hot') return none('neverSwitched');
  if (edition < 2011) return none('notYetAsked');
  if (edition >= 2014 && !job.luminaires.some((one) => one.group === group.id))
    return none('switchesReceptacle');
  if (edition >= 2014 && room && !roomsAsked(edition).includes(room.kind)) return none('roomKind');

  const boxOf = (slot: (typeof slots)[number]) => job.boxes.find((box) => box.id === slot.box);
  const asked = slots.filter((slot) => {
    const box = boxOf(slot);
    return box?.accessible !== 'yes' && !isExcepted(box?.neutralException ?? 'unknown', edition);
  });
  if (asked.length === 0) return none('allAccessible');
  const takenStrictly: NeutralRequirement['takenStrictly'] = [];
  if (asked.some((slot) => boxOf(slot)?.accessible === 'unknown')) takenStrictly.push('accessible');

  const ids = asked.map((slot) => slot.id);
  if (edition >= 2014 && slots.length > 1) {
    if (room?.wholeFloorVisible === 'yes') {
      if (edition === 2014) return none('visibleFloor', true);
      return { need: 'one', slots: ids, because: 'visibleFloor', takenStrictly, readLiterally: false };
    }
    if (room?.wholeFloorVisible === 'unknown') takenStrictly.push('wholeFloorVisible');
  }
  return { need: 'each', slots: ids, because: 'asked', takenStrictly, readLiterally: false };
};
