import type * as z from 'zod';
import {
  boxContentsSchema,
  cablesThere,
  removeExistingCable,
  withCablesThere,
  withOthersIn,
  withStanding,
  type ExistingCable,
  type Job,
} from '../../src/index.js';

/** A cable that lies there, in short: of no length and of no circuit unless it is said. */
export interface Lies {
  id: string;
  article: string;
  circuit?: string | null;
  between: readonly [string, string];
  length?: number | null;
  via?: readonly { box: string; loop: boolean }[];
}

/** The job in which these cables lie there, and no others. */
export const lying = (job: Job, cables: readonly Lies[]): Job =>
  withCablesThere(
    cablesThere(job).reduce((left, { id }) => removeExistingCable(left, id), job),
    cables.map(
      ({ circuit = null, length = null, via = [], ...one }) =>
        ({ ...one, circuit, length, via }) as unknown as ExistingCable,
    ),
  );

/** The job in which every device and luminaire is there, or those of one box. */
export const standing = (job: Job, box: string | null = null): Job => {
  const isThere = (one: { box: string }) => box === null || one.box === box;
  return withStanding(job, {
    slots: job.slots.filter(isThere).map(({ id }) => id),
    luminaires: job.luminaires.filter(isThere).map(({ id }) => id),
  });
};

export type Contents = z.input<typeof boxContentsSchema>;

/** The job in which it is told what else is in these boxes. */
export const holding = (job: Job, contents: Readonly<Record<string, Contents | null | undefined>>): Job =>
  Object.entries(contents).reduce(
    (told, [box, held]) => (held ? withOthersIn(told, box as never, boxContentsSchema.parse(held)) : told),
    job,
  );
