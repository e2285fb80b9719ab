import type { DrawnFixture, LuminaireState } from '@amber/core';

const INK = '#20262d';

type Light = LuminaireState['light'];
type Form = Extract<DrawnFixture['item'], { kind: 'luminaire' }>['form'];

/** The lamp itself, as bright as it is now; a question mark where nobody knows. */
const Lamp = ({ x, y, light, bare }: { x: number; y: number; light: Light; bare: boolean }) => (
  <g>
    {light === 'lit' ? <circle cx={x} cy={y} r="33" fill="var(--color-amber-live)" opacity="0.35" /> : null}
    {light === 'dim' ? <circle cx={x} cy={y} r="30" fill="var(--color-amber-live)" opacity="0.15" /> : null}
    {bare ? (
      <>
        <circle cx={x} cy={y} r="25" fill="#efe9db" stroke={INK} strokeWidth="1.8" />
        <circle
          cx={x}
          cy={y}
          r="14"
          fill={light === 'lit' ? '#fff3d6' : '#fff'}
          stroke={INK}
          strokeWidth="1.6"
        />
        <path d={`M${x - 8} ${y}a8 8 0 0 1 16 0`} fill="none" stroke={INK} strokeWidth="1.4" />
      </>
    ) : (
      <>
        <path
          d={`M${x - 26} ${y + 8}a26 20 0 0 0 52 0z`}
          fill={light === 'lit' ? '#fff3d6' : '#fff'}
          stroke={INK}
          strokeWidth="1.8"
        />
        <rect
          x={x - 28}
          y={y - 4}
          width="56"
          height="12"
          rx="4"
          fill="#c3c7ca"
          stroke={INK}
          strokeWidth="1.6"
        />
      </>
    )}
    {light === 'unknown' ? (
      <text x={x} y={y + 6} textAnchor="middle" fontSize="17" fontWeight="750" fill={INK}>
        ?
      </text>
    ) : null}
  </g>
);

/** A fan from below. */
export const Fan = ({ x, y }: { x: number; y: number }) => (
  <g stroke={INK} strokeWidth="1.6" fill="#efe9db">
    {[45, 135, 225, 315].map((turn) => (
      <path
        key={turn}
        d={`M${x} ${y}c-9 -14 -6 -30 0 -34c6 4 9 20 0 34z`}
        transform={`rotate(${turn} ${x} ${y})`}
      />
    ))}
    <circle cx={x} cy={y} r="8" fill="#c3c7ca" />
  </g>
);

/** What goes on from here, beyond this plan. */
export const Onward = ({ x, y }: { x: number; y: number }) => (
  <g stroke={INK} fill="none" strokeWidth="2">
    <path d={`M${x - 28} ${y - 8}h34v-9l22 17l-22 17v-9h-34z`} fill="#f7f4ea" strokeLinejoin="round" />
  </g>
);

/** A luminaire, a fan or an onward feed as it looks. */
export const LuminaireArt = ({
  form,
  frame: { x, y, width, height },
  light,
  hasLight,
}: {
  form: Form;
  frame: { x: number; y: number; width: number; height: number };
  light: Light;
  hasLight: boolean;
}) => {
  const centre = x + width / 2;
  const middle = y + height * 0.46;
  return (
    <g>
      <rect x={x} y={y} width={width} height={height} rx="14" fill="#fffdf8" stroke={INK} strokeWidth="1.6" />
      {form === 'onward' ? <Onward x={centre} y={middle} /> : null}
      {form === 'fan' ? <Fan x={centre} y={hasLight ? middle - 8 : middle} /> : null}
      {form === 'fan' && hasLight ? (
        <circle
          cx={centre}
          cy={middle - 8}
          r="9"
          fill={light === 'lit' ? 'var(--color-amber-live)' : '#fff'}
          stroke={INK}
          strokeWidth="1.6"
        />
      ) : null}
      {form === 'lampholder' || form === 'luminaire' ? (
        <Lamp x={centre} y={middle} light={light} bare={form === 'lampholder'} />
      ) : null}
    </g>
  );
};
