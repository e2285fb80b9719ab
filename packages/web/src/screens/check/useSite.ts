import { useEffect, useMemo, useRef } from 'react';
import {
  inspectionBook,
  liveRecords,
  seenStates,
  type About,
  type InspectionBook,
  type Job,
  type Seen,
  type SiteItem,
  type SiteRecord,
} from '@amber/core';
import { recorded, retracted } from '../../store/recordSlice.js';
import { useAppDispatch, useAppSelector } from '../../store/store.js';
import { useRecords } from '../../store/useRecords.js';
import { useInitials } from '../../onRecord/Initials.js';

/** What is on record of the site, and the ways to put something there. */
export interface Site {
  records: readonly SiteRecord[];
  /** No connection: what is put on record is kept here and sent later. */
  waiting: boolean;
  book: InspectionBook;
  initials: string;
  setInitials: (initials: string) => void;
  seen: (item: SiteItem) => Seen;
  see: (items: readonly SiteItem[], note: string) => void;
  /** It was not seen after all. */
  open: (item: SiteItem) => void;
  put: (kind: SiteRecord['kind'], about: Pick<About, 'kind' | 'id'>, body: SiteRecord['body']) => void;
  takeBack: (record: SiteRecord) => void;
}

/** The records of a job about its planned wiring. */
export const useSite = (job: Job, wiringId: string): Site => {
  const dispatch = useAppDispatch();
  const { records, waiting } = useRecords(job.id);
  const revision = useAppSelector((state) => state.job.open?.parent ?? null);
  const { initials, setInitials, keep } = useInitials();
  const live = useMemo(() => liveRecords(records), [records]);
  const seen = useMemo(() => seenStates(records, { id: wiringId, planned: true }), [records, wiringId]);
  const book = useMemo(() => inspectionBook(records), [records]);
  // What the ways to put something on record read then: they themselves stay the same, so that a card is drawn anew only where it changed.
  const now = useRef({ by: '', revision, seen, keep });
  useEffect(() => {
    now.current = { by: initials.trim(), revision, seen, keep };
  });
  const ways = useMemo((): Pick<Site, 'see' | 'open' | 'put' | 'takeBack'> => {
    const id = job.id;
    return {
      see: (items, note) => {
        const { by, revision: at, keep: keepInitials } = now.current;
        keepInitials();
        for (const { id: fact, hash } of items)
          dispatch(
            recorded(
              id,
              'seen',
              { kind: 'fact', id: fact, wiring: wiringId as About['wiring'], revision: at, hash },
              { what: note },
              by,
            ),
          );
      },
      open: (item) => {
        for (const record of now.current.seen(item).records) dispatch(retracted(id, record.id));
      },
      put: (kind, about, body) => {
        const { by, revision: at, keep: keepInitials } = now.current;
        keepInitials();
        dispatch(recorded(id, kind, { ...about, wiring: null, revision: at, hash: null }, body, by));
      },
      takeBack: (record) => void dispatch(retracted(id, record.id)),
    };
  }, [dispatch, job.id, wiringId]);
  return { records: live, waiting, book, initials, setInitials, seen, ...ways };
};
