import { ChevronLeft, ChevronRight, Spline } from 'lucide-react';
import { useMemo, useState } from 'react';
import { findBox, makeUpSteps, PHASE_WORDS, type BoxSteps, type Step, type TickState } from '@amber/core';
import { useAppDispatch, useAppSelector } from '../../store/store.js';
import { useTicks } from '../../store/useTicks.js';
import { Button, SeverityMark } from '../../parts/ui.js';
import { boxChosen, wireFollowed } from '../../store/wiringSlice.js';
import type { Subject } from '../../wiring/useSubject.js';
import { useBoxInView } from '../../wiring/useBoxInView.js';
import { FacePicker } from './FacePicker.js';
import { Words } from './Words.js';

const DEPTHS = ['Do it', 'Understand it', 'The code'] as const;

const StepRow = ({
  step,
  tick,
  depth,
  onTick,
  onShow,
  asked,
}: {
  step: Step;
  /** It was asked for by its picture: it is brought into view. */
  asked: boolean;
  tick: TickState;
  depth: number;
  onTick: (done: boolean) => void;
  onShow: (key: string) => void;
}) => (
  <li
    ref={(element) => {
      if (asked) element?.scrollIntoView({ block: 'center' });
    }}
    className={`border-b border-line py-2 last:border-0 ${asked ? '-mx-2 rounded-md bg-rail px-2' : ''}`}
  >
    {step.caution ? (
      <p className="mb-1.5 flex gap-2 rounded-md border border-caution p-2 text-[13px]">
        <SeverityMark severity="caution" />
        <span>{step.caution}</span>
      </p>
    ) : null}
    <div className="flex items-start gap-2">
      <label className="flex min-h-10 min-w-0 flex-1 cursor-pointer gap-3">
        <input
          type="checkbox"
          checked={tick === 'done'}
          onChange={(event) => onTick(event.target.checked)}
          className="mt-0.5 size-5 shrink-0 accent-ink"
        />
        <span
          className={`min-w-0 text-[14px] break-words ${tick === 'done' ? 'text-quiet line-through' : ''}`}
        >
          {step.text}
        </span>
      </label>
      {step.shows === null ? null : (
        <button
          type="button"
          aria-label={`Show: ${step.text}`}
          onClick={() => step.shows && onShow(step.shows)}
          className="grid size-10 shrink-0 place-items-center rounded-md hover:bg-rail"
        >
          <Spline size={17} />
        </button>
      )}
    </div>
    {tick === 'changed' ? (
      <p className="mt-1 ml-8 text-[13px] font-semibold text-caution">
        It was ticked, and what it is about has changed since: look again.
      </p>
    ) : null}
    {depth > 0 ? <p className="mt-1 ml-8 text-[13px] text-quiet">{step.why}</p> : null}
    {depth > 1 ? (
      <p className="mt-0.5 ml-8 text-[13px] font-semibold">
        {step.section === null ? 'Craft, no section asks for it.' : `NEC ${step.section}`}
      </p>
    ) : null}
  </li>
);

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

/** The work order of the box in view, ticked off as it is done. */
export const StepsPanel = ({ subject }: { subject: Subject }) => {
  const dispatch = useAppDispatch();
  const [depth, setDepth] = useState(0);
  const asked = useAppSelector((state) => state.wiring.step);
  const { stateOf, set, waiting } = useTicks(subject.job.id, subject.wiringId, subject.kind === 'planned');
  const { box, at, go } = useBoxInView(subject);
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
        <Button look="bare" aria-label="Box before" onClick={() => go(-1)}>
          <ChevronLeft size={18} />
        </Button>
        <h2 className="min-w-0 flex-1 truncate text-center text-[15px] font-bold" title={name}>
          {at + 1} · {name}
        </h2>
        <Button look="bare" aria-label="Next box" onClick={() => go(1)}>
          <ChevronRight size={18} />
        </Button>
      </div>
      <p role="status" className="text-center text-[13px] text-quiet">
        {count === order.steps.length ? 'All done' : `${count} of ${order.steps.length} done`}
        {waiting ? '. No connection: ticks are kept here and sent when it is back' : ''}
      </p>
      <div
        role="group"
        aria-label="How much is said"
        className="grid grid-cols-3 overflow-hidden rounded-md border border-line"
      >
        {DEPTHS.map((words, i) => (
          <button
            key={words}
            type="button"
            aria-pressed={depth === i}
            onClick={() => setDepth(i)}
            className="min-h-10 text-[13px] font-semibold hover:bg-rail aria-pressed:bg-ink aria-pressed:text-sheet"
          >
            {words}
          </button>
        ))}
      </div>
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
      <Words />
      <p className="text-[13px] text-quiet">
        <strong className="text-ink">At hand:</strong> {order.tools.join(', ')}.
      </p>
    </section>
  );
};
