import { useState } from 'react';
import { Link } from 'react-router';
import { existingDocument, listed, placeName, withWiresTold } from '@amber/core';
import { benchPath } from '../../../parts/paths.js';
import { Button } from '../../../parts/ui.js';
import { useEdit } from '../../../store/review.js';
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
  if (isDone)
    return (
      <p role="status" className="rounded-md border border-pass p-3 text-[14.5px]">
        It is on file as what is there.{' '}
        <Link className="font-semibold underline" to={benchPath(job.id, subject.circuit)}>
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
          edit(put.value, 'Tell which wire is which');
          setDone(true);
        }}
      >
        Put on file
      </Button>
    </div>
  );
};
