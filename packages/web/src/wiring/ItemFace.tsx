import { findLuminaire, ofId } from '@amber/core';
import type { DeviceId, DrawnItem, FaceScrew, Positions } from '@amber/core';
import type { Subject } from './useSubject.js';

/** Screws as they look. */
const PAINT: Record<FaceScrew['look'], string> = {
  brass: '#b3995e',
  dark: '#3a332b',
  silver: '#d9dadb',
  green: '#2f7d4f',
};

const Screw = ({ x, y, paint }: { x: number; y: number; paint: string }) => (
  <g>
    <circle cx={x} cy={y} r="7" fill={paint} stroke="#20262d" strokeWidth="1.3" />
    <path d={`M${x - 4} ${y}h8`} stroke={paint === PAINT.dark ? '#cfc9bb' : '#20262d'} strokeWidth="1.5" />
  </g>
);

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
  position,
  onFlip,
}: {
  drawn: DrawnItem;
  item: Extract<DrawnItem['item'], { kind: 'device' }>;
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
      {item.face.map(({ terminal, side, look, mark, place }) => {
        const pin = drawn.pins.find((one) => one.pin === terminal);
        if (!pin) return null;
        return (
          <g key={terminal} data-screw={`${mark} ${place}`}>
            <Screw x={pin.x} y={pin.y} paint={PAINT[look]} />
            <text
              x={side === 'left' ? pin.x + 9.5 : pin.x - 9.5}
              y={pin.y + 3}
              textAnchor={side === 'left' ? 'start' : 'end'}
              fontSize="8.5"
              fontWeight="700"
            >
              {mark}
            </text>
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
            paint={pin.pin === 'hot' ? PAINT.brass : pin.pin === 'neutral' ? PAINT.silver : PAINT.green}
          />
        ) : (
          <circle key={pin.pin} cx={pin.x} cy={pin.y} r="4" fill="#20262d" />
        ),
      )}
    </g>
  );
};

/** What stands in the middle of a box: a splice, a device, a luminaire, the box's own ground screw. */
export const ItemFace = ({
  subject,
  drawn,
  positions,
  onFlip,
}: {
  subject: Subject;
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
          position={ofId(positions, item.device) ?? 0}
          onFlip={() => onFlip(item.device)}
        />
      );
    case 'luminaire': {
      const luminaire = findLuminaire(subject.job, item.luminaire.id);
      const light = subject.state.luminaires.find((one) => one.id === item.luminaire.id)?.light ?? 'dark';
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
            <Screw key={pin.pin} x={pin.x} y={pin.y} paint={PAINT.green} />
          ))}
        </g>
      );
  }
};
