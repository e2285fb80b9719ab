import type { Luminaire, LuminaireState } from '@amber/core';
import { Fan, Onward } from './box/LuminaireArt.js';

type Light = LuminaireState['light'];

const Glow = ({ light }: { light: Light }) =>
  light === 'lit' || light === 'dim' ? (
    <>
      <circle r="32" fill="var(--color-amber-live)" opacity={light === 'lit' ? 0.22 : 0.1} />
      <circle r="25" fill="var(--color-amber-live)" opacity={light === 'lit' ? 0.45 : 0.18} />
    </>
  ) : null;

const Lamp = ({ light }: { light: Light }) => (
  <>
    <Glow light={light} />
    <circle r="16" fill={light === 'lit' ? '#fff3d6' : '#fff'} stroke="var(--color-ink)" strokeWidth="2.2" />
    {light === 'unknown' ? null : (
      <path d="M-11.3 -11.3L11.3 11.3M-11.3 11.3L11.3 -11.3" stroke="var(--color-ink)" strokeWidth="1.8" />
    )}
  </>
);

/** What hangs at a place of the strip, as it looks: a lamp, a fan that turns while it is fed, a feed that goes on. */
export const StripLoad = ({ unit, light, size }: { unit: Luminaire['unit']; light: Light; size: number }) => (
  <svg width={size} height={size} viewBox="-33 -33 66 66" aria-hidden="true" className="shrink-0">
    {unit === 'onward' ? (
      <>
        <Glow light={light} />
        <Onward x={0} y={0} />
      </>
    ) : unit === 'fan' || unit === 'ventFan' ? (
      <>
        <Glow light={light} />
        <Fan x={0} y={0} />
      </>
    ) : (
      <Lamp light={light} />
    )}
    {light === 'unknown' ? (
      <text y="6" textAnchor="middle" fontSize="18" fontWeight="750">
        ?
      </text>
    ) : null}
  </svg>
);

/** A duplex receptacle. */
export const StripReceptacle = () => (
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
