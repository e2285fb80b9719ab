import { memo } from 'react';
import {
  findBox,
  findCable,
  cableTold,
  isUntoldFeed,
  PANEL,
  ROLE_WORDS,
  STATE_WORDS,
  type BoxDrawing,
  type DeviceId,
  type DrawnSheath,
  type DrawnWire,
  type Positions,
} from '@amber/core';
import { ItemFace } from './ItemFace.js';
import type { Seen } from './lenses.js';
import type { Subject } from './useSubject.js';
import { lookOf } from './wireLook.js';

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

/** Where the bands of re-identification sit: on the wire beside the sheath. */
const bandOf = ({ points: [a, b] }: DrawnWire) => {
  if (!a || !b) return null;
  const way = Math.sign(b.x - a.x);
  return { x: a.x + way * 8, y: a.y, way };
};

interface WireProps {
  wire: DrawnWire;
  live: boolean;
  /** It is out of what is looked at. */
  faint: boolean;
  /** It is one with the conductor that is followed. */
  followed: boolean;
  /** Words in place of its colour. */
  label: string | null;
  title: string;
  onFollow: (key: string) => void;
}

const Wire = memo(({ wire, live, faint, followed, label, title, onFollow }: WireProps) => {
  const d = rounded(wire.points);
  const look = lookOf(wire.colour);
  const { mark } = wire;
  const band = mark ? bandOf(wire) : null;
  const thick = wire.colour === 'bare' ? 3 : 4.6;
  return (
    <g
      fill="none"
      strokeLinecap="butt"
      data-live={live || undefined}
      data-wire={wire.key}
      data-followed={followed || undefined}
      opacity={faint ? 0.22 : undefined}
      onClick={() => onFollow(wire.key)}
      className="cursor-pointer"
    >
      <title>{title}</title>
      <path d={d} stroke="transparent" strokeWidth="15" />
      <path
        d={d}
        stroke={followed ? 'var(--color-ink)' : 'var(--color-inside)'}
        strokeWidth={followed ? 11 : 10}
      />
      {followed ? <path d={d} stroke="var(--color-inside)" strokeWidth="8.4" /> : null}
      {live ? <path d={d} strokeWidth="12" className="wire-glow" /> : null}
      <path d={d} stroke={look.outline} strokeWidth={thick + 1.6} />
      <path d={d} stroke={look.paint} strokeWidth={thick} />
      {live ? <path d={d} strokeWidth="1.5" className="wire-core" /> : null}
      {band && mark
        ? [0, 1].map((i) => (
            <rect
              key={i}
              x={band.x + band.way * i * 7 - 2.5}
              y={band.y - 4}
              width="5"
              height="8"
              rx="1"
              fill={lookOf(mark).paint}
            />
          ))
        : null}
      <text
        x={wire.label.x}
        y={wire.label.y}
        textAnchor={wire.label.anchor}
        fontSize="9.5"
        fontWeight="650"
        fill="var(--color-ink)"
        stroke="var(--color-inside)"
        strokeWidth="2.5"
        paintOrder="stroke"
      >
        {label ?? `${look.code}${mark ? ` ${lookOf(mark).code}` : ''}`}
      </text>
    </g>
  );
});

const Sheath = ({
  sheath,
  kind,
  name,
  told,
}: {
  sheath: DrawnSheath;
  kind: string;
  name: string;
  told: string;
}) => {
  const middle = sheath.y + sheath.height / 2;
  const words = told === '' ? `${sheath.incoming ? 'from' : 'to'} ${name}` : told;
  const short = words.length > 15 ? `${words.slice(0, 14)}…` : words;
  return (
    <g>
      <title>{`${kind} ${sheath.incoming ? 'from' : 'to'} ${name}${told === '' ? '' : `, ${told}`}${sheath.existing ? ', existing' : ''}`}</title>
      <rect
        x={sheath.x}
        y={sheath.y}
        width={sheath.width}
        height={sheath.height}
        rx="9"
        fill={sheath.awg === 12 ? '#f0e6b0' : '#f7f4ea'}
        stroke="#57534a"
        strokeWidth="1.5"
      />
      <text x={sheath.x + sheath.width / 2} y={middle - 3} textAnchor="middle" fontSize="13" fontWeight="700">
        {kind.length > 9 ? `${kind.slice(0, 8)}…` : kind}
      </text>
      <text x={sheath.x + sheath.width / 2} y={middle + 12} textAnchor="middle" fontSize="10" fill="#44413a">
        {short}
      </text>
    </g>
  );
};

