import { CONTRACT, newJob, withShopDefaults, type JobId, type TakenIn } from '@amber/core';
import type { Store } from '../../store/store.js';
import { jobsApi } from '../../server/api.js';
import { ask, sayFailed, type Answer } from '../../server/client.js';
import { plural } from '../../parts/format.js';
import { noticed } from '../../store/noticeSlice.js';

type Dispatch = Store['dispatch'];

/** Reports a failed request, renews the list after a good one; gives the value or null. */
const settle = <T>(answer: Answer<T>, dispatch: Dispatch, what: string): T | null => {
  if (answer.kind !== 'ok') {
    dispatch(noticed(`${what}\n${sayFailed(answer)}`, { tone: 'problem' }));
    return null;
  }
  dispatch(jobsApi.util.invalidateTags(['Jobs']));
  return answer.value;
};

/** Makes an empty job with the stock, prices and habits of the shop, and gives its id. */
export const createJob = async (name: string, dispatch: Dispatch): Promise<string | null> => {
  const refused = 'The job was not made.';
  const catalog = settle(await ask(CONTRACT.catalog), dispatch, refused);
  if (!catalog) return null;
  const { articles, labour, judgement, defaults } = catalog;
  const document = withShopDefaults(
    newJob(crypto.randomUUID() as JobId, name, articles, labour, judgement),
    defaults,
  );
  const answer = await ask(CONTRACT.makeJob, { body: { saveId: crypto.randomUUID(), document } });
  return settle(answer, dispatch, refused)?.id ?? null;
};

export const duplicateJob = async (id: string, dispatch: Dispatch): Promise<void> => {
  settle(await ask(CONTRACT.duplicateJob, { ids: { id } }), dispatch, 'The job was not duplicated.');
};

/** Deletes; the notice at the foot can take it back. */
export const deleteJob = async (id: string, name: string, dispatch: Dispatch): Promise<void> => {
  const done = settle(await ask(CONTRACT.deleteJob, { ids: { id } }), dispatch, 'The job was not deleted.');
  if (done) dispatch(noticed(`${name} was deleted.`, { restore: id }));
};

/** What became of a job that came in from a colleague, in words. */
export const sayTakenIn = (name: string, { outcome, clashes, records, pictures }: TakenIn): string => {
  const more = [
    ...(records > 0 ? [plural(records, 'record')] : []),
    ...(pictures > 0 ? [plural(pictures, 'picture')] : []),
  ];
  const what = {
    new: `${name} came in.`,
    same: `${name} is here as it came.`,
    newer: `${name} is now as it came: nothing had been changed here since.`,
    merged: `${name} was changed here and there: both are in it.`,
    apart:
      'Nothing tells that the job here and the one that came in were ever the same: what came in is a job of its own.',
    clash: `${name} stays as it is: the same was changed here and there. What came is in its history, to compare and to bring back.`,
  }[outcome];
  return [
    what,
    ...clashes.map(({ mine, theirs }) => `Here: ${mine.join('; ')}. There: ${theirs.join('; ')}.`),
    ...(more.length === 0 ? [] : [`New with it: ${more.join(' and ')}.`]),
  ].join('\n');
};

const isPacked = (file: File): boolean => file.name.endsWith('.zip') || file.type === 'application/zip';

/** Takes in a job with its pictures and records from a colleague, and tells what became of it. */
const takeIn = async (file: File, dispatch: Dispatch): Promise<string | null> => {
  const answer = await ask(CONTRACT.takeIn, { raw: { type: 'application/zip', body: file } });
  const done = settle(answer, dispatch, `${file.name} was not taken in.`);
  if (done)
    dispatch(noticed(sayTakenIn('The job', done), done.outcome === 'clash' ? { tone: 'problem' } : {}));
  return done?.id ?? null;
};

/** Reads a job file in; a bad one is told by path and leaves everything as it is. */
export const importFile = async (file: File, dispatch: Dispatch): Promise<string | null> => {
  if (isPacked(file)) return takeIn(file, dispatch);
  const answer = await ask(CONTRACT.importJob, { raw: { type: 'text/plain', body: await file.text() } });
  return settle(answer, dispatch, `${file.name} was not imported.`)?.id ?? null;
};
