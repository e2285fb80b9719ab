import { changeRoom, findRoom, groupsOfCircuit, type Circuit, type Job } from '@amber/core';
import { useEdit } from '../../store/review.js';
import { RoomFields } from './RoomFields.js';

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
        <RoomFields
          room={room}
          name={room.name}
          onChange={(patch, what) => edit(changeRoom(job, id, patch), what)}
        />
      </fieldset>
    );
  });
};
