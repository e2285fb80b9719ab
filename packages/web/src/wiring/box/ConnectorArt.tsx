import type { DrawnConnector } from '@amber/core';

const INK = '#20262d';

/** The form of a connector by its family, within its frame. */
const Body = ({
  connector: { x, y, width, height, family, form, role, ports },
}: {
  connector: DrawnConnector;
}) => {
  const middle = y + height / 2;
  if (form === 'untold')
    return (
      <rect
        {...{ x, y, width, height }}
        rx="9"
        fill="#ece4d2"
        stroke={INK}
        strokeWidth="1.4"
        strokeDasharray="7 3"
      />
    );
  if (form === 'air')
    return (
      <rect
        {...{ x: x + 2, y, width: width - 4, height }}
        rx="4"
        fill="#f3ecd9"
        stroke={INK}
        strokeWidth="1.2"
        strokeDasharray="4 3"
      />
    );
  const paint = role === 'ground' && family === 'groundingTwistOn' ? '#cfe3d3' : '#f7f4ea';
  if (family === null || form === 'none')
    return (
      <rect
        {...{ x, y, width, height }}
        rx="6"
        fill="#f6ded9"
        stroke={INK}
        strokeWidth="1.4"
        strokeDasharray="5 3"
      />
    );
  if (family === 'lever')
    return (
      <g>
        <rect {...{ x, y, width, height }} rx="4" fill={paint} stroke={INK} strokeWidth="1.5" />
        {ports.map((port) => (
          <path
            key={`${port.x} ${port.y}`}
            d={
              port.y < middle
                ? `M${port.x - 5} ${y + 1}h10v7h-10z`
                : `M${port.x - 5} ${y + height - 8}h10v7h-10z`
            }
            fill="#d98f4e"
            fillOpacity="0"
            stroke={INK}
            strokeWidth="1.2"
          />
        ))}
      </g>
    );
  if (family === 'pushIn')
    return (
      <g>
        <rect {...{ x, y, width, height }} rx="1.5" fill="#eef1f1" stroke={INK} strokeWidth="1.5" />
        <path
          d={`M${x + 4} ${y + 4}h${width - 8}M${x + 4} ${y + height - 4}h${width - 8}`}
          stroke="#8b9296"
          strokeWidth="1.5"
        />
        {ports.map((port) => (
          <circle
            key={`${port.x} ${port.y}`}
            cx={port.x}
            cy={port.y < middle ? y + 5 : y + height - 5}
            r="3"
            fill={INK}
          />
        ))}
      </g>
    );
  if (family === 'crimp')
    return (
      <g>
        <rect {...{ x, y, width, height }} rx={height / 2} fill="#d9b48a" stroke={INK} strokeWidth="1.5" />
        <path
          d={`M${x + width * 0.16} ${y + 3}v${height - 6}M${x + width * 0.84} ${y + 3}v${height - 6}`}
          stroke={INK}
          strokeWidth="1.6"
        />
      </g>
    );
  // A twist-on narrows to its closed end, with ribs for the fingers.
  return (
    <g>
      <path
        d={`M${x + 3} ${y}H${x + width - 3}L${x + width} ${y + 6}L${x + width - 7} ${y + height - 3}Q${x + width - 8} ${y + height} ${x + width - 12} ${y + height}H${x + 12}Q${x + 8} ${y + height} ${x + 7} ${y + height - 3}L${x} ${y + 6}z`}
        fill={paint}
        stroke={INK}
        strokeWidth="1.5"
      />
      {[0.12, 0.2, 0.8, 0.88].map((share) => (
        <path
          key={share}
          d={`M${x + width * share} ${y + height * 0.4}v${height * 0.5}`}
          stroke="#8b8577"
          strokeWidth="1.4"
        />
      ))}
    </g>
  );
};

/** A connector of a splice in its form, with what it is; or an end in the air. */
export const ConnectorArt = ({
  connector,
  followed,
  onFollow,
}: {
  connector: DrawnConnector;
  followed: boolean;
  onFollow: () => void;
}) => {
  const { x, y, width, height, lines } = connector;
  // What is told of an end in the air is longer than the name of a connector.
  const size = connector.form === 'air' ? 12 : 13;
  const top = y + height / 2 - ((lines.length - 1) * 13) / 2 + 4;
  return (
    <g data-splice={connector.id} onClick={onFollow} className="cursor-pointer">
      {followed ? <rect x={x - 3} y={y - 3} width={width + 6} height={height + 6} rx="8" fill={INK} /> : null}
      <Body connector={connector} />
      {lines.map((line, i) => (
        <text
          key={i}
          x={x + width / 2}
          y={top + i * 13}
          textAnchor="middle"
          fontSize={size}
          fontWeight={connector.form === 'air' ? 520 : 620}
          fill={INK}
        >
          {line}
        </text>
      ))}
    </g>
  );
};
