import { liveRecords, siteRecordSchema, type SiteRecord } from '@amber/core';

/** How a tick was kept by a page of before: a step by its name, done or not. */
interface OldTick {
  id: string;
  step: string;
  done: boolean;
}

const isOldTick = (value: unknown): value is OldTick => {
  if (typeof value !== 'object' || value === null) return false;
  const { id, step, done } = value as Record<string, unknown>;
  return typeof id === 'string' && typeof step === 'string' && typeof done === 'boolean';
};

/**
 * Ticks that a page of before left behind, as records; what is no tick is passed over. One that was taken back is a retraction of what
 * `known` holds of its step and of those before it.
 */
export const recordsOfOldTicks = (job: string, kept: unknown, known: readonly SiteRecord[]): SiteRecord[] => {
  const made: SiteRecord[] = [];
  const at = new Date().toISOString();
  for (const { id, step, done } of Array.isArray(kept) ? kept.filter(isOldTick) : []) {
    const drafts = done
      ? [{ id, kind: 'tick', about: { kind: 'fact', id: step }, retracts: null }]
      : liveRecords([...known, ...made])
          .filter((one) => one.kind === 'tick' && one.about.id === step)
          .map((one, i) => ({
            ...{ id: i === 0 ? id : `${id}-${i}`, kind: 'retraction', about: { kind: 'job', id: job } },
            retracts: one.id,
          }));
    for (const draft of drafts) {
      const record = siteRecordSchema.safeParse({ ...draft, body: {}, at });
      if (record.success) made.push(record.data);
    }
  }
  return made;
};
