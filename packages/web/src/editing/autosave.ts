import { createListenerMiddleware, isAnyOf } from '@reduxjs/toolkit';
import type { Dispatch, UnknownAction } from '@reduxjs/toolkit';
import { askJson, jobsApi, type Answer, type StoredJob } from '../shared/api.js';
import { dropDraft, keepDraft } from './keptDraft.js';
import {
  closed,
  edited,
  heldChanged,
  keptMine,
  opened,
  redone,
  saved,
  saveFailed,
  saving,
  tookTheirs,
  undone,
  type FailedSave,
  type JobState,
  type OpenJob,
} from './jobSlice.js';

/** Rest after the last change before it is saved, and the waits between tries while the server is away. */
const REST = 1500;
const RETRY = [2000, 4000, 8000, 15_000, 30_000];

const failed = (answer: Exclude<Answer<unknown>, { kind: 'ok' }>): FailedSave => {
  if (answer.kind === 'unreachable' || answer.status >= 500) return { kind: 'offline' };
  if (answer.problem.code === 'newer-revision')
    return { kind: 'conflict', current: (answer.body as { current: StoredJob }).current };
  return {
    kind: 'refused',
    message: answer.problem.path
      ? `${answer.problem.path}: ${answer.problem.message}`
      : answer.problem.message,
  };
};

/** Sends the open job once and tells the store what came of it. */
export const saveNow = async (open: OpenJob, dispatch: Dispatch<UnknownAction>): Promise<boolean> => {
  const { document, parent, saveId } = open;
  dispatch(saving());
  const answer = await askJson<{ revision: number }>('PUT', `/jobs/${document.id}`, {
    saveId,
    parent,
    document,
  });
  if (answer.kind === 'ok') {
    dispatch(saved({ id: document.id, saveId, revision: answer.value.revision, at: Date.now() }));
    dispatch(jobsApi.util.invalidateTags(['Jobs']) as unknown as UnknownAction);
    return true;
  }
  dispatch(saveFailed({ id: document.id, save: failed(answer) }));
  return false;
};

/** Keeps and saves the open job of one store. */
export const createAutosave = () => {
  const autosave = createListenerMiddleware<{ job: JobState }>();
  /** The save on its way. The next one waits for it: two at once would contest the same revision. */
  let sending: Promise<unknown> = Promise.resolve();

  /** Every change is kept in the browser at once; what the server has acknowledged is dropped there. */
  autosave.startListening({
    matcher: isAnyOf(edited, undone, redone, keptMine),
    effect: (_action, api) => {
      const { open } = api.getState().job;
      if (!open) return;
      const held = keepDraft({ document: open.document, parent: open.parent, saveId: open.saveId });
      if (held !== open.held) api.dispatch(heldChanged(held));
    },
  });
  autosave.startListening({
    matcher: isAnyOf(saved, tookTheirs),
    effect: (_action, api) => {
      const { open } = api.getState().job;
      if (open?.save.kind === 'saved') dropDraft(open.document.id);
    },
  });

  /** Saves after a rest; while the server is away tries again, at once when the network comes back. */
  autosave.startListening({
    matcher: isAnyOf(edited, undone, redone, keptMine, opened, saved),
    effect: async (action, api) => {
      if (saved.match(action) && api.getState().job.open?.save.kind !== 'unsaved') return;
      api.cancelActiveListeners();
      await api.delay(REST);
      for (let tries = 0; ; tries++) {
        await sending;
        const { open } = api.getState().job;
        if (!open || !['unsaved', 'offline'].includes(open.save.kind)) return;
        // Further typing cancels the wait, never the save itself.
        const save = saveNow(open, api.dispatch);
        sending = save;
        if (await save) return;
        if (api.getState().job.open?.save.kind !== 'offline') return;
        const back = new Promise<void>((resolve) =>
          addEventListener('online', () => resolve(), { once: true }),
        );
        await Promise.race([back, api.delay(RETRY[Math.min(tries, RETRY.length - 1)] ?? REST)]);
      }
    },
  });

  /** Leaving a job saves it at once; should that fail, the browser still has it. */
  autosave.startListening({
    actionCreator: closed,
    effect: async (_action, api) => {
      const { open } = api.getOriginalState().job;
      if (!open || !['unsaved', 'offline'].includes(open.save.kind)) return;
      await sending;
      const save = saveNow(open, api.dispatch);
      sending = save;
      if (await save) dropDraft(open.document.id);
    },
  });

  return autosave.middleware;
};
