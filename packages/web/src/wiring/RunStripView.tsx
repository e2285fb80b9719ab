import { useRef, useState } from 'react';
import {
  findBox,
  findCable,
  conductorKey,
  articleOf,
  feetInches,
  PANEL,
  type Circuit,
  type DeviceId,
  type Positions,
  type RunStrip,
  type StripEdge,
  type StripNode,
  ofId,
  isUntoldFeed,
} from '@amber/core';
import { Button } from '../parts/ui.js';
import { useSize } from '../parts/useSize.js';
import { Handle } from './Handle.js';
import type { Subject } from './useSubject.js';

const COLUMN = 132;
const ROW = 148;
const MIDDLE = 58;
const HALF = 30;
const SMALL_LAMP = 34;

const centre = (node: StripNode) => ({ x: node.column * COLUMN + COLUMN / 2, y: node.row * ROW + MIDDLE });

/** Half the width of what is drawn at a place, so that runs end at its edge. */
const halfWidth = ({ devices, luminaires }: StripNode) => {
  if (devices.length > 0) return devices.length * 25 - 2;
  return luminaires.length > 1 ? luminaires.length * (SMALL_LAMP / 2 + 1) : HALF;
};

/** A cable that was found may have any name; what does not fit stands in the tooltip. */
const shortName = (name: string) => (name.length > 9 ? `${name.slice(0, 8)}…` : name);

const Run = ({
  subject,
  edge,
  from,
  to,
}: {
  subject: Subject;
  edge: StripEdge;
  from: StripNode;
  to: StripNode;
}) => {
  const a = centre(from);
  const b = centre(to);
  const cable = findCable(subject.wiring, edge.cable);
  const untold = cable !== undefined && isUntoldFeed(subject.job, cable);
  const name = untold ? 'supply' : edge.name;
  const colours = cable ? articleOf(subject.job.stock, 'cable', cable.article).insulated : [];
  const isLive = (colour: (typeof colours)[number]) => {
    const net = subject.compiled.netOf(conductorKey(edge.cable, colour));
    return net !== undefined && subject.state.nets[net] === 'live';
  };
  const startX = a.x + halfWidth(from);
  const endX = b.x - halfWidth(to);
  const path = (shift: number) =>
    a.y === b.y
      ? `M${startX} ${a.y + shift}H${endX}`
      : `M${a.x + 12 + shift} ${a.y + 76}V${b.y + shift}H${endX}`;
  const labelX = a.y === b.y ? (startX + endX) / 2 : (a.x + 12 + endX) / 2;
  return (
    <g>
      {colours.map((colour, i) => {
        const d = path((i - (colours.length - 1) / 2) * 4.5);
        return isLive(colour) ? (
          <g key={colour}>
            <path d={d} fill="none" strokeWidth="3.5" className="wire-glow" />
            <path d={d} fill="none" strokeWidth="1.2" className="wire-core" />
          </g>
        ) : (
          <path key={colour} d={d} fill="none" stroke="#7d7a70" strokeWidth="1.6" />
        );
      })}
      <text x={labelX} y={b.y - 14} textAnchor="middle" fontSize="12.5" fontWeight="700">
        {shortName(name)}
        <title>{untold ? 'Nobody has told by which cable power comes' : name}</title>
      </text>
      <text x={labelX} y={b.y + 22} textAnchor="middle" fontSize="11.5" fill="var(--color-quiet)">
        {edge.existing
          ? untold
            ? 'as found'
            : 'existing'
          : edge.length === null
            ? ''
            : `${SOURCE_WORDS[edge.lengthSource]}${feetInches(edge.length)}`}
      </text>
    </g>
  );
};

const SOURCE_WORDS = { estimated: 'est. ', guessed: 'guess ', measured: '', unknown: '' } as const;

const Lamp = ({ light, size }: { light: 'lit' | 'dim' | 'dark'; size: number }) => (
  <svg width={size} height={size} viewBox="-33 -33 66 66" aria-hidden="true" className="shrink-0">
    {light !== 'dark' ? (
      <>
        <circle r="32" fill="var(--color-amber-live)" opacity={light === 'lit' ? 0.22 : 0.1} />
        <circle r="25" fill="var(--color-amber-live)" opacity={light === 'lit' ? 0.45 : 0.18} />
      </>
    ) : null}
    <circle r="16" fill={light === 'lit' ? '#fff3d6' : '#fff'} stroke="var(--color-ink)" strokeWidth="2.2" />
    <path d="M-11.3 -11.3L11.3 11.3M-11.3 11.3L11.3 -11.3" stroke="var(--color-ink)" strokeWidth="1.8" />
  </svg>
);

/** A duplex receptacle. */
const Receptacle = () => (
  <svg width="44" height="68" viewBox="0 0 44 68" aria-hidden="true">
    <rect x="1" y="1" width="42" height="66" rx="8" fill="#fff" stroke="var(--color-ink)" strokeWidth="2" />
    {[18, 46].map((y) => (
      <path
        key={y}
        d={`M16 ${y - 5}v8M28 ${y - 5}v8M22 ${y + 6}v4`}
        stroke="var(--color-ink)"
        strokeWidth="2.5"
      />
    ))}
  </svg>
);

const LIGHT_WORD = { lit: 'lit', dim: 'dim, in series', dark: 'dark' };

