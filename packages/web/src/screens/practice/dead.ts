import { evaluate } from '@amber/core';
import type { Subject } from '../../wiring/useSubject.js';

/** The same with its breaker off: nothing is live, whatever the handles do. */
export const deadOf = (subject: Subject, positions: Parameters<typeof evaluate>[1]): Subject => {
  const compiled = { ...subject.compiled, sources: [] };
  return { ...subject, compiled, state: evaluate(compiled, positions) };
};
