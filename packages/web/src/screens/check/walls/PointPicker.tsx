import { useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Spot, WallFace } from '@amber/core';
import { picturePath } from '../../../parts/paths.js';
import { Button, Select } from '../../../parts/ui.js';
import { FIRST_FOUR, knownPoints, viewOf, type Placed } from './known.js';
import { spotIn } from './spotIn.js';
import { WallOverlay } from './WallOverlay.js';

/** An arrow key moves a point by so much of the picture; with Shift by more. */
const STEP = 0.005;
const kept = (value: number): number => Math.max(0, Math.min(1, value));

const ARROWS: Record<string, Spot> = {
  ArrowLeft: { x: -STEP, y: 0 },
  ArrowRight: { x: STEP, y: 0 },
  ArrowUp: { x: 0, y: -STEP },
  ArrowDown: { x: 0, y: STEP },
};

/** Four points that the plan knows are shown in the photograph, by taps or with the arrow keys; then it lies on its wall. */
export const PointPicker = ({
  face,
  hash,
  size,
  onKeep,
  onLeave,
}: {
  face: WallFace;
  hash: string;
  size: { width: number; height: number };
  onKeep: (placed: Placed[]) => void;
  onLeave: () => void;
}) => {
  const points = knownPoints(face);
  const [which, setWhich] = useState<string[]>([...FIRST_FOUR]);
  const [at, setAt] = useState<(Spot | null)[]>([null, null, null, null]);
  const [current, setCurrent] = useState(0);
  const placed = which.flatMap((id, i): Placed[] => {
    const known = points.find((one) => one.id === id);
    const spot = at[i];
    return known && spot ? [{ known, at: spot }] : [];
  });
  const view = viewOf(face, placed);
  const { width, height } = size;
  const unit = Math.max(width, height) / 45;
  const put = (spot: Spot, thenNext: boolean) => {
    setAt(at.map((one, i) => (i === current ? { x: kept(spot.x), y: kept(spot.y) } : one)));
    const open = at.findIndex((one, i) => one === null && i !== current);
    if (thenNext && open >= 0) setCurrent(open);
  };
  const tap = (event: PointerEvent<SVGSVGElement>) => {
    const { x, y } = spotIn(event.currentTarget, event);
    put({ x: x / width, y: y / height }, true);
  };
  const key = (event: KeyboardEvent) => {
    const arrow = ARROWS[event.key];
    if (!arrow) return;
    event.preventDefault();
    const times = event.shiftKey ? 10 : 1;
    const from = at[current] ?? { x: 0.5, y: 0.5 };
    put({ x: from.x + arrow.x * times, y: from.y + arrow.y * times }, false);
  };
  const asked = points.find(({ id }) => id === which[current])?.words ?? '';
  return (
    <div className="flex flex-col gap-3">
      <p role="status">
        {placed.length < 4 ? (
          <>
            Tap in the photograph: <strong>{asked}</strong>
          </>
        ) : view.ok ? (
          'Is it so? Every box should lie on its place. Tap again to move the point that is picked.'
        ) : (
          <span className="text-violation">{view.said}</span>
        )}
      </p>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        role="application"
        aria-label={`Photograph of ${face.name}. ${asked}: tap, or move it with the arrow keys`}
        tabIndex={0}
        onPointerDown={tap}
        onKeyDown={key}
        className="max-h-[60vh] w-full cursor-crosshair touch-none rounded-md border border-line"
      >
        <image href={picturePath(hash)} width={width} height={height} />
        {view.ok ? (
          <WallOverlay
            face={face}
            unit={unit}
            view={(spot) => {
              const seen = view.toPicture(spot);
              return seen && { x: seen.x * width, y: seen.y * height };
            }}
          />
        ) : null}
        {at.map((spot, i) =>
          spot ? (
            <g key={which[i]} transform={`translate(${spot.x * width} ${spot.y * height})`}>
              <circle r={unit * 0.9} fill="none" stroke="var(--color-sheet)" strokeWidth={unit * 0.4} />
              <circle
                r={unit * 0.9}
                fill="none"
                stroke="var(--color-ink)"
                strokeWidth={unit * (i === current ? 0.3 : 0.15)}
              />
              <circle r={unit * 0.15} fill="var(--color-ink)" />
            </g>
          ) : null,
        )}
      </svg>
      <div className="grid gap-2 sm:grid-cols-2">
        {which.map((id, i) => (
          <div key={i} className="flex items-center gap-2">
            <Button
              aria-pressed={i === current}
              aria-label={`Pick point ${i + 1}`}
              className="w-11 aria-pressed:bg-ink aria-pressed:text-sheet"
              onClick={() => setCurrent(i)}
            >
              {i + 1}
            </Button>
            <Select
              aria-label={`Point ${i + 1} is`}
              value={id}
              onChange={(event) => {
                setWhich(which.map((one, j) => (j === i ? event.target.value : one)));
                setCurrent(i);
              }}
            >
              {points
                .filter((one) => one.id === id || !which.includes(one.id))
                .map((one) => (
                  <option key={one.id} value={one.id}>
                    {one.words}
                  </option>
                ))}
            </Select>
            <span className="w-14 shrink-0 text-[13px] text-quiet">{at[i] ? 'placed' : 'open'}</span>
          </div>
        ))}
      </div>
      <div className="flex gap-2">
        <Button look="main" disabled={!view.ok} onClick={() => onKeep(placed)}>
          Lay it on the wall
        </Button>
        <Button look="bare" onClick={onLeave}>
          Cancel
        </Button>
      </div>
    </div>
  );
};
