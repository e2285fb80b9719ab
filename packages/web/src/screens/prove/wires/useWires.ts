import { useCallback, useMemo } from 'react';
import {
  identifyWires,
  liveRecords,
  sayWireReading,
  wireReadingSchema,
  wiresFoundSchema,
  type CircuitId,
  type SiteRecord,
  type WireQuestion,
  type WireReading,
  type WireReply,
  type WiresFound,
  type WiresSubject,
  type WiresTold,
} from '@amber/core';
import { recorded, retracted } from '../../../store/recordSlice.js';
import { useAppDispatch, useAppSelector } from '../../../store/store.js';
import type { ProveView } from '../useTried.js';

/** Wires that are told: what comes in, what was read, how it stands, and the ways to answer. */
export interface WiresView {
  open: {
    subject: WiresSubject;
    told: WiresTold;
    readings: { reading: WireReading; words: string; record: SiteRecord }[];
  } | null;
  begin: (found: WiresFound) => void;
  answer: (question: WireQuestion, answer: WireReply) => void;
  takeBack: (record: SiteRecord) => void;
  /** What was opened and read is done with, or was opened otherwise. */
  anew: () => void;
}

export const useWires = ({ review, records, who }: ProveView, circuit: CircuitId | null): WiresView => {
  const dispatch = useAppDispatch();
  const { job } = review;
  const revision = useAppSelector((state) => state.job.open?.parent ?? null);
  const by = who.initials.trim();
  const isElectrician = who.electrician === true;
  const kept = useMemo(() => {
    const mine = liveRecords(records).filter(({ about }) => about.kind === 'circuit' && about.id === circuit);
    const at = mine.map(({ kind }) => kind).lastIndexOf('wiresOpened');
    const opened = mine[at];
    const found = wiresFoundSchema.safeParse(opened?.body['found']);
    if (!opened || !found.success) return null;
    const readings = mine.slice(at + 1).flatMap((record) => {
      if (record.kind !== 'wireRead') return [];
      const reading = wireReadingSchema.safeParse(record.body['reading']);
      return reading.success ? [{ reading: reading.data, words: String(record.body['words']), record }] : [];
    });
    return { opened, found: found.data, readings };
  }, [records, circuit]);
  const open = useMemo(() => {
    if (!kept || !circuit) return null;
    const readings = kept.readings.map(({ reading }) => reading);
    return {
      subject: { job, circuit, found: kept.found },
      told: identifyWires(kept.found, readings, { isElectrician }),
      readings: kept.readings,
    };
  }, [kept, job, circuit, isElectrician]);
  const put = useCallback(
    (kind: SiteRecord['kind'], body: SiteRecord['body']) => {
      if (!circuit) return;
      const about = { kind: 'circuit' as const, id: circuit, wiring: null, revision, hash: null };
      dispatch(recorded(job.id, kind, about, body, by));
    },
    [dispatch, job.id, circuit, revision, by],
  );
  return {
    open,
    begin: useCallback((found) => put('wiresOpened', { found }), [put]),
    answer: useCallback(
      (question, answer) => {
        if (!open) return;
        const reading = { question, answer };
        put('wireRead', { reading, words: sayWireReading(open.subject, reading).slice(0, 4000) });
      },
      [put, open],
    ),
    takeBack: useCallback(({ id }) => void dispatch(retracted(job.id, id)), [dispatch, job.id]),
    anew: useCallback(() => {
      if (kept) dispatch(retracted(job.id, kept.opened.id));
    }, [dispatch, job.id, kept]),
  };
};
