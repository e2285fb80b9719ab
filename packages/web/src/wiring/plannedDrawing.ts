import {
  drawBox,
  madeOnce,
  reviewCircuit,
  type BoxDrawing,
  type BoxId,
  type Circuit,
  type JobReview,
} from '@amber/core';

/** An opened box as the planned wiring has it. */
export const plannedDrawing = madeOnce(({ job, wiring, drawn }: JobReview, box: BoxId): BoxDrawing =>
  drawBox(job, wiring, box, { compiled: drawn }),
);

/** Draws the boxes of a circuit one after the other, before they are shown. */
export const drawnInSteps = function* (review: JobReview, circuit: Circuit): Generator<undefined, void> {
  for (const box of reviewCircuit(review, circuit.id).boxes) {
    yield;
    plannedDrawing(review, box);
  }
};
