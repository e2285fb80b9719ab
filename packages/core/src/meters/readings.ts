import type { End, Wiring } from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';
import { evaluate, type State } from '../circuit/evaluate.js';
import type { Parts, Positions } from '../circuit/parts.js';
import {
  continuity,
  highImpedance,
  nonContact,
  outletTester,
  twoPole,
  type OutletReading,
  type Volts,
} from './meters.js';

/** What every meter says at one or two points of a wiring, with the breakers on or off. */
export interface Readings {
  /** Null while only one point is taken. */
  twoPole: Volts | null;
  highImpedance: Volts | null;
  continuity: 'yes' | 'no' | 'refused' | 'notKnown' | null;
  /** At the first point, where that is a conductor. */
  nonContact: 'glows' | 'silent' | 'either' | null;
}

const endOf = (wiring: Wiring, key: string): End | null => {
  for (const { id } of wiring.cables)
    if (key.startsWith(`conductor|${id}|`))
      return { cable: id, side: 'from', colour: key.slice(`conductor|${id}|`.length) } as End;
  return null;
};

/** The wiring with all of its breakers off: nothing in it is live. */
export const withoutPower = (compiled: Compiled, positions: Positions): State =>
  evaluate({ ...compiled, sources: [] }, positions);

export const readMeters = (
  { wiring, parts, compiled }: { wiring: Wiring; parts: Parts; compiled: Compiled },
  positions: Positions,
  power: boolean,
  [a, b]: readonly [string, string | null],
): Readings => {
  const state = power ? evaluate(compiled, positions) : withoutPower(compiled, positions);
  const [x, y] = [a, b].map((key) => (key === null ? undefined : compiled.netOf(key)));
  const end = endOf(wiring, a);
  const both = x === undefined || y === undefined ? null : ([x, y] as const);
  return {
    twoPole: both && twoPole(state, ...both),
    highImpedance: both && highImpedance(wiring, parts, compiled, state, both),
    continuity: both && continuity(compiled, positions, state, both),
    nonContact: end && nonContact(wiring, parts, compiled, state, end),
  };
};

/** What a receptacle tester says in each outlet of a wiring, by its device; of what nobody knows nothing. */
export const readOutlets = (
  compiled: Compiled,
  wiring: Wiring,
  parts: Parts,
  positions: Positions,
  power: boolean,
): { device: string; reading: OutletReading }[] => {
  const state = power ? evaluate(compiled, positions) : withoutPower(compiled, positions);
  return wiring.devices.flatMap(({ id, article }) => {
    const found = parts.stock.find((one) => one.id === article);
    if (found?.kind !== 'device' || !['receptacle', 'switchReceptacle'].includes(found.role)) return [];
    const netOn = (use: string) => {
      const name = found.terminals.find((one) => one.use === use)?.name;
      return name === undefined ? undefined : compiled.netOf(`device|${id}|${name}`);
    };
    const [hot, neutral, ground] = ['hot', 'neutral', 'ground'].map(netOn);
    if (hot === undefined || neutral === undefined || ground === undefined) return [];
    if ([hot, neutral, ground].some((net) => state.nets[net] === 'unknown')) return [];
    return [{ device: id, reading: outletTester(state, { hot, neutral, ground }) }];
  });
};
