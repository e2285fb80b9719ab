import type { Job } from '../model/job.js';
import { roughRooms } from '../model/lookup.js';
import { findingKey, type Finding } from '../code/rule.js';
import { estimate } from '../materials/estimate.js';
import type { TakeOff } from '../materials/takeOff.js';
import type { Cable } from '../model/wiring.js';
import { boxesThatDiffer } from '../model/boxState.js';
import type { BoxId } from '../model/ids.js';
import { reviewJob, type JobReview } from '../review/reviewJob.js';

/** What a changed job comes to beside the one that it came from. Money in ten-thousandths of a dollar. */
export interface Outcome {
  gone: Finding[];
  come: Finding[];
  /** What it adds in material and labour, less than nothing where it saves; null while something that it rests on is not known. */
  cost: number | null;
  /** Why no cost is told; empty where it is. */
  unknown: string;
  /** It rests on the guessed length of a run. */
  about: boolean;
  minutes: number;
  /** What is bought more, or less of. */
  takeOff: { name: string; quantity: number; unit: 'each' | 'foot' }[];
  /** Boxes that are otherwise than before. */
  boxes: BoxId[];
}

const priced = ({ job, wiring, drawn }: JobReview) => estimate(job, wiring, drawn);

const unplanned = ({ plans }: JobReview): string =>
  plans
    .flatMap(({ circuit, outcome }) => (outcome.ok ? [] : [circuit.id]))
    .sort()
    .join(' ');

const countsOf = (findings: readonly Finding[]) => {
  const counts = new Map<string, number>();
  for (const one of findings) counts.set(findingKey(one), (counts.get(findingKey(one)) ?? 0) + 1);
  return counts;
};

/** Findings of the second that the first has not, each as often as it is there more. */
const more = (first: readonly Finding[], second: readonly Finding[]): Finding[] => {
  const left = countsOf(first);
  return second.filter((one) => {
    const known = left.get(findingKey(one)) ?? 0;
    left.set(findingKey(one), known - 1);
    return known <= 0;
  });
};

const takeOffDifference = (before: TakeOff, after: TakeOff): Outcome['takeOff'] => {
  const lines = new Map<string, Outcome['takeOff'][number]>();
  const add = (takeOff: TakeOff, sign: 1 | -1) => {
    for (const { name, quantity, unit } of takeOff.lines) {
      const known = lines.get(name) ?? { name, quantity: 0, unit };
      lines.set(name, { ...known, quantity: known.quantity + sign * quantity });
    }
  };
  add(after, 1);
  add(before, -1);
  return [...lines.values()]
    .map((line) => ({ ...line, quantity: Math.round(line.quantity * 100) / 100 }))
    .filter(({ quantity }) => quantity !== 0);
};

/** New cables that only one of them has, or that are of another kind or length. */
const cablesThatDiffer = (before: JobReview, after: JobReview): Cable[] => {
  const said = ({ id, article, length, lengthSource, via }: Cable) =>
    JSON.stringify([id, article, length, lengthSource, via]);
  const fresh = ({ wiring }: JobReview) => wiring.cables.filter(({ existing }) => !existing);
  const [old, now] = [fresh(before), fresh(after)].map((cables) => new Set(cables.map(said))) as [
    Set<string>,
    Set<string>,
  ];
  return [
    ...fresh(before).filter((one) => !now.has(said(one))),
    ...fresh(after).filter((one) => !old.has(said(one))),
  ];
};

/** What planning one job comes to beside another: both are planned, priced and inspected as a whole. */
export const outcomeOf = (before: JobReview, after: JobReview): Outcome => {
  const [was, is] = [priced(before), priced(after)];
  const otherwise = cablesThatDiffer(before, after);
  const unknown =
    unplanned(before) !== unplanned(after)
      ? 'Not the same circuits can be planned before and after.'
      : otherwise.some(({ length }) => length === null)
        ? 'It rests on a run whose length nobody knows.'
        : '';
  return {
    gone: more(after.findings, before.findings),
    come: more(before.findings, after.findings),
    cost: unknown === '' ? is.cost - was.cost : null,
    unknown,
    about:
      otherwise.some(({ lengthSource }) => lengthSource === 'guessed') ||
      roughRooms(after.job, otherwise).length > 0,
    minutes: is.labour.minutes - was.labour.minutes,
    takeOff: takeOffDifference(was.takeOff, is.takeOff),
    boxes: boxesThatDiffer(before.wiring, after.wiring),
  };
};

/** The outcome of one change of a job, planned again. */
export const outcomeOfChange = (job: Job, changed: Job): Outcome =>
  outcomeOf(reviewJob(job), reviewJob(changed));
