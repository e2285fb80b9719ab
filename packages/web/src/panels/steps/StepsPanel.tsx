import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useMemo, useState, type ReactNode } from 'react';
import { findBox, makeUpSteps, PHASE_WORDS, type BoxId, type BoxSteps, type Step } from '@amber/core';
import { useAppDispatch, useAppSelector } from '../../store/store.js';
import { useTicks } from '../../store/useTicks.js';
import { Button } from '../../parts/ui.js';
import { OneOf } from '../../parts/OneOf.js';
import { DEPTH_WORDS } from '../../parts/words.js';
import { boxChosen, wireFollowed } from '../../store/wiringSlice.js';
import type { Subject } from '../../wiring/useSubject.js';
import { useBoxInView } from '../../wiring/useBoxInView.js';
import { FacePicker } from './FacePicker.js';
import { PhaseOrder } from './PhaseOrder.js';
import { StepRow } from './StepRow.js';
import { Words } from './Words.js';

const OtherEnds = ({ ends }: { ends: BoxSteps['otherEnds'] }) => (
  <details className="rounded-md border border-line">
    <summary className="min-h-10 cursor-pointer px-3 py-2.5 font-semibold">
      What the other ends look like
    </summary>
    <ul className="flex flex-col gap-2 px-3 pb-3 text-[13.5px]">
      {ends.map((one, i) => (
        <li key={i}>
          <strong>
            {one.cable} to {one.place}
          </strong>
          {one.caution === null ? null : <p className="font-semibold text-caution">{one.caution}</p>}
          <ul className="ml-3">
            {one.ends.map(({ colour, goes }) => (
              <li key={colour}>
                {colour}: {goes}
              </li>
            ))}
          </ul>
        </li>
      ))}
    </ul>
  </details>
);

/** Two orders of the same work: a box through all its parts, or a part of the work through all boxes. */
const BY_WORDS = { box: 'Box by box', phase: 'Part by part' } as const;
type By = keyof typeof BY_WORDS;

/** The work order, ticked off as it is done: of the box in view, or of a part of the work in every box. */
export const StepsPanel = ({
  subject,
  beside,
  brief = false,
}: {
  subject: Subject;
  /** What stands with the steps of a box. */
  beside?: (box: BoxId) => ReactNode;
  /** How they are ordered and how much is said stands after them. */
  brief?: boolean;
}) => {
  const [depth, setDepth] = useState(0);
  const [by, setBy] = useState<By>('box');
  // A step that is asked for by its picture is shown among those of its box.
  const asked = useAppSelector((state) => state.wiring.step);
  const [known, setKnown] = useState(asked);
  if (asked !== known) {
    setKnown(asked);
    if (asked !== null) setBy('box');
  }
  const how = (
    <>
      <OneOf
        label="Order of the work"
        options={(['box', 'phase'] as const).map((value) => ({ value, words: BY_WORDS[value] }))}
        value={by}
        onPick={setBy}
      />
      <OneOf
        label="How much is said"
        options={DEPTH_WORDS.map((words, value) => ({ value, words }))}
        value={depth}
        onPick={setDepth}
      />
    </>
  );
  return (
    <div className="flex flex-col gap-3">
      {brief ? null : how}
      {by === 'box' ? (
        <BoxOrder subject={subject} depth={depth} beside={beside} />
      ) : (
        <PhaseOrder subject={subject} depth={depth} />
      )}
      {brief ? how : null}
    </div>
  );
};

/** The work order of the box in view, ticked off as it is done. */
const BoxOrder = ({
  subject,
  depth,
  beside,
}: {
  subject: Subject;
  depth: number;
  beside: ((box: BoxId) => ReactNode) | undefined;
}) => {
  const dispatch = useAppDispatch();
  const asked = useAppSelector((state) => state.wiring.step);
  const { stateOf, set, waiting } = useTicks(subject.job.id, subject.wiringId, subject.kind === 'planned');
  const { box, at, go } = useBoxInView(subject);
  const way = subject.job.preferences.boxOrder === 'fromFeed' ? 1 : -1;
  const order = useMemo(
    () => (box ? makeUpSteps(subject.job, subject.wiring, subject.compiled, box) : null),
    [subject.job, subject.wiring, subject.compiled, box],
  );
  if (!order || !box) return <p>Nothing to make up yet.</p>;
  const isDone = (step: Step) => stateOf(step) === 'done';
  const count = order.steps.filter(isDone).length;
  const name = findBox(subject.job, box)?.name ?? '';
  return (
    <section aria-label={`Steps at ${name}`} className="flex flex-col gap-3">
      <div className="flex items-center gap-1">
        <Button look="bare" aria-label="Box before" onClick={() => go(-way)}>
          <ChevronLeft size={18} />
        </Button>
        <h2 className="min-w-0 flex-1 truncate text-center text-[15px] font-bold" title={name}>
          {at + 1} · {name}
        </h2>
        <Button look="bare" aria-label="Next box" onClick={() => go(way)}>
          <ChevronRight size={18} />
        </Button>
      </div>
      <p role="status" className="text-center text-[13px] text-quiet">
        {count === order.steps.length ? 'All done' : `${count} of ${order.steps.length} done`}
        {waiting ? '. No connection: ticks are kept here and sent when it is back' : ''}
      </p>
      {[...new Set(order.steps.map((step) => step.phase))].map((phase) => {
        const words = PHASE_WORDS[phase];
        const steps = order.steps.filter((step) => step.phase === phase);
        return (
          <section key={phase} aria-label={words}>
            <h3 className="text-[13px] font-bold text-quiet">{words}</h3>
            <ol>
              {steps.map((step) => (
                <StepRow
                  key={step.id}
                  step={step}
                  tick={stateOf(step)}
                  depth={depth}
                  asked={step.id === asked}
                  onTick={(now) => set(step, now)}
                  onShow={(key) => {
                    dispatch(boxChosen(box));
                    dispatch(wireFollowed(key));
                  }}
                />
              ))}
            </ol>
          </section>
        );
      })}
      {subject.readOnly ? null : <FacePicker subject={subject} box={box} />}
      <OtherEnds ends={order.otherEnds} />
      {beside?.(box)}
      <Words />
      <p className="text-[13px] text-quiet">
        <strong className="text-ink">At hand:</strong> {order.tools.join(', ')}.
      </p>
    </section>
  );
};
