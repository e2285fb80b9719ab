import type { Walk } from '../code/rule.js';
import { listed } from '../words/lists.js';
import type { WalkCount } from './walk.js';

const WALK_WORDS: Record<Walk, string> = { roughIn: 'rough-in', final: 'final' };

/** What stands against calling the inspector. */
export interface Readiness {
  ready: boolean;
  /** It names what is open, and never says that anything is approved. */
  sentence: string;
}

const some = (count: number, one: string, many: string): string[] =>
  count === 0 ? [] : [`${count} ${count === 1 ? one : many}`];

/**
 * Is there anything that the program knows to stand against a walk? Of the final walk what is open of the rough-in counts too: `counts`
 * holds both then. `within` names the circuit where only that is looked at. Cautions are to be weighed and do not stand against it.
 */
export const readiness = (
  walk: Walk,
  counts: readonly WalkCount[],
  {
    unseen,
    corrections,
    isPlanned,
    within = null,
  }: { unseen: number; corrections: number; isPlanned: boolean; within?: string | null },
): Readiness => {
  const sum = (of: keyof WalkCount) => counts.reduce((total, one) => total + one[of], 0);
  const open = [
    ...some(
      sum('unfinished'),
      'matter without which it cannot be planned',
      'matters without which it cannot be planned',
    ),
    ...some(sum('violations'), 'violation to mend', 'violations to mend'),
    ...some(corrections, 'correction of the inspector to clear', 'corrections of the inspector to clear'),
    ...some(sum('questions'), 'question to answer', 'questions to answer'),
    ...some(unseen, 'old box to look into', 'old boxes to look into'),
    ...some(sum('toSee'), 'thing to see on site', 'things to see on site'),
  ];
  const name = WALK_WORDS[walk];
  // Of nothing nothing can be wrong.
  if (!isPlanned && open.length === 0)
    return { ready: false, sentence: `Not ready for the ${name} inspection: nothing is wired yet.` };
  if (open.length > 0)
    return {
      ready: false,
      sentence: `Not ready for the ${name} inspection${within === null ? '' : `, by ${within} alone`}: ${listed(open)}.`,
    };
  const cautions = sum('cautions');
  return {
    ready: true,
    sentence: `Nothing that this program knows of${within === null ? '' : ` in ${within} alone`} stands against calling for the ${name} inspection${
      cautions === 0 ? '' : `; weigh ${some(cautions, 'caution', 'cautions').join('')} first`
    }. What the inspector finds and the authority decides comes first.`,
  };
};
