import { useMemo } from 'react';
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
import { useInitials } from '../../panels/onRecord/Initials.js';

/** What is on record of the site, and the ways to put something there. */
export interface Site {
  records: readonly SiteRecord[];
  /** No connection: what is put on record is kept here and sent later. */
  waiting: boolean;
  book: InspectionBook;
  initials: string;
  setInitials: (initials: string) => void;
  seen: (item: SiteItem) => Seen;
  photosOf: (kind: About['kind'], id: string) => SiteRecord[];
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
  const by = initials.trim();
  return {
    ...{ records: live, waiting, book, initials, setInitials, seen },
    photosOf: (kind, id) =>
      live.filter((one) => one.kind === 'photo' && one.about.kind === kind && one.about.id === id),
    see: (items, note) => {
      keep();
      for (const { id, hash } of items)
        dispatch(
          recorded(
            job.id,
            'seen',
            { kind: 'fact', id, wiring: wiringId as never, revision, hash },
            { what: note },
            by,
          ),
        );
    },
    open: (item) => {
      for (const { id } of seen(item).records) dispatch(retracted(job.id, id));
    },
    put: (kind, about, body) => {
      keep();
      dispatch(recorded(job.id, kind, { ...about, wiring: null, revision, hash: null }, body, by));
    },
    takeBack: ({ id }) => void dispatch(retracted(job.id, id)),
  };
};
