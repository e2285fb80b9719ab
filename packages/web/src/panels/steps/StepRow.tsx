import { Spline } from 'lucide-react';
import type { Step, TickState } from '@amber/core';
import { SeverityMark } from '../../parts/ui.js';

/** One step of a work order: its caution before it, the box to tick, and as much of the reason as is asked for. */
export const StepRow = ({
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
