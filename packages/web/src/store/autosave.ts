import { createListenerMiddleware, isAnyOf } from '@reduxjs/toolkit';
import type { Dispatch, UnknownAction } from '@reduxjs/toolkit';
import { CONTRACT, newerRevisionSchema, type ProblemCode } from '@amber/core';
import { jobsApi } from '../server/api.js';
import { ask, mayComeBack, sayFailed, type Answer, type Failed } from '../server/client.js';
import { keptInitials } from '../server/initials.js';
import { noticed } from './noticeSlice.js';
import { picturesGone } from './picturesGone.js';
import { dropDraft, findDraft, keepDraft, type KeptDraft, type Save } from './keptDraft.js';
import {
  broughtBack,
  clashesFound,
  closed,
  edited,
  heldChanged,
  keptMine,
  merged,
  numbered,
  opened,
  redone,
  saved,
  saveFailed,
  saving,
  tookTheirs,
  undone,
  type Away,
  type FailedSave,
  type JobState,
  type OpenJob,
} from './jobSlice.js';

/** Rest after the last change before it is saved, and the waits between tries while the server is away. */
const REST = 1500;
const RETRY = [2000, 4000, 8000, 15_000, 30_000];

const AWAY_BY: Partial<Record<ProblemCode, Away>> = {
  'database-down': 'database',
  'disk-full': 'diskFull',
  'no-access': 'notLetIn',
  busy: 'busy',
  'too-many': 'busy',
};

const awayBy = (answer: Failed): Away => {
  if (answer.kind !== 'refused') return answer.kind === 'unreachable' ? 'noAnswer' : 'server';
  return AWAY_BY[answer.problem.code] ?? 'server';
};

const failed = (answer: Failed): FailedSave => {
  if (mayComeBack(answer)) return { kind: 'offline', why: awayBy(answer) };
  if (answer.kind === 'refused' && answer.problem.code === 'missing') return { kind: 'gone' };
  if (answer.kind === 'refused' && answer.problem.code === 'newer-revision') {
    const newer = newerRevisionSchema.safeParse(answer.body);
    if (newer.success) return { kind: 'conflict', current: newer.data.current };
  }
  return { kind: 'refused', message: sayFailed(answer) };
};

const draftOf = ({ document, parent, saveId, sent }: KeptDraft): KeptDraft => ({
  document,
  parent,
  saveId,
  sent,
});

/**
 * Sends the open job once and tells the store what came of it. What was sent before and never answered goes first, under its own
 * id and parent: if it had arrived, the newer state would be told that somebody else saved. Gives the revision; or whether the server
 * is away, or has refused it.
 */
const saveNow = async (
  open: KeptDraft & { save?: OpenJob['save'] },
  dispatch: Dispatch<UnknownAction>,
): Promise<number | 'away' | 'refused'> => {
  const { document, parent, saveId } = open.sent ?? open;
  const save: Save = { document, parent, saveId };
  dispatch(saving(save));
  // Kept as sent before it leaves: a tab that is closed meanwhile knows of it when it is opened again.
  if (open.save?.kind !== 'saved') keepDraft({ ...draftOf(open), sent: save });
  // A plan's picture goes before the plan.
  const answer: Answer<{ revision: number }> = (await picturesGone(dispatch))
    ? await ask(CONTRACT.saveJob, { ids: { id: document.id }, body: { ...save, by: keptInitials() } })
    : { kind: 'unreachable' };
  if (answer.kind === 'ok') {
    dispatch(saved({ id: document.id, saveId, revision: answer.value.revision, at: Date.now() }));
    dropDraft(document.id, saveId);
    dispatch(jobsApi.util.invalidateTags(['Jobs']) as unknown as UnknownAction);
    return answer.value.revision;
  }
  dispatch(saveFailed({ id: document.id, saveId, save: failed(answer) }));
  return mayComeBack(answer) ? 'away' : 'refused';
};

/** Sends what was not answered, and then what is newer. */
const sendAll = async (
  draft: KeptDraft,
  dispatch: Dispatch<UnknownAction>,
): Promise<'sent' | 'away' | 'refused'> => {
  const revision = await saveNow(draft, dispatch);
  if (typeof revision !== 'number') return revision;
  if (draft.sent === null || draft.sent.saveId === draft.saveId) return 'sent';
  return sendAll({ ...draft, parent: revision, sent: null }, dispatch);
};

