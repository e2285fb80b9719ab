import * as z from 'zod';

/** Schemas are checked as they stand, and no function is made of text: what a page may do forbids it, and says so each time. */
export const withoutEval = (): void => {
  z.config({ jitless: true });
};
