import { feetInches, findRoom } from '@amber/core';
import type { KeyboardEvent, ReactNode } from 'react';
import type { Circuit, Job } from '@amber/core';
import { drawnApart } from '../../plan/apart.js';
import { crowdedNames } from '../../plan/names.js';
import { FootGrid, PlanRooms, WallLengths, WallsUnder } from '../../plan/PlanRooms.js';
import { PicturesUnder } from '../../plan/PicturesUnder.js';
import { PanelMark } from '../../plan/placeMarks.js';
import { boxesOf, toPixel, type View } from '../../plan/view.js';
import type { useView } from '../../plan/useView.js';
import { ZoomButtons } from '../../plan/ZoomButtons.js';
import { ControlLines } from './ControlLines.js';
import { nameOnPlan } from './nameOnPlan.js';
import { Marks, PictureHandle } from './pictureMarks.js';
import { LyingCables } from './LyingCables.js';
import { BoxOnPlan, Halo, RoomName } from './planItems.js';
import { DoorGrips, WallGrips } from './grips.js';
import type { Drawn, Grip } from './moving.js';
import type { Pointing, Selected } from './selection.js';
import type { useGrip } from './useGrip.js';

type Bind = ReturnType<typeof useGrip>['bind'];

/** Something on the plan that is dragged, tabbed to, and moved with the arrow keys. */
const Item = ({
  grip,
  bind,
  label,
  current,
  onPick,
  onKey,
  children,
  faded = false,
  ...rest
}: {
  grip: NonNullable<Selected>;
  bind: Bind;
  label: string;
  current: boolean;
  onPick: (grip: NonNullable<Selected>) => void;
  onKey: (event: KeyboardEvent, grip: NonNullable<Selected>) => void;
  children: ReactNode;
  transform?: string;
  faded?: boolean;
}) => (
  <g
    data-item={grip.kind}
    role="button"
    tabIndex={0}
    aria-label={label}
    aria-pressed={current}
    className="cursor-move touch-none outline-offset-4"
    opacity={faded ? 0.4 : undefined}
    // Going past with the tab key selects nothing; to move something with the arrows is to take it.
    onKeyDown={(event) => {
      if (event.key === 'Enter' || event.key === ' ') {
        event.preventDefault();
        onPick(grip);
      } else onKey(event, grip);
    }}
    {...rest}
    {...bind(grip)}
  >
    {children}
  </g>
);