/** One box opened up, drawn from its geometry; what is live glows. */
export const OpenBox = memo(
  ({
    subject,
    drawing,
    positions,
    large,
    seen,
    followed,
    onFlip,
    onFollow,
  }: {
    subject: Subject;
    drawing: BoxDrawing;
    positions: Positions;
    /** As wide as there is room. */
    large: boolean;
    /** What the lens makes of each wire. */
    seen: (wire: DrawnWire) => Seen;
    /** Keys of the conductor that is followed; null where none is. */
    followed: ReadonlySet<string> | null;
    onFlip: (id: DeviceId) => void;
    onFollow: (key: string) => void;
  }) => {
    const stateOf = (key: string) => {
      const net = subject.compiled.netOf(key);
      return net === undefined
        ? { state: 'dead' as const, role: 'spare' as const }
        : { state: subject.state.nets[net] ?? 'dead', role: subject.roles[net] ?? 'spare' };
    };
    const nameOf = (place: string) =>
      place === PANEL ? 'panel' : (findBox(subject.job, place)?.name ?? place);
    /** The words on a sheath: its kind, and what tells it from its fellows. */
    const wordsOf = (sheath: DrawnSheath) => {
      const cable = findCable(subject.wiring, sheath.cable);
      if (cable && isUntoldFeed(subject.job, cable)) return { kind: 'supply', told: 'as found' };
      const told = cable && cableTold(subject.job, subject.wiring, cable, sheath.incoming ? 'to' : 'from');
      return { kind: sheath.name, told: told ?? '' };
    };
    const { enclosure } = drawing;
    const title = (wire: DrawnWire) => {
      const { state, role } = stateOf(wire.key);
      const marked = wire.mark ? `, marked ${lookOf(wire.mark).word}` : '';
      return `${lookOf(wire.colour).word}${marked}: ${ROLE_WORDS[role]}, ${STATE_WORDS[state]}`;
    };
    return (
      <svg
        viewBox={`0 0 ${drawing.width} ${drawing.height}`}
        width={drawing.width}
        height={drawing.height}
        className={`drawing h-auto ${large ? 'max-h-[max(22rem,calc(100dvh-20rem))] w-full' : 'max-w-full'}`}
        role="group"
        aria-label={`Wires in ${nameOf(drawing.box)}`}
      >
        <rect {...enclosure} rx="12" fill="var(--color-inside)" stroke="#57534a" strokeWidth="2" />
        {drawing.wires.map((wire) => {
          const { state } = stateOf(wire.key);
          const look = seen(wire);
          const isFollowed = followed?.has(wire.key) === true;
          return (
            <Wire
              key={wire.id}
              wire={wire}
              live={state === 'live' || state === 'backfed'}
              faint={followed === null ? look.faint : !isFollowed}
              followed={isFollowed}
              label={look.label}
              title={title(wire)}
              onFollow={onFollow}
            />
          );
        })}
        {drawing.sheaths.map((sheath) => (
          <Sheath
            key={`${sheath.cable} ${sheath.incoming}`}
            sheath={sheath}
            name={nameOf(sheath.other)}
            {...wordsOf(sheath)}
          />
        ))}
        {drawing.items.map((drawn) => (
          <ItemFace
            key={drawn.item.id}
            subject={subject}
            drawn={drawn}
            positions={positions}
            onFlip={onFlip}
          />
        ))}
      </svg>
    );
  },
);
