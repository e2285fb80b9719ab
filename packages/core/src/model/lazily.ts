import type { InSteps } from './inSteps.js';

/** Worked out once, when it is first asked for. */
export const lazily = <T>(make: () => T): (() => T) => {
  let made: { value: T } | null = null;
  return () => (made ??= { value: make() }).value;
};

/** What is worked out once: when it is first asked for, or before that a piece at a time. */
export interface Stepwise<T> {
  /** All of it; what is left of it is worked out now. */
  value: () => T;
  /** Works out one piece more; false once nothing is left to do. */
  step: () => boolean;
  isDone: () => boolean;
}

export const stepwise = <T>(begin: () => InSteps<T>): Stepwise<T> => {
  let steps: InSteps<T> | null = null;
  let made: { value: T } | null = null;
  const step = () => {
    if (made) return false;
    steps ??= begin();
    try {
      const { done, value } = steps.next();
      if (done === true) made = { value };
    } catch (error) {
      // What threw is begun anew, and throws again, where it is asked for the next time.
      steps = null;
      throw error;
    }
    return made === null;
  };
  return {
    step,
    isDone: () => made !== null,
    value: () => {
      for (;;) {
        if (made) return made.value;
        step();
      }
    },
  };
};
