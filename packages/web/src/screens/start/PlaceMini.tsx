import { groupsOfCircuit, levelsOf, levelView, type CircuitId, type Job } from '@amber/core';
import { markOf } from '../../plan/marks.js';
import { PlaceMark } from '../../plan/placeMarks.js';
import { PlanRooms } from '../../plan/PlanRooms.js';
import { boxesOf, fitted, toPixel } from '../../plan/view.js';

/** The picture that a place is drawn in, and how large its signs are in it. */
const SIZE = { width: 216, height: 134 };
const SIGN = 0.8;

/** One floor of a job in small: walls, doors, and what stands on them. */
const Floor = ({ job, left, width }: { job: Job; left: number; width: number }) => {
  const view = fitted(job, null, false, { width, height: SIZE.height });
  return (
    <g transform={`translate(${left} 0)`}>
      <PlanRooms job={job} view={view} />
      {job.boxes.map((box) => {
        if (!box.at) return null;
        const { x, y } = toPixel(view, box.at);
        return (
          <g key={box.id} transform={`translate(${x} ${y}) scale(${SIGN})`}>
            <PlaceMark mark={markOf(job, box)} selected={false} />
          </g>
        );
      })}
    </g>
  );
};

/** The rooms that a circuit is in, with what stands in them, and nothing else of the job. */
export const placeAlone = (job: Job, circuit: CircuitId): Job => {
  const mine = boxesOf(job, circuit);
  const within = new Set<string | null>([
    ...job.boxes.filter(({ id }) => mine.has(id)).map(({ room }) => room),
    ...groupsOfCircuit(job, circuit).map(({ room }) => room),
  ]);
  const levels = new Set(job.rooms.filter(({ id }) => within.has(id)).map(({ level }) => level));
  return {
    ...job,
    levels: job.levels.filter(({ id }) => levels.has(id)),
    rooms: job.rooms.filter(({ id }) => within.has(id)),
    doors: job.doors.filter(({ room }) => within.has(room)),
    boxes: job.boxes.filter(({ room }) => within.has(room)),
    routing: { ...job.routing, panel: null },
    pictures: [],
  };
};

/** A place in small, its floors side by side from the lowest on. */
export const PlaceMini = ({ job, className = '' }: { job: Job; className?: string }) => {
  const floors = levelsOf(job).map(({ id }) => levelView(job, id));
  const shown = floors.length > 0 ? floors : [job];
  const width = SIZE.width / shown.length;
  return (
    <svg viewBox={`0 0 ${SIZE.width} ${SIZE.height}`} aria-hidden="true" className={`drawing ${className}`}>
      {shown.map((floor, i) => (
        <Floor key={i} job={floor} left={i * width} width={width} />
      ))}
    </svg>
  );
};
