import type { LabelSpot } from './labels.js';
import { LETTERS, LINE, linesOf, topOf } from './names.js';

/** The name of a box beside its mark, and what else is to be said of it. */
export const PlaceLabel = ({
  name,
  label,
  crowded,
  current = false,
  under = null,
}: {
  name: string;
  label: LabelSpot;
  crowded: boolean;
  current?: boolean;
  under?: string | null;
}) => {
  const lines = [
    ...linesOf(name, crowded ? LETTERS.narrow : LETTERS.usual),
    ...(under === null ? [] : [under]),
  ];
  const top = topOf(label, lines.length);
  return (
    <text textAnchor={label.anchor} fontSize="12.5" fontWeight={current ? 700 : 500} className="plan-label">
      {lines.map((line, i) => (
        <tspan key={i} x={label.x} y={top + i * LINE} fontWeight={line === under ? 500 : undefined}>
          {line}
        </tspan>
      ))}
    </text>
  );
};
