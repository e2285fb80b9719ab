import type { DrawnCable } from '@amber/core';
import { JACKET_PAINT } from '../../parts/jackets.js';

/** A cable where it comes in: its sheath, its type, and where it goes in full. */
export const CableArt = ({ cable, told }: { cable: DrawnCable; told: string }) => {
  const { x, y, width, height, lines, edge, existing } = cable;
  const first = edge === 'top' ? y + height - 12 - (lines.length - 1) * 14 : y + 20;
  return (
    <g data-cable={cable.cable}>
      <title>{told}</title>
      <rect
        {...{ x, y, width, height }}
        rx="7"
        fill={JACKET_PAINT[cable.jacket]}
        stroke="#57534a"
        strokeWidth="1.5"
        strokeDasharray={existing ? '7 3' : undefined}
      />
      {lines.map((line, i) => (
        <text
          key={i}
          x={x + width / 2}
          y={first + i * 14}
          textAnchor="middle"
          fontSize={i === 0 ? 14.5 : 13}
          fontWeight={i === 0 ? 750 : 500}
          fill={i === 0 ? '#20262d' : '#3c3a34'}
        >
          {line}
        </text>
      ))}
    </g>
  );
};
