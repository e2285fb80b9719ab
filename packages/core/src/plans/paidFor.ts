import type { Judgement } from '../model/judgement.js';
import { dollars } from '../model/units.js';
import { listed } from '../words/lists.js';
import type { Candidate } from './candidates.js';

type Words = (fewer: number, none: boolean) => string;

const counted =
  (one: string, many: string, none: string | null = null): Words =>
  (fewer, isNone) =>
    isNone && none !== null ? none : `${fewer} ${fewer === 1 ? one : many} fewer`;

/** What is got by paying for it: so many fewer of it, or none at all. */
const WORDS: Record<keyof Judgement, Words> = {
  travelersThrough: counted(
    'pair of travelers in luminaire or junction boxes',
    'pairs of travelers in luminaire or junction boxes',
    'no travelers in luminaire or junction boxes',
  ),
  bothPairsInOneCable: counted(
    'cable with both pairs of a four-way',
    'cables with both pairs of a four-way',
    'no cable with both pairs of a four-way',
  ),
  fourConductors: counted('run of four conductors', 'runs of four conductors', 'no run of four conductors'),
  homeRunAtLuminaire: counted('', '', 'power that enters at no luminaire'),
  homeRunAtLuminaireOutside: counted('', '', 'power that enters at no luminaire in the damp or wet'),
  hotThroughLuminaire: counted(
    'luminaire box with the always-hot through it',
    'luminaire boxes with the always-hot through them',
    'no always-hot through a luminaire box',
  ),
  withoutNeutral: counted(
    'switch box without a neutral',
    'switch boxes without a neutral',
    'a neutral at every switch',
  ),
  withoutNeutralInReach: counted(
    'switch box in reach without a neutral',
    'switch boxes in reach without a neutral',
    'a neutral at every switch in reach',
  ),
  travelerOnWhite: counted('traveler on a white', 'travelers on whites', 'no traveler on a white'),
  hotOnWhite: counted('white that is hot', 'whites that are hot', 'no other white that is hot'),
  cableBeyondThree: counted(
    'cable in crowded boxes',
    'cables in crowded boxes',
    'no box crowded with cables',
  ),
  littleRoom: counted(
    'box without room for one more cable',
    'boxes without room for one more cable',
    'room for one more cable in every box',
  ),
  powerIntoFourWay: counted('', '', 'power that enters at no four-way'),
  secondCircuit: counted('box shared with another circuit', 'boxes shared with another circuit'),
};

const countOf = ({ measures }: Candidate, what: keyof Judgement): number =>
  measures.judged.find((one) => one.what === what)?.count ?? 0;

/** What a plan costs beyond the cheapest and what that buys, in a sentence; null where it costs no more, or buys nothing. */
export const sayPaidFor = (plan: Candidate, cheapest: Candidate): string | null => {
  const more = plan.measures.cost - cheapest.measures.cost;
  if (more < 50) return null;
  const got = (Object.keys(WORDS) as (keyof Judgement)[])
    .map((what) => ({ what, ours: countOf(plan, what), theirs: countOf(cheapest, what) }))
    .filter(({ ours, theirs }) => ours < theirs)
    .map(({ what, ours, theirs }) => WORDS[what](theirs - ours, ours === 0));
  if (got.length === 0) return null;
  return `${dollars(more)} more than the cheapest, ${cheapest.letter}: ${listed(got)}.`;
};
