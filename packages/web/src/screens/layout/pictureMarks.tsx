import { Move } from 'lucide-react';
import type { Spot } from '@amber/core';
import { toPixel, type View } from '../../plan/view.js';

/** What a picture is taken hold of by, at its upper left corner. */
export const PictureHandle = () => (
  <>
    <circle r="20" fill="transparent" />
    <circle r="14" fill="var(--color-sheet)" stroke="var(--color-ink)" strokeWidth="2" />
    <Move x={-9} y={-9} width={18} height={18} aria-hidden="true" />
  </>
);

/** The points that a picture is scaled by, and the line between them. */
export const Marks = ({ marks, view }: { marks: readonly Spot[]; view: View }) => {
  const at = marks.map((mark) => toPixel(view, mark));
  const [from, to] = at;
  return (
    <g stroke="var(--color-ink)" strokeWidth="2" fill="none" pointerEvents="none" aria-hidden="true">
      {from && to ? <path d={`M${from.x} ${from.y}L${to.x} ${to.y}`} strokeDasharray="7 5" /> : null}
      {at.map(({ x, y }, i) => (
        <g key={i} transform={`translate(${x} ${y})`}>
          <path d="M-11 0H11M0 -11V11" />
          <text x="10" y="-9" fontSize="14" fontWeight="700" stroke="none" fill="var(--color-ink)">
            {i + 1}
          </text>
        </g>
      ))}
    </g>
  );
};
