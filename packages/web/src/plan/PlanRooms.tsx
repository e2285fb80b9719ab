import {
  feetInches,
  isUpright,
  pointOn,
  wallOfDoor,
  wallsOf,
  type Door,
  type Job,
  type Room,
  type Spot,
} from '@amber/core';
import { freeOnWall } from './labels.js';
import { Stairs } from './Stairs.js';
import { toPixel, type View } from './view.js';

const pathOf = (view: View, spots: readonly Spot[]): string =>
  spots.map((spot, i) => `${i === 0 ? 'M' : 'L'}${Object.values(toPixel(view, spot)).join(' ')}`).join('');

/** A line every foot, and a stronger one every ten; none where they would crowd. */
export const FootGrid = ({ view, width, height }: { view: View; width: number; height: number }) => {
  const step = view.scale * 12 >= 9 ? 12 : 120;
  const lines = (from: number, length: number) => {
    const first = Math.ceil(from / step) * step;
    const count = Math.max(0, Math.floor((from + length / view.scale - first) / step) + 1);
    return Array.from({ length: count }, (_, i) => first + i * step);
  };
  const strong = (at: number) => at % 120 === 0;
  const vertical = lines(view.x, width).map((x) => ({ at: (x - view.x) * view.scale, strong: strong(x) }));
  const level = lines(view.y, height).map((y) => ({ at: (y - view.y) * view.scale, strong: strong(y) }));
  const draw = (which: boolean) =>
    [
      ...vertical.filter((one) => one.strong === which).map(({ at }) => `M${at} 0V${height}`),
      ...level.filter((one) => one.strong === which).map(({ at }) => `M0 ${at}H${width}`),
    ].join('');
  return (
    <g stroke="var(--color-line)" fill="none" aria-hidden="true">
      <path d={draw(false)} strokeWidth="0.5" opacity="0.7" />
      <path d={draw(true)} strokeWidth="1" />
    </g>
  );
};

const WALL = 7;

/** The opening in the wall, the leaf as it stands open, and the arc that it sweeps. */
const DoorMark = ({ job, view, door, selected }: { job: Job; view: View; door: Door; selected: boolean }) => {
  const wall = wallOfDoor(job, door);
  if (!wall) return null;
  const [start, end] = [pointOn(wall, door.offset), pointOn(wall, door.offset + door.width)];
  const side = door.swings === 'in' ? 1 : -1;
  const [hinge, latch] = door.hinge === 'end' ? [end, start] : [start, end];
  const open = {
    x: hinge.x + wall.inward.x * side * door.width,
    y: hinge.y + wall.inward.y * side * door.width,
  };
  const [h, l, o] = [hinge, latch, open].map((spot) => toPixel(view, spot));
  const turn = h && l && o && (l.x - h.x) * (o.y - h.y) - (l.y - h.y) * (o.x - h.x) > 0 ? 1 : 0;
  return (
    <g fill="none" strokeLinecap="butt">
      <path d={pathOf(view, [start, end])} stroke="var(--color-sheet)" strokeWidth={WALL + 1} />
      <path
        d={pathOf(view, [start, end])}
        stroke={selected ? 'var(--color-ink)' : 'var(--color-line)'}
        strokeWidth={selected ? 3 : 1.5}
      />
      {door.hinge === 'none' || !h || !l || !o ? null : (
        <g stroke="var(--color-quiet)" strokeWidth="1.3">
          <path d={`M${h.x} ${h.y}L${o.x} ${o.y}`} strokeWidth="2.2" />
          <path
            d={`M${l.x} ${l.y}A${door.width * view.scale} ${door.width * view.scale} 0 0 ${turn} ${o.x} ${o.y}`}
            strokeDasharray="3 3"
          />
        </g>
      )}
    </g>
  );
};

/** Floors, walls and doors. */
export const PlanRooms = ({
  job,
  view,
  selectedRoom = null,
  selectedDoor = null,
}: {
  job: Job;
  view: View;
  selectedRoom?: string | null;
  selectedDoor?: string | null;
}) => {
  const measured = job.rooms.filter((room) => room.outline !== null);
  return (
    <g>
      {measured.map((room) => (
        <path
          key={room.id}
          d={`${pathOf(view, room.outline ?? [])}Z`}
          fill="var(--color-sheet)"
          // What lies under the plan is to be seen.
          opacity={job.pictures.length > 0 ? 0.25 : 0.85}
        />
      ))}
      {[...measured]
        .sort((a, b) => Number(a.id === selectedRoom) - Number(b.id === selectedRoom))
        .map((room) => (
          <path
            key={room.id}
            d={`${pathOf(view, room.outline ?? [])}Z`}
            fill="none"
            stroke={selectedRoom === room.id ? 'var(--color-ink)' : '#4a5057'}
            strokeWidth={WALL}
            strokeLinejoin="miter"
          />
        ))}
      {measured.map((room) => (
        <Stairs key={room.id} room={room} view={view} />
      ))}
      {job.doors.map((door) => (
        <DoorMark key={door.id} job={job} view={view} door={door} selected={selectedDoor === door.id} />
      ))}
    </g>
  );
};

/** The walls of the floor underneath, faint: what stands above what. */
export const WallsUnder = ({ job, view }: { job: Job; view: View }) => (
  <path
    d={job.rooms.map((room) => (room.outline ? `${pathOf(view, room.outline)}Z` : '')).join('')}
    fill="none"
    stroke="var(--color-quiet)"
    strokeWidth="2"
    strokeDasharray="4 5"
    opacity="0.5"
    aria-hidden="true"
  />
);

/** The length of each wall of a room, outside of it. */
export const WallLengths = ({ job, room, view }: { job: Job; room: Room; view: View }) => (
  <g fontSize="12.5" fontWeight="650" textAnchor="middle" fill="var(--color-ink)">
    {wallsOf(room).map((wall) => {
      if (wall.length * view.scale < 34) return null;
      const middle = toPixel(view, pointOn(wall, freeOnWall(job, room, wall, view.scale)));
      const [x, y] = [middle.x - wall.inward.x * 26, middle.y - wall.inward.y * 22 + 4];
      return (
        <text
          key={wall.index}
          x={x}
          y={y}
          transform={isUpright(wall) ? `rotate(-90 ${x} ${y - 4})` : undefined}
        >
          {feetInches(wall.length)}
        </text>
      );
    })}
  </g>
);
