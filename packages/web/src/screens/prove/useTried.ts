import { useCallback, useMemo } from 'react';
import {
  SAW_TRIPPED,
  signedHash,
  sheetOf,
  triedStates,
  type About,
  type CircuitId,
  type ReviewedWiring,
  type Sheet,
  type SiteRecord,
  type Tried,
} from '@amber/core';
import { observedOf } from './find/observed.js';
import { handlesLeft, type Left } from './handlesLeft.js';
import { useHandlesLeft } from './useHandlesLeft.js';
import { useWhoWorks, type WhoWorks } from '../../onRecord/WhoWorks.js';
import { recorded, retracted } from '../../store/recordSlice.js';
import { useAppDispatch, useAppSelector } from '../../store/store.js';
import { useRecords } from '../../store/useRecords.js';

/** Something of the sheet that is answered. */
interface Asked {
  id: string;
  hash: string;
  expect: string;
}

/** The sheet of a job or a circuit, what was answered, and the ways to answer. */
export interface ProveView {
  review: ReviewedWiring;
  sheet: Sheet;
  who: WhoWorks;
  records: readonly SiteRecord[];
  waiting: boolean;
  /** Answers that tell where handles stand, the last one last. */
  left: readonly Left[];
  stateOf: (asked: Pick<Asked, 'id' | 'hash'>) => Tried;
  /** Names of the groups and points at which the breaker of a circuit tripped: it stands off, and nothing else on it can be tried. */
  trippedAt: (circuit: CircuitId) => string[];
  answer: (asked: Asked, met: boolean, saw: string) => void;
  takeBack: (tried: Tried) => void;
  sign: (about: Pick<About, 'kind' | 'id' | 'hash'>, stage: string) => void;
}

export const useTried = (review: ReviewedWiring, circuit: CircuitId | null): ProveView => {
  const dispatch = useAppDispatch();
  const { job } = review;
  const { records, waiting } = useRecords(job.id);
  const revision = useAppSelector((state) => state.job.open?.parent ?? null);
  const who = useWhoWorks();
  const by = who.initials.trim();
  const sheet = useMemo(() => sheetOf(review, circuit), [review, circuit]);
  const left = useMemo(() => handlesLeft(records, sheet), [records, sheet]);
  useHandlesLeft(left);
  const stateOf = useMemo(
    () => triedStates(records, { id: review.id, planned: review.kind === 'planned' }),
    [records, review],
  );
  const trippedAt = useCallback<ProveView['trippedAt']>(
    (of) => {
      const did = (asked: Pick<Asked, 'id' | 'hash'>) => {
        const { state, saw } = stateOf(asked);
        return state === 'otherwise' && saw === SAW_TRIPPED;
      };
      return [
        ...sheet.groups.filter((one) => one.circuit === of && one.rows.some(did)),
        ...sheet.points.filter((one) => one.circuit === of && did(one)),
        // What tripped while a fault was looked for is not switched on for the sheet either.
        ...observedOf(records, of, signedHash(review, of))
          .filter(({ observation }) => observation.answer.kind === 'tripped')
          .map(() => ({ name: 'a position that was tried under Find the fault' })),
      ].map(({ name }) => name);
    },
    [sheet, stateOf, records, review],
  );
  const answer = useCallback<ProveView['answer']>(
    ({ id, hash, expect }, met, saw) => {
      const about = { kind: 'fact' as const, id, wiring: review.id as never, revision, hash };
      dispatch(recorded(job.id, 'testStep', about, { expected: expect.slice(0, 200), met, saw }, by));
    },
    [dispatch, job.id, review.id, revision, by],
  );
  const takeBack = useCallback<ProveView['takeBack']>(
    ({ record }) => {
      if (record) dispatch(retracted(job.id, record.id));
    },
    [dispatch, job.id],
  );
  const sign = useCallback<ProveView['sign']>(
    (about, stage) =>
      void dispatch(
        recorded(job.id, 'signOff', { ...about, wiring: review.id, revision }, { stage, initials: by }, by),
      ),
    [dispatch, job.id, review.id, revision, by],
  );
  return { review, sheet, who, records, waiting, left, stateOf, trippedAt, answer, takeBack, sign };
};
