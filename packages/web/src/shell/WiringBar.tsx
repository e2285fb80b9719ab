import { Link, useNavigate } from 'react-router';
import { beginBuilt, beginExisting, type Circuit, type Job, type WiringDoc } from '@amber/core';
import { benchPath } from '../parts/paths.js';
import { wiringName } from '../parts/wiringWords.js';
import { reviewOf, useEdit } from '../store/review.js';

const link =
  'inline-flex min-h-10 items-center rounded-md border border-line bg-white px-3 font-semibold hover:bg-rail';
const part =
  'inline-flex min-h-10 items-center px-3 text-[13.5px] font-semibold hover:bg-rail aria-[current=page]:bg-ink aria-[current=page]:text-sheet';

interface Shown {
  job: Job;
  circuit: Circuit | null;
  wiring: string | null;
}

interface SwitchTo {
  /** The screen of another wiring. */
  to: typeof benchPath;
  /** Can what was not told yet be begun here? */
  begins: boolean;
}

const NOTES: Record<WiringDoc['kind'], string> = {
  planned: 'What is to be made. It follows from the plan.',
  existing:
    'What is there, told box by box. Tap a wire, then where it is; or tell it in the list at the side.',
  found: 'A second look at what is there. Tap a wire, then where it is.',
  built: 'What was made otherwise than planned. Tap a wire, then where it is.',
};

/** Planned, as it is, as built: the same boxes three times over. What was not told yet is begun here, on the bench. */
export const WiringSwitch = ({ job, circuit, wiring, to, begins }: Shown & SwitchTo) => {
  const edit = useEdit();
  const navigate = useNavigate();
  const at = (id: string | null) => to(job.id, circuit?.id ?? null, id);
  const ofKind = (kind: WiringDoc['kind']) => job.wirings.filter((one) => one.kind === kind);
  const shown = job.wirings.find((one) => one.id === wiring);
  const item = (id: string | null, name: string) => (
    <Link key={id ?? ''} className={part} to={at(id)} aria-current={wiring === id ? 'page' : undefined}>
      {name}
    </Link>
  );
  const begin = (begun: Job | null, kind: WiringDoc['kind'], label: string) => () => {
    const document = begun?.wirings.find((one) => one.kind === kind);
    if (!begun || !document) return;
    edit(begun, label);
    void navigate(at(document.id));
  };
  const [existing] = ofKind('existing');
  const built = ofKind('built');
  const couldBuild = beginBuilt(reviewOf(job).job);
  return (
    <nav aria-label="Which wiring is shown" title={NOTES[shown?.kind ?? 'planned']}>
      <div className="flex w-fit divide-x divide-line overflow-hidden rounded-md border border-line bg-sheet">
        {item(null, 'Planned')}
        {existing ? (
          item(existing.id, 'As it is')
        ) : begins ? (
          <button
            type="button"
            className={part}
            onClick={begin(beginExisting(job), 'existing', 'tell what is there')}
          >
            As it is
          </button>
        ) : null}
        {ofKind('found').map((one) => item(one.id, wiringName(job, one)))}
        {built.map((one) => item(one.id, built.length > 1 ? wiringName(job, one) : 'As built'))}
        {built.length > 0 || !begins ? null : (
          <button
            type="button"
            className={`${part} disabled:text-quiet`}
            disabled={couldBuild === null}
            onClick={begin(couldBuild, 'built', 'tell what was built')}
          >
            As built
          </button>
        )}
      </div>
    </nav>
  );
};

/** A job may bring a second look at what is there. That the planned wiring is shown is said on every screen, with the way to the others. */
export const WiringBar = ({ job, circuit }: Omit<Shown, 'wiring'>) => {
  const others = job.wirings.filter((one) => one.kind === 'found');
  if (others.length === 0) return null;
  const names = others.map((one) => `a ${wiringName(job, one)}`);
  return (
    <div
      role="status"
      aria-label="Which wiring is shown"
      className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-line bg-white px-4 py-1.5 text-[13.5px]"
    >
      <p className="min-w-60 flex-1">
        Shown: the <strong>planned wiring</strong>. This job also holds {names.join(', ')}.
      </p>
      {others.map((one) => (
        <Link key={one.id} className={link} to={benchPath(job.id, circuit?.id ?? null, one.id)}>
          Look at the {wiringName(job, one)}
        </Link>
      ))}
    </div>
  );
};
