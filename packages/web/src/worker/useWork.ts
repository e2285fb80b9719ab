import { useCallback, useEffect, useRef, useState } from 'react';
import { takeWorker, type PlannerWorker } from './workers.js';

/** What a worker is asked: the question (JSON), and whom to tell what is known after each step. The same function every time. */
export type Ask<T> = (
  planner: PlannerWorker['planner'],
  question: string,
  tell: (soFar: T) => void,
) => Promise<T>;

/** How far it is. While it works and after it was stopped the last that is known stands, of this question or the one before. */
export type Work<T> =
  | { kind: 'working' | 'stopped'; soFar: T | null }
  | { kind: 'done'; answer: T }
  | { kind: 'failed'; message: string };

/** What is known so far is shown no more often than this, milliseconds. */
const BETWEEN = 200;

/** The last question of each kind that was answered to its end, so that coming back costs nothing. */
const answered = new WeakMap<Ask<never>, { question: string; answer: unknown }>();

const recalled = <T>(ask: Ask<T>, question: string | null): Work<T> | null => {
  const known = answered.get(ask as Ask<never>);
  return known && known.question === question ? { kind: 'done', answer: known.answer as T } : null;
};

const soFarOf = <T>(work: Work<T> | null): T | null =>
  work === null || work.kind === 'failed' ? null : work.kind === 'done' ? work.answer : work.soFar;

/**
 * The one way to have something worked out beside the page: by a worker of its own, that is ended as soon as something else is asked, it is
 * stopped, or whoever asked is gone. An answer to a question of before is never taken for one to this. Null for no question.
 */
export const useWork = <T>(
  question: string | null,
  ask: Ask<T>,
): { work: Work<T> | null; stop: () => void; again: () => void } => {
  const [held, setHeld] = useState<{ question: string; work: Work<T> } | null>(null);
  const [tries, setTries] = useState(0);
  const end = useRef<() => void>(() => undefined);
  useEffect(() => {
    if (question === null || recalled(ask, question)) return;
    const { worker, planner } = takeWorker();
    let current = true;
    const show = (work: Work<T>) => {
      if (current) setHeld({ question, work });
    };
    // A search tells more often than a page is looked at: what comes in between is shown with the next.
    let waiting: { soFar: T } | null = null;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let shownAt = -Infinity;
    const showWaiting = () => {
      clearTimeout(timer);
      timer = undefined;
      if (waiting) show({ kind: 'working', soFar: waiting.soFar });
      waiting = null;
      shownAt = performance.now();
    };
    const tell = (soFar: T) => {
      waiting = { soFar };
      const left = shownAt + BETWEEN - performance.now();
      if (left <= 0) showWaiting();
      else timer ??= setTimeout(showWaiting, left);
    };
    end.current = () => {
      showWaiting();
      current = false;
      worker.terminate();
    };
    const settle = (work: Work<T>) => {
      if (!current) return;
      waiting = null;
      show(work);
      end.current();
    };
    const failed = (error: unknown) =>
      settle({ kind: 'failed', message: error instanceof Error ? error.message : String(error) });
    worker.addEventListener('error', (event) => failed(event.message));
    setHeld((before) => ({ question, work: { kind: 'working', soFar: soFarOf(before?.work ?? null) } }));
    ask(planner, question, tell).then((answer) => {
      if (current) answered.set(ask as Ask<never>, { question, answer });
      settle({ kind: 'done', answer });
    }, failed);
    return end.current;
  }, [question, ask, tries]);
  const stop = useCallback(() => {
    end.current();
    setHeld((before) =>
      before?.work.kind === 'working'
        ? { ...before, work: { kind: 'stopped', soFar: before.work.soFar } }
        : before,
    );
  }, []);
  const again = useCallback(() => setTries((count) => count + 1), []);
  if (question === null) return { work: null, stop, again };
  const work =
    recalled(ask, question) ??
    (held?.question === question
      ? held.work
      : { kind: 'working' as const, soFar: soFarOf(held?.work ?? null) });
  return { work, stop, again };
};

export type Asked<T> =
  { kind: 'asking' } | { kind: 'known'; answer: T } | { kind: 'failed'; message: string };

/** The answer alone, for what has no steps to show. */
export const useAsked = <T>(question: string | null, ask: Ask<T>): Asked<T> | null => {
  const { work } = useWork(question, ask);
  if (work === null || work.kind === 'failed') return work;
  return work.kind === 'done' ? { kind: 'known', answer: work.answer } : { kind: 'asking' };
};