const Node = ({
  subject,
  circuit,
  node,
  positions,
  onFlip,
}: {
  subject: Subject;
  circuit: Circuit;
  node: StripNode;
  positions: Positions;
  onFlip: (id: DeviceId) => void;
}) => {
  const { x, y } = centre(node);
  const box = findBox(subject.job, node.place);
  const name = node.place === PANEL ? 'Panel' : (box?.name ?? '');
  const lights = node.luminaires.map((id) => subject.state.luminaires.find((one) => one.id === id));
  const all = node.devices.map((id) => subject.devices.findIndex((one) => one.id === id));
  const devices = all.filter((i) => i >= 0);
  const receptacles = all.length - devices.length;
  const letters = [
    ...devices.map((i) => subject.devices[i]?.letter),
    ...Array.from({ length: receptacles }, () => 'receptacle'),
  ];
  const vas = subject.job.luminaires
    .filter((one) => node.luminaires.includes(one.id))
    .map((one) => `${one.va} VA`);
  const light = lights[0]?.light;
  const under = [
    ...letters,
    ...vas,
    ...(light ? [LIGHT_WORD[light]] : []),
    ...(node.place === PANEL ? [`${circuit.breaker} A breaker`] : []),
    ...(node.place !== PANEL && letters.length + vas.length === 0 ? ['junction'] : []),
  ];
  return (
    <div
      className="absolute flex flex-col items-center"
      style={{ left: x - COLUMN / 2, top: y - 56, width: COLUMN }}
    >
      <div className={`flex h-28 items-center justify-center ${lights.length > 1 ? 'gap-0.5' : 'gap-1.5'}`}>
        {node.place === PANEL ? (
          <svg width="60" height="66" viewBox="0 0 60 66" aria-hidden="true">
            <rect x="1.5" y="1.5" width="57" height="63" rx="6" fill="var(--color-ink)" />
            <rect x="13" y="14" width="34" height="38" rx="3" fill="none" stroke="#f5f2ea" strokeWidth="2" />
            <path
              d="M24 33h12M30 22v22"
              stroke="var(--color-amber-live)"
              strokeWidth="4"
              strokeLinecap="round"
            />
          </svg>
        ) : null}
        {devices.map((i) => {
          const device = subject.devices[i];
          return device ? (
            <div key={device.id} className="relative">
              <span className="absolute -top-5 w-full text-center text-[11px] text-quiet">key {i + 1}</span>
              <Handle
                label={`${name}, ${device.letter}`}
                shortcut={i < 9 ? i + 1 : null}
                position={ofId(positions, device.id) ?? 0}
                positions={device.positions}
                onFlip={() => onFlip(device.id)}
              />
            </div>
          ) : null;
        })}
        {Array.from({ length: receptacles }, (_, i) => (
          <Receptacle key={i} />
        ))}
        {lights.map((one) =>
          one ? <Lamp key={one.id} light={one.light} size={lights.length > 1 ? SMALL_LAMP : 66} /> : null,
        )}
        {node.place !== PANEL && all.length + lights.length === 0 ? (
          <span className="grid size-10 place-items-center rounded-full border-2 border-ink bg-white font-bold">
            J
          </span>
        ) : null}
      </div>
      <div className="-mt-3 w-full px-1 text-center leading-tight">
        <div className="truncate font-bold" title={name}>
          {name}
        </div>
        <div
          className="truncate text-[12px] text-quiet"
          data-testid={light ? `light-${node.place}` : undefined}
        >
          {under.join(' · ')}
        </div>
      </div>
    </div>
  );
};

/** Pixels that the strip may take in height, and the scale below which its names cannot be read. */
const MOST_HEIGHT = 300;
const LEAST_SCALE = 0.8;

/** The run of one circuit at a glance: every place, every cable, handles that flip, what is live now. */
export const RunStripView = ({
  subject,
  circuit,
  strip,
  positions,
  onFlip,
}: {
  subject: Subject;
  circuit: Circuit;
  strip: RunStrip;
  positions: Positions;
  onFlip: (id: DeviceId) => void;
}) => {
  const frame = useRef<HTMLElement>(null);
  const room = useSize(frame)?.width ?? null;
  const [whole, setWhole] = useState(false);
  const nodeAt = (place: string) => strip.nodes.find((node) => node.place === place);
  const [width, height] = [strip.columns * COLUMN, strip.rows * ROW];
  // The whole run is seen as long as its names can be read; beyond that it is moved.
  const fit = room === null ? 1 : Math.min(1, room / width, MOST_HEIGHT / height);
  const scale = whole ? fit : Math.max(LEAST_SCALE, fit);
  return (
    <section
      ref={frame}
      aria-label={subject.circuit ? 'The run' : `The run of ${circuit.name}`}
      className="relative max-h-80 shrink-0 overflow-auto border-b border-line bg-sheet px-2"
    >
      {subject.circuit ? null : <h2 className="pt-1 text-[13px] font-bold text-quiet">{circuit.name}</h2>}
      {fit < LEAST_SCALE ? (
        <Button
          className="sticky top-1 left-1 z-10 -mb-10 float-left"
          aria-pressed={whole}
          onClick={() => setWhole(!whole)}
        >
          {whole ? 'Larger' : 'Whole run'}
        </Button>
      ) : null}
      <div className="mx-auto" style={{ width: width * scale, height: height * scale }}>
        <div className="relative origin-top-left" style={{ width, height, transform: `scale(${scale})` }}>
          <svg width={width} height={height} className="drawing absolute inset-0" aria-hidden="true">
            {strip.edges.map((edge) => {
              const [from, to] = [nodeAt(edge.from), nodeAt(edge.to)];
              return from && to ? (
                <Run key={edge.cable} subject={subject} edge={edge} from={from} to={to} />
              ) : null;
            })}
          </svg>
          {strip.nodes.map((node) => (
            <Node
              key={node.place}
              subject={subject}
              circuit={circuit}
              node={node}
              positions={positions}
              onFlip={onFlip}
            />
          ))}
        </div>
      </div>
    </section>
  );
};
