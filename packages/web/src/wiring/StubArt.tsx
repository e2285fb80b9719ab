import {
  colourWord,
  LAID,
  lookOf,
  pairWord,
  tapeWord,
  type Stub,
  type WirePair,
  type WirePoint,
} from '@amber/core';

const ROW = 24;
const TOP = 14;
const SHEATH = 74;
const WIRES = 168;
const BRACKET = 30;
const probeAt = (i: number): number => WIRES + 16 + i * BRACKET;

/** Wires of a cable's end in the order in which they are drawn. */
export const pointsOf = (stub: Stub, hasLaid: boolean): WirePoint[] => [
  ...stub.wires,
  ...(stub.ground === 'none' ? [] : [stub.ground]),
  ...(hasLaid ? ([LAID] as const) : []),
];

/** A cable's end as a scheme: its wires fanned out, what is joined, where the tester goes and in which order. */
export const StubArt = ({
  stub,
  link,
  read,
}: {
  stub: Stub;
  link: WirePair | null;
  read: readonly WirePair[];
}) => {
  const points = pointsOf(
    stub,
    [link, ...read].some((pair) => pair?.includes(LAID) === true),
  );
  const y = (point: WirePoint) => TOP + points.indexOf(point) * ROW + ROW / 2;
  const height = TOP * 2 + points.length * ROW;
  const width = WIRES + 24 + Math.max(1, read.length) * BRACKET + (link ? 62 : 0);
  const name = tapeWord(stub);
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width={width}
      height={height}
      role="img"
      aria-label={`${name}: ${link ? `${pairWord(link)} joined` : read.length > 0 ? read.map(pairWord).join(', then ') : stub.wires.map(colourWord).join(', ')}`}
      className="max-w-full rounded-md"
      style={{ background: 'var(--color-inside)' }}
    >
      <rect
        x="0"
        y={TOP - 4}
        width={SHEATH}
        height={height - 2 * TOP + 8}
        rx="5"
        fill="#f7f4ea"
        stroke="#57534a"
        strokeWidth="1.5"
      />
      <text
        x={SHEATH / 2}
        y={height / 2 - 3}
        textAnchor="middle"
        fontSize="12.5"
        fontWeight="600"
        fill="#20262d"
      >
        {stub.loose ? 'wire' : 'cable'}
      </text>
      <text
        x={SHEATH / 2}
        y={height / 2 + 17}
        textAnchor="middle"
        fontSize="19"
        fontWeight="800"
        fill="#20262d"
      >
        {stub.number}
      </text>
      {points.map((point) => {
        const at = y(point);
        if (point === LAID)
          return (
            <g key={point}>
              <path
                d={`M${SHEATH + 14} ${at}H${WIRES}`}
                stroke="#20262d"
                strokeWidth="3"
                strokeDasharray="7 4"
              />
              <text x={SHEATH + 14} y={at - 5} fontSize="11.5" fontWeight="600" fill="#20262d">
                wire laid along
              </text>
            </g>
          );
        const look = lookOf(point);
        const thick = point === 'bare' ? 3 : 5;
        return (
          <g key={point}>
            <path d={`M${SHEATH} ${at}H${WIRES}`} stroke={look.outline} strokeWidth={thick + 1.6} />
            <path d={`M${SHEATH} ${at}H${WIRES - 8}`} stroke={look.paint} strokeWidth={thick} />
            <path d={`M${WIRES - 8} ${at}H${WIRES}`} stroke="#b8763a" strokeWidth="3" />
            <rect
              x={SHEATH + 26}
              y={at - 8.5}
              width="40"
              height="17"
              rx="3"
              fill="#fbf9f4"
              stroke="#57534a"
              strokeWidth="0.9"
            />
            <text
              x={SHEATH + 46}
              y={at + 4.5}
              textAnchor="middle"
              fontSize="12"
              fontWeight="720"
              fill="#20262d"
            >
              {look.code}
            </text>
          </g>
        );
      })}
      {link ? (
        <g fill="none" stroke="#20262d" strokeWidth="3">
          <path d={`M${WIRES} ${y(link[0])}h14V${y(link[1])}h-14`} strokeLinejoin="round" />
          {link.map((point) => (
            <circle key={point} cx={WIRES} cy={y(point)} r="4.5" fill="#20262d" />
          ))}
          <text
            x={WIRES + 24}
            y={(y(link[0]) + y(link[1])) / 2 + 4.5}
            fontSize="13"
            fontWeight="700"
            fill="#20262d"
            stroke="none"
          >
            link
          </text>
        </g>
      ) : null}
      {read.map((pair, i) => (
        <g
          key={pair.join()}
          fill="none"
          stroke="#1d4f91"
          strokeWidth="2.4"
          strokeDasharray={i === 0 ? undefined : '4 3'}
        >
          {pair.map((point) => (
            <path key={point} d={`M${WIRES + 3} ${y(point)}H${probeAt(i)}`} />
          ))}
          <path d={`M${probeAt(i)} ${y(pair[0])}V${y(pair[1])}`} />
          {pair.map((point) => (
            <circle key={point} cx={probeAt(i)} cy={y(point)} r="3" fill="#1d4f91" stroke="none" />
          ))}
        </g>
      ))}
      {/* The order of the touches lies over every line. */}
      {read.map((pair, i) => {
        const middle = (y(pair[0]) + y(pair[1])) / 2;
        return (
          <g key={pair.join()}>
            <circle cx={probeAt(i)} cy={middle} r="9" fill="#fbf9f4" stroke="#1d4f91" strokeWidth="1.6" />
            <text
              x={probeAt(i)}
              y={middle + 4.5}
              textAnchor="middle"
              fontSize="12.5"
              fontWeight="800"
              fill="#1d4f91"
            >
              {read.length > 1 ? i + 1 : 'T'}
            </text>
          </g>
        );
      })}
    </svg>
  );
};
