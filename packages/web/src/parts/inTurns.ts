/** So long is worked before the browser has its turn, milliseconds: no tap waits so long that it is felt. */
const TURN = 12;

/** A task of its own, after what the browser has to do meanwhile. */
const nextTask = (): Promise<void> =>
  typeof scheduler === 'object' && 'yield' in scheduler
    ? scheduler.yield()
    : new Promise((resolve) => setTimeout(resolve));

/** Works something out that is done in steps, with turns for the browser in between. Throws what a step throws. */
export const inTurns = async <T>(steps: Generator<undefined, T>): Promise<T> => {
  for (;;) {
    const begun = performance.now();
    do {
      const { done, value } = steps.next();
      if (done === true) return value;
    } while (performance.now() - begun < TURN);
    await nextTask();
  }
};
