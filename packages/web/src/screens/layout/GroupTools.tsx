import { useState } from 'react';
import {
  addCircuit,
  addGroup,
  evenSpots,
  findRoom,
  unusedName,
  type CircuitId,
  type FeedId,
  type GroupId,
  type Job,
  type Room,
} from '@amber/core';
import { fresh } from '../../parts/fresh.js';
import { Button, Field, Select } from '../../parts/ui.js';
import { LOAD_WORDS } from '../../panels/change/HungFields.js';
import { WordSelect } from '../../parts/WordSelect.js';
import { luminairesAt, switchAt, type Placed } from './placing.js';
import type { Pointing } from './selection.js';

interface ToolProps {
  job: Job;
  pointing: Pointing;
  onPlaced: (placed: Placed | null) => void;
}

/** What one asks for in the list of groups to have one more. */
const NEW = 'new';

/** The group that new switches and luminaires join; one more of the same circuit is made here. */
const GroupSelect = ({ job, pointing, onPlaced }: ToolProps) => {
  const now = job.groups.find(({ id }) => id === pointing.group);
  const add = () => {
    if (!now) return;
    const id = fresh<GroupId>('group');
    const name = unusedName(
      now.name,
      job.groups.map((group) => group.name),
    );
    // The job here is what one floor sees of it: it goes back into the whole as all that is placed does.
    onPlaced({
      job: addGroup(job, { id, circuit: now.circuit, room: now.room, name }),
      ...{ label: `add the group ${name}`, selected: null },
    });
    pointing.setGroup(id);
  };
  return (
    <Field label="Control group" hint="The switches of a group control its luminaires together.">
      <Select
        value={pointing.group ?? ''}
        onChange={(event) =>
          event.target.value === NEW ? add() : pointing.setGroup(event.target.value as GroupId)
        }
      >
        {job.groups
          .filter((group) => group.control === 'switched')
          .map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        <option value={NEW}>New group beside it …</option>
      </Select>
    </Field>
  );
};

/** A circuit is begun for one of the rooms; its first group is called as the room is. */
const NoGroup = ({ job, pointing, onPlaced }: ToolProps) => {
  const rooms = job.rooms.filter((room) => room.outline !== null);
  const begin = (room: Room) => {
    const group = fresh<GroupId>('group');
    onPlaced({
      job: addCircuit(job, {
        ...{ circuit: fresh<CircuitId>('circuit'), group, feed: fresh<FeedId>('feed') },
        ...{ room: room.id, name: room.name },
      }),
      ...{ label: `add the circuit ${room.name}`, selected: null },
    });
    pointing.setGroup(group);
  };
  return (
    <div className="flex flex-col gap-2">
      <p className="text-[14px]">
        {rooms.length === 0 ? 'Draw a room first.' : 'A circuit is begun first. For which room?'}
      </p>
      {rooms.map((room) => (
        <Button key={room.id} onClick={() => begin(room)}>
          {room.name}
        </Button>
      ))}
    </div>
  );
};

const roomOfGroup = (job: Job, group: GroupId): Room | undefined =>
  findRoom(job, job.groups.find(({ id }) => id === group)?.room);

/** Why nothing can be put into the room of a group by itself. */
const notHere = (room: Room | undefined): string =>
  room === undefined
    ? 'The room of this group is not on this floor. Tap where it comes, or show the other floor.'
    : room.outline === null
      ? `${room.name} has not been measured yet.`
      : `${room.name} has no wall with room for another. Tap where it comes.`;

export const SwitchTool = ({ job, pointing, onPlaced }: ToolProps) => {
  const { group } = pointing;
  if (!group) return <NoGroup job={job} pointing={pointing} onPlaced={onPlaced} />;
  const locations = job.slots.filter((slot) => slot.group === group).length;
  const room = roomOfGroup(job, group);
  const canAdd = switchAt(job, group, null) !== null;
  return (
    <div className="flex flex-col gap-3">
      <GroupSelect job={job} pointing={pointing} onPlaced={onPlaced} />
      <p className="text-[14px]">
        Tap a wall for each place to switch from.{' '}
        {locations === 0
          ? 'One is a single-pole.'
          : locations === 1
            ? 'It has one; a second makes a pair of three-ways.'
            : `It has ${locations}; one more brings a four-way between the three-ways.`}
      </p>
      <Button look="main" disabled={!canAdd} onClick={() => onPlaced(switchAt(job, group, null))}>
        Add at the next door
      </Button>
      {canAdd ? null : <p className="text-[13px] text-quiet">{notHere(room)}</p>}
    </div>
  );
};

const { nightLight: _nightLight, ...CEILING_WORDS } = LOAD_WORDS;

const COUNTS = Array.from({ length: 8 }, (_, i) => i + 1);

export const LuminaireTool = ({ job, pointing, onPlaced }: ToolProps) => {
  const { group, hung } = pointing;
  const [columns, setColumns] = useState(1);
  const [rows, setRows] = useState(1);
  if (!group) return <NoGroup job={job} pointing={pointing} onPlaced={onPlaced} />;
  const room = roomOfGroup(job, group);
  const spots = room ? evenSpots(room, columns, rows) : [];
  const count = (label: string, value: number, set: (count: number) => void) => (
    <Field label={label}>
      <Select value={value} onChange={(event) => set(Number(event.target.value))}>
        {COUNTS.map((one) => (
          <option key={one}>{one}</option>
        ))}
      </Select>
    </Field>
  );
  return (
    <div className="flex flex-col gap-3">
      <GroupSelect job={job} pointing={pointing} onPlaced={onPlaced} />
      <Field label="What hangs there">
        <WordSelect words={CEILING_WORDS} value={hung} onPick={(kind) => kind && pointing.setHung(kind)} />
      </Field>
      <p className="text-[14px]">
        Tap the ceiling where one hangs, or spread them evenly over {room?.name ?? 'the room'}.
      </p>
      <div className="grid grid-cols-2 gap-3">
        {count('Across', columns, setColumns)}
        {count('Down', rows, setRows)}
      </div>
      <Button
        look="main"
        disabled={spots.length === 0}
        onClick={() => onPlaced(luminairesAt(job, group, spots, hung))}
      >
        {spots.length > 1 ? `Add ${spots.length} evenly` : 'Add one in the middle'}
      </Button>
      {spots.length === 0 ? <p className="text-[13px] text-quiet">{notHere(room)}</p> : null}
    </div>
  );
};
