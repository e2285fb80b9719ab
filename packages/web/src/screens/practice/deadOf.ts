import { evaluate, withBreakerOff, type Positions } from '@amber/core';
import type { Subject } from '../../wiring/useSubject.js';

/** The same with its breakers off: nothing is live, whatever the handles do. */
export const deadOf = (subject: Subject, positions: Positions): Subject => {
  const compiled = subject.job.circuits.reduce((all, { id }) => withBreakerOff(all, id), subject.compiled);
  return { ...subject, compiled, state: evaluate(compiled, positions) };
};
