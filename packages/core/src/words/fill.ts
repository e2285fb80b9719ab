import { cubicInches } from '../model/units.js';
import type { BoxFill, FillLine, FillUnknown } from '../nec/boxFill.js';

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

/** What has to be told before the fill of a box is known. */
export const UNKNOWN_FILL: Record<FillUnknown, string> = {
  box: 'which box it is',
  contents: 'what is in it beside what is planned here',
  unseen: 'what nobody has looked at in it',
  unplanned: 'what a circuit that is not planned yet brings into it',
};

/** "16.0 of 18.0 in³", or how much is known of it: "at least 16.0 of 18.0 in³", "at least 16.0 in³, volume not known". */
export const sayFill = ({ needed, available, unknown }: BoxFill): string => {
  const least = unknown.some((one) => one !== 'box') ? 'at least ' : '';
  if (available === null) return `${least}${cubicInches(needed)} needed, volume not known`;
  return `${least}${cubicInches(needed).replace(' in³', '')} of ${cubicInches(available)}`;
};
