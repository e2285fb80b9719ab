import { feetInches, holdOf, type Job, type Room } from '@amber/core';
import { freeSpot, labelOf } from '../../plan/labels.js';
import { PlaceLabel } from '../../plan/PlaceLabel.js';
import { halfWidth, markOf } from '../../plan/marks.js';
import { PlaceMark } from '../../plan/placeMarks.js';
import { toPixel, type View } from '../../plan/view.js';

/** Round what is selected. */
export const Halo = ({ shown, half }: { shown: boolean; half: number }) =>
  shown ? (
    <rect
      x={-half - 5}
      y="-18"
      width={2 * half + 10}
      height="36"
      rx="8"
      fill="none"
      stroke="var(--color-ink)"
      strokeWidth="1.6"
      strokeDasharray="3 3"
    />
  ) : null;

/** Below so many pixels for an inch names would cover each other; then only what is selected is named. */
const NAMED_FROM = 1.1;

/** A box with its mark, and its name where there is room for it. */
export const BoxOnPlan = ({
  job,
  box,
  view,
  crowded,
  current,
  faded,
}: {
  job: Job;
  box: Job['boxes'][number];
  view: View;
  crowded: boolean;
  current: boolean;
  faded: boolean;
}) => {
  const mark = markOf(job, box);
  const named = current || (!faded && mark.luminaires === 0 && view.scale >= NAMED_FROM);
  const label = labelOf(job, box, halfWidth(mark));
  const hold = current ? holdOf(job, box) : null;
  return (
    <>
      {/* A finger needs more than the mark. */}
      <circle r="20" fill="transparent" />
      <Halo shown={current} half={halfWidth(mark)} />
      <PlaceMark mark={mark} selected={current} />
      {named ? (
        <PlaceLabel
          name={box.name}
          label={label}
          crowded={crowded}
          current={current}
          under={hold ? `${feetInches(hold.distance)} from the ${hold.reference.kind}` : null}
        />
      ) : null}
    </>
  );
};

/** The name of a room, where its floor is free. */
export const RoomName = ({
  job,
  view,
  room,
  current,
}: {
  job: Job;
  view: View;
  room: Room;
  current: boolean;
}) => {
  const { x, y } = toPixel(view, freeSpot(job, room));
  const half = room.name.length * 4.2 + 12;
  return (
    <g transform={`translate(${x} ${y})`}>
      <rect
        x={-half}
        y="-17"
        width={2 * half}
        height="34"
        rx="6"
        fill={current ? 'var(--color-rail)' : 'transparent'}
      />
      <text textAnchor="middle" y="5" fontSize="15" fontWeight={current ? 750 : 600} className="plan-label">
        {room.name}
      </text>
    </g>
  );
};
