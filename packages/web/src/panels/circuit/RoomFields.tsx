import { ROOM_WORDS, type Room, type RoomKind } from '@amber/core';
import { AnswerSelect } from '../../parts/AnswerSelect.js';
import { Field, Select } from '../../parts/ui.js';

type Told = Pick<Room, 'kind' | 'wholeFloorVisible'>;

/** What a room is decides what the code asks at its switches; `name` tells it from others beside it. */
export const RoomFields = ({
  room,
  name,
  onChange,
}: {
  room: Told;
  name?: string;
  onChange: (patch: Partial<Told>, what: string) => void;
}) => {
  const of = name === undefined ? '' : ` of ${name}`;
  return (
    <>
      <Field label={`Kind${of}`} hint="Decides where the code asks for a neutral at the switch.">
        <Select
          value={room.kind}
          onChange={(event) => onChange({ kind: event.target.value as RoomKind }, `kind${of || ' of room'}`)}
        >
          {Object.entries(ROOM_WORDS).map(([kind, words]) => (
            <option key={kind} value={kind}>
              {words}
            </option>
          ))}
        </Select>
      </Field>
      <AnswerSelect
        label={`Whole floor${of} visible from the switches?`}
        value={room.wholeFloorVisible}
        onChange={(wholeFloorVisible) => onChange({ wholeFloorVisible }, `visible floor${of}`)}
      />
    </>
  );
};
