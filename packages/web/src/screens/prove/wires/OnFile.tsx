import { useState } from 'react';
import { Link } from 'react-router';
import { boxDigest, existingDocument, listed, placeName, withWiresTold, type Job } from '@amber/core';
import { benchPath } from '../../../parts/paths.js';
import { Button } from '../../../parts/ui.js';
import { recorded } from '../../../store/recordSlice.js';
import { useEdit } from '../../../store/review.js';
import { useAppDispatch, useAppSelector } from '../../../store/store.js';
import type { ProveView } from '../useTried.js';
import type { WiresView } from './useWires.js';

/** What came of it: on file as what is there, or why it is not. */
export const OnFile = ({
  view,
  open,
  can,
}: {
  view: ProveView;
  open: NonNullable<WiresView['open']>;
  can: boolean;
}) => {
  const edit = useEdit();
  const dispatch = useAppDispatch();
  const revision = useAppSelector((state) => state.job.open?.parent ?? null);
  const [isDone, setDone] = useState(false);
  const [areSpliced, setSpliced] = useState(false);
  const { job } = view.review;
  const { subject, told } = open;
  const put = withWiresTold(
    job,
    subject.circuit,
    subject.found,
    told,
    areSpliced ? 'spliced' : 'notLookedAt',
  );
  const boxes = [...new Set(subject.found.stubs.map(({ box }) => box))];
  const before = existingDocument(job)?.wiring.cables.filter(({ from, to }) =>
    boxes.some((box) => box === from || box === to),
  ).length;
  /** Who read them has looked into these boxes: that is put on record of each, as it is on file now. */
  const sign = (told: Job) => {
    const document = existingDocument(told);
    for (const box of document ? boxes : [])
      if (document)
        dispatch(
          recorded(
            job.id,
            'seen',
            { kind: 'box', id: box, wiring: document.id, revision, hash: boxDigest(told, document, box) },
            { what: 'Every wire was parted, taped and read.' },
            view.who.initials.trim(),
          ),
        );
  };
  if (isDone)
    return (
      <p role="status" className="rounded-md border border-pass p-3 text-[14.5px]">
        It is on file as what is there.{' '}
        <Link
          className="font-semibold underline"
          to={benchPath(job.id, subject.circuit, existingDocument(job)?.id ?? null)}
        >
          See it on the bench
        </Link>
        ; what each wire is to be comes with the way that is chosen for the circuit.
      </p>
    );
  if (!put.ok) {
    const [problem] = put.problems;
    return (
      <p className="text-[14px] text-quiet">
        {problem?.why === 'newBoxes'
          ? `${listed(problem.boxes.map((box) => placeName(job, box)))} ${problem.boxes.length > 1 ? 'are boxes' : 'is a box'} still to come on Layout: the tags hold, and nothing is put on file as there.`
          : 'Once every cable is told it can be put on file as what is there.'}
      </p>
    );
  }
  return (
    <div className="flex flex-col gap-2">
      <p className="text-[14px]">
        On file as what is there: these cables with every end loose, the boxes seen by{' '}
        {view.who.initials.trim() || 'nobody yet'}. Taken for copper of the size of the circuit: where it is
        not, say so on the bench.
        {before
          ? ` What is on file there, ${before === 1 ? 'one cable' : `${before} cables`}, is replaced; it can be undone.`
          : ''}
      </p>
      <label className="flex min-h-11 items-center gap-3 text-[14px]">
        <input
          type="checkbox"
          className="size-5"
          checked={areSpliced}
          onChange={(event) => setSpliced(event.target.checked)}
        />
        In each of these boxes all grounds are in one splice: I looked
      </label>
      <Button
        look="main"
        className="min-h-12 self-start"
        disabled={!can}
        onClick={() => {
          if (!edit(put.value, 'tell which wire is which')) return;
          sign(put.value);
          setDone(true);
        }}
      >
        Put on file
      </Button>
    </div>
  );
};
