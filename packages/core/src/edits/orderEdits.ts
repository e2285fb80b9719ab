import type { ArticleId, LuminaireId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import type { ExtraLine, Order, Terms } from '../model/order.js';

const withOrder = (job: Job, change: Partial<Order>): Job => ({ ...job, order: { ...job.order, ...change } });

/** A line that no wiring asks for; one of its id is replaced. */
export const addExtra = (job: Job, line: ExtraLine): Job =>
  withOrder(job, { extra: [...job.order.extra.filter(({ id }) => id !== line.id), line] });

export const removeExtra = (job: Job, id: string): Job =>
  withOrder(job, { extra: job.order.extra.filter((one) => one.id !== id) });

/** So much of an article is in the truck and is not bought, in the unit of its line; nothing for 0. */
export const setFromTruck = (job: Job, article: ArticleId, quantity: number): Job => {
  const { [article]: _before, ...rest } = job.order.fromTruck;
  return withOrder(job, { fromTruck: quantity > 0 ? { ...rest, [article]: quantity } : rest });
};

/** What is in the truck counts so much of its price where plans are weighed by what has to be bought: percent, 0 to 100. */
export const setTruckShare = (job: Job, truckShare: number): Job => withOrder(job, { truckShare });

/** What the shop pays for each of some luminaires; null where the owner brings them. `price` in ten-thousandths of a dollar. */
export const setLuminairePrice = (
  job: Job,
  luminaires: readonly LuminaireId[],
  price: number | null,
): Job => {
  const others = Object.entries(job.order.luminaires).filter(
    ([id]) => !luminaires.some((luminaire) => luminaire === id),
  );
  const told = price === null ? [] : luminaires.map((id) => [id, price] as const);
  return withOrder(job, { luminaires: Object.fromEntries([...others, ...told]) });
};

export const setTerms = (job: Job, terms: Partial<Terms>): Job =>
  withOrder(job, { terms: { ...job.order.terms, ...terms } });

/** An article is not to be had, or is again: what is planned is planned anew without it, or with it. What was chosen by hand stays. */
export const setAbsent = (job: Job, article: ArticleId, absent: boolean): Job => ({
  ...job,
  stock: job.stock.map((one) => (one.id === article ? { ...one, absent } : one)),
});
