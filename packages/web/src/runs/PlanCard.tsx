import { Check } from 'lucide-react';
import { dollars, profileOf, FAMILIAR_TITLES, type Candidate, type Job } from '@amber/core';
import { plural } from '../shared/format.js';
import { RunMini } from '../shared/RunMini.js';
import { Button } from '../shared/ui.js';

const feet = (value: number) => `${Math.round(value * 10) / 10} ft`;

const Fact = ({ name, value, warn = false }: { name: string; value: string; warn?: boolean }) => (
  <div className="min-w-0">
    <dt className="text-[12px] text-quiet">{name}</dt>
    <dd className={`text-[14.5px] font-semibold ${warn ? 'text-violation' : ''}`}>{value}</dd>
  </div>
);

const tag = 'rounded border border-ink px-1.5 py-px text-[12.5px] font-semibold';

/** One way to wire the circuit: its run, what it costs, what sets it apart, and why the first is better. */
export const PlanCard = ({
  job,
  plan,
  why,
  chosen,
  provisional,
  onChoose,
}: {
  job: Job;
  plan: Candidate;
  /** The sentence that compares it with the first plan, or the first with the next; null where there is no other. */
  why: string | null;
  chosen: boolean;
  /** The search goes on, and may put another in its place. */
  provisional: boolean;
  onChoose: () => void;
}) => {
  const { measures } = plan;
  const nameOf = (box: string | undefined) => job.boxes.find((one) => one.id === box)?.name ?? '';
  const { neutrals, fullest } = measures;
  return (
    <li
      className={`rounded-lg border bg-sheet ${chosen ? 'border-ink shadow-[inset_4px_0_0_var(--color-ink)]' : 'border-line'}`}
    >
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 px-4 pt-3">
        <span className="grid size-9 shrink-0 place-items-center self-start rounded-full bg-ink text-[15px] font-bold text-sheet">
          {plan.letter}
        </span>
        <div className="min-w-44 flex-1">
          <h2 className="text-[16px] leading-snug font-bold break-words">
            Power enters at {nameOf(plan.entry ?? undefined)}
          </h2>
          <p className="mt-1 flex flex-wrap gap-1.5">
            {plan.bestAt.map((id) => (
              <span key={id} className={tag}>
                {profileOf(id).title}
              </span>
            ))}
            {plan.familiar.map((id) => (
              <span key={id} className="text-[13px] text-quiet">
                {FAMILIAR_TITLES[id]}
              </span>
            ))}
            {plan.bestAt.length === 0 && plan.familiar.length === 0 ? (
              <span className="text-[13px] text-quiet">The least cost with power entering there</span>
            ) : null}
          </p>
        </div>
        {plan.sketch ? (
          <div className="min-w-0 overflow-x-auto max-lg:order-last max-lg:w-full">
            <RunMini run={plan.sketch} label={`Run of plan ${plan.letter}`} />
          </div>
        ) : null}
        <div className="self-start max-sm:flex max-sm:w-full max-sm:items-baseline max-sm:gap-3 sm:w-34 sm:text-right">
          <p className="text-[20px] leading-none font-bold tabular-nums">{dollars(measures.cost)}</p>
          <p className="text-[12.5px] text-quiet sm:mt-1">
            {dollars(measures.material)} material
            <br className="max-sm:hidden" />
            <span className="sm:hidden">, </span>
            {Math.round(measures.minutes)} min work
          </p>
        </div>
      </div>
      <dl className="flex flex-wrap gap-x-7 gap-y-1.5 px-4 pt-2.5">
        <Fact
          name="New cable"
          value={measures.cable.map((one) => `${feet(one.feet)} of ${one.name}`).join(', ') || 'none'}
        />
        <Fact
          name="Fullest box"
          value={fullest ? `${fullest.percent} %, ${nameOf(fullest.box)}` : '–'}
          warn={fullest !== null && fullest.percent > 100}
        />
        <Fact
          name="Neutral at switches"
          value={`${neutrals.present} of ${neutrals.all}${neutrals.asked > 0 ? `, code asks ${neutrals.asked}` : ''}`}
        />
        <Fact name="Whites as hots" value={String(measures.reidentified)} />
        <Fact name="Splices" value={String(measures.splices)} />
      </dl>
      <div className="mt-3 flex flex-wrap items-center gap-3 border-t border-line px-4 py-2.5">
        <p className="min-w-52 flex-1 text-[13.5px] break-words">
          {measures.violations > 0 ? (
            <strong className="text-violation">{plural(measures.violations, 'code violation')}. </strong>
          ) : null}
          {provisional && plan.letter === 'A' ? 'The best so far. ' : null}
          {why ?? 'No other plan was found.'}
        </p>
        {chosen ? (
          <span className="inline-flex min-h-10 items-center gap-1.5 font-semibold">
            <Check size={18} /> Wired this way
          </span>
        ) : (
          <Button look={plan.letter === 'A' ? 'main' : 'plain'} onClick={onChoose}>
            Wire it this way
          </Button>
        )}
      </div>
    </li>
  );
};
