import { readJob, type Job } from '@amber/core';

/** An unsaved job kept in this browser, so that a closed tab or a dead server loses nothing. */
export interface KeptDraft {
  document: Job;
  parent: number;
  saveId: string;
}

const keyOf = (id: string) => `amber-junction.unsaved.${id}`;

/** Keeps it; false where the browser has no room or forbids it, and then the page says so. */
export const keepDraft = (draft: KeptDraft): boolean => {
  try {
    localStorage.setItem(keyOf(draft.document.id), JSON.stringify(draft));
    return true;
  } catch {
    return false;
  }
};

export const dropDraft = (id: string): void => {
  localStorage.removeItem(keyOf(id));
};

/** The kept draft of a job, or null. One that is no valid job any more is left where it is and not opened. */
export const findDraft = (id: string): KeptDraft | null => {
  const text = localStorage.getItem(keyOf(id));
  if (text === null) return null;
  try {
    const { document, parent, saveId } = JSON.parse(text) as Record<string, unknown>;
    const read = readJob(document);
    return read.ok && typeof parent === 'number' && typeof saveId === 'string'
      ? { document: read.job, parent, saveId }
      : null;
  } catch {
    return null;
  }
};
