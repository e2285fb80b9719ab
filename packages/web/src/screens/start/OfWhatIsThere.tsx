import { Link } from 'react-router';
import type { Job } from '@amber/core';
import { findPath, wiresPath } from '../../parts/paths.js';
import { Button } from '../../parts/ui.js';

const WORDS = {
  trouble: {
    title: 'What does not work?',
    of: 'The finder asks what the handles do and what can be seen, and says where to look first.',
    path: findPath,
  },
  unknownWires: {
    title: 'Where are the wires that nobody knows?',
    of: 'Say which wires come into the boxes. The fewest readings, dead ones first, tell which is which.',
    path: wiresPath,
  },
} as const;

/** Work on what is there: of a circuit of the job, or of one that has to be told first. */
export const OfWhatIsThere = ({
  job,
  beginning,
  onPlace,
}: {
  job: Job;
  beginning: keyof typeof WORDS;
  /** It is not in the job yet: a place is picked that is there. */
  onPlace: () => void;
}) => {
  const { title, of, path } = WORDS[beginning];
  return (
    <section className="flex flex-col gap-3">
      <h2 className="text-[17px] font-bold">{title}</h2>
      <p className="max-w-prose text-[14px]">{of}</p>
      {job.circuits.length > 0 ? (
        <ul aria-label="Circuits of this job" className="flex flex-col gap-2">
          {job.circuits.map(({ id, name, breaker }) => (
            <li key={id}>
              <Link
                to={path(job.id, id)}
                className="flex min-h-12 items-center gap-3 rounded-md border border-line bg-sheet px-3 font-semibold hover:bg-rail"
              >
                <span className="min-w-0 flex-1 break-words">{name}</span>
                <span className="text-[13px] font-normal text-quiet">{breaker} A</span>
              </Link>
            </li>
          ))}
        </ul>
      ) : null}
      <p className="max-w-prose text-[14px]">
        {job.circuits.length > 0 ? 'Is it another circuit? ' : ''}Pick the place that it serves: its switches
        and luminaires are put on the plan as there already, and on the bench you tell which cables lie there.
      </p>
      <div>
        <Button look={job.circuits.length > 0 ? 'plain' : 'main'} onClick={onPlace}>
          Pick the place
        </Button>
      </div>
    </section>
  );
};
