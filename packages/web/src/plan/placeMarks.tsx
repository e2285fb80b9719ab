import { halfWidth, HEIGHT, type MarkFacts } from './marks.js';

const Letters = ({ mark, selected }: { mark: MarkFacts; selected: boolean }) => {
  const half = halfWidth(mark);
  const paint = mark.existing ? '#fff' : 'var(--color-ink)';
  return (
    <>
      <rect
        x={-half}
        y={-HEIGHT / 2}
        width={2 * half}
        height={HEIGHT}
        rx="4"
        fill={paint}
        stroke={mark.fed ? 'var(--color-amber-live)' : 'var(--color-ink)'}
        strokeWidth={mark.fed ? 3.5 : selected ? 3 : 1.6}
        strokeDasharray={mark.existing ? '4 2.5' : undefined}
      />
      {mark.letters.map((letter, i) => (
        <text
          key={i}
          x={(i - (mark.letters.length - 1) / 2) * 25}
          y="4.5"
          textAnchor="middle"
          fontSize="13"
          fontWeight="750"
          fill={mark.existing ? 'var(--color-ink)' : '#fff'}
        >
          {letter}
        </text>
      ))}
      {mark.letters.slice(1).map((_, i) => (
        <path key={i} d={`M${-half + (i + 1) * 25} ${-HEIGHT / 2 + 4}v${HEIGHT - 8}`} stroke="#8a8f95" />
      ))}
    </>
  );
};

/** The mark of a box, drawn about its own middle. Amber is power: a box where the circuit may be fed. */
export const PlaceMark = ({ mark, selected }: { mark: MarkFacts; selected: boolean }) => {
  if (mark.letters.length > 0 && mark.sign === null) return <Letters mark={mark} selected={selected} />;
  const line = {
    stroke: mark.fed ? 'var(--color-amber-live)' : 'var(--color-ink)',
    strokeWidth: mark.fed ? 3.5 : selected ? 3 : 1.8,
    strokeDasharray: mark.existing ? '4 2.5' : undefined,
  };
  // The drafting sign of a receptacle: a circle with two bars through it.
  if (mark.sign === 'receptacle')
    return (
      <>
        <circle r="11" fill="#fff" {...line} />
        <path d="M-3.5 -15V15M3.5 -15V15" stroke="var(--color-ink)" strokeWidth="1.6" />
      </>
    );
  // Something that goes on beyond the plan.
  if (mark.sign === 'onward')
    return (
      <>
        <path d="M-12 -9H4L13 0L4 9H-12Z" fill="#fff" {...line} />
        <path d="M-7 0H6M2 -4L6 0L2 4" fill="none" stroke="var(--color-ink)" strokeWidth="1.5" />
      </>
    );
  if (mark.luminaires > 0)
    return (
      <>
        <circle r="12" fill="#fff" {...line} />
        <path d="M-8 -8L8 8M-8 8L8 -8" stroke="var(--color-ink)" strokeWidth="1.5" />
      </>
    );
  return (
    <>
      <rect x="-10" y="-10" width="20" height="20" fill="#fff" {...line} />
      <path d="M-10 -10L10 10" stroke="var(--color-ink)" strokeWidth="1.3" />
    </>
  );
};

/** The panel, where home runs begin. */
export const PanelMark = () => (
  <>
    <rect x="-13" y="-16" width="26" height="32" rx="2" fill="var(--color-ink)" />
    <path d="M-6 0h12M0 -9v18" stroke="var(--color-amber-live)" strokeWidth="3" />
  </>
);
