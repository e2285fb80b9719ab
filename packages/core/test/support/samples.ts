import fc from 'fast-check';

const TIMES = Number(process.env['TWIN_TIMES'] ?? 0.45);

/** Runs a check and puts the name of its case before what it says when it fails. */
export const naming = (name: string, check: () => void): void => {
  try {
    check();
  } catch (error) {
    if (error instanceof Error) error.message = `${name}: ${error.message}`;
    throw error;
  }
};

/**
 * Runs a check on so many random cases of a fixed seed. A failure names seed and case, which is enough to bring it
 * about again; the cases themselves are too large to print. The usual tests take a part of them, `npm run prove` many times as many.
 */
export const forSamples = <T>(
  arbitrary: fc.Arbitrary<T>,
  { seed, numRuns }: { seed: number; numRuns: number },
  check: (value: T) => void,
): void =>
  fc.sample(arbitrary, { seed, numRuns: Math.ceil(numRuns * TIMES) }).forEach((value, at) => {
    naming(`seed ${seed}, case ${at}`, () => check(value));
  });
