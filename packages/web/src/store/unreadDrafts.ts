import { nanoid } from '@reduxjs/toolkit';
import { readJob } from '@amber/core';
import { forget, keep, keptByGone, keptHere } from '../server/kept.js';

/** Unsaved states that this version of the program cannot read: of a later one, or damaged. They are kept apart, where nothing is written over them. */
const KIND = 'unread';

export interface UnreadDraft {
  id: string;
  value: unknown;
}

const draftsIn = (value: unknown): UnreadDraft[] => (Array.isArray(value) ? (value as UnreadDraft[]) : []);

/** Puts one aside; false where the browser has no room for it. */
export const putAside = (job: string, value: unknown): boolean =>
  keep(KIND, job, [...draftsIn(keptHere(KIND, job)), { id: nanoid(), value }]);

/** Those that are kept of a job, by this tab and by tabs that are gone, which are taken over. */
export const unreadDrafts = async (job: string): Promise<UnreadDraft[]> => {
  for (const { value, take } of await keptByGone(KIND, job)) {
    const mine = draftsIn(keptHere(KIND, job));
    const more = draftsIn(value).filter(({ id }) => mine.every((one) => one.id !== id));
    if (keep(KIND, job, [...mine, ...more])) take();
  }
  return draftsIn(keptHere(KIND, job));
};

export const letGoUnread = (job: string, id: string): void => {
  const left = draftsIn(keptHere(KIND, job)).filter((one) => one.id !== id);
  if (left.length > 0) keep(KIND, job, left);
  else forget(KIND, job);
};

/** The text of one as a file: the job as it was kept, with whatever is wrong with it. */
export const textOfUnread = ({ value }: UnreadDraft): string => {
  const document = (value as { document?: unknown } | null)?.document ?? value;
  return `${typeof document === 'string' ? document : JSON.stringify(document, null, 2)}\n`;
};

/** Why it cannot be read, in a sentence. */
export const whyUnread = ({ value }: UnreadDraft): string => {
  const read = readJob((value as { document?: unknown } | null)?.document ?? null);
  const [fault] = read.ok ? [] : read.faults;
  return fault ? `${fault.path ? `${fault.path}: ` : ''}${fault.message}` : 'It is not whole.';
};