/** The plan with everything on it. */
export const PlanCanvas = ({
  job,
  under,
  circuit,
  view: seen,
  bind,
  pointing,
  drawn,
  onKey,
  children,
}: {
  /** As the level that is looked at sees it. */
  job: Job;
  /** The floor underneath; null for none. */
  under: Job | null;
  circuit: Circuit | null;
  view: ReturnType<typeof useView>;
  bind: Bind;
  pointing: Pointing;
  /** A room as it is being drawn. */
  drawn: Drawn | null;
  onKey: (event: KeyboardEvent, grip: NonNullable<Selected>) => void;
  /** What lies over the plan in its corners. */
  children?: ReactNode;
}) => {
  const { ref, view, size } = seen;
  const { selected, select, tool } = pointing;
  const is = (kind: Grip['kind'], id: string) =>
    selected?.kind === kind && (selected.kind === 'panel' || selected.id === id);
  const roomId = selected?.kind === 'room' ? selected.id : null;
  const room = findRoom(job, roomId);
  const item = { bind, onPick: select, onKey };
  const mine = circuit ? boxesOf(job, circuit.id) : null;
  // What is worked on lies on top, and what is not stays in the background.
  const boxes = [...job.boxes].sort((a, b) => Number(mine?.has(a.id) ?? 0) - Number(mine?.has(b.id) ?? 0));
  const named = boxes.filter(
    (box) => (mine === null || mine.has(box.id)) && job.luminaires.every((one) => one.box !== box.id),
  );
  const apart = drawnApart(job.boxes);
  const crowded = view ? crowdedNames(job, named, view) : null;
  return (
    <div className="plan-frame relative min-h-80 flex-1 overflow-hidden bg-paper">
      <svg
        ref={ref}
        viewBox={size ? `0 0 ${size.width} ${size.height}` : undefined}
        className={`drawing absolute inset-0 size-full touch-none select-none ${tool === 'select' ? 'cursor-grab' : 'cursor-crosshair'}`}
        role="group"
        aria-label="Plan"
      >
        {view && size ? (
          <>
            <PicturesUnder job={job} view={view} />
            <FootGrid view={view} {...size} />
            {under ? <WallsUnder job={under} view={view} /> : null}
            <PlanRooms
              job={job}
              view={view}
              selectedRoom={roomId}
              selectedDoor={selected?.kind === 'door' ? selected.id : null}
            />
            <LyingCables job={job} view={view} />
            <ControlLines job={job} view={view} group={pointing.group} />
            {room ? <WallLengths job={job} room={room} view={view} /> : null}
            {job.rooms.map((one) =>
              one.outline ? (
                <Item
                  key={one.id}
                  grip={{ kind: 'room', id: one.id }}
                  label={`Room ${one.name}`}
                  current={is('room', one.id)}
                  {...item}
                >
                  <RoomName job={job} view={view} room={one} current={is('room', one.id)} />
                </Item>
              ) : null,
            )}
            {room ? <WallGrips job={job} room={room} view={view} bind={bind} /> : null}
            <DoorGrips
              job={job}
              view={view}
              item={(grip, label, children) => (
                <Item key={grip.id} grip={grip} label={label} current={is('door', grip.id)} {...item}>
                  {children}
                </Item>
              )}
            />
            {job.routing.panel ? (
              <Item
                grip={{ kind: 'panel' }}
                label="Panel"
                current={selected?.kind === 'panel'}
                transform={move(view, job.routing.panel.at)}
                {...item}
              >
                <Halo shown={selected?.kind === 'panel'} half={16} />
                <PanelMark />
                <text y="30" textAnchor="middle" fontSize="12" fill="var(--color-quiet)">
                  panel
                </text>
              </Item>
            ) : null}
            {tool === 'picture' ? (
              <>
                {job.pictures.map((picture) => (
                  <Item
                    key={picture.id}
                    grip={{ kind: 'picture', id: picture.id }}
                    label={`Picture ${picture.name}`}
                    current={is('picture', picture.id)}
                    transform={move(view, picture.at)}
                    {...item}
                  >
                    <PictureHandle />
                  </Item>
                ))}
                <Marks marks={pointing.marks} view={view} />
              </>
            ) : null}
            {drawn ? <DrawnRoom drawn={drawn} view={view} /> : null}
            {boxes.map((box) =>
              box.at ? (
                <Item
                  key={box.id}
                  grip={{ kind: 'box', id: box.id }}
                  label={nameOnPlan(job, box)}
                  current={is('box', box.id)}
                  transform={move(view, box.at, apart.get(box.id))}
                  faded={mine !== null && !mine.has(box.id)}
                  {...item}
                >
                  <Aside by={apart.get(box.id)} />
                  <BoxOnPlan
                    job={job}
                    box={box}
                    view={view}
                    crowded={crowded?.has(box.id) ?? false}
                    current={is('box', box.id)}
                    faded={mine !== null && !mine.has(box.id)}
                  />
                </Item>
              ) : null,
            )}
          </>
        ) : null}
      </svg>
      {children}
      <ZoomButtons {...seen} />
    </div>
  );
};

/** A room that is being drawn, with its measures. */
const DrawnRoom = ({ drawn: { at, width, depth }, view }: { drawn: Drawn; view: View }) => {
  const { x, y } = toPixel(view, at);
  return (
    <g pointerEvents="none">
      <rect
        x={x}
        y={y}
        width={width * view.scale}
        height={depth * view.scale}
        fill="var(--color-sheet)"
        stroke="var(--color-ink)"
        strokeWidth="3"
        strokeDasharray="8 4"
      />
      <text
        x={x + (width * view.scale) / 2}
        y={y + (depth * view.scale) / 2 + 6}
        textAnchor="middle"
        fontSize="17"
        fontWeight="700"
        className="plan-label"
      >
        {feetInches(width)} by {feetInches(depth)}
      </text>
    </g>
  );
};

/** Where a mark is, that is drawn beside its place so that it does not cover another. */
const Aside = ({ by }: { by: number | undefined }) =>
  by === undefined ? null : (
    <>
      <path d={`M0 0L${-by} 18`} stroke="var(--color-ink)" strokeWidth="1.2" />
      <circle cx={-by} cy="18" r="2.2" fill="var(--color-ink)" />
    </>
  );

const move = (view: View, at: { x: number; y: number }, aside?: number) => {
  const { x, y } = toPixel(view, at);
  return `translate(${x + (aside ?? 0)} ${y - (aside === undefined ? 0 : 18)})`;
};
