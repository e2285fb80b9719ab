import type { ReactNode } from 'react';
import {
  findRoom,
  isUpright,
  pointOn,
  wallOfDoor,
  wallsOf,
  type DoorId,
  type Job,
  type Room,
} from '@amber/core';
import { freeOnWall } from '../../plan/labels.js';
import { toPixel, type View } from '../../plan/view.js';
import type { Grip } from './moving.js';

/** A handle on each wall of the selected room, in its middle where that is free: it pushes the wall in and out, by the inch. */
export const WallGrips = ({
  job,
  room,
  view,
  bind,
}: {
  job: Job;
  room: Room;
  view: View;
  bind: (grip: Grip) => Record<string, unknown>;
}) => (
  <g>
    {wallsOf(room).map((wall) => {
      const { x, y } = toPixel(view, pointOn(wall, freeOnWall(job, room, wall, view.scale)));
      const upright = isUpright(wall);
      return (
        <g
          key={wall.index}
          data-item="wall"
          transform={`translate(${x} ${y})`}
          className={`touch-none ${upright ? 'cursor-ew-resize' : 'cursor-ns-resize'}`}
          {...bind({ kind: 'wall', room: room.id, wall: wall.index })}
        >
          <circle r="20" fill="transparent" />
          <rect
            x={upright ? -6 : -13}
            y={upright ? -13 : -6}
            width={upright ? 12 : 26}
            height={upright ? 26 : 12}
            rx="6"
            fill="var(--color-sheet)"
            stroke="var(--color-ink)"
            strokeWidth="2"
          />
        </g>
      );
    })}
  </g>
);

/** The opening of each door as something to take hold of. */
export const DoorGrips = ({
  job,
  view,
  item,
}: {
  job: Job;
  view: View;
  item: (grip: { kind: 'door'; id: DoorId }, label: string, children: ReactNode) => ReactNode;
}) => (
  <g>
    {job.doors.map((door) => {
      const room = findRoom(job, door.room);
      const wall = wallOfDoor(job, door);
      if (!room || !wall) return null;
      const { x, y } = toPixel(view, pointOn(wall, door.offset + door.width / 2));
      const upright = isUpright(wall);
      const half = Math.max(10, (door.width * view.scale) / 2);
      return item(
        { kind: 'door', id: door.id },
        `Door ${door.name} of ${room.name}`,
        <rect
          x={x - (upright ? 13 : half)}
          y={y - (upright ? half : 13)}
          width={upright ? 26 : 2 * half}
          height={upright ? 2 * half : 26}
          fill="transparent"
        />,
      );
    })}
  </g>
);
