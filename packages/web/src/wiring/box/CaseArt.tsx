import type { BoxDrawing } from '@amber/core';

const INK = '#20262d';

/** A hexagonal head with a slot: the ground screw of a metal box. */
const BondScrew = ({ x, y }: { x: number; y: number }) => (
  <g>
    <path d={`M${x - 10} ${y}l5 -9h10l5 9l-5 9h-10z`} fill="#2f7d4f" stroke={INK} strokeWidth="1.4" />
    <path d={`M${x - 6} ${y}h12`} stroke="#fff" strokeWidth="1.8" />
  </g>
);

/** The box itself: plastic or metal, square or round, with the ears that its devices or its luminaire are fixed to. */
export const CaseArt = ({ drawing: { enclosure, bond } }: { drawing: BoxDrawing }) => {
  const { x, y, width, height, form, metal, ring } = enclosure;
  const round = Math.min(80, width / 2, height / 2);
  const corner = form === 'round' ? round : 12;
  return (
    <g>
      <rect
        {...{ x, y, width, height }}
        rx={corner}
        fill={metal ? '#9aa1a5' : '#e9e4d8'}
        stroke={metal ? '#40474c' : '#57534a'}
        strokeWidth="2"
      />
      <rect
        {...{ x: x + 7, y: y + 7, width: width - 14, height: height - 14 }}
        rx={Math.max(4, corner - 7)}
        fill="var(--color-inside)"
        stroke={metal ? '#40474c' : '#8b8577'}
        strokeWidth={metal ? 1.4 : 0.8}
      />
      {ring ? (
        <rect
          {...{ x: x + 3.5, y: y + 3.5, width: width - 7, height: height - 7 }}
          rx={Math.max(4, corner - 3.5)}
          fill="none"
          stroke={metal ? '#d5d9dc' : '#fbf9f4'}
          strokeWidth="2.5"
        />
      ) : null}
      {metal
        ? (
            [
              [x + (form === 'round' ? round : 18), y + height - 3.5],
              [x + width - (form === 'round' ? round : 18), y + height - 3.5],
            ] as const
          ).map(([cx, cy]) => <circle key={cx} cx={cx} cy={cy} r="2.4" fill="#40474c" />)
        : null}
      {bond ? (
        <g>
          <title>Ground screw of the metal box</title>
          <BondScrew x={bond.x + bond.width / 2 - 8} y={bond.y + bond.height / 2} />
          <text
            x={bond.x + bond.width / 2 + 6}
            y={bond.y + bond.height / 2 + 4}
            fontSize="11.5"
            fontWeight="650"
          >
            box
          </text>
        </g>
      ) : null}
    </g>
  );
};
