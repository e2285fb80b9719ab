import { Link } from 'react-router';
import { changePath } from '../../parts/paths.js';
import { useMemo } from 'react';
import { endKey, endsIn, findBox, type Box, type CableId, type WiringDoc } from '@amber/core';
import { useTelling } from '../../store/useTelling.js';
import { useEdit } from '../../store/review.js';
import { Button } from '../../parts/ui.js';
import { useBoxInView } from '../../wiring/useBoxInView.js';
import { isUntold, type Subject } from '../../wiring/useSubject.js';
import { CablesHere } from './CablesHere.js';
import { FittedHere } from './FittedHere.js';
import { SeenBox } from './SeenBox.js';
import { WiresHere } from './WiresHere.js';

const Part = ({ title, open, children }: { title: string; open?: boolean; children: React.ReactNode }) => (
  <details open={open} className="border-t border-line pt-1">
    <summary className="min-h-10 cursor-pointer py-2 text-[15px] font-bold">{title}</summary>
    {children}
  </details>
);

/** What is in the box in view, told wire by wire: what it is on, how sure that is, what stands there, which cables come in. */
export const AsFoundPanel = ({
  subject,
  answer,
}: {
  subject: Subject;
  /** What is said of all of it after each thing that is told. */
  answer: React.ReactNode;
}) => {
  const { job, wiringId } = subject;
  const { box, at, go } = useBoxInView(subject);
  const edit = useEdit();
  const { tell, confirm, sign, refusal } = useTelling(job, wiringId);
  const document = job.wirings.find((one) => one.id === wiringId);
  const here = useMemo(
    () => new Set(document && box ? endsIn(job, document.wiring, box).map(endKey) : []),
    [job, document, box],
  );
  if (!document || !box || (subject.circuit && isUntold(subject)))
    return (
      <p className="text-[14px]">
        {subject.circuit
          ? 'Nothing is told of this circuit yet. Begin on the board.'
          : 'Nothing is told of what is there yet. Choose a circuit at the top, and begin there.'}
      </p>
    );
  const sure = document.certainty[box];
  const assumed =
    sure === 'assumed' ? here : new Set(document.assumedEnds.map(endKey).filter((key) => here.has(key)));
  const unseen = document.wiring.unseen.filter((end) => here.has(endKey(end))).length;
  const name = findBox(job, box)?.name ?? box;
  const withSize = (cable: CableId, how: WiringDoc['sizesFrom'][CableId] | null) => {
    const { [cable]: _, ...others } = document.sizesFrom;
    const sizesFrom = how === null ? others : { ...document.sizesFrom, [cable]: how };
    edit(
      { ...job, wirings: job.wirings.map((one) => (one.id === wiringId ? { ...one, sizesFrom } : one)) },
      `how the size was read at ${name}`,
    );
  };
  const withBox = (how: Partial<Box>, change: Parameters<typeof tell>[0], label: string) =>
    tell(change, box, label, {
      ...job,
      boxes: job.boxes.map((one) => (one.id === box ? { ...one, ...how } : one)),
    });
  return (
    <section aria-label={`What is in ${name}`} className="flex flex-col gap-3">
      <header className="flex items-center gap-2">
        <h2 className="min-w-0 flex-1 text-[17px] font-bold break-words">{name}</h2>
        <span className="text-[13px] text-quiet">
          box {at + 1} of {subject.drawings.length}
        </span>
        <Button onClick={() => go(1)}>Next box</Button>
      </header>
      {refusal === null ? null : (
        <p role="alert" className="rounded-md border border-violation p-2 text-[14px] font-semibold">
          {refusal}
        </p>
      )}
      {answer}
      {subject.kind === 'existing' && subject.circuit ? (
        <Link
          to={changePath(job.id, subject.circuit.id)}
          className="inline-flex min-h-10 items-center justify-center rounded-md border border-line bg-sheet px-3 font-semibold hover:bg-rail"
        >
          Change what is there …
        </Link>
      ) : null}
      <SeenBox
        key={`seen ${box}`}
        {...{ job, document, box, unseen }}
        onSign={(initials) => sign(box, initials)}
      />
      <Part title="Wires" open>
        <WiresHere
          {...{ job, wiring: document.wiring, box, assumed }}
          onTell={(change, label) => tell(change, box, label)}
          onConfirm={(end) => confirm(box, end)}
        />
      </Part>
      <Part title="Cables that come in">
        <CablesHere
          key={`cables ${box}`}
          {...{ job, document, box }}
          onTell={(change, label, from) => tell(change, box, label, from)}
          onSize={withSize}
        />
      </Part>
      <Part title="What stands here">
        <FittedHere
          {...{ job, wiring: document.wiring, box: box }}
          onTell={(change, label) => tell(change, box, label)}
          onBox={withBox}
        />
      </Part>
    </section>
  );
};
