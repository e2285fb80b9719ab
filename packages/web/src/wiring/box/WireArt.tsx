import { memo } from 'react';
import { LABEL, LABEL_SIZE, type DrawnJumper, type DrawnWire, lookOf } from '@amber/core';

const CORNER = 7;

/** A polyline with rounded corners. */
const rounded = (points: DrawnWire['points']): string => {
  const [first] = points;
  if (!first) return '';
  const parts = [`M${first.x} ${first.y}`];
  points.slice(1, -1).forEach((corner, i) => {
    const before = points[i];
    const after = points[i + 2];
    if (!before || !after) return;
    const reach = (other: { x: number; y: number }) => Math.hypot(other.x - corner.x, other.y - corner.y);
    const r = Math.min(CORNER, reach(before) / 2, reach(after) / 2);
    const toward = (other: { x: number; y: number }) => {
      const length = reach(other) || 1;
      return `${corner.x + ((other.x - corner.x) / length) * r} ${corner.y + ((other.y - corner.y) / length) * r}`;
    };
    parts.push(`L${toward(before)}Q${corner.x} ${corner.y} ${toward(after)}`);
  });
  const last = points.at(-1) ?? first;
  return `${parts.join('')}L${last.x} ${last.y}`;
};

/** Words along a straight piece of a wire, where a lens says what it carries. */
const Along = ({ along, words }: { along: DrawnWire['along']; words: string }) => {
  const width = words.length * 7.1 + 8;
  // What does not fit, or would be covered in part, is told on hover.
  if (!along || width > Math.hypot(along.a.x - along.b.x, along.a.y - along.b.y) - 3) return null;
  const { a, b } = along;
  const [x, y] = [(a.x + b.x) / 2, (a.y + b.y) / 2];
  const upright = Math.abs(a.x - b.x) < Math.abs(a.y - b.y);
  return (
    <g transform={upright ? `rotate(-90 ${x} ${y})` : undefined}>
      <rect
        x={x - width / 2}
        y={y - 7}
        width={width}
        height="14"
        rx="3"
        fill="#fbf9f4"
        stroke="#57534a"
        strokeWidth="0.8"
      />
      <text x={x} y={y + 4} textAnchor="middle" fontSize={LABEL - 0.5} fontWeight="650" fill="#20262d">
        {words}
      </text>
    </g>
  );
};

/** Letters that would not fit their label are set narrower, in whatever face they are shown. */
const squeezed = (code: string, width: number) =>
  code.length * LABEL * 0.74 > width - 4
    ? { textLength: width - 5, lengthAdjust: 'spacingAndGlyphs' as const }
    : {};

/** The copper of a wire in its insulation, and whether it is live: amber with a moving core, or hatched where nobody knows. */
const Copper = ({
  points,
  colour,
  live,
  unknown,
  dashed,
}: Pick<DrawnWire, 'points' | 'colour'> & { live: boolean; unknown: boolean; dashed: boolean }) => {
  const d = rounded(points);
  const look = lookOf(colour);
  const thick = colour === 'bare' ? 3 : 4.6;
  return (
    <>
      {live ? <path d={d} strokeWidth="10.5" className="wire-glow" /> : null}
      {unknown ? <path d={d} strokeWidth="10.5" className="wire-unknown" /> : null}
      <path d={d} stroke={look.outline} strokeWidth={thick + 1.6} />
      <path d={d} stroke={look.paint} strokeWidth={thick} strokeDasharray={dashed ? '9 5' : undefined} />
      {live ? <path d={d} strokeWidth="1.6" className="wire-core" /> : null}
    </>
  );
};

/** The wire between two connectors of a chain, or between two screws. */
export const JumperArt = ({
  jumper,
  live,
  unknown,
}: {
  jumper: DrawnJumper;
  live: boolean;
  unknown: boolean;
}) => (
  <g fill="none" data-jumper={jumper.key} data-live={live || undefined} data-unknown={unknown || undefined}>
    <Copper points={jumper.points} colour={jumper.colour} live={live} unknown={unknown} dashed={false} />
  </g>
);

interface WireProps {
  wire: DrawnWire;
  live: boolean;
  /** Nobody knows whether it is live. */
  unknown: boolean;
  /** It is out of what is looked at. */
  faint: boolean;
  /** It is one with the conductor that is followed. */
  followed: boolean;
  /** What a lens says of it. */
  words: string | null;
  title: string;
  onFollow: (key: string) => void;
}

/** A wire with its insulation, what is live in it, and a gap around it where it passes over another. */
export const WireArt = memo(({ wire, live, unknown, faint, followed, words, title, onFollow }: WireProps) => {
  const d = rounded(wire.points);
  const look = lookOf(wire.colour);
  const { mark, band } = wire;
  const code = look.code;
  const width =
    code === 'GN' ? 17 : code.length === 1 ? 14 : Math.max(LABEL_SIZE.width, code.length * 8.4 + 3);
  return (
    <g
      fill="none"
      data-live={live || undefined}
      data-unknown={unknown || undefined}
      data-wire={wire.key}
      data-wire-id={wire.id}
      data-followed={followed || undefined}
      opacity={faint ? 0.22 : undefined}
      onClick={() => onFollow(wire.key)}
      className="cursor-pointer"
    >
      <title>{title}</title>
      {/* As wide on the screen as a finger, however small the picture is. */}
      <path d={d} stroke="transparent" strokeWidth="24" vectorEffect="non-scaling-stroke" />
      <path
        d={d}
        stroke={followed ? 'var(--color-ink)' : 'var(--color-inside)'}
        strokeWidth={followed ? 11.5 : 11}
      />
      {followed ? <path d={d} stroke="var(--color-inside)" strokeWidth="9" /> : null}
      <Copper
        points={wire.points}
        colour={wire.colour}
        live={live}
        unknown={unknown}
        dashed={wire.loose === 'unseen'}
      />
      {band && mark
        ? [-4, 2].map((by) => (
            <rect
              key={by}
              x={band.x - 4.5}
              y={band.y + by}
              width="9"
              height="4"
              rx="1"
              fill={lookOf(mark).paint}
              stroke="#fff"
              strokeWidth="0.5"
            />
          ))
        : null}
      {wire.labels.map((label, i) => (
        <g key={i}>
          <rect
            x={label.x - width / 2}
            y={label.y - LABEL_SIZE.height / 2}
            width={width}
            height={LABEL_SIZE.height}
            rx="3"
            fill="#fbf9f4"
            stroke={live ? 'var(--color-amber-live)' : '#57534a'}
            strokeWidth={live ? 1.8 : 0.9}
          />
          <text
            x={label.x}
            y={label.y + 4}
            textAnchor="middle"
            fontSize={LABEL}
            {...squeezed(code, width)}
            fontWeight="720"
            fill="var(--color-ink)"
          >
            {code}
          </text>
        </g>
      ))}
      {words === null ? null : <Along along={wire.along} words={words} />}
    </g>
  );
});
