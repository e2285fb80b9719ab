import { placeOnFace, type DeviceArticle, type DrawnPin, lookOf } from '@amber/core';

/** Screws as they look. */
const PAINT = { brass: '#b3995e', dark: '#3a332b', silver: '#d9dadb', green: '#2f7d4f' } as const;
const INK = '#20262d';
/** Letters of what is marked on a device, in units of the drawing. */
const MARKED = 12.5;

/** A screw, or a lead where it leaves the device, with what is marked at it. */
export const Pin = ({
  pin: { x, y, part, key },
  onFollow,
}: {
  pin: DrawnPin;
  /** Follows what is on it; left out where there is nothing to follow. */
  onFollow?: (key: string) => void;
}) => {
  const isLeft = part.side === 'left';
  const inward = isLeft ? 1 : -1;
  return (
    <g
      data-screw={key}
      data-place={placeOnFace(part)}
      onClick={onFollow && (() => onFollow(key))}
      className={onFollow && 'cursor-pointer'}
    >
      {onFollow ? <circle data-finger cx={x} cy={y} r="15" fill="transparent" /> : null}
      {part.kind === 'screw' ? (
        <>
          <circle cx={x} cy={y} r="8" fill={PAINT[part.colour]} stroke={INK} strokeWidth="1.3" />
          <path
            d={`M${x - 4.5} ${y - 1.5}l9 3`}
            stroke={part.colour === 'dark' ? '#cfc9bb' : INK}
            strokeWidth="1.6"
          />
        </>
      ) : (
        <rect
          x={isLeft ? x - 5 : x - 4}
          y={y - 5}
          width="9"
          height="10"
          rx="2"
          fill={lookOf(part.colour).paint}
          stroke={INK}
          strokeWidth="1.2"
        />
      )}
      {part.marked === null ? null : (
        <text
          x={x + 11 * inward}
          y={y + 4}
          textAnchor={isLeft ? 'start' : 'end'}
          fontSize={MARKED}
          fontWeight="650"
          fill={INK}
        >
          {part.marked}
        </text>
      )}
    </g>
  );
};

/** The slots of one outlet of a receptacle. */
const Outlet = ({ x, y }: { x: number; y: number }) => (
  <g>
    <ellipse cx={x} cy={y} rx="17" ry="15" fill="#efe9db" stroke={INK} strokeWidth="1.2" />
    <path d={`M${x - 6} ${y - 7}v9M${x + 6} ${y - 6}v7`} stroke={INK} strokeWidth="2.4" />
    <path d={`M${x - 3} ${y + 10}v-3a3 3 0 0 1 6 0v3z`} fill={INK} />
  </g>
);

/** A rocker: its upper half is pressed in its first position; the half that stands out says which it is. */
const HandleArt = ({ x, y, up, word }: { x: number; y: number; up: boolean; word: string }) => (
  <g>
    <rect x={x - 21} y={y - 25} width="42" height="50" rx="4" fill="#dcd5c6" stroke="#8b8577" />
    <rect x={x - 19} y={up ? y - 23 : y + 1} width="38" height="22" rx="3" fill={INK} />
    <text x={x} y={up ? y - 8 : y + 16} textAnchor="middle" fontSize="13" fontWeight="700" fill="#fff">
      {word.toUpperCase().slice(0, 4)}
    </text>
  </g>
);

/** What the front of a control looks like that has more than a handle. */
const Front = ({ role, x, y }: { role: DeviceArticle['role']; x: number; y: number }) => {
  switch (role) {
    case 'dimmer':
      return (
        <g>
          <path d={`M${x + 29} ${y - 20}v40`} stroke={INK} strokeWidth="2.4" strokeLinecap="round" />
          <rect x={x + 24} y={y - 6} width="10" height="6" rx="2" fill={INK} />
        </g>
      );
    case 'timer':
      return (
        <g fill="none" stroke={INK} strokeWidth="1.6">
          <circle cx={x} cy={y + 40} r="10" fill="#fff" />
          <path d={`M${x} ${y + 34}v6l4 3`} />
        </g>
      );
    case 'occupancySensor':
      return (
        <g fill="#efe9db" stroke={INK} strokeWidth="1.4">
          <path d={`M${x - 15} ${y + 46}a15 12 0 0 1 30 0z`} />
          <path d={`M${x - 7} ${y + 46}a7 9 0 0 1 14 0M${x} ${y + 34}v12`} fill="none" />
        </g>
      );
    case 'switch':
    case 'receptacle':
    case 'switchReceptacle':
      return null;
  }
};

/** A device as it is seen from the front: its strap, its body, what a hand moves, and nothing of what its wires do. */
export const DeviceArt = ({
  article,
  frame: { x, y, width, height },
  position,
}: {
  article: DeviceArticle;
  frame: { x: number; y: number; width: number; height: number };
  position: number;
}) => {
  const centre = x + width / 2;
  const middle = y + height * 0.46;
  const word = article.positions[position]?.name ?? '';
  return (
    <g>
      <rect x={centre - 14} y={y - 6} width="28" height={height + 12} rx="5" fill="#c3c7ca" stroke={INK} />
      <rect x={x} y={y} width={width} height={height} rx="8" fill="#fffdf8" stroke={INK} strokeWidth="1.8" />
      {article.letter === null ? (
        <>
          <Outlet x={centre} y={y + height * 0.27} />
          <Outlet x={centre} y={y + height * 0.66} />
        </>
      ) : article.role === 'switchReceptacle' ? (
        <>
          <HandleArt x={centre} y={y + height * 0.26} up={position === 0} word={word} />
          <Outlet x={centre} y={y + height * 0.76} />
        </>
      ) : (
        <>
          <HandleArt x={centre} y={middle} up={position === 0} word={word} />
          <Front role={article.role} x={centre} y={middle} />
        </>
      )}
    </g>
  );
};
