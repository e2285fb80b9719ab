import { Link } from 'react-router';
import type { Circuit, Job } from '@amber/core';
import { benchPath } from '../parts/paths.js';
import { wiringName } from '../parts/wiringWords.js';

const link =
  'inline-flex min-h-10 items-center rounded-md border border-line bg-white px-3 font-semibold hover:bg-rail';

/** A job may bring wirings beside the planned one. Which of them is shown is said wherever the job is open, with the way to the others. */
export const WiringBar = ({
  job,
  circuit,
  wiring,
}: {
  job: Job;
  circuit: Circuit | null;
  wiring: string | null;
}) => {
  const others = job.wirings.filter((one) => one.kind !== 'planned');
  if (others.length === 0) return null;
  const shown = others.find((one) => one.id === wiring);
  const names = others.map((one) => `${one.kind === 'existing' ? 'an' : 'a'} ${wiringName(job, one)}`);
  return (
    <div
      role="status"
      aria-label="Which wiring is shown"
      className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-line bg-white px-4 py-1.5 text-[13.5px]"
    >
      <p className="min-w-60 flex-1">
        {shown ? (
          <>
            Shown: the <strong>{wiringName(job, shown)}</strong>, as it was brought. It can be looked at and
            is judged here; it cannot be changed.
          </>
        ) : (
          <>
            Shown: the <strong>planned wiring</strong>. This job also brings {names.join(', ')}, which
            {others.length > 1 ? ' are' : ' is'} not drawn and not judged here.
          </>
        )}
      </p>
      {shown ? (
        <Link className={link} to={benchPath(job.id, circuit?.id ?? null)}>
          Planned wiring
        </Link>
      ) : null}
      {others
        .filter((one) => one !== shown)
        .map((one) => (
          <Link key={one.id} className={link} to={benchPath(job.id, null, one.id)}>
            Look at the {wiringName(job, one)}
          </Link>
        ))}
    </div>
  );
};
