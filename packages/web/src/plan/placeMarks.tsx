import { BoxSign, LuminaireSign, OnwardSign, ReceptacleSign } from '../parts/signs.js';
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
  if (mark.sign === 'receptacle') return <ReceptacleSign {...line} />;
  if (mark.sign === 'onward') return <OnwardSign {...line} />;
  return mark.luminaires > 0 ? <LuminaireSign {...line} /> : <BoxSign {...line} />;
};

/** The panel, where home runs begin. */
export const PanelMark = () => (
  <>
    <rect x="-13" y="-16" width="26" height="32" rx="2" fill="var(--color-ink)" />
    <path d="M-6 0h12M0 -9v18" stroke="var(--color-amber-live)" strokeWidth="3" />
  </>
);
