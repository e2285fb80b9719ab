import { useId } from 'react';
import {
  boxToScale,
  feetInches,
  partOfLine,
  type BoxFill,
  type BoxRow,
  type FillPart,
  type JobReview,
  type ScaleLayer,
} from '@amber/core';

type FillLine = BoxFill['lines'][number];

const FILLS: Record<FillPart, string> = {
  conductors: 'fill-ink',
  devices: 'fill-quiet',
  grounds: 'fill-pass',
  clamps: 'fill-board',
  fittings: 'fill-inside',
};

/** Pixels: an inch at most, both views together at most, and what stands around them. */
const [INCH, WIDE, GAP, UNDER, NAMES] = [46, 300, 26, 34, 74];
const LETTER = 12;

/** Names beside their layers, each moved up as far as it has to be to stand free of the one below. */
const namesUp = (levels: readonly ScaleLayer[], yOf: (inches: number) => number) => {
  let free = Infinity;
  return levels.map(({ part, from, to }) => {
    const at = Math.min((yOf(from) + yOf(to)) / 2, free);
    free = at - LETTER - 1;
    return { part, at };
  });
};

const Measured = ({ x1, x2, y, inches }: { x1: number; x2: number; y: number; inches: number }) => (
  <g className="stroke-quiet">
    <path d={`M${x1} ${y - 4}V${y + 4}M${x2} ${y - 4}V${y + 4}M${x1} ${y}H${x2}`} fill="none" />
    <text x={(x1 + x2) / 2} y={y + 17} textAnchor="middle" className="fill-ink stroke-none text-[13px]">
      {feetInches(inches)}
    </text>
  </g>
);

/** The box from the front and in section, to scale, filled with what is counted; in words where it is not measured. */
export const BoxToScale = ({
  review,
  row,
  line,
}: {
  review: JobReview;
  row: BoxRow;
  line: FillLine | null;
}) => {
  const clip = useId();
  const drawn = boxToScale(review.job, review.wiring, row);
  const [base] = drawn?.sections ?? [];
  if (!drawn || !base)
    return (
      <p className="text-[13.5px] text-quiet">
        {row.fill.available === null
          ? 'Which box it is, nobody has told: it is not drawn to scale.'
          : 'What it measures inside, nobody has told: it is not drawn to scale.'}
      </p>
    );
  const { sections, round, gangs, depth, layers, levels } = drawn;
  const out = Math.max(0, ...layers.map(({ to }) => to - depth));
  const above = Math.max(0, ...levels.map(({ to }) => to - base.height));
  const scale = Math.min(INCH, WIDE / (base.width + depth + out));
  const top = 4 + above * scale;
  const floor = top + base.height * scale;
  const left = NAMES;
  const right = left + base.width * scale;
  const mouth = right + GAP + out * scale;
  const back = mouth + depth * scale;
  const yOf = (inches: number) => floor - inches * scale;
  const xOf = (inches: number) => back - inches * scale;
  const isFaint = (part: FillPart) => line !== null && partOfLine(line) !== part;
  const middle = (top + floor) / 2;
  const measure = `${feetInches(base.width)} x ${feetInches(base.height)} and ${feetInches(depth)} deep inside`;
  return (
    <figure className="rounded-md border border-line bg-white p-2">
      <svg
        viewBox={`0 0 ${Math.ceil(back + 6)} ${Math.ceil(floor + UNDER)}`}
        className="mx-auto block h-auto w-full"
        style={{ maxWidth: `${Math.ceil(back + 6)}px` }}
        role="img"
        aria-label={`To scale: ${measure}, front view and section`}
      >
        <clipPath id={clip}>
          {round ? (
            <>
              <circle cx={(left + right) / 2} cy={middle} r={(base.width * scale) / 2} />
              <rect x={left} y={0} width={right - left} height={top} />
            </>
          ) : (
            <rect x={left} y={0} width={right - left} height={floor} />
          )}
        </clipPath>
        <g clipPath={`url(#${clip})`}>
          {levels.map(({ part, from, to, splits }) => (
            <g key={part} opacity={isFaint(part) ? 0.2 : 1}>
              <rect
                className={FILLS[part]}
                x={left}
                width={right - left}
                y={yOf(to)}
                height={(to - from) * scale}
              />
              {[from, ...splits].map((at) => (
                <path key={at} d={`M${left} ${yOf(at)}H${right}`} className="stroke-white" />
              ))}
            </g>
          ))}
        </g>
        {namesUp(levels, yOf).map(({ part, at }) => (
          <text key={part} x={left - 6} y={at + 4} textAnchor="end" className="fill-ink text-[12px]">
            {part}
          </text>
        ))}
        {layers.map(({ part, from, to, splits }) => (
          <g key={part} opacity={isFaint(part) ? 0.2 : 1}>
            <rect
              className={FILLS[part]}
              x={xOf(to)}
              width={(to - from) * scale}
              y={top}
              height={floor - top}
            />
            {[from, ...splits].map((at) => (
              <path key={at} d={`M${xOf(at)} ${top}V${floor}`} className="stroke-white" />
            ))}
          </g>
        ))}
        <g fill="none" className="stroke-ink" strokeWidth="2">
          {round ? (
            <circle cx={(left + right) / 2} cy={middle} r={(base.width * scale) / 2} />
          ) : (
            <rect x={left} y={top} width={right - left} height={floor - top} />
          )}
          {sections.map(({ height, depth: deep, back: at }, i) => {
            const half = (height * scale) / 2;
            const [outer, inner] = [xOf(at + deep), xOf(at)];
            return (
              <path
                key={i}
                d={`M${outer} ${middle - half}H${inner}${i === 0 ? `V${middle + half}` : `M${inner} ${middle + half}`}H${outer}`}
              />
            );
          })}
        </g>
        {gangs > 1 ? (
          <path
            d={Array.from({ length: gangs - 1 }, (_one, i) => {
              const x = left + ((right - left) * (i + 1)) / gangs;
              return `M${x} ${top}v6M${x} ${floor}v-6`;
            }).join('')}
            className="stroke-ink"
          />
        ) : null}
        {out > 0 ? (
          <g className="stroke-violation" strokeWidth="3" fill="none">
            <path d={`M${mouth} ${top - 3}V${floor + 3}`} />
            <path d={`M${left - 3} ${top}H${right + 3}`} />
          </g>
        ) : null}
        <Measured x1={left} x2={right} y={floor + 10} inches={base.width} />
        <Measured x1={mouth} x2={back} y={floor + 10} inches={depth} />
      </svg>
      <figcaption className="mt-1 text-[13px] text-quiet">
        To scale from the front and from the right side: {measure}. A layer is as large as what 314.16 allows
        for it; the wires themselves lie as they will.
        {out > 0 ? ' What is over the red line does not fit.' : ''}
      </figcaption>
    </figure>
  );
};
