import { useCallback, useState } from 'react';
import {
  boxDigest,
  confirmEnd,
  editDocument,
  findBox,
  sayWiringRefusal,
  signSeen,
  type BoxId,
  type End,
  type Job,
  type WiringEdit,
} from '@amber/core';
import { recorded } from './recordSlice.js';
import { useEdit } from './review.js';
import { useAppDispatch, useAppSelector } from './store.js';

/**
 * The one way to tell a wiring of the job otherwise: each telling is one entry of the history. What cannot be is told in a sentence, and
 * nothing is changed.
 */
export const useTelling = (job: Job, wiring: string) => {
  const edit = useEdit();
  const dispatch = useAppDispatch();
  const revision = useAppSelector((state) => state.job.open?.parent ?? null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const tell = useCallback(
    (
      edits: WiringEdit | readonly WiringEdit[],
      at: BoxId | null,
      label: string,
      from: Job = job,
    ): boolean => {
      const result = editDocument(from, wiring, edits, at);
      setRefusal(result.ok ? null : sayWiringRefusal(job, result.refusal));
      return result.ok && edit(result.job, label);
    },
    [job, wiring, edit],
  );
  const confirm = (box: BoxId, end: End) =>
    edit(confirmEnd(job, wiring, box, end), `seen at ${findBox(job, box)?.name ?? box}`);
  /** Somebody has looked at all of a box: the job says so, and the record who and when. */
  const sign = (box: BoxId, initials: string) => {
    const signed = signSeen(job, wiring, box);
    // No record says so of a box of which the job does not.
    if (!edit(signed, `${findBox(job, box)?.name ?? box} seen`)) return;
    const document = signed.wirings.find((one) => one.id === wiring);
    if (!document) return;
    const about = { kind: 'box' as const, id: box, wiring: document.id, revision };
    dispatch(
      recorded(
        job.id,
        'seen',
        { ...about, hash: boxDigest(signed, document, box) },
        { what: 'all of it' },
        initials,
      ),
    );
  };
  return { tell, confirm, sign, refusal, clear: () => setRefusal(null) };
};
