import { benchPath, changePath, layoutPath, runsPath, startPath } from '../../parts/paths.js';
import { hasExisting } from '../../panels/change/draft.js';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import {
  findGroup,
  findRoom,
  groupsOfCircuit,
  addCircuit,
  addGroup,
  layoutFaults,
  standingCircuits,
  withoutGroup,
  type Circuit,
  type CircuitId,
  type FeedId,
  type GroupId,
  type Job,
  type LayoutFault,
  type LevelId,
  type RoomId,
} from '@amber/core';
import { useEdit } from '../../store/review.js';
import { plural } from '../../parts/format.js';
import { EditionOfExisting } from '../../panels/asFound/EditionOfExisting.js';
import { NameInput } from '../../parts/inputs.js';
import { Button, controlLook, Field, Select, SeverityMark } from '../../parts/ui.js';
import { LevelsPanel } from './LevelsPanel.js';
import { RoutingFields } from './PanelForm.js';
import { RoughRooms } from './RoughRooms.js';
import { factsOfCircuit, SiteFacts } from './SiteFacts.js';
import { fresh } from '../../parts/fresh.js';
import type { Pointing, Selected } from './selection.js';

const heading = 'text-[15px] font-bold';

const selectedBy = (at: LayoutFault['at']): Selected =>
  'box' in at
    ? { kind: 'box', id: at.box }
    : 'room' in at
      ? { kind: 'room', id: at.room }
      : 'door' in at
        ? { kind: 'door', id: at.door }
        : null;

const Faults = ({ job, pointing }: { job: Job; pointing: Pointing }) => {
  const faults = layoutFaults(job);
  if (faults.length === 0) return null;
  return (
    <section aria-label="What cannot be so" className="flex flex-col gap-1">
      {faults.map(({ at, sentence }) => (
        <button
          key={sentence}
          type="button"
          className="flex min-h-10 gap-2 rounded-md p-1.5 text-left text-[13.5px] hover:bg-rail"
          onClick={() => ('group' in at ? pointing.setGroup(at.group) : pointing.select(selectedBy(at)))}
        >
          <SeverityMark severity="caution" />
          <span>{sentence}</span>
        </button>
      ))}
    </section>
  );
};

