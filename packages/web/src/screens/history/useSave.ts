import { useSaveQuery } from '../../server/api.js';
import { sayFailed, type Failed } from '../../server/client.js';
import type { Job } from '@amber/core';

/** The document of a save, while it comes, or why it does not. Null where none is asked for. */
export type SaveSeen = { kind: 'coming' } | { kind: 'here'; job: Job } | { kind: 'failed'; words: string };

export const useSave = (id: string, save: string | null): SaveSeen | null => {
  const { data, error } = useSaveQuery({ id, save: save ?? '' }, { skip: save === null });
  if (save === null) return null;
  if (data) return { kind: 'here', job: data };
  return error ? { kind: 'failed', words: sayFailed(error as Failed) } : { kind: 'coming' };
};
