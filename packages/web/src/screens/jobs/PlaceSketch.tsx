import type { PlaceSketch as Sketch } from '@amber/core';

/** Ground around the walls, as a part of what they take. */
const MARGIN = 0.09;
/** A plan is drawn no narrower than a house is, so that a closet is not drawn as large as one; inches. */
const LEAST = 240;

/** The plan of a job in small: walls, where one switches, what is lit. */
export const PlaceSketch = ({ sketch, className }: { sketch: Sketch; className: string }) => {
  const { width, depth, rooms, switches, luminaires } = sketch;
  const wide = Math.max(LEAST, width) * (1 + 2 * MARGIN);
  const deep = Math.max(LEAST / 2, depth) * (1 + 2 * MARGIN);
  // Signs as large as they can be seen, whatever the size of the house.
  const unit = Math.max(wide / 340, deep / 170);
  return (
    <svg
      viewBox={`${-(wide - width) / 2} ${-(deep - depth) / 2} ${wide} ${deep}`}
      aria-hidden="true"
      className={`drawing ${className}`}
    >
      {rooms.map((corners, i) => (
        <polygon
          key={i}
          points={corners.map((corner) => corner.join(',')).join(' ')}
          fill="var(--color-paper)"
          stroke="#4a5057"
          strokeWidth={2.6 * unit}
        />
      ))}
      {luminaires.map(([x, y], i) => (
        <circle
          key={i}
          cx={x}
          cy={y}
          r={3.4 * unit}
          fill="#fff"
          stroke="var(--color-ink)"
          strokeWidth={1.3 * unit}
        />
      ))}
      {switches.map(([x, y], i) => (
        <rect
          key={i}
          x={x - 3.4 * unit}
          y={y - 3.4 * unit}
          width={6.8 * unit}
          height={6.8 * unit}
          rx={unit}
          fill="var(--color-ink)"
        />
      ))}
    </svg>
  );
};
