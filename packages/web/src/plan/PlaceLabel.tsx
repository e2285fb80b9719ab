import type { LabelSpot } from './labels.js';

/** Letters on a line, and from one line to the next, pixels. Beside a wall there is room for so much at the widest view. */
const LETTERS = 17;
const LINE = 14;

/** A name on two lines at most; what does not fit ends in dots. The whole of it stands where the box is picked. */
export const linesOf = (name: string): string[] => {
  const lines: string[] = [];
  for (const word of name.split(/\s+/)) {
    const last = lines.at(-1);
    if (last !== undefined && `${last} ${word}`.length <= LETTERS)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines
    .slice(0, 2)
    .map((line, i) =>
      line.length > LETTERS || (i === 1 && lines.length > 2) ? `${line.slice(0, LETTERS - 1)}…` : line,
    );
};

/** The name of a box beside its mark, and what else is to be said of it. */
export const PlaceLabel = ({
  name,
  label: { x, y, anchor },
  current = false,
  under = null,
}: {
  name: string;
  label: LabelSpot;
  current?: boolean;
  under?: string | null;
}) => {
  const lines = [...linesOf(name), ...(under === null ? [] : [under])];
  const more = (lines.length - 1) * LINE;
  // Above a mark further lines go up, below it down; beside it all stand in the middle.
  const top = anchor !== 'middle' ? y - more / 2 : y < 0 ? y - more : y;
  return (
    <text textAnchor={anchor} fontSize="12.5" fontWeight={current ? 700 : 500} className="plan-label">
      {lines.map((line, i) => (
        <tspan key={i} x={x} y={top + i * LINE} fontWeight={line === under ? 500 : undefined}>
          {line}
        </tspan>
      ))}
    </text>
  );
};
