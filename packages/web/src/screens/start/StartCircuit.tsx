import { useMemo, useState, type FormEvent } from 'react';
import { Link, useNavigate } from 'react-router';
import {
  newDraft,
  reviewCircuit,
  sketchRun,
  withDraft,
  type BoxId,
  type CircuitId,
  type Job,
} from '@amber/core';
import { reviewOf, useEdit } from '../../store/review.js';
import { fresh } from '../../parts/fresh.js';
import { benchPath, layoutPath } from '../../parts/paths.js';
import { RunMini } from '../../parts/RunMini.js';
import { Button, controlLook, Field, SafetyNote, Select } from '../../parts/ui.js';

/** More can be added once the circuit is there. */
const MOST_SWITCHES = 6;

/** A short start: a room, its switch locations, one luminaire, and where power enters. All of it can be changed after. */
export const StartCircuit = ({ job }: { job: Job }) => {
  const edit = useEdit();
  const navigate = useNavigate();
  const [name, setName] = useState('');
  const [switches, setSwitches] = useState(2);
  const [powerAt, setPowerAt] = useState<'switch' | 'luminaire'>('switch');
  const [ids] = useState(() => ({
    circuit: fresh<CircuitId>('circuit'),
    boxes: Array.from({ length: MOST_SWITCHES + 1 }, () => fresh<BoxId>('box')),
  }));
  const planned = useMemo(() => {
    const boxes = [...ids.boxes];
    const freshBox = () => boxes.shift() ?? fresh<BoxId>('box');
    const draft = newDraft({
      circuit: ids.circuit,
      name: name.trim() || 'Lights',
      switches,
      powerAt,
      freshBox,
    });
    return withDraft(job, draft);
  }, [job, ids, name, switches, powerAt]);
  const review = reviewOf(planned);
  const run = sketchRun(review.job, reviewCircuit(review, ids.circuit).cables);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    edit(planned, 'new circuit');
    await navigate(benchPath(job.id, ids.circuit));
  };
  const devices =
    switches === 1
      ? 'a single-pole'
      : switches === 2
        ? 'a pair of three-ways'
        : `two three-ways and ${switches - 2} four-way${switches > 3 ? 's' : ''}`;
  return (
    <main className="min-h-0 flex-1 overflow-y-auto p-6 sm:p-10">
      <form onSubmit={(event) => void submit(event)} className="flex max-w-lg flex-col gap-5">
        <div>
          <h1 className="text-2xl font-bold">New circuit</h1>
          <p className="mt-1 text-quiet">
            One group of luminaires, controlled from one place or several. Or{' '}
            <Link className="font-semibold text-ink underline" to={layoutPath(job.id)}>
              measure the place
            </Link>{' '}
            and plan by its lengths.
          </p>
        </div>
        <Field label="Room">
          <input
            autoFocus
            value={name}
            maxLength={200}
            placeholder="Name of the room"
            onChange={(event) => setName(event.target.value)}
            className={controlLook}
          />
        </Field>
        <Field label="Switch locations" hint={`One at each way in. ${switches} means ${devices}.`}>
          <Select value={switches} onChange={(event) => setSwitches(Number(event.target.value))}>
            {Array.from({ length: MOST_SWITCHES }, (_, i) => i + 1).map((count) => (
              <option key={count}>{count}</option>
            ))}
          </Select>
        </Field>
        <Field
          label="Power enters"
          hint={
            powerAt === 'switch'
              ? 'The neutral comes along to each switch by itself.'
              : 'Often the shortest run; the switches then ask for a neutral of their own.'
          }
        >
          <Select
            value={powerAt}
            onChange={(event) => setPowerAt(event.target.value as 'switch' | 'luminaire')}
          >
            <option value="switch">at a switch</option>
            <option value="luminaire">at the luminaire</option>
          </Select>
        </Field>
        {run ? (
          <figure className="rounded-lg border border-line bg-sheet p-4">
            <figcaption className="mb-2 text-[13px] text-quiet">
              The run this gives; the lines are the conductors of each cable. Order and places can be changed
              after.
            </figcaption>
            <RunMini run={run} label="Run of the new circuit" />
          </figure>
        ) : null}
        <div className="flex gap-2">
          <Button look="main" type="submit">
            Plan it
          </Button>
          <Button onClick={() => void navigate(-1)}>Cancel</Button>
        </div>
        <SafetyNote className="border-t border-line pt-4" />
      </form>
    </main>
  );
};
