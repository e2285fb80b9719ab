import {
  liveRecords,
  observationSchema,
  type CircuitId,
  type Observation,
  type SiteRecord,
} from '@amber/core';

/** Observations on record of one circuit since it was last mended, as its boxes are now; of before they tell of another wiring. */
export const observedOf = (
  records: readonly SiteRecord[],
  circuit: CircuitId,
  hash: string,
): { record: SiteRecord; observation: Observation; words: string }[] => {
  const mine = liveRecords(records).filter(({ about }) => about.kind === 'circuit' && about.id === circuit);
  const mended = mine.map(({ kind }) => kind).lastIndexOf('mended');
  return mine.slice(mended + 1).flatMap((record) => {
    if (record.kind !== 'observed' || record.about.hash !== hash) return [];
    const read = observationSchema.safeParse(record.body['seen']);
    return read.success ? [{ record, observation: read.data, words: String(record.body['words']) }] : [];
  });
};