/** Keeps and saves the open job of one store. */
export const createAutosave = () => {
  const autosave = createListenerMiddleware<{ job: JobState }>();
  /** The save on its way. The next one waits for it: two at once would contest the same revision. */
  let sending: Promise<unknown> = Promise.resolve();

  /** Every change is kept in the browser at once; what the server has acknowledged is dropped there, and nothing newer. */
  autosave.startListening({
    matcher: isAnyOf(edited, numbered, undone, redone, keptMine, merged),
    effect: (_action, api) => {
      const { open } = api.getState().job;
      if (!open) return;
      const held = keepDraft(draftOf(open));
      if (held !== open.held) api.dispatch(heldChanged(held));
    },
  });
  autosave.startListening({
    actionCreator: tookTheirs,
    effect: (_action, api) => {
      // The state that was given up for the other one, which undo brings back.
      const before = api.getOriginalState().job.open;
      if (before) dropDraft(before.document.id, before.saveId);
    },
  });
  /** What is answered is not sent any more: the draft that is left says so. */
  autosave.startListening({
    matcher: isAnyOf(saved, saveFailed),
    effect: (_action, api) => {
      const { open } = api.getState().job;
      if (open && open.save.kind !== 'saved') keepDraft(draftOf(open));
    },
  });

  /** Saves after a rest; while the server is away tries again, at once when the network comes back. */
  autosave.startListening({
    matcher: isAnyOf(edited, numbered, undone, redone, keptMine, merged, broughtBack, opened, saved),
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
        if (typeof (await save) === 'number') return;
        if (api.getState().job.open?.save.kind !== 'offline') return;
        const back = new Promise<void>((resolve) =>
          addEventListener('online', () => resolve(), { once: true }),
        );
        await Promise.race([back, api.delay(RETRY[Math.min(tries, RETRY.length - 1)] ?? REST)]);
      }
    },
  });

  /**
   * Somebody saved meanwhile: where neither touched what the other did, both are put together and saved; what clashes is told. What both grew
   * from is asked of the server; where it cannot be had, the user decides between the two as they are.
   */
  autosave.startListening({
    matcher: isAnyOf(saveFailed, opened),
    effect: async (_action, api) => {
      const { open } = api.getState().job;
      if (open?.save.kind !== 'conflict' || open.save.clashes !== undefined) return;
      const { current } = open.save;
      const [answer, parts] = await Promise.all([
        ask(CONTRACT.openRevision, { ids: { id: open.document.id, revision: open.parent } }),
        import('./putTogether.js').catch(() => null),
      ]);
      const now = api.getState().job.open;
      if (
        answer.kind !== 'ok' ||
        parts === null ||
        now?.save.kind !== 'conflict' ||
        now.save.current.revision !== current.revision
      )
        return;
      const made = parts.putTogether(answer.value.document, now.document, current.document);
      if (made.kind === 'clash') {
        api.dispatch(clashesFound(made.clashes));
        return;
      }
      api.dispatch(merged({ job: made.job, revision: current.revision }));
      api.dispatch(
        noticed(
          'Somebody else saved this job meanwhile. What they changed and what you changed are both in it.',
        ),
      );
    },
  });

  /** Leaving a job saves it at once; should that fail, the browser still has it. */
  autosave.startListening({
    actionCreator: closed,
    effect: async (_action, api) => {
      const { open } = api.getOriginalState().job;
      if (!open || !['unsaved', 'offline', 'saving'].includes(open.save.kind)) return;
      await sending;
      // What was on its way may have been answered meanwhile; the draft knows. Where the browser had no room for one, this page has it.
      const left = (await findDraft(open.document.id)) ?? (open.held ? null : draftOf(open));
      if (!left) return;
      for (let tries = 0; ; tries++) {
        // Whoever opened it again meanwhile sends it from there.
        if (api.getState().job.open?.document.id === open.document.id) return;
        const save = sendAll(left, api.dispatch);
        sending = save;
        const came = await save;
        if (came === 'sent' || open.held) return;
        if (came === 'refused') {
          api.dispatch(
            noticed(
              `“${open.document.name}” was not saved on top of what is there now. Where somebody else had saved, yours is in its history.`,
              { tone: 'problem' },
            ),
          );
          return;
        }
        if (tries === 0)
          api.dispatch(
            noticed(
              `“${open.document.name}” is not saved yet, and this browser has no room to keep it. Leave this page open: it is sent again.`,
              { tone: 'problem' },
            ),
          );
        await api.delay(RETRY[Math.min(tries, RETRY.length - 1)] ?? REST);
      }
    },
  });

  return autosave.middleware;
};
