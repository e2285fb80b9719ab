import { articleOf, articlesToHave, type DeviceArticle } from '../model/articles.js';
import type { ArticleId, BoxId, SlotId } from '../model/ids.js';
import type { Circuit, Job } from '../model/job.js';
import { slotsInBox } from '../model/lookup.js';
import { setBoxArticles } from '../materials/boxRows.js';
import { fillOf } from '../materials/boxContents.js';
import { entryOf } from '../plans/candidates.js';
import { findPlans } from '../plans/findPlans.js';
import { leastSaid } from '../plans/leastSaid.js';
import { withChoice } from '../plans/withChoice.js';
import { bringsNothingGrave } from '../review/remedies.js';
import { reviewCircuit, reviewJob, type JobReview } from '../review/reviewJob.js';
import { placeName } from '../words/places.js';
import { outcomeOf, type Outcome } from './outcome.js';

/** Something with which a smaller box would do: the job as it would be, planned, inspected and priced. */
export interface SmallerOffer {
  words: string;
  job: Job;
  outcome: Outcome;
}

export interface SmallerBox {
  /** The cheapest first, those without a price last. */
  offers: SmallerOffer[];
  /** So many ways were planned to see whether it would do with them. */
  tried: number;
}

/** Ways of each circuit are searched so long; what is found by then is tried. */
const MOST_STEPS = 2_000_000;
const MOST_OFFERS = 3;

const cablesAt = ({ wiring }: JobReview, id: BoxId): number =>
  wiring.cables.filter(({ from, to }) => from === id || to === id).length;

/** The box in which power enters a circuit, as it is wired; null where it is not planned. */
const entersAt = ({ job }: JobReview, circuit: Circuit): BoxId | null => {
  const choice = job.choices.find((one) => one.circuit === circuit.id);
  return choice ? entryOf(job, choice) : null;
};

const said = (before: JobReview, after: JobReview, circuit: Circuit, id: BoxId): string => {
  const [was, is] = [cablesAt(before, id), cablesAt(after, id)];
  const [from, to] = [entersAt(before, circuit), entersAt(after, circuit)];
  const cables =
    is === was
      ? `${is} cables here as now, with fewer conductors`
      : `${is} ${is === 1 ? 'cable' : 'cables'} here instead of ${was}`;
  const entry = to !== null && to !== from ? `, power enters at ${placeName(after.job, to)}` : '';
  return `${circuit.name} another way: ${cables}${entry}`;
};

/** Of the devices in a box that take more than one gang, those of the stock that do the same in one: who takes such a one, and which. */
const narrower = (job: Job, id: BoxId): { slot: SlotId; article: DeviceArticle }[] =>
  slotsInBox(job, id).flatMap(({ id: slot, article, role }) => {
    const wide = article === null ? null : articleOf(job.stock, 'device', article);
    if (!wide || wide.gangs < 2) return [];
    return articlesToHave(job.stock, 'device')
      .filter(
        (one) =>
          one.gangs === 1 && one.role === role && one.letter === wide.letter && one.amperes >= wide.amperes,
      )
      .map((one) => ({ slot, article: one }));
  });

/**
 * With what a box of the stock that is too small would do at a place: each circuit in it wired another way (power elsewhere, a cable less), or
 * with 14 AWG where its breaker allows it, or with a device of one gang in place of a wider one. Each is planned as a whole job, and offered only where the box then holds all that comes to it.
 */
export const smallerBox = (job: Job, id: BoxId, articles: readonly ArticleId[]): SmallerBox => {
  const before = reviewJob(job);
  const offers: SmallerOffer[] = [];
  let tried = 0;
  const offer = (changed: Job, words: (after: JobReview) => string): void => {
    tried += 1;
    const after = reviewJob(setBoxArticles(changed, id, articles));
    const fits = fillOf(after.job, after.wiring, id).verdict === 'fits';
    if (fits && bringsNothingGrave(before.findings, after.findings))
      offers.push({ words: words(after), job: after.job, outcome: outcomeOf(before, after) });
  };
  for (const { slot, article } of narrower(job, id))
    offer(
      { ...job, slots: job.slots.map((one) => (one.id === slot ? { ...one, article: article.id } : one)) },
      () => `${article.name}, which takes one gang`,
    );
  const mine = before.job.circuits.filter(
    (circuit) => !before.standing.includes(circuit.id) && reviewCircuit(before, circuit.id).boxes.has(id),
  );
  for (const circuit of mine) {
    if (circuit.awg === 12 && circuit.breaker === 15)
      offer(
        { ...job, circuits: job.circuits.map((one) => (one.id === circuit.id ? { ...one, awg: 14 } : one)) },
        () => `14 AWG on ${circuit.name}, as its breaker of 15 A allows`,
      );
    for (const { choice } of findPlans(job, circuit.id, { mostSteps: MOST_STEPS }).candidates)
      offer(withChoice(job, circuit.id, leastSaid(job, circuit.id, choice)), (after) =>
        said(before, after, circuit, id),
      );
  }
  const price = ({ outcome }: SmallerOffer) => outcome.cost ?? Infinity;
  const sorted = offers.sort((a, b) => price(a) - price(b));
  // What differs in its price alone is offered once, the cheapest of it.
  const distinct = sorted.filter((one, i) => sorted.findIndex(({ words }) => words === one.words) === i);
  return { offers: distinct.slice(0, MOST_OFFERS), tried };
};
