import { createAction, createSlice, nanoid, type PayloadAction, type UnknownAction } from '@reduxjs/toolkit';
import type { Clash, Job, JobNews, Present, StoredJob } from '@amber/core';
import type { KeptDraft, Save } from './keptDraft.js';
import { redo, remember, undo, type History } from './history.js';

/** Where the open job stands towards the server. Nothing typed is lost in any of them. */
export type SaveState =
  | { kind: 'saved'; at: number | null }
  | { kind: 'unsaved' }
  | { kind: 'saving' }
  /** It cannot be saved now, and why; the job is kept in this browser and sent again. */
  | { kind: 'offline'; why: Away }
  /**
   * Somebody saved meanwhile. Where the two touch different things they are put together; else the user decides between those that clash.
   * None told: it is not known yet, or what both grew from cannot be had.
   */
  | { kind: 'conflict'; current: StoredJob; clashes?: Clash[] }
  /** The job was deleted elsewhere; what is here is kept until the user says what becomes of it. */
  | { kind: 'gone' }
  | { kind: 'refused'; message: string };

/** The server does not answer; it does and its database does not; its disk has no room; it has too much to do; it lets this device in no more; or something else went wrong there. */
export type Away = 'noAnswer' | 'database' | 'diskFull' | 'busy' | 'notLetIn' | 'server';

export type FailedSave = Exclude<SaveState, { kind: 'saved' | 'saving' | 'unsaved' }>;

export interface OpenJob {
  document: Job;
  /** Revision of the server that the document grew from. */
  parent: number;
  /** Names this state of the document, so that a repeated save is not a conflict. */
  saveId: string;
  /** A save that left and was not answered: it may have arrived or not. Nothing newer is sent before it is. */
  sent: Save | null;
  history: History;
  save: SaveState;
  /** This browser holds what is unsaved; false where it has no room. */
  held: boolean;
  /** When the server gave what is open, where that is not now: there was no connection, and this browser had kept it. */
  keptAt: string | null;
  /** The newest revision that the server was heard to have: at first the one that it gave. */
  heard: number;
  /** Who else has the job open, as far as the server knows. */
  others: readonly Present[];
}

export interface JobState {
  open: OpenJob | null;
}

const initialState: JobState = { open: null };

/** After any change: unsaved under a new save id, unless the user first has to settle a conflict, or what becomes of a job that is gone. */
const touched = (open: OpenJob): OpenJob => ({
  ...open,
  saveId: nanoid(),
  save: open.save.kind === 'conflict' || open.save.kind === 'gone' ? open.save : { kind: 'unsaved' },
});

/** Where the open job stands towards the server. What it holds is changed below, without drafts. */
const jobSlice = createSlice({
  name: 'job',
  initialState,
  reducers: {
    opened: (
      state,
      {
        payload,
      }: PayloadAction<{
        stored: StoredJob;
        draft: KeptDraft | null;
        /** The history of this tab, where it ends at what is opened. */
        history?: History;
        keptAt?: string;
      }>,
    ) => {
      const { stored, draft, history = { past: [], future: [] }, keptAt = null } = payload;
      const stands = { history, keptAt, held: true, heard: stored.revision, others: [] };
      state.open = draft
        ? {
            ...stands,
            ...draft,
            // What was sent and not answered may be what made the newer revision: it is asked again before anybody is told.
            save:
              draft.sent !== null || draft.parent === stored.revision
                ? { kind: 'unsaved' }
                : { kind: 'conflict', current: stored },
          }
        : {
            ...stands,
            document: stored.document,
            parent: stored.revision,
            saveId: nanoid(),
            sent: null,
            save: { kind: 'saved', at: null },
          };
    },
    closed: () => initialState,
    heldChanged: (state, { payload }: PayloadAction<boolean>) => {
      if (state.open) state.open.held = payload;
    },
    saving: (state, { payload }: PayloadAction<Save>) => {
      if (state.open?.document.id !== payload.document.id) return;
      state.open.save = { kind: 'saving' };
      state.open.sent = payload;
    },
    saved: (
      state,
      { payload }: PayloadAction<{ id: string; saveId: string; revision: number; at: number }>,
    ) => {
      const { open } = state;
      if (open?.document.id !== payload.id) return;
      // Of what was opened since, it says nothing.
      if (open.sent?.saveId !== payload.saveId && open.saveId !== payload.saveId) return;
      open.sent = null;
      open.keptAt = null;
      open.parent = payload.revision;
      open.save = open.saveId === payload.saveId ? { kind: 'saved', at: payload.at } : { kind: 'unsaved' };
    },
    saveFailed: (state, { payload }: PayloadAction<{ id: string; saveId: string; save: FailedSave }>) => {
      const { open } = state;
      if (open?.document.id !== payload.id || open.sent?.saveId !== payload.saveId) return;
      open.save = payload.save;
      // An answer, whatever it says, settles what was sent; no answer leaves that open.
      if (payload.save.kind !== 'offline') open.sent = null;
    },
    /** Both changed the same: what, in words of each. */
    clashesFound: (state, { payload }: PayloadAction<readonly Clash[]>) => {
      if (state.open?.save.kind === 'conflict') state.open.save.clashes = [...payload];
    },
    /** What the server tells by itself of the open job. */
    newsHeard: (state, { payload: { id, news } }: PayloadAction<{ id: string; news: JobNews }>) => {
      const { open } = state;
      if (open?.document.id !== id) return;
      // Where nothing is new, nothing is shown anew.
      if (JSON.stringify(open.others) !== JSON.stringify(news.others)) open.others = news.others;
      // Heard of now, and it is what is open.
      if (news.revision === open.parent) open.keptAt = null;
      open.heard = Math.max(open.heard, news.revision ?? 0);
      // A save that is on its way is told by its own answer.
      if (news.gone && open.save.kind !== 'saving') open.save = { kind: 'gone' };
      else if (!news.gone && open.save.kind === 'gone') open.save = { kind: 'unsaved' };
    },
    /** The job that was deleted elsewhere is there again: what is here is saved over it. */
    broughtBack: (state) => {
      if (state.open?.save.kind === 'gone') state.open.save = { kind: 'unsaved' };
    },
    /** The user keeps this document over the newer revision, which stays among the revisions. */
    keptMine: (state) => {
      if (state.open?.save.kind !== 'conflict') return;
      state.open.parent = state.open.save.current.revision;
      state.open.saveId = nanoid();
      state.open.save = { kind: 'unsaved' };
    },
  },
});

