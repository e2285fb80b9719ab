import type { FillLine } from './boxFill.js';

const NAMES: Record<FillLine['what'], [one: string, many: string]> = {
  conductors: ['conductor', 'conductors'],
  fixtureWires: ['luminaire lead, not counted', 'luminaire leads, not counted'],
  clamps: ['internal clamps, once', 'internal clamps, once'],
  devices: ['device yoke, counted twice', 'device yokes, each counted twice'],
  grounds: ['grounds, counted together', 'grounds, counted together'],
  extraGrounds: ['ground beyond four, a quarter', 'grounds beyond four, a quarter each'],
};

/** The words of one line of a box-fill worksheet: "5 conductors, 14 AWG". */
export const sayFillLine = ({ what, count, awg }: FillLine): string => {
  const [one, many] = NAMES[what];
  const name = count === 1 ? one : many;
  const size = awg === null ? '' : `, ${awg} AWG`;
  return what === 'grounds' || what === 'clamps'
    ? `${name.charAt(0).toUpperCase()}${name.slice(1)}${size}`
    : `${count} ${name}${size}`;
};
