import type { Job } from '@amber/core';

type Document = Job['wirings'][number];

/** What a wiring is called by its kind. */
export const WIRING_WORDS: Record<Document['kind'], string> = {
  planned: 'planned wiring',
  existing: 'existing wiring',
  found: 'wiring as found',
  built: 'wiring as built',
};

/** A wiring of a job in words; several of a kind are told by their ids. */
export const wiringName = (job: Job, { id, kind }: Document): string => {
  const alike = job.wirings.filter((one) => one.kind === kind);
  return alike.length > 1 ? `${WIRING_WORDS[kind]} (${id})` : WIRING_WORDS[kind];
};
