/** What two transactions do to each other, and what a node of a cluster answers while it is not ready: asked once more it goes. */
const PASSING = new Set(['ER_LOCK_DEADLOCK', 'ER_LOCK_WAIT_TIMEOUT', 'ER_UNKNOWN_COM_ERROR']);
const TRIES = 12;
/** Milliseconds before the second try; each later one waits twice as long up to a bound, and not quite, so that two do not meet again. */
const PAUSE = 10;
const LONGEST = 300;

/** Was it given up for another, and may it go when it is tried again? */
export const isPassing = (error: unknown): boolean => {
  const { code, driverError } = error as { code?: string; driverError?: { code?: string } };
  return PASSING.has(driverError?.code ?? code ?? '');
};

/** Does one transaction, and does it again where the database gave it up for another. On a cluster that is told when it is committed. */
export const again = async <T>(work: () => Promise<T>): Promise<T> => {
  for (let tries = 1; ; tries++) {
    try {
      return await work();
    } catch (error) {
      if (tries === TRIES || !isPassing(error)) throw error;
      await new Promise((resolve) =>
        setTimeout(resolve, Math.min(LONGEST, PAUSE * 2 ** tries) * (0.5 + Math.random())),
      );
    }
  }
};
