import { useState } from 'react';
import {
  listed,
  standingCircuits,
  type CircuitId,
  type Job,
  type PlannedAll,
  type PlannedPart,
} from '@amber/core';
import { reviewOf, useEdit } from '../../store/review.js';
import { runsPath } from '../../parts/paths.js';
import { plural } from '../../parts/format.js';
import { Button } from '../../parts/ui.js';
import { useTogether } from '../../worker/useTogether.js';
import { Link } from 'react-router';

const nameOf = (job: Job, id: CircuitId): string => job.circuits.find((one) => one.id === id)?.name ?? id;

/** The same ways, in whatever order they stand. */
const isSame = (a: Job['choices'], b: Job['choices']): boolean => {
  const text = (all: Job['choices']) => all.map((one) => JSON.stringify(one)).sort();
  return text(a).join() === text(b).join();
};

/** What is known of circuits that were planned together, in a sentence. */
export const sayPart = (
  job: Job,
  { circuits, failed, proved, gap, leftOut, unsure }: PlannedPart,
): string => {
  const wired = circuits.filter((id) => !failed.includes(id));
  const together = wired.length > 1 ? ', together' : '';
  const said =
    wired.length === 0
      ? []
      : [
          `${listed(wired.map((id) => nameOf(job, id)))}: ${
            proved && unsure.length === 0
              ? `least by cost and judgement${together}, proved`
              : `the best found${together}${gap === null || gap === 0 ? '' : `, at most ${Math.max(0.1, gap).toFixed(1)} % above the least`}`
          }.`,
        ];
  return [
    ...said,
    ...(wired.length > 0 ? unsure : []),
    ...(leftOut ? ['Some ways are not tried; the plans of each circuit tell which.'] : []),
    ...(failed.length > 0
      ? [`${listed(failed.map((id) => nameOf(job, id)))} cannot be wired as asked.`]
      : []),
  ].join(' ');
};

const Found = ({ job, found, done }: { job: Job; found: PlannedAll; done: boolean }) => {
  const edit = useEdit();
  const failed = found.parts.flatMap((part) => part.failed);
  return (
    <section aria-label="Planned together" className="flex flex-col gap-2">
      <ul className="text-[14px]">
        {found.parts.map((part) => (
          <li key={part.circuits.join()} className="border-b border-line py-1.5">
            {sayPart(job, part)}
          </li>
        ))}
      </ul>
      {failed.length > 0 ? (
        <p className="text-[14px]">
          Why:{' '}
          {failed.map((id) => (
            <Link
              key={id}
              to={runsPath(job.id, id)}
              className="mr-3 inline-flex min-h-10 items-center underline"
            >
              {nameOf(job, id)}
            </Link>
          ))}
        </p>
      ) : null}
      {done && isSame(found.job.choices, job.choices) ? (
        <p className="text-[14px]">They are wired this way already.</p>
      ) : done ? (
        <Button
          look="main"
          className="self-start"
          onClick={() => edit({ ...job, choices: found.job.choices }, 'all circuits planned')}
        >
          Wire them this way
        </Button>
      ) : null}
    </section>
  );
};

/** All circuits of the job at once: those whose boxes touch are planned together, the others each by itself. */
export const AllCircuits = ({ job }: { job: Job }) => {
  const standing = standingCircuits(job);
  const plans = reviewOf(job).plans;
  const isWired = (id: CircuitId) => plans.find(({ circuit }) => circuit.id === id)?.outcome.ok === true;
  const open = job.circuits.filter(({ id }) => !standing.has(id));
  // What somebody chose is kept, unless it is ticked.
  const [ticked, setTicked] = useState<readonly CircuitId[]>(() =>
    open.filter(({ id }) => !isWired(id)).map(({ id }) => id),
  );
  const [asked, setAsked] = useState<readonly CircuitId[]>([]);
  const { work, stop } = useTogether(job, asked);
  const found = work?.kind === 'done' ? work.answer : work && work.kind !== 'failed' ? work.soFar : null;
  const tick = (id: CircuitId, is: boolean) => {
    setAsked([]);
    setTicked(is ? [...ticked, id] : ticked.filter((one) => one !== id));
  };
  return (
    <div className="grid gap-x-8 gap-y-4 sm:grid-cols-2">
      <fieldset className="flex flex-col">
        <legend className="mb-1 text-[13px] font-semibold">To be planned; the others stay as they are</legend>
        {open.map(({ id, name }) => (
          <label key={id} className="flex min-h-10 items-center gap-2.5 text-[14px]">
            <input
              type="checkbox"
              className="size-5 shrink-0 accent-ink"
              checked={ticked.includes(id)}
              onChange={(event) => tick(id, event.target.checked)}
            />
            <span className="min-w-0 flex-1">{name}</span>
            <span className="text-[13px] text-quiet">{isWired(id) ? 'wired' : 'not wired yet'}</span>
          </label>
        ))}
        {standing.size > 0 ? (
          <p className="mt-1 text-[13px] text-quiet">
            {plural(standing.size, 'circuit')} of what is there {standing.size === 1 ? 'stands' : 'stand'} as
            found.
          </p>
        ) : null}
      </fieldset>
      <div className="flex flex-col gap-3">
        <p className="text-[14px]">
          Circuits that share a box are planned together, as what one brings into it decides what room the
          other has.
        </p>
        {work?.kind === 'working' ? (
          <span className="flex items-center gap-3">
            <Button onClick={stop}>Stop</Button>
            <span role="status" className="text-[14px] text-quiet">
              Planning {plural(asked.length, 'circuit')} …
            </span>
          </span>
        ) : (
          <Button className="self-start" disabled={ticked.length === 0} onClick={() => setAsked([...ticked])}>
            Plan {plural(ticked.length, 'circuit')} together
          </Button>
        )}
        {work?.kind === 'failed' ? <p className="text-violation">It broke off: {work.message}</p> : null}
        {found && found.parts.length > 0 ? (
          <Found job={job} found={found} done={work?.kind === 'done'} />
        ) : null}
      </div>
    </div>
  );
};
