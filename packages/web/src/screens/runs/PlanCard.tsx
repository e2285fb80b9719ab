import { benchPath } from '../../parts/paths.js';
import { memo } from 'react';
import { Check } from 'lucide-react';
import {
  findBox,
  findCircuit,
  FAMILIAR_TITLES,
  profileOf,
  roomForCable,
  sayRoomLeft,
  type Candidate,
  type Circuit,
  type Job,
  type ProfileId,
} from '@amber/core';
import { Link } from 'react-router';
import { priceOf } from '../../panels/ways/choosePlan.js';
import { plural } from '../../parts/format.js';
import { RunMini } from '../../parts/RunMini.js';
import { Button } from '../../parts/ui.js';

const feet = (value: number) => `${Math.round(value * 10) / 10} ft`;

const factsOf = ({ measures }: Candidate): string => {
  const { neutrals, tightest, reidentified, unknownFill } = measures;
  return [
    `${feet(measures.feet)} in ${plural(measures.runs, 'run')}`,
    ...(measures.rough.length > 0 ? ['roughly measured'] : []),
    ...(measures.guessed > 0 ? [`${plural(measures.guessed, 'run')} at a guess`] : []),
    ...(tightest ? [sayRoomLeft(tightest.left, unknownFill.length === 0)] : []),
    ...(unknownFill.length > 0 ? [`fill not known in ${plural(unknownFill.length, 'box', 'boxes')}`] : []),
    `neutral at ${neutrals.present} of ${neutrals.all}`,
    ...(reidentified > 0 ? [`${plural(reidentified, 'white')} as hot`] : []),
  ].join(' · ');
};

/** Roomiest of all, and full all the same: no box of that name is to be taken for one with room. */
const titleOfProfile = (job: Job, circuit: Circuit['id'], id: ProfileId, { measures }: Candidate): string => {
  const awg = findCircuit(job, circuit)?.awg ?? 14;
  const isTight = measures.tightest !== null && measures.tightest.left < roomForCable(awg);
  return id === 'roomiest' && isTight ? 'Roomiest there is, with little room' : profileOf(id).title;
};

/** One way to wire the circuit in short: its run, its price, and, where it is looked at, why it is or is not the best. */
export const PlanCard = memo(function PlanCard({
  job,
  circuit,
  plan,
  why,
  chosen,
  picked,
  provisional,
  onPick,
  onHover,
  onChoose,
}: {
  job: Job;
  circuit: Circuit['id'];
  plan: Candidate;
  /** The sentence that compares it with the first plan, or the first with the next; null where there is no other. */
  why: string | null;
  chosen: boolean;
  picked: boolean;
  /** The search goes on, and may put another in its place. */
  provisional: boolean;
  onPick: (letter: string) => void;
  /** With its letter while the pointer is over it. */
  onHover: (letter: string | null) => void;
  onChoose: (plan: Candidate) => void;
}) {
  const entry = findBox(job, plan.entry)?.name ?? '';
  const titles = [
    ...plan.bestAt.map((id) => titleOfProfile(job, circuit, id, plan)),
    ...plan.familiar.map((id) => FAMILIAR_TITLES[id]),
  ];
  return (
    <li
      className={`border-b border-line ${picked ? 'bg-white shadow-[inset_5px_0_0_var(--color-ink)]' : ''}`}
      onPointerEnter={() => onHover(plan.letter)}
      onPointerLeave={() => onHover(null)}
    >
      <button
        type="button"
        aria-pressed={picked}
        aria-label={`Plan ${plan.letter}`}
        onClick={() => onPick(plan.letter)}
        className="block w-full px-4 py-3 text-left hover:bg-white/70"
      >
        <span className="flex items-baseline gap-3">
          <span className="w-5 shrink-0 text-[18px] font-bold">{plan.letter}</span>
          <span className="min-w-0 flex-1">
            <span className="block text-[14.5px] leading-snug font-bold break-words">
              Power enters at {entry}
            </span>
            {titles.length > 0 ? (
              <span className="block text-[13px] text-quiet">{titles.join(', ')}</span>
            ) : null}
          </span>
          <span className="shrink-0 text-[16px] font-bold">{priceOf(plan)}</span>
        </span>
        {plan.sketch ? (
          <span className="mt-2 ml-8 block max-w-full overflow-x-auto">
            <RunMini run={plan.sketch} label={`Run of plan ${plan.letter}`} />
          </span>
        ) : null}
        <span className="mt-1.5 ml-8 block text-[13px] text-quiet">{factsOf(plan)}</span>
        {plan.measures.violations > 0 ? (
          <strong className="mt-1 ml-8 block text-[13px] text-violation">
            {plural(plan.measures.violations, 'code violation')}
          </strong>
        ) : null}
      </button>
      {picked || chosen ? (
        <div className="ml-8 flex flex-wrap items-center gap-x-3 gap-y-2 px-4 pb-3">
          {picked ? (
            <p className="text-[13.5px] break-words">
              {provisional && plan.letter === 'A' ? 'The best so far. ' : null}
              {why ?? (provisional ? 'Others are still searched.' : 'No other plan was found.')}
            </p>
          ) : null}
          {chosen ? (
            <>
              <span className="inline-flex min-h-10 items-center gap-1.5 font-semibold">
                <Check size={18} /> Wired this way
              </span>
              <Link
                to={benchPath(job.id, circuit)}
                className="inline-flex min-h-10 items-center rounded-md border border-line bg-sheet px-3 font-semibold hover:bg-rail"
              >
                To the bench
              </Link>
            </>
          ) : (
            <Button look="main" onClick={() => onChoose(plan)}>
              Wire it this way
            </Button>
          )}
        </div>
      ) : null}
    </li>
  );
});
