import { nanoid } from '@reduxjs/toolkit';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { CONTRACT, practisedSchema, standingsOf, type Practised, type Standing } from '@amber/core';
import { jobsApi, useLearnersQuery, usePractisedQuery } from '../../server/api.js';
import { ask, mayComeBack, sayFailed } from '../../server/client.js';
import { habitOf, keepHabit } from '../../server/habit.js';
import { forget, keep, keptByGone, keptHere } from '../../server/kept.js';
import { noticed } from '../../store/noticeSlice.js';
import { useAppDispatch } from '../../store/store.js';

const KIND = 'practised';
const OF = 'practice';
const HABIT = 'learner';
/** Tried again after so many milliseconds while the server is away. */
const AGAIN = 15_000;

const practisedOf = (value: unknown): Practised[] =>
  (Array.isArray(value) ? value : []).flatMap((one) => {
    const read = practisedSchema.safeParse(one);
    return read.success ? [read.data] : [];
  });

/** Minutes that this clock is behind UTC. */
export const clockOffset = (): number => new Date().getTimezoneOffset();

const isSame = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();

/** Who practises at this screen, and how that stands. */
export interface Learner {
  /** As it is written by now; empty while nobody has said. */
  name: string;
  setName: (name: string) => void;
  /** Names that are known here. */
  known: string[];
  standings: Standing[];
  /** What is on record was fetched, or there is none to be fetched. */
  isThere: boolean;
  /** The server does not answer; what was practised is kept in this browser and sent again. */
  waiting: boolean;
  /** Puts an exercise that was answered on record; nothing where nobody has said who practises. */
  add: (answered: Pick<Practised, 'kind' | 'level' | 'seed' | 'edition' | 'outcome' | 'stopped'>) => void;
}

/** What was practised and the server has not acknowledged yet: sent one after the other, kept over a reload. */
const useUnsent = () => {
  const dispatch = useAppDispatch();
  const [unsent, setUnsent] = useState<Practised[]>(() => practisedOf(keptHere(KIND, OF)));
  const [waiting, setWaiting] = useState(false);
  const [tries, setTries] = useState(0);
  useEffect(() => {
    void keptByGone(KIND, OF).then((gone) => {
      const left = gone.flatMap(({ value }) => practisedOf(value));
      if (left.length > 0) setUnsent((before) => [...left, ...before]);
      for (const { take } of gone) take();
    });
  }, []);
  useEffect(() => {
    if (unsent.length > 0) keep(KIND, OF, unsent);
    else forget(KIND, OF);
  }, [unsent]);
  const [first] = unsent;
  useEffect(() => {
    if (!first) return;
    let current = true;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const again = () => setTries((count) => count + 1);
    void ask(CONTRACT.addPractised, { body: first }).then((answer) => {
      if (!current) return;
      if (answer.kind !== 'ok' && mayComeBack(answer)) {
        setWaiting(true);
        timer = setTimeout(again, AGAIN);
        return;
      }
      setWaiting(false);
      if (answer.kind === 'ok') {
        dispatch(
          jobsApi.util.updateQueryData('practised', first.learner, (known) => {
            if (!known.some(({ id }) => id === first.id)) known.push(first);
          }),
        );
        dispatch(jobsApi.util.invalidateTags(['Learners']));
      } else
        dispatch(
          noticed(`What you practised was not put on record. ${sayFailed(answer)}`, { tone: 'problem' }),
        );
      setUnsent((before) => before.filter(({ id }) => id !== first.id));
    });
    addEventListener('online', again);
    return () => {
      current = false;
      clearTimeout(timer);
      removeEventListener('online', again);
    };
  }, [first, tries, dispatch]);
  const send = useCallback((one: Practised) => setUnsent((before) => [...before, one]), []);
  return { unsent, waiting, send };
};

/** Whoever practises here, by a name that this browser remembers. */
export const useLearner = (): Learner => {
  const [name, writeName] = useState(() => habitOf(HABIT) ?? '');
  const learner = name.trim();
  const { data: learners } = useLearnersQuery();
  const { data, isError } = usePractisedQuery(learner, { skip: learner === '' });
  const { unsent, waiting, send } = useUnsent();
  const setName = useCallback((next: string) => {
    writeName(next);
    keepHabit(HABIT, next.trim());
  }, []);
  const standings = useMemo(() => {
    if (learner === '') return standingsOf([], clockOffset());
    const sent = data ?? [];
    const ids = new Set(sent.map(({ id }) => id));
    const mine = unsent.filter((one) => isSame(one.learner, learner) && !ids.has(one.id));
    return standingsOf([...sent, ...mine], clockOffset());
  }, [data, unsent, learner]);
  const add = useCallback<Learner['add']>(
    (answered) => {
      if (learner !== '') send({ ...answered, id: nanoid(), learner, at: new Date().toISOString() });
    },
    [learner, send],
  );
  return {
    ...{ name, setName, standings, waiting, add },
    known: (learners ?? []).map((one) => one.name),
    isThere: learner === '' || data !== undefined || isError,
  };
};
