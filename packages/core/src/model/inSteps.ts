/** Something that is worked out piece by piece, with what comes of it at the end. */
export type InSteps<T> = Generator<undefined, T>;

/** All of it at once. */
export const toEnd = <T>(steps: InSteps<T>): T => {
  for (;;) {
    const { done, value } = steps.next();
    if (done === true) return value;
  }
};
