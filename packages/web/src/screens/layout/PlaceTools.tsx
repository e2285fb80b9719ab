import { useState } from 'react';
import { evenSpots, spotOn, wallsOf, type Job, type Room, type Spot } from '@amber/core';
import { PickField } from '../../parts/PickField.js';
import { Button } from '../../parts/ui.js';
import { placedBy, type Placed } from './placing.js';

/** For those who do not point: a room to put it in; from there it is moved with the arrow keys or by its fields. */
const InRoom = ({
  job,
  button,
  spotIn,
  onSpot,
}: {
  job: Job;
  button: string;
  spotIn: (room: Room) => Spot | null;
  onSpot: (spot: Spot) => void;
}) => {
  const rooms = job.rooms.filter((room) => room.outline !== null);
  const [id, setId] = useState<Room['id'] | null>(null);
  const room = rooms.find((one) => one.id === id) ?? rooms[0];
  const spot = room && spotIn(room);
  if (!room) return null;
  return (
    <>
      <PickField label="Room" items={rooms} value={room.id} onPick={setId} />
      <Button look="main" disabled={!spot} onClick={() => spot && onSpot(spot)}>
        {button}
      </Button>
      <p className="text-[13px] text-quiet">Then drag it, or move it with the arrow keys.</p>
    </>
  );
};

interface ToolProps {
  job: Job;
  onPlaced: (placed: Placed | null) => void;
}

export const BoxTool = ({ job, onPlaced }: ToolProps) => (
  <>
    <p className="text-[14px]">Tap where the box is that is there already, or put it in a room.</p>
    <InRoom
      job={job}
      button="Put it in the middle"
      spotIn={(room) => evenSpots(room, 1, 1)[0] ?? null}
      onSpot={(spot) => onPlaced(placedBy('box', job, spot, null))}
    />
  </>
);

export const PanelTool = ({ job, onPlaced }: ToolProps) => (
  <>
    <p className="text-[14px]">
      Tap where the panel hangs, or put it in a room. Home runs are measured from it.
    </p>
    <InRoom
      job={job}
      button="Hang it on a wall"
      spotIn={(room) => {
        const [wall] = wallsOf(room);
        return wall ? spotOn(wall, wall.length / 2) : null;
      }}
      onSpot={(spot) => onPlaced(placedBy('panel', job, spot, null))}
    />
  </>
);
