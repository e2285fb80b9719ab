import type { DeviceId, DrawnItem, Positions, Slot } from '@amber/core';
import type { Bench } from './useBench.js';

type Uses = 'line' | 'load' | 'common' | 'traveler' | 'in' | 'out' | 'hot' | 'ground' | 'neutral';

/** Screws as they look: the common dark, neutral silver, ground green, the rest brass. */
const SCREW: Record<Uses, { paint: string; label: string }> = {
  line: { paint: '#b3995e', label: 'LINE' },
  load: { paint: '#b3995e', label: 'LOAD' },
  common: { paint: '#3a332b', label: 'COM' },
  traveler: { paint: '#b3995e', label: 'TRAV' },
  in: { paint: '#3a332b', label: 'IN' },
  out: { paint: '#b3995e', label: 'OUT' },
  hot: { paint: '#b3995e', label: 'HOT' },
  neutral: { paint: '#d9dadb', label: 'NEUT' },
  ground: { paint: '#2f7d4f', label: 'GND' },
};

const Screw = ({ x, y, paint }: { x: number; y: number; paint: string }) => (
  <g>
    <circle cx={x} cy={y} r="7" fill={paint} stroke="#20262d" strokeWidth="1.3" />
    <path d={`M${x - 4} ${y}h8`} stroke={paint === '#3a332b' ? '#cfc9bb' : '#20262d'} strokeWidth="1.5" />
  </g>
);

type Screws = Slot['screws'];

/** What is written beside a screw, by how the screws of this device sit. */
const labelOf = (letter: string | null, use: Uses, screws: Screws): string => {
  const other = screws === 'otherwise';
  if (letter === 'S4' && use === 'in') return other ? 'IN L' : 'IN T';
  if (letter === 'S4' && use === 'out') return other ? 'OUT R' : 'OUT B';
  if (other && use === 'common') return 'ALONE';
  if (other && use === 'line') return 'LINE 1';
  if (other && use === 'load') return 'LINE 2';
  return SCREW[use].label;
};

/** A common that stands alone is told by its place, not by a dark screw. */
const paintOf = (use: Uses, screws: Screws): string =>
  use === 'common' && screws === 'otherwise' ? SCREW.traveler.paint : SCREW[use].paint;

/** The body of an item. */
const Plate = ({
  drawn,
  corner,
  paint,
  line,
}: {
  drawn: DrawnItem;
  corner: number;
  paint: string;
  line: number;
}) => (
  <rect
    x={drawn.x}
    y={drawn.y}
    width={drawn.width}
    height={drawn.height}
    rx={corner}
    fill={paint}
    stroke="#20262d"
    strokeWidth={line}
  />
);

const JointFace = ({ drawn, name }: { drawn: DrawnItem; name: string }) => {
  const words = name.split(' ');
  const lines = name.length > 12 ? [words.slice(0, -1).join(' '), words.at(-1) ?? ''] : [name];
  const middle = drawn.y + drawn.height / 2;
  return (
    <g>
      <title>{name}</title>
      <Plate drawn={drawn} corner={6} paint="#f7f4ea" line={1.6} />
      {drawn.pins.map((pin) => (
        <rect
          key={pin.pin}
          x={pin.side === 'left' ? pin.x : pin.side === 'right' ? pin.x - 7 : pin.x - 4}
          y={pin.side === 'bottom' ? pin.y - 6 : pin.side === 'top' ? pin.y : pin.y - 4}
          width={pin.side === 'left' || pin.side === 'right' ? 7 : 8}
          height={pin.side === 'left' || pin.side === 'right' ? 8 : 6}
          fill="#57534a"
        />
      ))}
      {lines.map((line, i) => (
        <text
          key={line}
          x={drawn.x + drawn.width / 2}
          y={middle + 3.5 + (i - (lines.length - 1) / 2) * 11}
          textAnchor="middle"
          fontSize="10"
          fontWeight="600"
        >
          {line}
        </text>
      ))}
    </g>
  );
};