export const {
  broughtBack,
  clashesFound,
  newsHeard,
  opened,
  closed,
  saving,
  saved,
  saveFailed,
  keptMine,
  heldChanged,
} = jobSlice.actions;

/** The one way to change the open job; `label` names the entry of the history. */
export const edited = createAction('job/edited', (job: Job, label: string) => ({
  payload: { job, label, at: Date.now() },
}));
/** Numbers that leave the program on paper are given for good: they are saved, and no undo takes them back. */
export const numbered = createAction<Job>('job/numbered');
export const undone = createAction('job/undone');
export const redone = createAction('job/redone');
/** What was saved elsewhere and what was changed here, in one: neither had touched what the other did. */
export const merged = createAction<{ job: Job; revision: number }>('job/merged');
/** What was saved elsewhere, while nothing was changed here. */
export const newerCame = createAction<StoredJob>('job/newerCame');
/** The user takes the newer revision; what was here can be had back by undo. */
export const tookTheirs = createAction('job/tookTheirs');

const takeTheirs = (open: OpenJob): OpenJob => {
  if (open.save.kind !== 'conflict') return open;
  const { document, revision } = open.save.current;
  return {
    ...open,
    document,
    parent: revision,
    saveId: nanoid(),
    sent: null,
    save: { kind: 'saved', at: null },
    history: remember(open.history, open.document, document, 'take the other version', 0) ?? open.history,
  };
};

/** Put together with a newer revision, it goes on from there; what came in can be had out again by undo. */
const putTogether = (open: OpenJob, { job, revision }: { job: Job; revision: number }): OpenJob =>
  open.save.kind === 'conflict' && open.save.current.revision === revision
    ? {
        ...open,
        document: job,
        parent: revision,
        saveId: nanoid(),
        sent: null,
        save: { kind: 'unsaved' },
        history: remember(open.history, open.document, job, 'what was saved elsewhere', 0) ?? open.history,
      }
    : open;

/** Is there a newer revision that can come in: nothing that was changed here is on its way? */
export const isBehind = ({ heard, parent, save }: OpenJob): boolean =>
  heard > parent && save.kind === 'saved';

/** Another revision in the place of one in which nothing was changed; what came in can be had out again by undo. */
const takeNewer = (open: OpenJob, { document, revision }: StoredJob): OpenJob =>
  open.save.kind === 'saved' && open.document.id === document.id && revision > open.parent
    ? {
        ...open,
        document,
        keptAt: null,
        parent: revision,
        saveId: nanoid(),
        history:
          remember(open.history, open.document, document, 'what was saved elsewhere', 0) ?? open.history,
      }
    : open;

/** The open job after it was changed; the same where nothing was. */
const changed = (open: OpenJob, action: UnknownAction): OpenJob => {
  if (edited.match(action)) {
    const { job, label, at } = action.payload;
    const history = remember(open.history, open.document, job, label, at);
    return history ? touched({ ...open, document: job, history }) : open;
  }
  if (numbered.match(action)) return touched({ ...open, document: action.payload });
  if (tookTheirs.match(action)) return takeTheirs(open);
  if (newerCame.match(action)) return takeNewer(open, action.payload);
  if (merged.match(action)) return putTogether(open, action.payload);
  const step = undone.match(action) ? undo : redone.match(action) ? redo : null;
  const done = step?.(open.document, open.history);
  return done ? touched({ ...open, document: done.job, history: done.history }) : open;
};

/**
 * Jobs are large, and a draft of one costs more than the change: what changes the job itself is told from the states alone, by
 * reference where they share it.
 */
export const jobReducer = (state: JobState | undefined, action: UnknownAction): JobState => {
  const next = jobSlice.reducer(state, action);
  if (!next.open) return next;
  const open = changed(next.open, action);
  return open === next.open ? next : { open };
};
