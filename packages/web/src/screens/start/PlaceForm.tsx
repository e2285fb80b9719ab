import { useMemo, useState, type FormEvent } from 'react';
import { useNavigate } from 'react-router';
import {
  beginExisting,
  beginPlace,
  circuitBegun,
  EVERYDAY,
  existingDocument,
  findCircuit,
  leastSaid,
  namedWays,
  withChoice,
  type EverydayId,
  type EverydayPlace,
  type EverydayPower,
  type CircuitId,
  type Job,
  type NamedWay,
  type RoomId,
} from '@amber/core';
import { benchPath, layoutPath } from '../../parts/paths.js';
import { fresh } from '../../parts/fresh.js';
import { LengthInput } from '../../parts/inputs.js';
import { OneOf } from '../../parts/OneOf.js';
import { Button, controlLook, Field, Select } from '../../parts/ui.js';
import { WordSelect } from '../../parts/WordSelect.js';
import { useEdit } from '../../store/review.js';
import { usePlans } from '../../worker/usePlans.js';
import { placeAlone, PlaceMini } from './PlaceMini.js';
import { StartBar } from './StartBar.js';
import { WaysToStart } from './WaysToStart.js';

const POWER_WORDS: Record<EverydayPower, string> = {
  panel: 'The panel, by a home run',
  receptacle: 'A receptacle that is there',
  switch: 'A switch box that is there',
  luminaire: 'A luminaire box that is there',
  junction: 'A junction box that is there',
};

/** Less than this is no room that one walks through, inches. */
const LEAST = 30;

/** The ways to wire what is begun that everybody knows, and first, as soon as it is found, what a master would choose. */
const useWays = (begun: Job, circuit: CircuitId) => {
  const drawn = findCircuit(begun, circuit);
  if (!drawn) throw new Error('A place was begun without its circuit.');
  const { search } = usePlans(begun, drawn);
  const found = search.kind === 'done' ? search.found : null;
  const ways = useMemo(() => namedWays(begun, circuit, found?.candidates), [begun, circuit, found]);
  const least = found?.profiles.find(({ id }) => id === 'mastersChoice');
  const said = least?.proved
    ? 'Every way was searched for these measures; the first is what a master would choose.'
    : least
      ? `The first is the best that was found, as a master would choose. ${least.unproved.join(' ')}`
      : '';
  return { ways, said, searching: search.kind === 'searching' };
};

interface PlaceFormProps {
  job: Job;
  place: EverydayId;
  /** It is there already, until somebody says otherwise. */
  isThere: boolean;
}

