import { findBox, findGroup, findRoom, findSlot } from '../model/lookup.js';
import type { SlotId } from '../model/ids.js';
import type { Job, Slot } from '../model/job.js';
import { neutralRequirement, type NeutralRequirement } from '../nec/neutralRequirement.js';
import { eraWord } from '../words/eras.js';

/** What may be said of the neutral of a switch, in words: a loop is that of a single-pole, to which power does not come. */
export const neutralWords = (switches: number): Record<Slot['neutral'], string> => ({
  byRule: 'as the rule asks',
  brought: switches > 1 ? 'a neutral is brought' : 'a neutral is brought: a loop of three wires',
  none: switches > 1 ? 'no neutral is brought for it' : 'no neutral is brought for it: a loop of two wires',
});

const WHY_NOT: Record<Exclude<NeutralRequirement['because'], 'asked'>, (room: string) => string> = {
  notYetAsked: () => 'no edition before 2011 asks for one',
  visibleFloor: (room) => `the whole floor of ${room} is seen from its switches`,
  roomKind: (room) => `${room} is no room in which one is asked for`,
  allAccessible: () => 'another cable can be brought later without opening the finish, or an exception holds',
  switchesReceptacle: () => 'no luminaire is switched here',
  neverSwitched: () => 'nothing is switched here',
};

/** The rule beside what is said of a switch: does 404.2(C) ask for a neutral there, why, and what follows. */
export interface NeutralVerdict {
  /** What was said goes against the rule, as far as is known. */
  against: boolean;
  sentence: string;
}

export const neutralVerdict = (job: Job, id: SlotId): NeutralVerdict | null => {
  const slot = findSlot(job, id);
  const group = findGroup(job, slot?.group);
  if (!slot || !group) return null;
  const { need, slots, because, takenStrictly } = neutralRequirement(job, group);
  const era = `404.2(C), ${eraWord(job.edition)}`;
  const room = findRoom(job, group.room)?.name ?? 'its room';
  const isAsked = slots.includes(id);
  const others = slots.filter((one) => one !== id && findSlot(job, one)?.neutral !== 'none');
  if (!isAsked)
    return {
      against: false,
      sentence: `${era}: none is asked for at ${findBox(job, slot.box)?.name ?? 'it'}, as ${because === 'asked' ? WHY_NOT.allAccessible(room) : WHY_NOT[because](room)}.`,
    };
  const open = takenStrictly.map((fact) =>
    fact === 'accessible'
      ? 'whether another cable can be brought later is not answered'
      : `whether the whole floor of ${room} is seen is not answered`,
  );
  const strictly = open.length > 0 ? `, as long as ${open.join(' and ')}` : '';
  if (need === 'one')
    return {
      against: slot.neutral === 'none' && others.length === 0,
      sentence: `${era}: one of the ${slots.length} switches of ${group.name} is to have one, this or another${strictly}.`,
    };
  return {
    against: slot.neutral === 'none',
    sentence: `${era}: one is asked for here${strictly}.${slot.neutral === 'none' ? ' Where power comes to this box or a neutral goes on through it, one is there all the same; else the plan violates the code unless an exception holds.' : ''}`,
  };
};
