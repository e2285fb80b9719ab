import { newJob, type Article, type JobId, type Labour } from '@amber/core';
import type { Store } from '../../store/store.js';
import { ask, askJson, jobsApi, sayAnswer, type Answer } from '../../server/api.js';
import { noticed } from '../../store/noticeSlice.js';

type Dispatch = Store['dispatch'];

/** Reports a failed request, renews the list after a good one; gives the value or null. */
const settle = <T>(answer: Answer<T>, dispatch: Dispatch, what: string): T | null => {
  if (answer.kind !== 'ok') {
    dispatch(noticed(`${what}\n${sayAnswer(answer)}`, { tone: 'problem' }));
    return null;
  }
  dispatch(jobsApi.util.invalidateTags(['Jobs']));
  return answer.value;
};

/** Makes an empty job with the stock and prices of the catalog, and gives its id. */
export const createJob = async (name: string, dispatch: Dispatch): Promise<string | null> => {
  const refused = 'The job was not made.';
  const catalog = settle(await ask<{ articles: Article[]; labour: Labour }>('/catalog'), dispatch, refused);
  if (!catalog) return null;
  const document = newJob(crypto.randomUUID() as JobId, name, catalog.articles, catalog.labour);
  const answer = await askJson<{ id: string }>('POST', '/jobs', { saveId: crypto.randomUUID(), document });
  return settle(answer, dispatch, refused)?.id ?? null;
};

export const duplicateJob = async (id: string, dispatch: Dispatch): Promise<void> => {
  settle(await ask(`/jobs/${id}/duplicate`, { method: 'POST' }), dispatch, 'The job was not duplicated.');
};

/** Deletes; the notice at the foot can take it back. */
export const deleteJob = async (id: string, name: string, dispatch: Dispatch): Promise<void> => {
  const done = settle(await ask(`/jobs/${id}`, { method: 'DELETE' }), dispatch, 'The job was not deleted.');
  if (done) dispatch(noticed(`${name} was deleted.`, { restore: id }));
};

/** Reads a job file in; a bad one is told by path and leaves everything as it is. */
export const importFile = async (file: File, dispatch: Dispatch): Promise<string | null> => {
  const answer = await ask<{ id: string }>('/jobs/import', {
    method: 'POST',
    headers: { 'Content-Type': 'text/plain' },
    body: await file.text(),
  });
  return settle(answer, dispatch, `${file.name} was not imported.`)?.id ?? null;
};
