import { useState } from 'react';
import { NO_EFFORT, type Effort, type BenchAsked } from './kept.js';

/** Who has hidden a mistake that is to be found: it was drawn by a seed, or made by somebody. */
export type HiddenBy = BenchAsked | 'somebody';

/** What an exercise is told of whoever works on it, and what it tells. */
export interface Ways {
  effort: Effort;
  /** It was said to be done, or answered: the first time counts. */
  onAnswered: (right: boolean) => void;
  /** A hint was asked for. */
  onHelp: () => void;
  /** Something unsafe was stopped. */
  onStopped: () => void;
  /** Another of the kind; null where there is only this one. */
  onAnother: (() => void) | null;
  onLeave: () => void;
}

/** The same of an exercise that nobody puts on record. */
export const useUncounted = (): Omit<Ways, 'onAnother' | 'onLeave'> => {
  // There is no first answer that counts.
  const [effort, setEffort] = useState({ ...NO_EFFORT, answered: true });
  return {
    effort,
    onAnswered: () => undefined,
    onHelp: () => setEffort((before) => ({ ...before, helped: true })),
    onStopped: () => setEffort((before) => ({ ...before, stopped: before.stopped + 1 })),
  };
};
