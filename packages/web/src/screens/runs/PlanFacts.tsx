import { memo } from 'react';
import {
  cubicInches,
  dollars,
  JUDGEMENT_REASONS,
  JUDGEMENT_WORDS,
  priceOfPlan,
  type Candidate,
  type Job,
  type LaidRun,
} from '@amber/core';
import { aboutWord } from '../../parts/format.js';
import { placeName } from '../../parts/words.js';
import { isRun } from './PlanOverlay.js';
import { cutOf, keyOfRun } from './routes.js';

const Fact = ({ name, value, warn = false }: { name: string; value: string; warn?: boolean }) => (
  <div className="flex items-baseline justify-between gap-3 border-b border-line py-1">
    <dt className="text-[13px] text-quiet">{name}</dt>
    <dd className={`text-right text-[14px] font-semibold ${warn ? 'text-violation' : ''}`}>{value}</dd>
  </div>
);

/** The numbers of one plan, and its runs to be pointed at. */
export const PlanFacts = memo(function PlanFacts({
  job,
  plan,
  picked,
  onPickRun,
}: {
  job: Job;
  plan: Candidate;
  picked: LaidRun | null;
  onPickRun: (run: LaidRun) => void;
}) {
  const { measures } = plan;
  const { neutrals, fullest, largest, tightest } = measures;
  const about = aboutWord(measures);
  return (
    <div className="grid gap-x-8 gap-y-4 sm:grid-cols-2">
      <dl>
        <Fact name="Material" value={`${about}${dollars(measures.material)}`} />
        <Fact
          name="Work"
          value={`${about}${Math.round(measures.minutes)} min, ${dollars(measures.cost - measures.material)}`}
        />
        <Fact
          name="New cable"
          value={
            measures.cable.map((one) => `${Math.round(one.feet * 10) / 10} ft of ${one.name}`).join(', ') ||
            'none'
          }
        />
        {measures.savedByTruck > 0 ? (
          <Fact
            name="By buying least"
            value={`${about}${dollars(measures.cost - measures.savedByTruck)}, ${dollars(measures.savedByTruck)} off for cable in the truck`}
          />
        ) : null}
        <Fact
          name="Fullest box"
          value={fullest ? `${placeName(job, fullest.box)}, ${fullest.percent} %` : '–'}
          warn={fullest !== null && fullest.percent > 100}
        />
        <Fact
          name="Least room left"
          value={tightest ? `${cubicInches(tightest.left)}, ${placeName(job, tightest.box)}` : '–'}
          warn={tightest !== null && tightest.left < 0}
        />
        {measures.unknownFill.length > 0 ? (
          <Fact
            name="Fill not known"
            value={measures.unknownFill.map((box) => placeName(job, box)).join(', ')}
          />
        ) : null}
        <Fact
          name="Most crowded box needs"
          value={largest ? `${cubicInches(largest.needed)}, ${placeName(job, largest.box)}` : '–'}
        />
        <Fact
          name="Neutral at switches"
          value={`${neutrals.present} of ${neutrals.all}${neutrals.asked > 0 ? `, code asks ${neutrals.asked}` : ''}`}
        />
        <Fact name="Whites as hots" value={String(measures.reidentified)} />
        <Fact name="Splices" value={String(measures.splices)} />
        <Fact
          name="By a master’s choice"
          value={`${about}${dollars(measures.cost + priceOfPlan(measures.judged))}, ${dollars(priceOfPlan(measures.judged))} of it judgement`}
        />
        {measures.judged.map(({ what, count, each, at }) => (
          <div key={what} className="border-b border-line py-1 pl-4">
            <dt className="text-[13px]">{JUDGEMENT_WORDS[what]}</dt>
            <dd className="text-[13px] font-semibold">
              {count > 1 ? `${count} at ${dollars(each)}` : dollars(each)}
            </dd>
            <dd className="text-[13px] text-quiet">
              {at.map((place) => placeName(job, place)).join(', ')}. {JUDGEMENT_REASONS[what]}
            </dd>
          </div>
        ))}
      </dl>
      <section aria-label="Runs">
        <h2 className="mb-1 text-[13px] font-semibold">Runs; pick one to ask something of it</h2>
        <ul>
          {plan.runs.map((run) => (
            <li key={keyOfRun(run)}>
              <button
                type="button"
                aria-pressed={isRun(run, picked)}
                onClick={() => onPickRun(run)}
                className={`flex min-h-10 w-full items-center gap-3 rounded px-2 text-left text-[14px] hover:bg-rail ${isRun(run, picked) ? 'bg-rail font-semibold' : ''}`}
              >
                <span className="min-w-0 flex-1 truncate">
                  {placeName(job, run.from)} to {placeName(job, run.to)}
                  {run.told === '' ? '' : `, ${run.told}`}
                </span>
                <span className="shrink-0 text-[13px] text-quiet">
                  {run.cable}
                  {run.feet === null ? '' : `, ${cutOf(run)}`}
                  {run.existing ? ', existing' : ''}
                </span>
              </button>
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
});
