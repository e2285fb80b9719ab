import { createListenerMiddleware, isAnyOf } from '@reduxjs/toolkit';
import { tabName } from '../server/tab.js';
import type { Change, History } from './history.js';
import {
  edited,
  merged,
  newerCame,
  numbered,
  opened,
  redone,
  saved,
  tookTheirs,
  undone,
  type JobState,
  type OpenJob,
} from './jobSlice.js';

/** The state of a job that a history ends at: unsaved under this name, or saved as this revision. */
interface KeptHistory {
  saveId: string | null;
  revision: number;
  history: History;
}

const keyOf = (job: string) => `amber-junction.undo.${encodeURIComponent(job)}.${tabName()}`;

/** Signs that the changes of one tab may take; the oldest go first. A browser gives a tab some five million. */
const MOST = 1_000_000;
/** Milliseconds of rest before it is written: whoever types writes it once. */
const REST = 250;

const sizeOf = (change: Change): number => JSON.stringify(change).length;

/** The newest of the changes that have room. */
const fitting = (past: readonly Change[]): Change[] => {
  let left = MOST;
  let from = past.length;
  for (const change of [...past].reverse()) {
    left -= sizeOf(change);
    if (left < 0) break;
    from -= 1;
  }
  return past.slice(from);
};

const write = ({ document, parent, saveId, save, history }: OpenJob): void => {
  const kept: KeptHistory = {
    saveId: save.kind === 'saved' ? null : saveId,
    revision: parent,
    history: { past: fitting(history.past), future: fitting(history.future) },
  };
  try {
    sessionStorage.setItem(keyOf(document.id), JSON.stringify(kept));
  } catch {
    // Where there is no room, a reload ends the history, as it does where nothing may be kept; the job itself is kept apart.
    sessionStorage.removeItem(keyOf(document.id));
  }
};

const EMPTY: History = { past: [], future: [] };

/**
 * The history that this tab kept of a job, where it ends at the very state that is opened: `saveId` of a draft, or the revision of the server. What anybody else
 * saved since makes it void, as undoing would not lead to what it says.
 */
export const keptHistory = (job: string, at: { saveId: string | null; revision: number }): History => {
  try {
    const kept = JSON.parse(sessionStorage.getItem(keyOf(job)) ?? 'null') as KeptHistory | null;
    return kept !== null && kept.saveId === at.saveId && kept.revision === at.revision ? kept.history : EMPTY;
  } catch {
    return EMPTY;
  }
};

/** Keeps the history of the open job over a reload of this tab. */
export const createHistoryKeeper = () => {
  const keeper = createListenerMiddleware<{ job: JobState }>();
  let waiting: OpenJob | null = null;
  const flush = () => {
    if (waiting) write(waiting);
    waiting = null;
  };
  if (typeof addEventListener === 'function') addEventListener('pagehide', flush);
  keeper.startListening({
    matcher: isAnyOf(edited, numbered, undone, redone, merged, newerCame, tookTheirs, saved, opened),
    effect: async (_action, api) => {
      api.cancelActiveListeners();
      waiting = api.getState().job.open;
      await api.delay(REST);
      flush();
    },
  });
  return keeper.middleware;
};
