import {
  findRoom,
  changeDoor,
  switchesToLatch,
  isUpright,
  listed,
  roomsOfDoor,
  wallOfDoor,
  type Door,
  type Job,
} from '@amber/core';
import { useState } from 'react';
import { Button } from '../../parts/ui.js';
import { useEdit } from '../../store/review.js';
import { LengthInput, NameInput } from '../../parts/inputs.js';
import { Field, Select } from '../../parts/ui.js';
import { FaultsOf } from './FaultsOf.js';

/** Where along its wall a door is, how wide, and which way it swings: the switch goes to its latch. */
export const DoorForm = ({ job, door }: { job: Job; door: Door }) => {
  const edit = useEdit();
  const set = (change: Partial<Door>, what: string) =>
    edit(changeDoor(job, door.id, change), `${what} of ${door.name}`);
  /** As it was before the hinge was said to be elsewhere: the switch may go along. */
  const [before, setBefore] = useState<Job | null>(null);
  const along = before ? switchesToLatch(before, job, door.id) : job;
  const room = findRoom(job, door.room);
  const others = roomsOfDoor(job, door.id)
    .slice(1)
    .map((id) => findRoom(job, id)?.name ?? '');
  const wall = wallOfDoor(job, door);
  const upright = wall !== undefined && isUpright(wall);
  // Walls go round the room; a person sees left and right, or up and down.
  const forward = wall === undefined || (upright ? wall.along.y > 0 : wall.along.x > 0);
  const [first, second] = upright ? ['upper', 'lower'] : ['left', 'right'];
  const [atStart, atEnd] = forward ? [first, second] : [second, first];
  const from = forward ? door.offset : (wall?.length ?? 0) - door.offset - door.width;
  return (
    <>
      <h2 className="text-[15px] font-bold">
        {others.length === 0
          ? `Door of ${room?.name ?? 'no room'}`
          : `Door between ${listed([room?.name ?? '', ...others])}`}
      </h2>
      <FaultsOf job={job} of={(at) => 'door' in at && at.door === door.id} />
      <Field label="Name">
        <NameInput value={door.name} onChange={(name) => set({ name }, 'name')} />
      </Field>
      <div className="grid grid-cols-2 gap-3">
        <Field label={`From the ${first} corner`}>
          <LengthInput
            value={from}
            onChange={(away) => {
              if (away === null || !wall) return;
              set({ offset: Math.max(0, forward ? away : wall.length - away - door.width) }, 'place');
            }}
          />
        </Field>
        <Field label="Width">
          <LengthInput value={door.width} onChange={(width) => width && set({ width }, 'width')} />
        </Field>
      </div>
      <Field label="Hinge" hint="The switch goes to the other side, where the latch is.">
        <Select
          value={door.hinge}
          onChange={(event) => {
            setBefore(job);
            set({ hinge: event.target.value as Door['hinge'] }, 'hinge');
          }}
        >
          <option value="start">{atStart} side</option>
          <option value="end">{atEnd} side</option>
          <option value="none">an opening without a door</option>
        </Select>
      </Field>
      {along === job ? null : (
        <Button
          look="main"
          onClick={() => {
            setBefore(null);
            edit(along, `switch of ${door.name} to the latch`);
          }}
        >
          Move its switch to the latch
        </Button>
      )}
      {door.hinge === 'none' ? null : (
        <Field label="Swings">
          <Select
            value={door.swings}
            onChange={(event) => set({ swings: event.target.value as Door['swings'] }, 'swing')}
          >
            <option value="in">into {room?.name}</option>
            <option value="out">out of it</option>
          </Select>
        </Field>
      )}
    </>
  );
};
