import {
  ceilingOf,
  changeRoom,
  feetInches,
  floorArea,
  notchCorner,
  ROOM_WORDS,
  setWallLength,
  sideOf,
  wallsOf,
  type Job,
  type Room,
} from '@amber/core';
import { useState } from 'react';
import { EditionOfRoom } from '../../panels/asFound/EditionOfExisting.js';
import { useEdit } from '../../store/review.js';
import { AnswerSelect } from '../../parts/AnswerSelect.js';
import { LengthInput, NameInput, NumberInput } from '../../parts/inputs.js';
import { Button, Field, Select } from '../../parts/ui.js';
import { WordSelect } from '../../parts/WordSelect.js';
import { FaultsOf } from './FaultsOf.js';
import { SiteFacts } from './SiteFacts.js';
import { WallFacts } from './WallFacts.js';

const CORNERS = (room: Room): string[] => {
  const xs = (room.outline ?? []).map((one) => one.x);
  const ys = (room.outline ?? []).map((one) => one.y);
  return (room.outline ?? []).map(({ x, y }) => {
    const level = y - Math.min(...ys) < Math.max(...ys) - y ? 'upper' : 'lower';
    return `${level} ${x - Math.min(...xs) < Math.max(...xs) - x ? 'left' : 'right'}`;
  });
};

/** Cuts a corner off, for an L. */
const Notch = ({ job, room }: { job: Job; room: Room }) => {
  const edit = useEdit();
  const [corner, setCorner] = useState(1);
  const [along, setAlong] = useState<number | null>(null);
  const [beyond, setBeyond] = useState<number | null>(null);
  const cut = along && beyond ? notchCorner(job, room.id, corner, along, beyond) : job;
  return (
    <details className="rounded-md border border-line">
      <summary className="min-h-10 cursor-pointer px-3 py-2.5 font-semibold">
        Cut a corner out, for an L
      </summary>
      <div className="flex flex-col gap-3 p-3 pt-1">
        <Field label="Corner">
          <Select value={corner} onChange={(event) => setCorner(Number(event.target.value))}>
            {CORNERS(room).map((words, i) => (
              <option key={i} value={i}>
                {words}
              </option>
            ))}
          </Select>
        </Field>
        <div className="grid grid-cols-2 gap-3">
          <Field label="Along the wall before">
            <LengthInput value={along} onChange={setAlong} />
          </Field>
          <Field label="Along the wall after">
            <LengthInput value={beyond} onChange={setBeyond} />
          </Field>
        </div>
        <Button disabled={cut === job} onClick={() => edit(cut, `cut a corner out of ${room.name}`)}>
          Cut it out
        </Button>
        {along && beyond && cut === job ? (
          <p className="text-[13px] text-quiet">A wall at that corner is not long enough.</p>
        ) : null}
      </div>
    </details>
  );
};

/** A room: its name and kind, the length of each wall, its ceiling, and what the rules have to know of it. */
export const RoomForm = ({ job, room }: { job: Job; room: Room }) => {
  const edit = useEdit();
  const set = (change: Partial<Room>, what: string) =>
    edit(changeRoom(job, room.id, change), `${what} of ${room.name}`);
  const walls = wallsOf(room);
  return (
    <>
      <h2 className="text-[15px] font-bold">Room, {Math.round(floorArea(room.outline ?? []) / 144)} sq ft</h2>
      <FaultsOf job={job} of={(at) => 'room' in at && at.room === room.id} />
      <Field label="Name">
        <NameInput value={room.name} onChange={(name) => set({ name }, 'name')} />
      </Field>
      <Field
        label="Kind of room"
        hint={room.kind === 'unknown' ? 'Not answered: taken for a habitable room.' : undefined}
      >
        <WordSelect words={ROOM_WORDS} value={room.kind} onPick={(kind) => kind && set({ kind }, 'kind')} />
      </Field>
      {room.rough ? (
        <div className="flex flex-col items-start gap-2 rounded-md border-2 border-caution p-2.5 text-[14px]">
          <p>
            <strong>Nobody has measured it yet.</strong> These are the walls of an everyday place. Correct
            them, and the doors in them; lengths and prices follow.
          </p>
          <Button onClick={() => set({ rough: false }, 'measures')}>It is measured</Button>
        </div>
      ) : null}
      <fieldset className="flex flex-col gap-2">
        <legend className="mb-1 text-[13px] font-semibold">Walls</legend>
        <div className="grid grid-cols-2 gap-2">
          {walls.map((wall, i) => (
            <label key={wall.index} className="block">
              <span className="mb-0.5 block text-[12.5px] text-quiet">
                {sideOf(wall)}
                {walls.length > 4 ? ` ${i + 1}` : ''}
              </span>
              <LengthInput
                value={wall.length}
                onChange={(length) =>
                  length && edit(setWallLength(job, room.id, wall.index, length), `walls of ${room.name}`)
                }
              />
            </label>
          ))}
        </div>
      </fieldset>
      <Field
        label="Ceiling"
        hint={
          room.ceiling === null ? `Not measured: taken as ${feetInches(ceilingOf(job, room))}.` : undefined
        }
      >
        <LengthInput value={room.ceiling} onChange={(ceiling) => set({ ceiling }, 'ceiling')} />
      </Field>
      <AnswerSelect
        label="Whole floor visible from its switches?"
        hint="Decides how many switches need a neutral, 404.2(C)."
        value={room.wholeFloorVisible}
        onChange={(wholeFloorVisible) => set({ wholeFloorVisible }, 'view')}
      />
      {room.kind === 'stairway' ? (
        <Field
          label="Risers between the levels"
          hint="From six on each level and landing needs a switch, 210.70(A)(2)."
        >
          <NumberInput
            value={room.risers ?? 0}
            least={0}
            most={40}
            unit="risers"
            onChange={(risers) => set({ risers: Math.round(risers) }, 'risers')}
          />
        </Field>
      ) : null}
      {job.boxes.some((box) => box.room === room.id && box.work === 'existing') ? (
        <EditionOfRoom job={job} room={room} />
      ) : null}
      <SiteFacts job={job} facts={[['room.otherLight', room.id]]} />
      <WallFacts key={room.outline?.length} job={job} room={room} />
      <Notch job={job} room={room} />
    </>
  );
};
