import { createListenerMiddleware, isAnyOf } from '@reduxjs/toolkit';
import { CONTRACT } from '@amber/core';
import { ask } from '../server/client.js';
import { noticed } from './noticeSlice.js';
import { isBehind, newerCame, newsHeard, saved, type JobState } from './jobSlice.js';

/** Milliseconds after which it is looked again whether somebody is still in the middle of something. */
const AGAIN = 1_500;

let pressed = false;
if (typeof document !== 'undefined') {
  document.addEventListener('pointerdown', () => (pressed = true), { capture: true });
  for (const name of ['pointerup', 'pointercancel'])
    document.addEventListener(name, () => (pressed = false), { capture: true });
}

/** Is somebody typing, dragging, or in a window that asks something? What they see may not change under their hands then. */
const isBusy = (): boolean => {
  const at = document.activeElement;
  const typing =
    (at instanceof HTMLInputElement && !['checkbox', 'radio', 'button', 'range'].includes(at.type)) ||
    at instanceof HTMLTextAreaElement;
  return pressed || typing || document.querySelector('[role=dialog]') !== null;
};

/** Takes in what was saved elsewhere while nothing is in the way. What is changed here meanwhile is put together with it when it is saved. */
export const createNewer = () => {
  const newer = createListenerMiddleware<{ job: JobState }>();
  newer.startListening({
    matcher: isAnyOf(newsHeard, saved),
    effect: async (_action, api) => {
      api.cancelActiveListeners();
      for (;;) {
        const { open } = api.getState().job;
        if (!open || !isBehind(open)) return;
        if (!isBusy()) {
          const [answer, words] = await api.pause(
            Promise.all([
              ask(CONTRACT.openJob, { ids: { id: open.document.id } }),
              // Without its words it is not taken in: it is tried again.
              import('./sayNewer.js').catch(() => null),
            ]),
          );
          // Somebody may have begun to type while it was asked.
          if (answer.kind === 'ok' && words && !isBusy()) {
            api.dispatch(newerCame(answer.value));
            // Whoever works by a picture has to know that it is another one now: it stays until it is read.
            api.dispatch(noticed(words.sayNewer(open.document, answer.value), { tone: 'problem' }));
            return;
          }
        }
        await api.delay(AGAIN);
      }
    },
  });
  return newer.middleware;
};
