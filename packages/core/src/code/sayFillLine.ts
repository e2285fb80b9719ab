import type { FillLine } from './boxFill.js';

const NAMES: Record<FillLine['what'], [one: string, many: string]> = {
  conductors: ['conductor', 'conductors'],
  passing: ['conductor passing through', 'conductors passing through'],
  loops: ['conductor left in a loop, counted twice', 'conductors left in a loop, each counted twice'],
  canopyLeads: ['luminaire lead, not counted', 'luminaire leads, not counted'],
  fixtureWires: ['luminaire lead', 'luminaire leads'],
  clamps: ['internal clamps, once', 'internal clamps, once'],
  supportFittings: ['support fitting', 'support fittings, one of each kind'],
  devices: ['device yoke, counted twice', 'device yokes, each counted twice'],
  grounds: ['grounds, counted together', 'grounds, counted together'],
  isolatedGrounds: ['isolated grounds, counted together', 'isolated grounds, counted together'],
  terminalBlocks: ['terminal block assembly', 'terminal block assemblies'],
  extraGrounds: ['ground beyond four, a quarter', 'grounds beyond four, a quarter each'],
};

/** The words of one line of a box-fill worksheet: "5 conductors, 14 AWG". */
export const sayFillLine = ({ what, count, awg }: FillLine): string => {
  const [one, many] = NAMES[what];
  const name = count === 1 ? one : many;
  const size = awg === null ? '' : `, ${awg} AWG`;
  return what === 'grounds' || what === 'clamps' || what === 'isolatedGrounds'
    ? `${name.charAt(0).toUpperCase()}${name.slice(1)}${size}`
    : `${count} ${name}${size}`;
};
