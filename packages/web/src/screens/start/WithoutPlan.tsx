import { useMemo, useState, type FormEvent } from 'react';
import { useNavigate } from 'react-router';
import {
  namedWays,
  newDraft,
  newJob,
  withChoice,
  withDraft,
  type BoxId,
  type CircuitId,
  type Job,
  type NamedWay,
} from '@amber/core';
import { useEdit } from '../../store/review.js';
import { fresh } from '../../parts/fresh.js';
import { benchPath } from '../../parts/paths.js';
import { StartBar } from './StartBar.js';
import { WaysToStart } from './WaysToStart.js';
import { Button, controlLook, Field, Select } from '../../parts/ui.js';

/** More can be added once the circuit is there. */
const MOST_SWITCHES = 6;

/** What of a job decides how a new circuit is wired and what it costs. */
const habitsOf = ({ stock, preferences, edition, amendments, labour, judgement, routing }: Job) => ({
  ...{ stock, preferences, edition, labour, judgement },
  amendments: amendments.filter(({ scope }) => scope === 'job'),
  routing: { ...routing, panel: null },
});

interface Ids {
  circuit: CircuitId;
  boxes: readonly BoxId[];
}

/** The circuit as it is begun, with the same ids however often it is drawn. */
const draftOf = ({ circuit, boxes }: Ids, switches: number, name: string) => {
  const left = [...boxes];
  const freshBox = () => left.shift() ?? fresh<BoxId>('box');
  return newDraft({ circuit, name, switches, powerAt: 'switch', freshBox });
};

/** A short start without a plan: a room, its switch locations, one luminaire, and where power enters. All of it can be changed after. */
export const WithoutPlan = ({ job }: { job: Job }) => {
  const edit = useEdit();
  const navigate = useNavigate();
  const [name, setName] = useState('');
  const [switches, setSwitches] = useState(2);
  const [wanted, setWanted] = useState<NamedWay['id'] | null>(null);
  const [ids] = useState((): Ids => ({
    circuit: fresh<CircuitId>('circuit'),
    boxes: Array.from({ length: MOST_SWITCHES + 1 }, () => fresh<BoxId>('box')),
  }));
  // Drawn and priced as though it were alone: what else the job holds does not come to new boxes.
  const ways = useMemo(() => {
    const alone: Job = { ...newJob(job.id, '', []), ...habitsOf(job) };
    return namedWays(withDraft(alone, draftOf(ids, switches, 'Lights')), ids.circuit);
  }, [job, ids, switches]);
  const picked = ways.find(({ id }) => id === wanted) ?? ways[0] ?? null;
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const begun = withDraft(job, draftOf(ids, switches, name.trim() || 'Lights'));
    edit(picked ? withChoice(begun, ids.circuit, picked.choice) : begun, 'new circuit');
    await navigate(benchPath(job.id, ids.circuit));
  };
  const devices =
    switches === 1
      ? 'a single-pole'
      : switches === 2
        ? 'a pair of three-ways'
        : `two three-ways and ${switches - 2} four-way${switches > 3 ? 's' : ''}`;
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-5">
      <div className="grid gap-5 sm:grid-cols-2">
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
      </div>
      <div>
        <h2 className="mb-1 text-[13px] font-semibold">How it runs</h2>
        <p className="mb-2 text-[13px] text-quiet">
          The lines are the conductors of each cable. Nothing is measured yet, so each run is counted at a
          guess; order and places can be changed after, and the boxes placed on the layout.
        </p>
        {picked ? <WaysToStart ways={ways} picked={picked.id} onPick={setWanted} /> : null}
      </div>
      <StartBar>
        <Button look="main" type="submit">
          Plan it
        </Button>
      </StartBar>
    </form>
  );
};
