import { useState } from 'react';
import { findRoom, evenSpots, type GroupId, type Job, type Room } from '@amber/core';
import { PickField } from '../../parts/PickField.js';
import { Button, Field, Select } from '../../parts/ui.js';
import { luminairesAt, switchAt, type Placed } from './placing.js';
import type { Pointing } from './selection.js';

interface ToolProps {
  job: Job;
  pointing: Pointing;
  onPlaced: (placed: Placed | null) => void;
}

const GroupSelect = ({ job, pointing }: { job: Job; pointing: Pointing }) => (
  <PickField
    label="Control group"
    hint="The switches of a group control its luminaires together."
    items={job.groups.filter((group) => group.control === 'switched')}
    value={pointing.group}
    onPick={pointing.setGroup}
  />
);

const NoGroup = () => (
  <p className="text-[14px]">Start a circuit first: it brings its first control group.</p>
);

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
  if (!group) return <NoGroup />;
  const locations = job.slots.filter((slot) => slot.group === group).length;
  const room = roomOfGroup(job, group);
  const canAdd = switchAt(job, group, null) !== null;
  return (
    <div className="flex flex-col gap-3">
      <GroupSelect job={job} pointing={pointing} />
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

const COUNTS = Array.from({ length: 8 }, (_, i) => i + 1);

export const LuminaireTool = ({ job, pointing, onPlaced }: ToolProps) => {
  const { group } = pointing;
  const [columns, setColumns] = useState(1);
  const [rows, setRows] = useState(1);
  if (!group) return <NoGroup />;
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
      <GroupSelect job={job} pointing={pointing} />
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
        onClick={() => onPlaced(luminairesAt(job, group, spots))}
      >
        {spots.length > 1 ? `Add ${spots.length} evenly` : 'Add one in the middle'}
      </Button>
      {spots.length === 0 ? <p className="text-[13px] text-quiet">{notHere(room)}</p> : null}
    </div>
  );
};