/** A circuit, or another group of one: a name and the room that it is for. */
const NewGroup = ({
  job,
  circuit,
  onDone,
}: {
  job: Job;
  circuit: Circuit | null;
  onDone: (group: GroupId | null) => void;
}) => {
  const edit = useEdit();
  const navigate = useNavigate();
  const [name, setName] = useState('');
  const [room, setRoom] = useState<RoomId | undefined>(job.rooms[0]?.id);
  const add = async () => {
    if (!room) return;
    const called = name.trim() || (findRoom(job, room)?.name ?? 'Lights');
    const group = fresh<GroupId>('group');
    if (circuit)
      edit(addGroup(job, { id: group, circuit: circuit.id, room, name: called }), `add the group ${called}`);
    else {
      const id = fresh<CircuitId>('circuit');
      edit(
        addCircuit(job, { circuit: id, group, feed: fresh<FeedId>('feed'), room, name: called }),
        `add the circuit ${called}`,
      );
      await navigate(layoutPath(job.id, id));
    }
    onDone(group);
  };
  return (
    <form
      className="flex flex-col gap-3 rounded-md border border-line p-3"
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <Field label={circuit ? `Control group on ${circuit.name}` : 'Circuit'}>
        <input
          autoFocus
          value={name}
          maxLength={200}
          placeholder="Name"
          onChange={(event) => setName(event.target.value)}
          className={controlLook}
        />
      </Field>
      <Field label="Room">
        <Select value={room} onChange={(event) => setRoom(event.target.value as RoomId)}>
          {job.rooms.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </Select>
      </Field>
      <div className="flex gap-2">
        <Button look="main" type="submit">
          Add
        </Button>
        <Button onClick={() => onDone(null)}>Cancel</Button>
      </div>
    </form>
  );
};

const GroupRow = ({ job, id, pointing }: { job: Job; id: GroupId; pointing: Pointing }) => {
  const edit = useEdit();
  const group = findGroup(job, id);
  if (!group) return null;
  const switches = job.slots.filter((slot) => slot.group === id).length;
  const lamps = job.luminaires.filter((one) => one.group === id).length;
  const current = pointing.group === id;
  const rename = (name: string) =>
    edit(
      { ...job, groups: job.groups.map((one) => (one.id === id ? { ...one, name } : one)) },
      'name of a group',
    );
  return (
    <li className={`rounded-md border ${current ? 'border-ink' : 'border-line'}`}>
      <button
        type="button"
        aria-pressed={current}
        onClick={() => pointing.setGroup(id)}
        className="flex min-h-11 w-full items-baseline gap-2 px-3 py-2 text-left hover:bg-rail"
      >
        <span className="min-w-0 flex-1 font-semibold break-words">{group.name}</span>
        <span className="shrink-0 text-[13px] text-quiet">
          {group.control === 'hot'
            ? 'always hot'
            : `${plural(switches, 'switch', 'switches')}, ${plural(lamps, 'luminaire')}`}
        </span>
      </button>
      {current ? (
        <div className="flex gap-2 px-3 pb-3">
          <NameInput label="Name of the group" value={group.name} onChange={rename} />
          <Button onClick={() => edit(withoutGroup(job, id), `remove the group ${group.name}`)}>
            Remove
          </Button>
        </div>
      ) : null}
    </li>
  );
};

/** Work that is there already is judged by the edition that it was built by. */
const ExistingWork = ({ job }: { job: Job }) =>
  job.boxes.some((box) => box.work === 'existing') ? (
    <EditionOfExisting job={job} label="Existing work was built by" />
  ) : null;

/** Boxes that were begun without a plan: each is placed by a tap, and waits here until then. */
const NotPlaced = ({ job, pointing }: { job: Job; pointing: Pointing }) => {
  const waiting = job.boxes.filter(({ at, work }) => at === null && work !== 'beyond');
  if (waiting.length === 0) return null;
  return (
    <section aria-label="Not placed yet" className="flex flex-col gap-2">
      <h2 className={heading}>Not placed yet</h2>
      <p className="text-[13.5px] text-quiet">Take one, then tap where it is.</p>
      <ul className="flex flex-wrap gap-2">
        {waiting.map(({ id, name }) => (
          <li key={id}>
            <button
              type="button"
              aria-pressed={pointing.placing === id}
              className="min-h-11 rounded-md border border-dashed border-quiet bg-white px-3 font-semibold break-words hover:bg-rail aria-pressed:border-solid aria-pressed:border-ink aria-pressed:bg-rail"
              onClick={() => pointing.place(pointing.placing === id ? null : id)}
            >
              {name}
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
};

/** What comes next, once there is something to switch and something to switch it from. */
const WayOn = ({ job, circuit }: { job: Job; circuit: Circuit }) => {
  const groups = groupsOfCircuit(job, circuit.id).filter(({ control }) => control === 'switched');
  const isReady = groups.every(
    ({ id }) =>
      job.slots.some(({ group }) => group === id) && job.luminaires.some(({ group }) => group === id),
  );
  if (groups.length === 0 || !isReady) return null;
  // Of what stands as it was found nothing is planned.
  const stands = standingCircuits(job).has(circuit.id);
  return (
    <Link
      to={stands ? benchPath(job.id, circuit.id) : runsPath(job.id, circuit.id)}
      className="inline-flex min-h-11 items-center justify-center gap-2 rounded-md bg-ink px-3 font-semibold text-sheet hover:bg-black print:hidden"
    >
      {stands ? 'See what is there' : 'See the ways to wire it'}
    </Link>
  );
};

/** What the plan holds: faults first, then what controls what, then how runs go. */
export const Overview = ({
  job,
  circuit,
  pointing,
  onShowLevel,
}: {
  job: Job;
  circuit: Circuit | null;
  pointing: Pointing;
  onShowLevel: (level: LevelId) => void;
}) => {
  const [adding, setAdding] = useState<'circuit' | 'group' | null>(null);
  if (job.rooms.length === 0)
    return (
      <section className="flex flex-col gap-3">
        <h2 className={heading}>Measure the place</h2>
        <ol className="flex list-decimal flex-col gap-2 pl-5 text-[14px]">
          <li>Draw the room by its dimensions.</li>
          <li>Put in the doors: switches go to their latch sides.</li>
          <li>Start a circuit, tap its switch locations and luminaires.</li>
          <li>Place the panel, or the box where power is.</li>
        </ol>
        <Button look="main" onClick={() => pointing.take('room')}>
          <Plus size={17} /> Draw a room
        </Button>
        <p className="text-[14px]">
          Or begin with an{' '}
          <Link className="font-semibold underline" to={startPath(job.id)}>
            everyday place
          </Link>{' '}
          and correct what is otherwise here.
        </p>
      </section>
    );
  return (
    <>
      <Faults job={job} pointing={pointing} />
      <RoughRooms job={job} pointing={pointing} />
      <NotPlaced job={job} pointing={pointing} />
      {[...job.circuits]
        .sort((a, b) => Number(b.id === circuit?.id) - Number(a.id === circuit?.id))
        .map((one) => (
          <section key={one.id} aria-label={one.name} className="flex flex-col gap-2">
            <h2 className={heading}>
              {one.name} <span className="font-normal text-quiet">{one.breaker} A</span>
            </h2>
            <ul className="flex flex-col gap-2">
              {groupsOfCircuit(job, one.id).map((group) => (
                <GroupRow key={group.id} job={job} id={group.id} pointing={pointing} />
              ))}
            </ul>
            {hasExisting(job, one) ? (
              <Link
                to={changePath(job.id, one.id)}
                className="inline-flex min-h-11 items-center justify-center rounded-md border border-line bg-white px-3 font-semibold hover:bg-rail print:hidden"
              >
                Change what is there …
              </Link>
            ) : null}
            {one.id === circuit?.id ? <WayOn job={job} circuit={one} /> : null}
            {one.id === circuit?.id ? <SiteFacts job={job} facts={factsOfCircuit(one)} /> : null}
            {one.id === circuit?.id && adding === 'group' ? (
              <NewGroup
                job={job}
                circuit={one}
                onDone={(group) => {
                  setAdding(null);
                  if (group) pointing.setGroup(group);
                }}
              />
            ) : one.id === circuit?.id ? (
              <Button onClick={() => setAdding('group')}>
                <Plus size={17} /> Control group
              </Button>
            ) : null}
          </section>
        ))}
      {adding === 'circuit' ? (
        <NewGroup
          job={job}
          circuit={null}
          onDone={(group) => {
            setAdding(null);
            if (group) {
              pointing.setGroup(group);
              pointing.take('switch');
            }
          }}
        />
      ) : (
        <div className="flex flex-wrap gap-2">
          <Button look={job.circuits.length === 0 ? 'main' : 'plain'} onClick={() => setAdding('circuit')}>
            <Plus size={17} /> Circuit
          </Button>
          <Link
            to={startPath(job.id)}
            className="inline-flex min-h-10 items-center rounded-md border border-line bg-white px-3 font-semibold hover:bg-rail"
          >
            In an everyday place …
          </Link>
        </div>
      )}
      <LevelsPanel job={job} onShow={onShowLevel} />
      <section aria-label="How runs go" className="flex flex-col gap-3 border-t border-line pt-3">
        <h2 className={heading}>How runs go</h2>
        <RoutingFields job={job} />
        <ExistingWork job={job} />
        {job.routing.panel ? null : (
          <p className="text-[13.5px]">The panel is not on the plan: home runs have no length yet.</p>
        )}
      </section>
    </>
  );
};
