import { FILL_PARTS, type BoxRow, type FillPart } from '@amber/core';

/** Each part has a pattern of its own beside its shade, so that nothing depends on seeing colour. */
const LOOKS: Record<FillPart, string> = {
  conductors: 'bg-ink',
  devices: 'bg-quiet',
  grounds: 'bg-pass',
  clamps: 'bg-board',
  fittings: 'bg-inside',
};
/** What fills a box, part by part, against what it holds; what is over the edge is too much. */
export const FillBar = ({ row }: { row: BoxRow }) => {
  const { available, needed } = row.fill;
  const whole = Math.max(available ?? needed, needed, 1);
  return (
    <span className="printed relative block h-4 w-full min-w-24 rounded-sm bg-line" aria-hidden="true">
      <span className="flex h-4 overflow-hidden rounded-sm">
        {FILL_PARTS.map((part) => (
          <span
            key={part}
            className={`h-4 border-r border-sheet last:border-0 ${LOOKS[part]}`}
            style={{ width: `${(100 * row.parts[part]) / whole}%` }}
          />
        ))}
      </span>
      {available !== null && needed > available ? (
        <span
          className="absolute top-[-3px] bottom-[-3px] w-[3px] bg-violation"
          style={{ left: `${(100 * available) / whole}%` }}
        />
      ) : null}
    </span>
  );
};

/** What the shades of the bar stand for. */
export const FillLegend = () => (
  <ul className="printed flex flex-wrap gap-x-4 gap-y-1 text-[13px] text-quiet">
    {FILL_PARTS.map((part) => (
      <li key={part} className="flex items-center gap-1.5">
        <span className={`size-3 rounded-sm ${LOOKS[part]}`} aria-hidden="true" />
        {part}
      </li>
    ))}
    <li className="flex items-center gap-1.5">
      <span className="size-3 rounded-sm bg-line" aria-hidden="true" />
      room left
    </li>
  </ul>
);
