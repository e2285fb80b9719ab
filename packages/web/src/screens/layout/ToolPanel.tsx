import { useState } from 'react';
import {
  addRoom,
  feetInches,
  parseFeetInches,
  ROOM_WORDS,
  sideOf,
  spotOn,
  wallsOf,
  type Job,
  type RoomId,
  type RoomKind,
} from '@amber/core';
import { Button, controlLook, Field, Select } from '../../parts/ui.js';
import { WordSelect } from '../../parts/WordSelect.js';
import { doorAt, type Placed } from './placing.js';
import { fresh } from '../../parts/fresh.js';
import type { Pointing } from './selection.js';

interface ToolProps {
  job: Job;
  pointing: Pointing;
  onPlaced: (placed: Placed | null) => void;
}

const LengthField = ({
  label,
  text,
  onText,
}: {
  label: string;
  text: string;
  onText: (text: string) => void;
}) => {
  const inches = parseFeetInches(text);
  const wrong =
    text.trim() === ''
      ? null
      : inches === null
        ? 'Write feet and inches: 12-6, 12\'6", 150 in'
        : inches < 12
          ? 'At least 1 foot'
          : null;
  return (
    <label className="block">
      <span className="mb-1 block text-[13px] font-semibold">{label}</span>
      <input
        value={text}
        placeholder={`12'-6"`}
        aria-invalid={wrong !== null}
        onChange={(event) => onText(event.target.value)}
        className={`${controlLook} ${wrong ? 'border-2 border-violation!' : ''}`}
      />
      {wrong ? (
        <span role="alert" className="mt-1 block text-[12.5px] text-violation">
          {wrong}
        </span>
      ) : null}
    </label>
  );
};

const isLength = (text: string) => (parseFeetInches(text) ?? 0) >= 12;

/** A room by its dimensions. Rooms of the job that nobody has measured yet are offered first. */
export const RoomTool = ({ job, onPlaced }: ToolProps) => {
  const unmeasured = job.rooms.filter((room) => room.outline === null);
  const [id, setId] = useState<RoomId | ''>(unmeasured[0]?.id ?? '');
  const known = unmeasured.find((room) => room.id === id);
  const [name, setName] = useState('');
  const [kind, setKind] = useState<RoomKind>('unknown');
  const [width, setWidth] = useState('');
  const [depth, setDepth] = useState('');
  const add = () => {
    const asked = {
      id: known?.id ?? fresh<RoomId>('room'),
      name: known?.name ?? (name.trim() || 'Room'),
      kind: known?.kind ?? kind,
      width: parseFeetInches(width) ?? 0,
      depth: parseFeetInches(depth) ?? 0,
    };
    const selected = { kind: 'room', id: asked.id } as const;
    onPlaced({
      job: addRoom(job, { ...asked, at: null, level: null }),
      label: `draw ${asked.name}`,
      selected,
    });
    setName('');
    setKind('unknown');
    setWidth('');
    setDepth('');
    setId(unmeasured.find((room) => room.id !== asked.id)?.id ?? '');
  };
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (isLength(width) && isLength(depth)) add();
      }}
    >
      {unmeasured.length > 0 ? (
        <Field label="Room">
          <Select value={id} onChange={(event) => setId(event.target.value as RoomId | '')}>
            {unmeasured.map((room) => (
              <option key={room.id} value={room.id}>
                {room.name}, not measured yet
              </option>
            ))}
            <option value="">Another room</option>
          </Select>
        </Field>
      ) : null}
      {known ? null : (
        <>
          <Field label="Name">
            <input
              autoFocus
              value={name}
              maxLength={200}
              onChange={(event) => setName(event.target.value)}
              className={controlLook}
            />
          </Field>
          <Field label="Kind of room">
            <WordSelect words={ROOM_WORDS} value={kind} onPick={(one) => one && setKind(one)} />
          </Field>
        </>
      )}
      <div className="grid grid-cols-2 gap-3">
        <LengthField label="Left to right" text={width} onText={setWidth} />
        <LengthField label="Top to bottom" text={depth} onText={setDepth} />
      </div>
      <Button look="main" type="submit" disabled={!isLength(width) || !isLength(depth)}>
        Add the room
      </Button>
      <p className="text-[13px] text-quiet">
        From wall to wall. It is put beside the last one. Or drag over the plan from corner to corner; then
        drag the room by its name, and push its walls by their handles.
      </p>
    </form>
  );
};

/** A door by tapping a wall, or by naming it. */
export const DoorTool = ({ job, onPlaced }: ToolProps) => {
  const walls = job.rooms.flatMap((room) =>
    wallsOf(room).map((wall) => ({ room, wall, key: `${room.id} ${wall.index}` })),
  );
  const [key, setKey] = useState('');
  const chosen = walls.find((one) => one.key === key) ?? walls[0];
  if (!chosen) return <p className="text-[14px]">Draw a room first.</p>;
  return (
    <div className="flex flex-col gap-3">
      <p className="text-[14px]">Tap the wall where the door is, or name it here.</p>
      <Field label="Wall">
        <Select value={chosen.key} onChange={(event) => setKey(event.target.value)}>
          {walls.map((one) => (
            <option key={one.key} value={one.key}>
              {one.room.name}: {sideOf(one.wall)} wall, {feetInches(one.wall.length)}
            </option>
          ))}
        </Select>
      </Field>
      <Button look="main" onClick={() => onPlaced(doorAt(job, spotOn(chosen.wall, chosen.wall.length / 2)))}>
        Add a door there
      </Button>
    </div>
  );
};
