import { drawStrip, reviewCircuit, reviewJob } from '@amber/core';
import type { Subject } from '../../wiring/useSubject.js';

/** Whatever is joined by now, the cables of a circuit lie where they were pulled, and its run is drawn so. */
export const wholeOf = (subject: Subject): Subject => {
  const planned = reviewJob(subject.job);
  const { circuits } = subject.job;
  return {
    ...subject,
    circuit: circuits.length === 1 ? (circuits[0] ?? null) : null,
    strips: circuits.map((circuit) => ({
      circuit,
      strip: drawStrip(subject.wiring, subject.job, reviewCircuit(planned, circuit.id).cables),
    })),
  };
};
