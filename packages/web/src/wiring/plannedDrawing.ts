import {
  drawBox,
  madeOnce,
  reviewCircuit,
  type BoxDrawing,
  type BoxId,
  type Circuit,
  type JobReview,
  type ReviewedWiring,
} from '@amber/core';

/** An opened box as the wiring that was looked at has it, where that is the planned one. */
export const plannedDrawing = madeOnce(
  ({ job, wiring, drawn }: JobReview | ReviewedWiring, box: BoxId): BoxDrawing =>
    drawBox(job, wiring, box, { compiled: drawn }),
);

/** Draws the boxes of a circuit one after the other, before they are shown. */
export const drawnInSteps = function* (review: JobReview, circuit: Circuit): Generator<undefined, void> {
  for (const box of reviewCircuit(review, circuit.id).boxes) {
    yield;
    plannedDrawing(review, box);
  }
};
