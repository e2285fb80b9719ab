import {
  changeRoom,
  findRoom,
  groupsOfCircuit,
  ROOM_WORDS,
  type Circuit,
  type Job,
  type RoomKind,
} from '@amber/core';
import { useEdit } from '../../store/review.js';
import { AnswerSelect } from '../../parts/AnswerSelect.js';
import { Field, Select } from '../../parts/ui.js';

/** The rooms that a circuit of several groups serves: what each is decides what the code asks there. */
export const RoomsOf = ({ job, circuit }: { job: Job; circuit: Circuit }) => {
  const edit = useEdit();
  const ids = [...new Set(groupsOfCircuit(job, circuit.id).map(({ room }) => room))];
  return ids.map((id) => {
    const room = findRoom(job, id);
    if (!room) return null;
    return (
      <fieldset key={id} className="flex flex-col gap-3 border-t border-line pt-3">
        <legend className="float-left mb-2 w-full text-[15px] font-bold break-words">{room.name}</legend>
        <Field label={`Kind of ${room.name}`} hint="Decides where the code asks for a neutral at the switch.">
          <Select
            value={room.kind}
            onChange={(event) =>
              edit(changeRoom(job, id, { kind: event.target.value as RoomKind }), `kind of ${room.name}`)
            }
          >
            {Object.entries(ROOM_WORDS).map(([kind, words]) => (
              <option key={kind} value={kind}>
                {words}
              </option>
            ))}
          </Select>
        </Field>
        <AnswerSelect
          label={`Whole floor of ${room.name} visible from the switches?`}
          value={room.wholeFloorVisible}
          onChange={(wholeFloorVisible) =>
            edit(changeRoom(job, id, { wholeFloorVisible }), `visible floor of ${room.name}`)
          }
        />
      </fieldset>
    );
  });
};
