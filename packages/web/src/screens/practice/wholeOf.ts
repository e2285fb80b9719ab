import {
  drawStrip,
  plannedWiring,
  reviewCircuit,
  reviewJob,
  type CableId,
  type Job,
  type Wiring,
} from '@amber/core';
import type { Subject } from '../../wiring/useSubject.js';

/** The cables of each circuit by the planned wiring, which nothing that is made up changes: worked out once. */
const known = new WeakMap<Wiring, readonly CableId[][]>();

const cablesOf = (job: Job): readonly CableId[][] => {
  const planned = plannedWiring(job);
  const before = planned && known.get(planned);
  if (before) return before;
  const review = reviewJob(job);
  const cables = job.circuits.map(({ id }) => [...reviewCircuit(review, id).cables]);
  if (planned) known.set(planned, cables);
  return cables;
};

/** Whatever is joined by now, the cables of a circuit lie where they were pulled, and its run is drawn so. */
export const wholeOf = (subject: Subject): Subject => {
  const { job, wiring } = subject;
  const cables = cablesOf(job);
  return {
    ...subject,
    circuit: job.circuits.length === 1 ? (job.circuits[0] ?? null) : null,
    strips: job.circuits.map((circuit, i) => ({ circuit, strip: drawStrip(wiring, job, cables[i] ?? []) })),
  };
};
