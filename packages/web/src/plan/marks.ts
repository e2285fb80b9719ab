import type { Box, Choice, Job } from '@amber/core';
import { lettersAt } from './letters.js';

/** What stands in a box, as it is drawn: drafting letters for switches, a lamp for luminaires, a plain box else. */
export interface MarkFacts {
  letters: string[];
  luminaires: number;
  /** A receptacle alone, and a feed that goes on, are no lamps and have signs of their own. */
  sign: 'receptacle' | 'onward' | null;
  fed: boolean;
  existing: boolean;
}

const signOf = (job: Job, box: Box): MarkFacts['sign'] => {
  const slots = job.slots.filter((slot) => slot.box === box.id && !slot.leaves);
  const hung = job.luminaires.filter((one) => one.box === box.id);
  if (hung.length > 0)
    return hung.every(({ unit }) => unit === 'onward') && slots.length === 0 ? 'onward' : null;
  return slots.length === 1 && slots[0]?.role === 'receptacle' ? 'receptacle' : null;
};

/** A plan that is only looked at says which switches stand at the ends. */
export const markOf = (job: Job, box: Box, planned?: Choice): MarkFacts => ({
  letters: lettersAt(job, box.id, planned),
  luminaires: job.luminaires.filter((one) => one.box === box.id && one.unit !== 'onward').length,
  sign: signOf(job, box),
  fed: job.feeds.some((feed) => feed.at === box.id),
  existing: box.work === 'existing',
});

/** Height of a mark, pixels. */
export const HEIGHT = 26;
/** Half the width of a mark, pixels. */
export const halfWidth = ({ letters }: MarkFacts): number =>
  letters.length > 1 ? (letters.length * 25) / 2 : HEIGHT / 2 + (letters.length === 1 ? 1 : 0);
