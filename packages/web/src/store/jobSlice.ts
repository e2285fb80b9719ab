import { createSlice, nanoid, type PayloadAction } from '@reduxjs/toolkit';
import type { Job, StoredJob } from '@amber/core';
import type { KeptDraft, Save } from './keptDraft.js';
import { changeBetween, redo, remember, undo, type History } from './history.js';

/** Where the open job stands towards the server. Nothing typed is lost in any of them. */
export type SaveState =
  | { kind: 'saved'; at: number | null }
  | { kind: 'unsaved' }
  | { kind: 'saving' }
  /** The server does not answer; the job is kept in this browser and sent again. */
  | { kind: 'offline' }
  /** Somebody saved meanwhile; the user decides. */
  | { kind: 'conflict'; current: StoredJob }
  | { kind: 'refused'; message: string };

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
}

export interface JobState {
  open: OpenJob | null;
}

const initialState: JobState = { open: null };

/** After any change: unsaved under a new save id, unless the user first has to settle a conflict. */
const touched = (open: OpenJob): OpenJob => ({
  ...open,
  saveId: nanoid(),
  save: open.save.kind === 'conflict' ? open.save : { kind: 'unsaved' },
});

export const jobSlice = createSlice({
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
      }>,
    ) => {
      const { stored, draft } = payload;
      const stands = { history: { past: [], future: [] }, held: true };
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
    edited: {
      reducer: (state, { payload }: PayloadAction<{ job: Job; label: string; at: number }>) => {
        if (!state.open) return;
        const change = changeBetween(state.open.document, payload.job, payload.label, payload.at);
        if (!change) return;
        state.open = touched({
          ...(state.open as OpenJob),
          document: payload.job,
          history: remember(state.open.history, change),
        });
      },
      prepare: (job: Job, label: string) => ({ payload: { job, label, at: Date.now() } }),
    },
    undone: (state) => {
      const done = state.open && undo(state.open.document, state.open.history);
      if (state.open && done)
        state.open = touched({ ...(state.open as OpenJob), document: done.job, history: done.history });
    },
    redone: (state) => {
      const done = state.open && redo(state.open.document, state.open.history);
      if (state.open && done)
        state.open = touched({ ...(state.open as OpenJob), document: done.job, history: done.history });
    },
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
    /** The user keeps this document over the newer revision, which stays among the revisions. */
    keptMine: (state) => {
      if (state.open?.save.kind !== 'conflict') return;
      state.open.parent = state.open.save.current.revision;
      state.open.saveId = nanoid();
      state.open.save = { kind: 'unsaved' };
    },
    /** The user takes the newer revision; what was here can be had back by undo. */
    tookTheirs: (state) => {
      if (state.open?.save.kind !== 'conflict') return;
      const { current } = state.open.save;
      const change = changeBetween(state.open.document, current.document, 'take the other version', 0);
      state.open.document = current.document;
      state.open.parent = current.revision;
      state.open.saveId = nanoid();
      state.open.sent = null;
      state.open.save = { kind: 'saved', at: null };
      if (change) state.open.history = remember(state.open.history, change);
    },
  },
});

export const {
  opened,
  closed,
  edited,
  undone,
  redone,
  saving,
  saved,
  saveFailed,
  keptMine,
  tookTheirs,
  heldChanged,
} = jobSlice.actions;
