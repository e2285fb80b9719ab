import { useState, type ReactNode } from 'react';
import {
  drawHiddenFault,
  finderWay,
  sayBoxLine,
  type FinderWay,
  type HiddenFault,
  type Job,
  type MakeUpHint,
  type MakeUpVerdict,
  type PracticeFault,
} from '@amber/core';
import { plural } from '../../parts/format.js';
import { Button } from '../../parts/ui.js';
import { placeName } from '../../parts/words.js';
import { useAppDispatch } from '../../store/store.js';
import { boxChosen } from '../../store/wiringSlice.js';
import { Another } from './LookedAt.js';
import type { HiddenBy } from './ways.js';

/** An exercise in which a fault is to be found: by whom it is hidden, since when it is looked for, and what that took. */
export interface Hidden {
  by: HiddenBy;
  began: number;
  opened: number;
  /** Readings with both probes on, those with the power on among them. */
  readings: number;
  live: number;
}

/** What is not right yet, each as a question with its reason behind it. */
export const Faults = ({ job, faults }: { job: Job; faults: readonly PracticeFault[] }) => {
  const dispatch = useAppDispatch();
  return (
    <ul aria-label="What is not right yet" className="flex flex-col gap-2">
      {faults.map(({ box, question, reason, section }, i) => (
        <li key={`${question} ${i}`} className="rounded-md border border-line bg-white p-3 text-[14px]">
          <details>
            <summary className="min-h-8 cursor-pointer font-semibold">
              {question}
              <span className="block text-[13px] font-normal text-quiet underline">Show the reason</span>
            </summary>
            <p className="mt-1">
              {reason}
              {section === '' ? null : <span className="text-quiet"> ({section})</span>}
            </p>
          </details>
          {box ? (
            <Button look="bare" className="text-[13.5px] underline" onClick={() => dispatch(boxChosen(box))}>
              Show {placeName(job, box)}
            </Button>
          ) : null}
        </li>
      ))}
    </ul>
  );
};

/** A hint that goes deeper with each asking: the question, the reason, one way to make up that box. */
export const Hint = ({
  job,
  hint,
  depth,
  onDeeper,
}: {
  job: Job;
  hint: MakeUpHint;
  depth: number;
  onDeeper: () => void;
}) => (
  <section
    aria-label="Hint"
    className="flex flex-col gap-2 rounded-md border border-line bg-white p-3 text-[14px]"
  >
    <p className="font-semibold">{hint.question}</p>
    {depth > 1 ? <p>{hint.reason}</p> : null}
    {depth > 2 && hint.box && hint.way.length > 0 ? (
      <div>
        <p>One way to make up {placeName(job, hint.box)}; any other that works is as good:</p>
        <ul className="list-disc pl-5">
          {hint.way.map((line) => (
            <li key={`${line.step} ${line.shows}`}>{sayBoxLine(line)}</li>
          ))}
        </ul>
      </div>
    ) : null}
    {depth < 3 ? (
      <Button className="self-start" onClick={onDeeper}>
        {depth === 1 ? 'Why?' : 'Show one way'}
      </Button>
    ) : null}
  </section>
);

/** The way of the fault finder to what was drawn, on request. */
const Way = ({ fault }: { fault: HiddenFault }) => {
  const [way, setWay] = useState<FinderWay | null>(null);
  return (
    <>
      {way ? (
        <div className="mt-2">
          <p className="font-semibold">
            The fault finder: {plural(way.steps.length, 'question')}, {plural(way.opened, 'box', 'boxes')}{' '}
            opened.
          </p>
          <ol aria-label="The way of the fault finder" className="list-decimal pl-6">
            {way.steps.map((step, i) => (
              <li key={i}>{step}</li>
            ))}
          </ol>
        </div>
      ) : (
        <Button className="mt-2" onClick={() => setWay(finderWay(fault))}>
          How the fault finder would have found it
        </Button>
      )}
    </>
  );
};

/** What a fault took to be found; the fault itself, now that it is mended, where it was drawn. */
export const Found = ({ job, hidden }: { job: Job; hidden: Hidden }) => {
  const [fault] = useState(() => (hidden.by === 'somebody' ? null : drawHiddenFault(hidden.by)));
  const [took] = useState(() => Math.max(1, Math.round((Date.now() - hidden.began) / 60_000)));
  return (
    <div className="text-[14px]">
      <p>
        {fault ? `It was at ${placeName(job, fault.box)}: ${fault.said}. ` : ''}You opened{' '}
        {plural(hidden.opened, 'box', 'boxes')} of {job.boxes.length}
        {hidden.readings === 0
          ? ''
          : `, took ${plural(hidden.readings, 'reading')}${hidden.live === 0 ? '' : `, ${hidden.live} of them with the power on`}`}
        , in {plural(took, 'minute')}.
      </p>
      {fault ? <Way fault={fault} /> : null}
    </div>
  );
};

export const Right = ({
  verdict,
  habits,
  stopped,
  found,
  onAnother,
}: {
  verdict: MakeUpVerdict;
  /** Notes on how it was made up; none of it is wrong. */
  habits: readonly string[];
  found: ReactNode;
  stopped: number;
  onAnother: (() => void) | null;
}) => (
  <section
    aria-label="It is right"
    className="flex flex-col gap-2 rounded-md border-2 border-pass bg-white p-3"
  >
    <p className="text-[15.5px] font-bold">
      Right: it works from {verdict.of === 1 ? 'its position' : `all ${verdict.of} positions`}, and nothing
      that was made up here violates a rule.
    </p>
    {verdict.ofPlan.length > 0 ? (
      <p className="text-[14px] font-semibold text-violation">
        The plan itself does, whoever makes it up: {verdict.ofPlan.join('; ')}.
      </p>
    ) : null}
    {found}
    {habits.length > 0 ? (
      <div className="text-[14px]">
        <p className="font-semibold">Nothing of it is wrong; by habit it is done otherwise:</p>
        <ul aria-label="Notes on habit" className="list-disc pl-5">
          {habits.map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ul>
      </div>
    ) : null}
    {stopped > 0 ? (
      <p className="text-[14px]">
        You were stopped {plural(stopped, 'time')}. On the ladder nobody stops you: breaker off, locked,
        proved dead.
      </p>
    ) : null}
    <Another onAnother={onAnother} />
  </section>
);
