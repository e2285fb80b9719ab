import type { ArticleId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { ofId } from '../model/records.js';
import type { TakeOff } from '../materials/takeOff.js';

/**
 * Cable that is left over in the truck: by article, feet of it that are not spoken for. Only cable hangs on the way that is chosen; boxes, devices
 * and connectors are much the same in all ways, and are counted in the order.
 */
export type InTruck = ReadonlyMap<ArticleId, number>;

/** What a foot from the truck costs of a foot that is bought, 0 to 1. */
export const truckShareOf = (job: Job): number => job.order.truckShare / 100;

/** Does it make a difference to any plan what is in the truck? */
export const isTruckTold = (job: Job): boolean =>
  job.order.truckShare < 100 &&
  job.stock.some(({ id, kind }) => kind === 'cable' && (ofId(job.order.fromTruck, id) ?? 0) > 0);

/** What of the cable in the truck is left once all that a take-off asks for is cut from it. */
export const leftInTruck = (job: Job, { lines }: TakeOff): InTruck =>
  new Map(
    job.stock.flatMap(({ id, kind }): [ArticleId, number][] => {
      const held = kind === 'cable' ? (ofId(job.order.fromTruck, id) ?? 0) : 0;
      const used = lines.find(({ article }) => article === id)?.quantity ?? 0;
      return held > 0 ? [[id, Math.max(0, held - used)]] : [];
    }),
  );

/** What a take-off saves by the cable in the truck, ten-thousandths of a dollar. */
export const savedByTruck = (job: Job, { lines }: TakeOff): number =>
  (1 - truckShareOf(job)) *
  lines.reduce((sum, { kind, article, quantity, price }) => {
    const held = kind === 'cable' && article !== null ? (ofId(job.order.fromTruck, article) ?? 0) : 0;
    return sum + price * Math.min(quantity, held);
  }, 0);
