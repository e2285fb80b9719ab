import type { Job } from '../model/job.js';
import { isCutShort } from '../search/notTried.js';
import type { NotTried, SearchResult } from '../search/found.js';
import type { Candidate } from './candidates.js';
import type { Measures } from './measures.js';
import { valueBy, type ProfileId } from './profiles.js';
import { listed } from '../words/lists.js';
import { placeName, sayUnmeasured } from '../words/places.js';

/** How far it is shown that a plan is the best by a profile. */
export interface Proof {
  /** Nothing better exists, and nothing that this rests on is unknown. */
  proved: boolean;
  /** How far above the proved lower bound the plan is at most, in percent; 0 where it reaches it, null where there is no bound. */
  gap: number | null;
  /** Why it is not called proved though the search came to its end. */
  unproved: string[];
  /** What the search leaves out, told beside the proof. */
  notTried: string[];
  /** Where the plan violates the code: the cheapest that does not, by its letter. Null where it violates nothing or all do. */
  instead: string | null;
}

const gapOf = ({ best, bound, notTried }: SearchResult): number | null => {
  if (!best || isCutShort(notTried)) return null;
  return bound > 0 && bound < best.weight ? ((best.weight - bound) / bound) * 100 : 0;
};

const sayNotTried = (job: Job, { what, most, boxes }: NotTried): string => {
  const names = listed(boxes.map((box) => placeName(job, box)));
  switch (what) {
    case 'runs':
      return `More than ${most} cables at ${names} are not tried, though they would fit.`;
    case 'crowded':
      return `More than ${most} cables in one box are not tried.`;
    case 'returnRuns':
      return `A return run to ${names} is not tried, as too many existing cables end there.`;
    case 'someApart':
      return `Of the ways for groups to stay apart in ${names}, not all are tried.`;
    case 'someNeutrals':
      return `A neutral that nobody asks for at some of ${names} and not at others is not tried.`;
  }
};

/** What a plan rests on that nobody knows: then the word proved is not used of it. */
export const sayUnsure = (
  job: Job,
  { unknownFill, guessed, rough }: Pick<Measures, 'unknownFill' | 'guessed' | 'rough'>,
): string[] => [
  ...(unknownFill.length > 0
    ? [
        `Nobody can say how full ${listed(unknownFill.map((box) => placeName(job, box)))} ${unknownFill.length > 1 ? 'are' : 'is'}.`,
      ]
    : []),
  ...(guessed > 0
    ? [
        guessed > 1
          ? `The length of ${guessed} of its runs is a guess.`
          : 'The length of one of its runs is a guess.',
      ]
    : []),
  ...(rough.length > 0 ? [`${sayUnmeasured(job, rough)}.`] : []),
];

/**
 * The proof of a search, held against the plans as they are wired. It stays with the plan that was searched for; where that
 * rests on something unknown, violates the code, or another that does either comes to less, the word is not used.
 */
export const proofOf = (
  job: Job,
  profile: ProfileId,
  result: SearchResult,
  candidates: readonly Candidate[],
): Proof => {
  const plan = candidates.find((one) => one.bestAt.includes(profile));
  const value = plan && valueBy(profile, plan.measures);
  const below = candidates.filter(({ measures }) => {
    const other = valueBy(profile, measures);
    return other !== null && value !== null && value !== undefined && other < value;
  });
  const unknownOf = ({ measures }: Candidate) => measures.unknownFill;
  const violating = below.filter((one) => one.measures.violations > (plan?.measures.violations ?? 0));
  const unknown = below.filter((one) => unknownOf(one).length > 0);
  const unproved = [
    ...(plan ? [] : ['What was found cannot be wired as the job stands.']),
    ...result.notTried.filter((one) => isCutShort([one])).map((one) => sayNotTried(job, one)),
    ...(plan && plan.measures.violations > 0 ? ['It violates the code.'] : []),
    ...(plan ? sayUnsure(job, plan.measures) : []),
    ...violating.slice(0, 1).map(({ letter }) => `Plan ${letter} comes to less, and violates the code.`),
    ...unknown
      .slice(0, 1)
      .map(({ letter }) => `Plan ${letter} comes to less, and nobody can say whether its boxes are full.`),
  ];
  return {
    proved: result.proved && unproved.length === 0,
    gap: gapOf(result),
    unproved,
    notTried: result.notTried.filter((one) => !isCutShort([one])).map((one) => sayNotTried(job, one)),
    instead:
      plan && plan.measures.violations > 0
        ? (candidates.find((one) => one.measures.violations === 0)?.letter ?? null)
        : null,
  };
};

/** What is known of the plan that a master would choose, in a sentence: proved by what it is weighed by, and by that alone. */
export const sayFirst = (
  least: ({ letter: string | null } & Proof) | undefined,
  first: string | undefined,
): string => {
  if (!least || first === undefined) return '';
  const { letter, proved, gap, unproved, notTried, instead } = least;
  if (letter === null) return `${first} is the best found.`;
  if (proved)
    return letter === first
      ? [`That ${letter} is least by cost and judgement is proved.`, ...notTried].join(' ')
      : `That ${letter} is least by cost and judgement is proved but for what the search leaves out; by that ${first} comes to less.`;
  if (instead !== null)
    return `${letter} is least by cost and judgement of what was found, and violates the code. Of those that do not, ${instead} is the best found.`;
  if (unproved.length > 0) return `${letter} is the best found. ${unproved.join(' ')}`;
  const above =
    gap === null || gap === 0 ? '' : `, at most ${Math.max(0.1, gap).toFixed(1)} % above the least`;
  return `${letter} is the best found${above}.`;
};

/** How a profile names its plan and its proof, for a list. */
export const sayProof = ({ proved, gap, unproved }: Proof): string => {
  if (proved) return 'proved';
  if (unproved.length > 0) return `best found. ${unproved.join(' ')}`;
  return gap === null || gap === 0
    ? 'best found'
    : `best found, at most ${Math.max(0.1, gap).toFixed(1)} % above the least`;
};