const DeviceFace = ({
  drawn,
  item,
  screws,
  position,
  onFlip,
}: {
  drawn: DrawnItem;
  item: Extract<DrawnItem['item'], { kind: 'device' }>;
  screws: Screws;
  position: number;
  onFlip: () => void;
}) => {
  const centre = drawn.x + drawn.width / 2;
  const middle = drawn.y + drawn.height / 2 + 4;
  const word = item.article.positions[position]?.name ?? '';
  const paddle = position === 0 ? middle - 22 : middle;
  return (
    <g>
      <title>{item.article.name}</title>
      <Plate drawn={drawn} corner={9} paint="#fff" line={2} />
      {drawn.pins.map((pin) => {
        const use = item.article.terminals.find((one) => one.name === pin.pin)?.use ?? 'ground';
        const [paint, label] = [paintOf(use, screws), labelOf(item.article.letter, use, screws)];
        return (
          <g key={pin.pin}>
            <Screw x={pin.x} y={pin.y} paint={paint} />
            {pin.side === 'left' || pin.side === 'right' ? (
              <text
                x={pin.side === 'left' ? pin.x + 9.5 : pin.x - 9.5}
                y={pin.y + 3}
                textAnchor={pin.side === 'left' ? 'start' : 'end'}
                fontSize="8.5"
                fontWeight="700"
              >
                {label}
              </text>
            ) : null}
          </g>
        );
      })}
      {item.article.letter === null ? (
        [middle - 15, middle + 9].map((y) => (
          <path
            key={y}
            d={`M${centre - 5} ${y - 5}v8M${centre + 5} ${y - 5}v8M${centre} ${y + 6}v4`}
            stroke="#20262d"
            strokeWidth="2.2"
          />
        ))
      ) : (
        <g onClick={onFlip} className="cursor-pointer">
          <rect x={centre - 15} y={drawn.y + 3} width="30" height={drawn.height - 6} fill="transparent" />
          <text x={centre} y={drawn.y + 13} textAnchor="middle" fontSize="10.5" fontWeight="750">
            {item.article.letter}
          </text>
          <rect x={centre - 9} y={middle - 23} width="18" height="46" rx="4" fill="#dcd5c6" />
          <rect x={centre - 9} y={paddle} width="18" height="23" rx="4" fill="#20262d" />
          <text x={centre} y={paddle + 14.5} textAnchor="middle" fontSize="6.6" fontWeight="700" fill="#fff">
            {word.toUpperCase().slice(0, 4)}
          </text>
        </g>
      )}
    </g>
  );
};

const LuminaireFace = ({ drawn, light, screws }: { drawn: DrawnItem; light: string; screws: boolean }) => {
  const cx = drawn.x + drawn.width / 2;
  const cy = drawn.y + drawn.height / 2;
  const lit = light === 'lit';
  return (
    <g>
      <title>{`Luminaire: ${light}`}</title>
      <Plate drawn={drawn} corner={9} paint="#fff" line={1.6} />
      {lit ? <circle cx={cx} cy={cy} r="27" fill="var(--color-amber-live)" opacity="0.4" /> : null}
      {light === 'dim' ? (
        <circle cx={cx} cy={cy} r="24" fill="var(--color-amber-live)" opacity="0.15" />
      ) : null}
      <circle cx={cx} cy={cy} r="17" fill={lit ? '#fff3d6' : '#fff'} stroke="#20262d" strokeWidth="2" />
      <path
        d={`M${cx - 12} ${cy - 12}l24 24M${cx - 12} ${cy + 12}l24 -24`}
        stroke="#20262d"
        strokeWidth="1.8"
      />
      {drawn.pins.map((pin) =>
        screws ? (
          <Screw
            key={pin.pin}
            x={pin.x}
            y={pin.y}
            paint={pin.pin === 'hot' ? '#b3995e' : pin.pin === 'neutral' ? '#d9dadb' : '#2f7d4f'}
          />
        ) : (
          <circle key={pin.pin} cx={pin.x} cy={pin.y} r="4" fill="#20262d" />
        ),
      )}
    </g>
  );
};

const screwsOf = (bench: Bench, device: DeviceId): Screws => {
  const slot = bench.wiring.devices.find((one) => one.id === device)?.slot;
  return bench.job.slots.find((one) => one.id === slot)?.screws ?? 'usual';
};

/** What stands in the middle of a box: a splice, a device, a luminaire, the box's own ground screw. */
export const ItemFace = ({
  bench,
  drawn,
  positions,
  onFlip,
}: {
  bench: Bench;
  drawn: DrawnItem;
  positions: Positions;
  onFlip: (id: DeviceId) => void;
}) => {
  const { item } = drawn;
  switch (item.kind) {
    case 'joint':
      return <JointFace drawn={drawn} name={item.name} />;
    case 'device':
      return (
        <DeviceFace
          drawn={drawn}
          item={item}
          screws={screwsOf(bench, item.device)}
          position={positions[item.device] ?? 0}
          onFlip={() => onFlip(item.device)}
        />
      );
    case 'luminaire': {
      const luminaire = bench.job.luminaires.find((one) => one.id === item.luminaire.id);
      const light = bench.state.luminaires.find((one) => one.id === item.luminaire.id)?.light ?? 'dark';
      return <LuminaireFace drawn={drawn} light={light} screws={luminaire?.terminals === 'screws'} />;
    }
    case 'bond':
      return (
        <g>
          <title>Ground screw of the metal box</title>
          <Plate drawn={drawn} corner={4} paint="#d5d9dc" line={1.5} />
          <text
            x={drawn.x + drawn.width / 2}
            y={drawn.y + drawn.height - 5}
            textAnchor="middle"
            fontSize="9.5"
            fontWeight="700"
          >
            box
          </text>
          {drawn.pins.map((pin) => (
            <Screw key={pin.pin} x={pin.x} y={pin.y} paint="#2f7d4f" />
          ))}
        </g>
      );
  }
};
