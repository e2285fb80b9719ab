import { lyingCables } from '../model/lying.js';
import { articleOf, articlesToHave, type CableArticle } from '../model/articles.js';
import { PANEL, placeOfNode, type Place } from '../model/ids.js';
import { isBetween, type Circuit, type ExistingCable, type Feed, type Job, type Run } from '../model/job.js';
import { suitsBreaker } from '../nec/ampacity.js';
import { isBeyond } from '../nec/strangeWire.js';

/** So many insulated conductors are wide: few trucks carry such cable. */
const WIDE = 4;

/** Cables of the stock that can be bought in the circuit's size, fewest conductors first; wide ones only where the job has them. */
export const cablesFor = (job: Job, circuit: Circuit): CableArticle[] =>
  articlesToHave(job.stock, 'cable')
    .filter(
      ({ awg, found, insulated }) =>
        awg === circuit.awg && !found && (job.preferences.wideCable === 'any' || insulated.length < WIDE),
    )
    .sort((a, b) => a.insulated.length - b.insulated.length);

/** A cable that may carry a run: one that lies there, or one of the stock. */
export interface Carrier {
  article: CableArticle;
  existing: ExistingCable | null;
}

/** Why an existing cable carries no run of its circuit, whatever the nets: nothing is planned through it, too thin for the breaker, or without a ground. */
export const whyNotOffered = (
  job: Job,
  circuit: Circuit,
  { article }: Pick<ExistingCable, 'article'>,
): 'beyond' | 'size' | 'ground' | null => {
  const found = articleOf(job.stock, 'cable', article);
  if (isBeyond(found)) return 'beyond';
  const { awg, ground } = found;
  // 240.4(D), and 250.130(C): what goes on from a cable without a ground would have none.
  if (!suitsBreaker(awg, circuit.breaker)) return 'size';
  return ground === 'none' ? 'ground' : null;
};

const fewestFirst = (a: Carrier, b: Carrier) => a.article.insulated.length - b.article.insulated.length;

/**
 * Existing cables that may carry runs of a circuit. A cable serves the circuit whose power is on it and no other; one that nobody has told
 * of serves none.
 */
export const existingOffered = (job: Job, circuit: Circuit): ExistingCable[] =>
  lyingCables(job).filter(
    (cable) => cable.circuit === circuit.id && whyNotOffered(job, circuit, cable) === null,
  );

/** Those of them between two places, fewest conductors first. */
export const existingBetween = (job: Job, circuit: Circuit, a: Place, b: Place): Carrier[] =>
  existingOffered(job, circuit)
    .filter((cable) => isBetween(cable, a, b))
    .map((existing) => ({ article: articleOf(job.stock, 'cable', existing.article), existing }))
    .sort(fewestFirst);

/** The cable by which power comes to a feed's box, as the job knows it; null at the panel, and where it knows none. */
export const feedingCable = (job: Job, feed: Feed): ExistingCable | null =>
  feed.at === PANEL
    ? null
    : (lyingCables(job).find((cable) => cable.circuit === feed.circuit && isBetween(cable, PANEL, feed.at)) ??
      null);

/** Does every cable that is told to come from the panel to a feed's box carry another circuit? Then no power of this one is there. */
export const isFedByAnother = (job: Job, feed: Feed): boolean => {
  if (feed.at === PANEL) return false;
  const there = lyingCables(job).filter((cable) => isBetween(cable, PANEL, feed.at));
  return there.length > 0 && there.every(({ circuit }) => circuit !== null && circuit !== feed.circuit);
};

/**
 * What may carry each run of a circuit, in the order in which it is tried: cables that lie there, then those of the stock.
 * Where several runs lead between the same two boxes, each has the cable that is kept for it; what is kept for none the first has.
 */
export const carriersOf = (job: Job, circuit: Circuit, runs: readonly Run[]): Carrier[][] => {
  const bought = cablesFor(job, circuit).map((article): Carrier => ({ article, existing: null }));
  const taken = new Set<string>();
  const kept = new Set<string>(runs.flatMap(({ by }) => by ?? []));
  return runs.map(({ from, to, by }) => {
    const lying = existingBetween(job, circuit, placeOfNode(from), placeOfNode(to)).filter(
      ({ existing }) =>
        existing !== null &&
        !taken.has(existing.id) &&
        (by === undefined ? !kept.has(existing.id) : existing.id === by),
    );
    for (const { existing } of lying) if (existing) taken.add(existing.id);
    return [...lying, ...bought];
  });
};
