import type { Box, Choice, Job } from '@amber/core';
import { lettersAt } from './letters.js';

/** What stands in a box, as it is drawn: drafting letters for switches, a lamp for luminaires, a plain box else. */
export interface MarkFacts {
  letters: string[];
  luminaires: number;
  fed: boolean;
  existing: boolean;
}

/** A plan that is only looked at says which switches stand at the ends. */
export const markOf = (job: Job, box: Box, planned?: Choice): MarkFacts => ({
  letters: lettersAt(job, box.id, planned),
  luminaires: job.luminaires.filter((one) => one.box === box.id).length,
  fed: job.feeds.some((feed) => feed.at === box.id),
  existing: box.work === 'existing',
});

/** Height of a mark, pixels. */
export const HEIGHT = 26;
/** Half the width of a mark, pixels. */
export const halfWidth = ({ letters }: MarkFacts): number =>
  letters.length > 1 ? (letters.length * 25) / 2 : HEIGHT / 2 + (letters.length === 1 ? 1 : 0);
