import { feetInches, wallDistances, type Spot, type WallFace } from '@amber/core';

const line = (points: readonly (Spot | null)[]): string =>
  points.flatMap((one) => (one ? [`${one.x.toFixed(1)},${one.y.toFixed(1)}`] : [])).join(' ');

/** A wall longer than this has a wider net, inches. */
const LONG = 240;

/** The wall as planned, drawn through any view of it: feet as a fine net, doors, runs dashed, boxes with their names and how far they are from each other. */
export const WallOverlay = ({
  face,
  view,
  unit,
}: {
  face: WallFace;
  view: (at: Spot) => Spot | null;
  /** Size of a letter, in units of the picture. */ unit: number;
}) => {
  // A net of feet; of a long wall of every other.
  const mesh = face.length > LONG ? 24 : 12;
  const feet = (most: number) => Array.from({ length: Math.floor(most / mesh) + 1 }, (_one, i) => i * mesh);
  const halo = { stroke: 'var(--color-sheet)', strokeWidth: unit * 0.35, fill: 'none' };
  const ink = { stroke: 'var(--color-ink)', strokeWidth: unit * 0.14, fill: 'none' };
  return (
    <g aria-hidden="true">
      <g stroke="var(--color-sheet)" strokeWidth={unit * 0.05} opacity="0.8" fill="none">
        {feet(face.length).map((x) => (
          <polyline key={`x${x}`} points={line([view({ x, y: 0 }), view({ x, y: face.height })])} />
        ))}
        {feet(face.height).map((y) => (
          <polyline key={`y${y}`} points={line([view({ x: 0, y }), view({ x: face.length, y })])} />
        ))}
      </g>
      {face.doors.map(({ from, to, height }) => {
        const points = line([
          view({ x: from, y: 0 }),
          view({ x: from, y: height }),
          view({ x: to, y: height }),
          view({ x: to, y: 0 }),
        ]);
        return (
          <g key={from}>
            <polyline points={points} {...halo} />
            <polyline points={points} {...ink} />
          </g>
        );
      })}
      {face.runs.map(({ cable, points }) => (
        <g key={cable}>
          <polyline points={line(points.map(view))} {...halo} />
          <polyline
            points={line(points.map(view))}
            {...ink}
            strokeDasharray={`${unit * 0.6} ${unit * 0.35}`}
          />
        </g>
      ))}
      {wallDistances(face).map(({ from, to, inches }) => {
        const middle = view({ x: (from.x + to.x) / 2, y: from.y });
        const ticks = [from, to].map(({ x, y }) => [view({ x, y: y - 1.5 }), view({ x, y: y + 1.5 })]);
        return (
          <g key={`${from.x} ${to.x}`}>
            {[[from, to].map(view), ...ticks].map((points, i) => (
              <polyline key={i} points={line(points)} {...ink} strokeWidth={unit * 0.07} />
            ))}
            {middle ? (
              <text
                x={middle.x}
                y={middle.y + unit * 0.35}
                textAnchor="middle"
                fontSize={unit * 0.9}
                className="plan-label"
                style={{ strokeWidth: unit * 0.28 }}
              >
                {feetInches(inches)}
              </text>
            ) : null}
          </g>
        );
      })}
      {face.boxes.map(({ id, name, at }) => {
        const corners = [
          { x: at.x - 1.5, y: at.y - 2 },
          { x: at.x - 1.5, y: at.y + 2 },
          { x: at.x + 1.5, y: at.y + 2 },
          { x: at.x + 1.5, y: at.y - 2 },
        ].map(view);
        const middle = view(at);
        return (
          <g key={id}>
            <polygon
              points={line(corners)}
              stroke="var(--color-ink)"
              strokeWidth={unit * 0.14}
              fill="var(--color-sheet)"
              fillOpacity="0.7"
            />
            {middle ? (
              <>
                <circle
                  cx={middle.x}
                  cy={middle.y}
                  r={unit * 0.45}
                  stroke="var(--color-ink)"
                  strokeWidth={unit * 0.16}
                  fill="var(--color-sheet)"
                />
                <text
                  x={middle.x + unit * 0.8}
                  y={middle.y + unit * 0.35}
                  fontSize={unit}
                  className="plan-label"
                  style={{ strokeWidth: unit * 0.28 }}
                  fontWeight="650"
                >
                  {name}
                </text>
              </>
            ) : null}
          </g>
        );
      })}
    </g>
  );
};
