import { readJob, type Job } from '@amber/core';
import { forget, keep, keptByGone, keptHere } from '../server/kept.js';
import { putAside } from './unreadDrafts.js';

/** A state of a job on its way to the server, or to be. */
export interface Save {
  document: Job;
  /** Revision of the server that it grew from. */
  parent: number;
  /** Names this state, so that it is known when it comes twice. */
  saveId: string;
}

/** An unsaved job kept in this browser, so that a closed tab or a dead server loses nothing. */
export interface KeptDraft extends Save {
  /** What was sent before it and never answered: it may have arrived or not, and is sent again first. */
  sent: Save | null;
}

const KIND = 'unsaved';

/** Keeps it; false where the browser has no room or forbids it, and then the page says so. */
export const keepDraft = (draft: KeptDraft): boolean => keep(KIND, draft.document.id, draft);

/** Drops the draft of a job where it is this very state: what was typed after it stays. */
export const dropDraft = (job: string, saveId: string): void => {
  if (draftOf(keptHere(KIND, job))?.saveId === saveId) forget(KIND, job);
};

const saveOf = (value: unknown): Save | null => {
  if (typeof value !== 'object' || value === null) return null;
  const { document, parent, saveId } = value as Record<string, unknown>;
  const job = readJob(document);
  return job.ok && typeof parent === 'number' && typeof saveId === 'string'
    ? { document: job.job, parent, saveId }
    : null;
};

const draftOf = (value: unknown): KeptDraft | null => {
  const draft = saveOf(value);
  return draft && { ...draft, sent: saveOf((value as { sent?: unknown }).sent) };
};

/**
 * The kept draft of a job: this tab's, or one that a tab which is gone left behind, which is taken over. Null where there is none.
 * One that this version cannot read is not opened: it is put aside, where what is typed now is not written over it.
 */
export const findDraft = async (job: string): Promise<KeptDraft | null> => {
  const kept = keptHere(KIND, job);
  const mine = draftOf(kept);
  if (mine) return mine;
  if (kept !== null && putAside(job, kept)) forget(KIND, job);
  for (const { value, take } of await keptByGone(KIND, job)) {
    const draft = draftOf(value);
    if (!draft && value !== null && putAside(job, value)) take();
    if (!draft || !keepDraft(draft)) continue;
    take();
    return draft;
  }
  return null;
};
