import { articleOf, articlesOf, type CableArticle } from '../model/articles.js';
import { placeOfNode, type Place } from '../model/ids.js';
import type { Circuit, ExistingCable, Job } from '../model/job.js';
import type { Run } from '../model/job.js';

/** Cables of the stock that can be bought in the circuit's size, fewest conductors first. */
export const cablesFor = (job: Job, circuit: Circuit): CableArticle[] =>
  articlesOf(job.stock, 'cable')
    .filter((article) => article.awg === circuit.awg && !article.found)
    .sort((a, b) => a.insulated.length - b.insulated.length);

/** What may carry a run: the cable that lies there already and it alone, else any of the stock. */
export interface Carriers {
  articles: CableArticle[];
  existing: ExistingCable | null;
}

/**
 * Hands every existing cable to the first run between its two places, circuits in the order of the job, so that none is
 * used twice. A cable from the panel to the feed box of a circuit is the feed itself.
 */
export const shareExisting = (job: Job) => {
  const left = [...job.existingCables];
  const take = (a: Place, b: Place): ExistingCable | null => {
    const at = left.findIndex(({ between: [x, y] }) => (x === a && y === b) || (x === b && y === a));
    return at < 0 ? null : (left.splice(at, 1)[0] ?? null);
  };
  return {
    take,
    carriersOf: (circuit: Circuit, run: Run): Carriers => {
      const existing = take(placeOfNode(run.from), placeOfNode(run.to));
      return existing
        ? { articles: [articleOf(job.stock, 'cable', existing.article)], existing }
        : { articles: cablesFor(job, circuit), existing: null };
    },
    /** Cables that no run uses: they stay where they are, capped. */
    unused: (): readonly ExistingCable[] => left,
  };
};
export type ExistingShare = ReturnType<typeof shareExisting>;
