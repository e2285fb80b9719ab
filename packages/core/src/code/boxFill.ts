import type { Edition } from '../model/job.js';
import type { Awg } from '../model/units.js';

/** Volume for each conductor, ten-thousandths of a cubic inch (Table 314.16(B)). */
export const VOLUME_PER_CONDUCTOR: Record<Awg, number> = {
  18: 15_000,
  16: 17_500,
  14: 20_000,
  12: 22_500,
  10: 25_000,
  8: 30_000,
  6: 50_000,
};

/** Grounds that count as one allowance from 2020 on; before that all of them do (314.16(B)(5)). */
const GROUNDS_IN_ONE_ALLOWANCE = 4;

/** What is in a box, as far as fill goes. */
export interface BoxContents {
  /** Size of each insulated conductor that enters from outside and ends or is spliced here. */
  conductors: readonly Awg[];
  /** Size of each equipment grounding conductor that enters from outside. */
  grounds: readonly Awg[];
  /** One for each device: its gangs, and the largest conductor connected to it. */
  yokes: readonly { gangs: number; awg: Awg }[];
  internalClamps: boolean;
  /** Luminaire leads smaller than 14 AWG. */
  fixtureWires: number;
}

export interface FillLine {
  what: 'conductors' | 'grounds' | 'extraGrounds' | 'devices' | 'clamps' | 'fixtureWires';
  count: number;
  awg: Awg | null;
  /** Ten-thousandths of a cubic inch for each, and in all. */
  each: number;
  total: number;
  section: string;
}

export interface BoxFill {
  lines: FillLine[];
  needed: number;
  available: number;
  passes: boolean;
}

const largest = (sizes: readonly Awg[]): Awg | null =>
  sizes.reduce<Awg | null>((thick, awg) => (thick === null || awg < thick ? awg : thick), null);

const bySize = (sizes: readonly Awg[]): [Awg, number][] => {
  const counts = new Map<Awg, number>();
  for (const awg of sizes) counts.set(awg, (counts.get(awg) ?? 0) + 1);
  return [...counts].sort(([a], [b]) => b - a);
};

/**
 * Box fill by 314.16(B), line by line. Pigtails and ground pigtails are not conductors that enter, so the caller does
 * not list them.
 */
export const boxFill = (available: number, contents: BoxContents, edition: Edition): BoxFill => {
  const lines: FillLine[] = [];
  const add = (what: FillLine['what'], count: number, awg: Awg | null, each: number, section: string) => {
    if (count > 0) lines.push({ what, count, awg, each, total: Math.round(count * each), section });
  };
  for (const [awg, count] of bySize(contents.conductors))
    add('conductors', count, awg, VOLUME_PER_CONDUCTOR[awg], '314.16(B)(1)');
  add('fixtureWires', contents.fixtureWires, null, 0, '314.16(B)(1)');
  const inBox = largest([...contents.conductors, ...contents.grounds]);
  if (contents.internalClamps && inBox) add('clamps', 1, inBox, VOLUME_PER_CONDUCTOR[inBox], '314.16(B)(2)');
  for (const [awg, count] of bySize(
    contents.yokes.flatMap(({ gangs, awg: size }) => Array<Awg>(gangs).fill(size)),
  ))
    add('devices', count, awg, 2 * VOLUME_PER_CONDUCTOR[awg], '314.16(B)(4)');
  const ground = largest(contents.grounds);
  if (ground) {
    add('grounds', 1, ground, VOLUME_PER_CONDUCTOR[ground], '314.16(B)(5)');
    if (edition >= 2020)
      add(
        'extraGrounds',
        contents.grounds.length - GROUNDS_IN_ONE_ALLOWANCE,
        ground,
        VOLUME_PER_CONDUCTOR[ground] / 4,
        '314.16(B)(5)',
      );
  }
  const needed = lines.reduce((sum, line) => sum + line.total, 0);
  return { lines, needed, available, passes: needed <= available };
};
