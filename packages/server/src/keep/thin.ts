import { IsNull, LessThan, Not, type DataSource } from 'typeorm';
import { DAYS_FOUND } from '@amber/core';
import { JobEntity, RecordEntity, RevisionEntity } from '../store/entities.js';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

/** A save as far as it matters to whether it is kept. */
export interface Kept {
  id: number;
  /** Null of a save that lost. */
  revision: number | null;
  savedAt: Date;
  called: string | null;
}

/**
 * Which saves of a job go: all of the last day stay, then the last of each hour for a week, the last of each day for a year, the last of
 * each month after that; what has a name and what the job is now stay for good, saves that lost for as long as they can be found.
 */
export const toThin = (saves: readonly Kept[], head: number, now: Date): number[] => {
  const latest = new Map<string, Kept>();
  const stays = new Set<number>();
  for (const save of saves) {
    const age = now.getTime() - save.savedAt.getTime();
    const isLost = save.revision === null;
    if (save.called !== null || save.revision === head || age < (isLost ? DAYS_FOUND : 1) * DAY)
      stays.add(save.id);
    if (save.revision === null || age < DAY) continue;
    const moment = save.savedAt.toISOString();
    const key = moment.slice(0, age < 7 * DAY ? 13 : age < 365 * DAY ? 10 : 7);
    const before = latest.get(key);
    if (!before || (before.revision ?? 0) < save.revision) latest.set(key, save);
  }
  for (const { id } of latest.values()) stays.add(id);
  return saves.map(({ id }) => id).filter((id) => !stays.has(id));
};

/** Thins what is kept of every job, and lets go of jobs that were deleted longer ago than they can be found. Gives how much went. */
export const thinStore = async (
  source: DataSource,
  now = new Date(),
): Promise<{ revisions: number; jobs: number }> => {
  const gone = await source
    .getRepository(JobEntity)
    .findBy({ deletedAt: LessThan(new Date(now.getTime() - DAYS_FOUND * DAY)) });
  for (const { id } of gone)
    await source.transaction(async (manager) => {
      // Brought back a moment ago, it stays.
      const { affected } = await manager.delete(JobEntity, { id, deletedAt: Not(IsNull()) });
      if (affected !== 1) return;
      await manager.delete(RevisionEntity, { jobId: id });
      await manager.delete(RecordEntity, { jobId: id });
    });
  let revisions = 0;
  for (const { id } of await source.getRepository(JobEntity).find({ select: { id: true } }))
    revisions += await source.transaction(async (manager) => {
      // The head is held: while this looks, it does not move on to a revision that is about to go.
      const head = await manager.findOne(JobEntity, { where: { id }, lock: { mode: 'pessimistic_write' } });
      if (!head) return 0;
      const saves = await manager.find(RevisionEntity, {
        select: { id: true, revision: true, savedAt: true, called: true },
        where: { jobId: id },
      });
      const ids = toThin(saves, head.revision, now);
      if (ids.length > 0) await manager.delete(RevisionEntity, ids);
      return ids.length;
    });
  return { revisions, jobs: gone.length };
};
