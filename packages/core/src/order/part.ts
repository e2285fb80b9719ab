import type { CircuitReview } from '../review/reviewJob.js';

/** What of a job an order is for: all of it, or the boxes and cables of some circuits. */
export interface OrderPart {
  boxes: ReadonlySet<string>;
  cables: ReadonlySet<string>;
}

/** The part of some circuits; what they share with others is in it whole. */
export const partOf = (circuits: readonly Pick<CircuitReview, 'boxes' | 'cables'>[]): OrderPart => ({
  boxes: new Set(circuits.flatMap(({ boxes }) => [...boxes])),
  cables: new Set(circuits.flatMap(({ cables }) => cables)),
});

/** Does a place, of a box or of a cable, belong to it? Of the whole job everything does. */
export const isIn = (part: OrderPart | null, at: string): boolean =>
  part === null || part.boxes.has(at) || part.cables.has(at);
