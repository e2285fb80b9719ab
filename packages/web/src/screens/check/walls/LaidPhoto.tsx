import { useState, type PointerEvent } from 'react';
import type { SiteRecord, Spot, WallFace } from '@amber/core';
import { when } from '../../../parts/format.js';
import { OneOf } from '../../../parts/OneOf.js';
import { picturePath } from '../../../parts/paths.js';
import { Button } from '../../../parts/ui.js';
import { flattening, placedOf, sayPoint, viewOf } from './known.js';
import { usePictureSize } from './usePictureSize.js';
import { spotIn } from './spotIn.js';
import { WallOverlay } from './WallOverlay.js';

/** Inches of a wall are drawn as so many units. */
const SCALE = 8;

/** A photograph on its wall: seen as it was taken with the plan over it, or laid flat under the plan. A tap tells where a point is. */
export const LaidPhoto = ({
  face,
  record,
  onTakeBack,
}: {
  face: WallFace;
  record: SiteRecord;
  onTakeBack: () => void;
}) => {
  const [as, setAs] = useState<'photograph' | 'wall'>('photograph');
  const [point, setPoint] = useState<Spot | null>(null);
  const hash = String(record.body['hash']);
  const { size, failed } = usePictureSize(hash);
  const placed = placedOf(record);
  const view = viewOf(face, placed);
  if (failed)
    return (
      <p role="alert">
        The photograph cannot be read now. It is kept on the server; try again when there is a connection.
      </p>
    );
  if (!size) return <p className="text-quiet">Loading …</p>;
  if (!view.ok) return <p role="alert">{view.said}</p>;
  const { width, height } = size;
  const [w, h] = as === 'photograph' ? [width, height] : [face.length * SCALE, face.height * SCALE];
  const onPlane = (spot: Spot): Spot | null => {
    if (as === 'wall') return { x: spot.x * SCALE, y: (face.height - spot.y) * SCALE };
    const seen = view.toPicture(spot);
    return seen && { x: seen.x * width, y: seen.y * height };
  };
  const tap = (event: PointerEvent<SVGSVGElement>) => {
    const { x, y } = spotIn(event.currentTarget, event);
    setPoint(
      as === 'wall'
        ? { x: x / SCALE, y: face.height - y / SCALE }
        : view.toWall({ x: x / width, y: y / height }),
    );
  };
  const flat = flattening(face, placed, size, SCALE);
  const mark = point && onPlane(point);
  const unit = Math.max(w, h) / 45;
  return (
    <div className="flex flex-col gap-2">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <div className="w-64">
          <OneOf
            label="How it is seen"
            options={[
              { value: 'photograph', words: 'As taken' },
              { value: 'wall', words: 'Flat on the wall' },
            ]}
            value={as}
            onPick={setAs}
          />
        </div>
        <p className="text-[13px] text-quiet">
          {when(record.at)}
          {record.by === '' ? '' : `, ${record.by}`}
        </p>
      </div>
      <svg
        viewBox={`0 0 ${w} ${h}`}
        role="img"
        aria-label={`${face.name}: photograph with boxes and runs as planned`}
        onPointerDown={tap}
        className="max-h-[65vh] w-full cursor-crosshair rounded-md border border-line bg-board"
      >
        {as === 'photograph' ? (
          <image href={picturePath(hash)} width={width} height={height} />
        ) : (
          <foreignObject width={w} height={h}>
            <div style={{ position: 'relative', width: w, height: h, overflow: 'hidden' }}>
              <img
                src={picturePath(hash)}
                alt=""
                width={width}
                height={height}
                style={{
                  position: 'absolute',
                  maxWidth: 'none',
                  transformOrigin: '0 0',
                  transform: flat ?? undefined,
                }}
              />
            </div>
          </foreignObject>
        )}
        <WallOverlay face={face} unit={unit} view={onPlane} />
        {mark ? (
          <g transform={`translate(${mark.x} ${mark.y})`}>
            <circle r={unit * 0.7} fill="none" stroke="var(--color-sheet)" strokeWidth={unit * 0.4} />
            <path
              d={`M${-unit} 0h${2 * unit}M0 ${-unit}v${2 * unit}`}
              stroke="var(--color-ink)"
              strokeWidth={unit * 0.15}
            />
          </g>
        ) : null}
      </svg>
      <p role="status" className="min-h-6 font-semibold">
        {point
          ? `${sayPoint(point)}, as near as the four points were tapped.`
          : 'Tap anywhere on the wall to read where it is.'}
      </p>
      <p className="text-[13px] text-quiet">
        Boxes and new runs lie as they are planned, not as somebody saw them; old cables are not drawn, since
        nobody knows where they lie. What the photograph shows comes first. Before a hole is made, look for
        cables anew.
      </p>
      <Button look="bare" className="self-start underline" onClick={onTakeBack}>
        Take this photograph off the wall
      </Button>
    </div>
  );
};
