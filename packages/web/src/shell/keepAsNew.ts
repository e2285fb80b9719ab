import { CONTRACT, type Job, type JobId } from '@amber/core';
import { jobsApi } from '../server/api.js';
import { ask, sayFailed } from '../server/client.js';
import { noticed } from '../store/noticeSlice.js';
import type { Store } from '../store/store.js';

/** Stores what is open here as a job of its own, with a word behind its name. Gives its id, or null where that did not work and was told. */
export const keepAsNew = async (
  job: Job,
  word: string,
  dispatch: Store['dispatch'],
): Promise<string | null> => {
  const name = `${[...job.name].slice(0, 185).join('')} (${word})`;
  const document = { ...job, id: crypto.randomUUID() as JobId, name };
  const answer = await ask(CONTRACT.makeJob, { body: { saveId: crypto.randomUUID(), document } });
  if (answer.kind !== 'ok') {
    dispatch(noticed(`Your version was not stored yet.\n${sayFailed(answer)}`, { tone: 'problem' }));
    return null;
  }
  dispatch(jobsApi.util.invalidateTags(['Jobs']));
  return answer.value.id;
};
