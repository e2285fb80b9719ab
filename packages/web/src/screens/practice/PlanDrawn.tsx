import { PANEL, placeName, type Job, type LaidRun, type Place } from '@amber/core';
import { JACKET_PAINT } from '../../parts/jackets.js';
import { markOf } from '../../plan/marks.js';
import { PanelMark, PlaceMark } from '../../plan/placeMarks.js';
import { PlanRooms } from '../../plan/PlanRooms.js';
import { fitted, toPixel } from '../../plan/view.js';
import type { LaidCables } from './kept.js';
import { namesBeside, TAG } from './planNames.js';

const SIZE = { width: 860, height: 560 };

/** Is it a cable between these two, whichever way it is told? */
export const isBetween = ([a, b]: LaidCables[number], x: Place, y: Place): boolean =>
  (a === x && b === y) || (a === y && b === x);

/** The place with what stands in it and the cables that are laid; a tap on one place and on another lays a cable, or takes it out. */
export const PlanDrawn = ({
  job,
  laid,
  told,
  picked,
  onPick,
}: {
  job: Job;
  laid: LaidCables;
  /** What each cable is, as far as that is known. */
  told: readonly LaidRun[];
  picked: Place | null;
  onPick: (place: Place) => void;
}) => {
  const view = fitted(job, null, true, SIZE);
  const panel = job.routing.panel;
  const places = [
    ...(panel ? [{ id: PANEL as Place, at: toPixel(view, panel.at), box: null }] : []),
    ...job.boxes.flatMap((box) => (box.at ? [{ id: box.id, at: toPixel(view, box.at), box }] : [])),
  ];
  const atOf = (id: Place) => places.find((one) => one.id === id)?.at;
  const nameOf = (id: Place) => (id === PANEL ? 'Panel' : placeName(job, id));
  // Each bows a little, the longer the more: two that lie in one line can be told apart.
  const drawn = laid.flatMap((cable) => {
    const [a, b] = [atOf(cable[0]), atOf(cable[1])];
    if (!a || !b) return [];
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const length = Math.hypot(dx, dy) || 1;
    const bow = Math.min(30, 6 + length * 0.07);
    const bend = { x: (a.x + b.x) / 2 - (dy / length) * bow, y: (a.y + b.y) / 2 + (dx / length) * bow };
    return [
      {
        cable,
        path: `M${a.x} ${a.y}Q${bend.x} ${bend.y} ${b.x} ${b.y}`,
        middle: { x: (a.x + b.x) / 4 + bend.x / 2, y: (a.y + b.y) / 4 + bend.y / 2 },
        run: told.find((one) => isBetween(cable, one.from, one.to)),
      },
    ];
  });
  const names = namesBeside(
    places.map(({ id, at }) => ({ name: nameOf(id), at })),
    drawn.map(({ middle }) => middle),
  );
  return (
    <svg
      viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
      className="drawing h-auto w-full rounded-lg bg-sheet"
      role="group"
      aria-label="The place and its cables"
    >
      <PlanRooms job={job} view={view} />
      {drawn.map(({ cable, path, run }) => (
        <g key={cable.join()} fill="none">
          <path d={path} stroke="#20262d" strokeWidth={run ? 7 : 3} />
          <path
            d={path}
            stroke={run?.jacket ? JACKET_PAINT[run.jacket] : '#fbf9f4'}
            strokeWidth={run ? 4.6 : 1.2}
            strokeDasharray={run ? undefined : '6 4'}
          />
        </g>
      ))}
      {drawn.map(({ cable, middle, run }) =>
        run ? (
          <g key={cable.join()} transform={`translate(${middle.x} ${middle.y})`}>
            <rect
              x={-TAG.width / 2}
              y={-TAG.height / 2}
              width={TAG.width}
              height={TAG.height}
              rx="4"
              fill="#fbf9f4"
              stroke="#20262d"
            />
            <text y="5" textAnchor="middle" fontSize="13" fontWeight="700" fill="#20262d">
              {run.cable}
            </text>
          </g>
        ) : null,
      )}
      {places.map(({ id, at, box }, i) => (
        <g
          key={id}
          role="button"
          tabIndex={0}
          aria-pressed={picked === id}
          aria-label={nameOf(id)}
          className="cursor-pointer"
          transform={`translate(${at.x} ${at.y})`}
          onClick={() => onPick(id)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter' && event.key !== ' ') return;
            event.preventDefault();
            onPick(id);
          }}
        >
          <circle
            r="24"
            fill="transparent"
            stroke={picked === id ? '#20262d' : 'none'}
            strokeWidth="3"
            strokeDasharray="5 3"
          />
          {box ? <PlaceMark mark={markOf(job, box)} selected={picked === id} /> : <PanelMark />}
          <text
            x={(names[i]?.x ?? at.x) - at.x}
            y={(names[i]?.y ?? at.y) - at.y + 4.5}
            textAnchor="middle"
            fontSize="13"
            fontWeight="600"
            fill="#20262d"
            stroke="#fbf9f4"
            strokeWidth="4"
            paintOrder="stroke"
          >
            {nameOf(id)}
          </text>
        </g>
      ))}
    </svg>
  );
};
