import { useState } from 'react';
import {
  cheapestOf,
  dollars,
  feetInches,
  forcedEntry,
  PANEL,
  setEntry,
  setRunFact,
  withoutFeed,
  type BoxId,
  type Circuit,
  type Job,
  type PlanSet,
} from '@amber/core';
import { useEdit } from '../../store/review.js';
import { Neutrals } from '../../panels/circuit/Neutrals.js';
import { boxesOf } from '../../plan/view.js';
import { Button, Field, Select } from '../../parts/ui.js';
import { placeName } from '../../parts/words.js';
import { InTruck } from './InTruck.js';
import { sayPrice } from './RunPanel.js';
import { useLeastCost } from '../../worker/useLeastCost.js';

const RULES = { forced: 'must be taken', forbidden: 'must not be taken' } as const;

/** What is asked of the plans of this circuit: where power enters, neutrals, runs; with what each demand costs. */
export const Asked = ({ job, circuit, found }: { job: Job; circuit: Circuit; found: PlanSet }) => {
  const edit = useEdit();
  const feeds = job.feeds.filter((feed) => feed.circuit === circuit.id);
  const boxes = new Set<string>([
    ...boxesOf(job, circuit.id),
    ...feeds.flatMap((feed) => (feed.at === PANEL ? [] : [feed.at])),
  ]);
  const entry = forcedEntry(job, boxes);
  const [wanted, setWanted] = useState<BoxId | null>(entry);
  const homeRun = feeds.some((feed) => feed.at === PANEL);
  const entries = job.boxes.filter(
    (box) => boxes.has(box.id) && (homeRun || feeds.some((feed) => feed.at === box.id)),
  );
  const least = cheapestOf(found.candidates)?.measures.cost ?? null;
  const asked = wanted === entry ? null : setEntry(job, boxes, wanted);
  const price = useLeastCost(asked, circuit.id);
  const everywhere = job.preferences.neutral === 'everySwitch';
  // With room in the boxes, as the plan with neutrals has it: what the neutrals cost is not to be mixed with what room costs.
  const roomy =
    cheapestOf(found.candidates.filter(({ choice }) => choice.room === undefined))?.measures.cost ?? null;
  const neutrals = found.candidates.find((one) => one.bestAt.includes('neutrals'))?.measures.cost ?? null;
  const facts = job.runFacts.filter(
    ({ rule, length, between: [a, b] }) =>
      (rule !== null || length !== null) && [a, b].every((one) => one === PANEL || boxes.has(one)),
  );
  return (
    <div className="grid gap-x-8 gap-y-4 sm:grid-cols-2">
      <div className="flex flex-col gap-3">
        {entries.length > 1 ? (
          <>
            <Field label="Power enters" hint={sayPrice(price, least)}>
              <Select
                value={wanted ?? ''}
                onChange={(event) => setWanted((event.target.value || null) as BoxId | null)}
              >
                <option value="">wherever is best</option>
                {entries.map((box) => (
                  <option key={box.id} value={box.id}>
                    at {box.name}
                  </option>
                ))}
              </Select>
            </Field>
            {asked ? (
              <Button
                look="main"
                onClick={() =>
                  edit(
                    asked,
                    wanted === null ? 'power wherever is best' : `power at ${placeName(job, wanted)}`,
                  )
                }
              >
                Ask for it
              </Button>
            ) : null}
          </>
        ) : (
          <p className="text-[14px]">
            {feeds.length === 0
              ? 'Nobody has said where its power comes from. Say it on the layout: at a box that has power, or at the panel.'
              : `Power is at ${feeds.map((feed) => placeName(job, feed.at)).join(' or ')}. The layout says where else it may be.`}
          </p>
        )}
        {feeds.length > 1 ? (
          <ul aria-label="Where power may come from">
            {feeds.map((feed) => (
              <li key={feed.id} className="flex min-h-10 items-center gap-3 text-[14px]">
                <span className="min-w-0 flex-1">
                  {feed.at === PANEL
                    ? 'Power may come by a home run from the panel'
                    : `Power is at ${placeName(job, feed.at)}`}
                </span>
                <Button
                  look="bare"
                  onClick={() =>
                    edit(
                      withoutFeed(job, feed.id),
                      `no power of ${circuit.name} at ${placeName(job, feed.at)}`,
                    )
                  }
                >
                  Take back
                </Button>
              </li>
            ))}
          </ul>
        ) : null}
        <label className="flex min-h-10 items-center gap-2.5 text-[14px]">
          <input
            type="checkbox"
            className="size-5 accent-ink"
            checked={everywhere}
            onChange={() =>
              edit(
                {
                  ...job,
                  preferences: { ...job.preferences, neutral: everywhere ? 'byEdition' : 'everySwitch' },
                },
                'neutrals at switches',
              )
            }
          />
          <span>
            A neutral at every switch of the job
            {!everywhere && neutrals !== null && roomy !== null ? (
              <span className="text-quiet">
                , {neutrals - roomy < 50 ? 'nothing more here' : `${dollars(neutrals - roomy)} more here`}
              </span>
            ) : null}
          </span>
        </label>
        <section aria-label="Runs of which something is asked">
          <h2 className="mb-1 text-[13px] font-semibold">Runs</h2>
          {facts.length === 0 ? (
            <p className="text-[13.5px] text-quiet">Nothing is asked of any run. Pick one on the plan.</p>
          ) : null}
          <ul>
            {facts.map(({ between: [a, b], rule, length }) => (
              <li
                key={`${a} ${b}`}
                className="flex min-h-10 items-center gap-3 border-b border-line text-[14px]"
              >
                <span className="min-w-0 flex-1">
                  {placeName(job, a)} to {placeName(job, b)}{' '}
                  <span className="text-quiet">
                    {[
                      ...(rule ? [RULES[rule]] : []),
                      ...(length === null ? [] : [`measured ${feetInches(length)}`]),
                    ].join(', ')}
                  </span>
                </span>
                <Button
                  look="bare"
                  onClick={() =>
                    edit(
                      setRunFact(job, a, b, { rule: null, length: null }),
                      `nothing asked of ${placeName(job, a)} to ${placeName(job, b)}`,
                    )
                  }
                >
                  Take back
                </Button>
              </li>
            ))}
          </ul>
        </section>
      </div>
      <div className="flex flex-col gap-4">
        <Neutrals job={job} circuit={circuit} />
        <InTruck job={job} circuit={circuit} />
      </div>
    </div>
  );
};
