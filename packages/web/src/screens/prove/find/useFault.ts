import { useCallback, useMemo, useState } from 'react';
import {
  sayObservation,
  scopeOf,
  seenOnSheet,
  signedHash,
  type CircuitId,
  type DiagnosisTold,
  type History,
  type Observation,
  type Reply,
  type SiteRecord,
} from '@amber/core';
import { recorded, retracted } from '../../../store/recordSlice.js';
import { useAppDispatch, useAppSelector } from '../../../store/store.js';
import { positionsSet } from '../../../store/wiringSlice.js';
import { useDiagnosis } from '../../../worker/useDiagnosis.js';
import type { Asked } from '../../../worker/useWork.js';
import type { ProveView } from '../useTried.js';
import { observedOf } from './observed.js';

/** A fault that is looked for: what was seen, how it stands, and the ways to answer. */
export interface FaultView {
  asked: Asked<DiagnosisTold> | null;
  /** What the test sheet told, and what was answered here; what was answered here can be taken back. */
  seen: { words: string; record: SiteRecord | null }[];
  history: History | null;
  setHistory: (history: History) => void;
  answer: (question: Observation['question'], answer: Reply) => void;
  takeBack: (record: SiteRecord) => void;
  /** It was found and mended: what was looked for is done, and the sheet is walked again. */
  mended: (where: string, what: string) => void;
}

export const useFault = (view: ProveView, circuit: CircuitId | null): FaultView => {
  const dispatch = useAppDispatch();
  const { review, sheet, records, stateOf, who } = view;
  const { job } = review;
  const positions = useAppSelector((state) => state.wiring.positions);
  const revision = useAppSelector((state) => state.job.open?.parent ?? null);
  const [history, setHistory] = useState<History | null>(null);
  const by = who.initials.trim();
  const hash = useMemo(() => (circuit ? signedHash(review, circuit) : ''), [review, circuit]);
  const here = useMemo(() => (circuit ? observedOf(records, circuit, hash) : []), [records, circuit, hash]);
  const fromSheet = useMemo(
    () => (circuit ? seenOnSheet(sheet, circuit, stateOf) : []),
    [sheet, circuit, stateOf],
  );
  const asked = useDiagnosis(
    circuit && history
      ? {
          ...{ job, circuit, wiring: review.kind === 'planned' ? null : review.id },
          observations: [...fromSheet, ...here.map(({ observation }) => observation)],
          asking: { positions, history, isElectrician: who.electrician === true },
        }
      : null,
  );
  const put = useCallback(
    (kind: SiteRecord['kind'], body: SiteRecord['body']) => {
      if (!circuit) return;
      const about = { kind: 'circuit' as const, id: circuit, wiring: review.id, revision, hash };
      dispatch(recorded(job.id, kind, about, body, by));
    },
    [dispatch, job.id, circuit, review.id, revision, hash, by],
  );
  const answer = useCallback<FaultView['answer']>(
    (question, reply) => {
      if (!circuit) return;
      const seen = { question, answer: reply };
      const words = sayObservation(review, scopeOf(review, circuit), seen);
      put('observed', { seen, words: words.slice(0, 4000) });
      // Handles stand as they were set for it, whatever came of it.
      if ('positions' in question && reply.kind !== 'cannot')
        dispatch(positionsSet({ ...positions, ...question.positions }));
    },
    [put, dispatch, positions, review, circuit],
  );
  const takeBack = useCallback<FaultView['takeBack']>(
    ({ id }) => void dispatch(retracted(job.id, id)),
    [dispatch, job.id],
  );
  const mended = useCallback<FaultView['mended']>(
    (where, what) => {
      put('mended', { where: where.slice(0, 500), what: what.slice(0, 4000) });
      // What was tried before was tried of another wiring than stands there now.
      for (const group of sheet.groups.filter((one) => one.circuit === circuit))
        for (const row of group.rows) view.takeBack(stateOf(row));
    },
    [put, sheet, circuit, stateOf, view],
  );
  const told = asked?.kind === 'known' ? asked.answer.seen : [];
  const seen = [
    ...fromSheet.map((_, i) => ({ words: told[i] ?? 'On the test sheet.', record: null })),
    ...here.map(({ words, record }) => ({ words, record })),
  ];
  return { asked, seen, history, setHistory, answer, takeBack, mended };
};