/** An everyday place as it is here: its name and size, where power comes from, and how it is wired. */
export const PlaceForm = ({ job, place: id, isThere }: PlaceFormProps) => {
  const place: EverydayPlace = EVERYDAY[id];
  const [first] = place.rooms;
  const edit = useEdit();
  const navigate = useNavigate();
  const [stem] = useState(() => fresh('place'));
  const [name, setName] = useState('');
  const [into, setInto] = useState<RoomId | null>(null);
  const [width, setWidth] = useState<number | null>(first.width);
  const [depth, setDepth] = useState<number | null>(first.depth);
  const [power, setPower] = useState<EverydayPower>(place.power);
  const [there, setThere] = useState(isThere);
  const [wanted, setWanted] = useState<NamedWay['id'] | null>(null);
  const circuit = circuitBegun(stem);
  const isSmall = into === null && Math.min(width ?? 0, depth ?? 0) < LEAST;
  // The room is named when it is begun: that changes nothing of how it is wired.
  const asked = useMemo(
    () => ({
      ...{ place: id, stem, into, power, isThere: there },
      ...(isSmall ? {} : { width: width ?? first.width, depth: depth ?? first.depth }),
    }),
    [id, stem, into, power, there, isSmall, width, depth, first],
  );
  const begun = useMemo(() => beginPlace(job, { ...asked, name: first.name }), [job, asked, first]);
  const { ways, said, searching } = useWays(begun, circuit);
  const picked = ways.find((way) => way.id === wanted) ?? ways[0] ?? null;
  const begin = async (where: 'bench' | 'layout') => {
    const made = beginPlace(job, { ...asked, name: name.trim() || first.name });
    // What is there is told on the bench as it is, and not planned.
    const wired = there
      ? beginExisting(made)
      : picked
        ? withChoice(made, circuit, leastSaid(made, circuit, picked.plan.choice))
        : made;
    const told = there ? (existingDocument(wired)?.id ?? null) : null;
    if (edit(wired, 'new circuit'))
      await navigate(where === 'layout' ? layoutPath(job.id, circuit) : benchPath(job.id, circuit, told));
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (!isSmall) void begin('bench');
  };
  const measured = job.rooms.filter((room) => room.outline !== null);
  return (
    <form onSubmit={submit} className="flex flex-col gap-4">
      <div className="flex flex-wrap items-start gap-4">
        <PlaceMini
          job={placeAlone(begun, circuit)}
          className="h-auto w-64 max-w-full rounded-md border border-line bg-paper"
        />
        <div className="flex min-w-56 flex-1 flex-col gap-3">
          <Field label="Room">
            <input
              value={name}
              maxLength={180}
              placeholder={first.name}
              onChange={(event) => setName(event.target.value)}
              className={controlLook}
            />
          </Field>
          {measured.length > 0 ? (
            <Field label="Where">
              <Select
                value={into ?? ''}
                onChange={(event) => setInto((event.target.value || null) as RoomId | null)}
              >
                <option value="">A room that is not on the plan yet</option>
                {measured.map((room) => (
                  <option key={room.id} value={room.id}>
                    {room.name}, with its walls and doors
                  </option>
                ))}
              </Select>
            </Field>
          ) : null}
          {into === null ? (
            <div className="grid grid-cols-2 gap-3">
              <Field label="Left to right">
                <LengthInput value={width} onChange={setWidth} />
              </Field>
              <Field label="Top to bottom">
                <LengthInput value={depth} onChange={setDepth} />
              </Field>
            </div>
          ) : null}
          {isSmall ? (
            <p role="alert" className="text-[13px] text-violation">
              Give both from wall to wall, 2'-6" at least.
            </p>
          ) : null}
        </div>
      </div>
      <div className="grid gap-3 sm:grid-cols-2">
        <Field label="Power comes from">
          <WordSelect words={POWER_WORDS} value={power} onPick={(one) => one && setPower(one)} />
        </Field>
        <div>
          <span className="mb-1 block text-[13px] font-semibold">Its wiring</span>
          <OneOf
            label="Its wiring"
            options={[
              { value: 'new', words: 'New' },
              { value: 'there', words: 'There already' },
            ]}
            value={there ? 'there' : 'new'}
            onPick={(value) => setThere(value === 'there')}
          />
        </div>
      </div>
      {there ? (
        <p className="text-[14px]">
          On the bench you tell which cables lie there and where power comes in. The boxes are then drawn as
          is usual, and count as not looked at until somebody has.
        </p>
      ) : (
        <div>
          <h2 className="text-[13px] font-semibold">How it runs</h2>
          <p role="status" className="mb-2 text-[13px] text-quiet">
            {searching ? 'Searching every way …' : said} Sizes and places are a first measure,{' '}
            {place.circuit.breaker} A on {place.circuit.awg} AWG; all of it can be changed after, and Runs
            compares every way.
          </p>
          {picked ? (
            <WaysToStart ways={ways} picked={picked.id} isRough={into === null} onPick={setWanted} />
          ) : null}
          {!searching && ways.length === 0 ? (
            <p className="text-[14px]">No way was found yet. Begin it, and Runs says why.</p>
          ) : null}
        </div>
      )}
      <StartBar>
        <Button look="main" type="submit" disabled={isSmall}>
          {there ? 'Tell what is there' : 'Plan it'}
        </Button>
        <Button disabled={isSmall} onClick={() => void begin('layout')}>
          Measure it first
        </Button>
      </StartBar>
    </form>
  );
};
