import type { BoxContents } from '../model/contents.js';
import type { JudgedEdition } from '../model/job.js';
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

export interface FillLine {
  what:
    | 'conductors'
    | 'passing'
    | 'loops'
    | 'canopyLeads'
    | 'fixtureWires'
    | 'clamps'
    | 'supportFittings'
    | 'devices'
    | 'grounds'
    | 'extraGrounds'
    | 'isolatedGrounds'
    | 'terminalBlocks';
  count: number;
  awg: Awg | null;
  /** Ten-thousandths of a cubic inch for each, and in all. */
  each: number;
  total: number;
  section: string;
}

/** What has to be told before it can be said whether a box is big enough: which box it is, what is in it, another circuit's part. */
export type FillUnknown = 'box' | 'contents' | 'unseen' | 'unplanned';

export interface BoxFill {
  lines: FillLine[];
  /** At least so much, where something is not told. */
  needed: number;
  /** Null while nobody knows which box it is. */
  available: number | null;
  unknown: FillUnknown[];
  verdict: 'fits' | 'over' | 'unknown';
}

const verdictOf = (needed: number, available: number | null, unknown: readonly FillUnknown[]) =>
  available !== null && needed > available ? 'over' : unknown.length > 0 ? 'unknown' : 'fits';

const largest = (sizes: readonly Awg[]): Awg | null =>
  sizes.reduce<Awg | null>((thick, awg) => (thick === null || awg < thick ? awg : thick), null);

const bySize = (sizes: readonly Awg[]): [Awg, number][] => {
  const counts = new Map<Awg, number>();
  for (const awg of sizes) counts.set(awg, (counts.get(awg) ?? 0) + 1);
  return [...counts].sort(([a], [b]) => b - a);
};

/** Leads of a domed luminaire that are not counted, at most; all smaller than 14 AWG (314.16(B)(1) Exception). */
const UNCOUNTED_LEADS = 4;

/**
 * Box fill by 314.16(B), line by line. `available` (null while nobody knows the box) and every volume are ten-thousandths of a cubic inch. Pigtails and
 * ground pigtails are not conductors that enter, so the caller does not list them.
 */
export const boxFill = (
  available: number | null,
  contents: BoxContents,
  edition: JudgedEdition,
  unknown: FillUnknown[] = [],
): BoxFill => {
  const lines: FillLine[] = [];
  const add = (what: FillLine['what'], count: number, awg: Awg | null, each: number, section: string) => {
    if (count > 0) lines.push({ what, count, awg, each, total: Math.round(count * each), section });
  };
  const addEach = (what: FillLine['what'], sizes: readonly Awg[], times: number, section: string) => {
    for (const [awg, count] of bySize(sizes))
      add(what, count, awg, times * VOLUME_PER_CONDUCTOR[awg], section);
  };
  const { conductors, passing, grounds, fixtureWires, isolatedGrounds } = contents;
  const passed = (loop: boolean) => passing.filter((one) => one.loop === loop).map((one) => one.awg);
  addEach('conductors', conductors, 1, '314.16(B)(1)');
  addEach('passing', passed(false), 1, '314.16(B)(1)');
  addEach('loops', passed(true), 2, '314.16(B)(1)');
  // Thinnest first, so that what is left to count beyond four is the thickest.
  const leads = [...fixtureWires].sort((a, b) => b - a);
  const uncounted = contents.domedCanopy ? leads.splice(0, UNCOUNTED_LEADS) : [];
  add('canopyLeads', uncounted.length, null, 0, '314.16(B)(1)');
  addEach('fixtureWires', leads, 1, '314.16(B)(1)');

  const inBox = largest([
    ...conductors,
    ...passing.map((one) => one.awg),
    ...grounds,
    ...isolatedGrounds,
    ...fixtureWires,
  ]);
  if (inBox) {
    add('clamps', contents.internalClamps ? 1 : 0, inBox, VOLUME_PER_CONDUCTOR[inBox], '314.16(B)(2)');
    add('supportFittings', contents.supportFittings, inBox, VOLUME_PER_CONDUCTOR[inBox], '314.16(B)(3)');
  }
  const gangs = contents.yokes.flatMap(({ gangs: count, awg }) => Array<Awg>(count).fill(awg));
  addEach('devices', gangs, 2, '314.16(B)(4)');

  // Until 2017 a set of isolated grounds has an allowance of its own; later editions count every ground alike.
  const together = edition < 2020 ? grounds : [...grounds, ...isolatedGrounds];
  const ground = largest(together);
  if (ground) {
    const each = VOLUME_PER_CONDUCTOR[ground];
    add('grounds', 1, ground, each, '314.16(B)(5)');
    if (edition >= 2020)
      add('extraGrounds', together.length - GROUNDS_IN_ONE_ALLOWANCE, ground, each / 4, '314.16(B)(5)');
  }
  const isolated = largest(isolatedGrounds);
  if (edition < 2020 && isolated)
    add('isolatedGrounds', 1, isolated, VOLUME_PER_CONDUCTOR[isolated], '314.16(B)(5)');
  if (edition >= 2023) addEach('terminalBlocks', contents.terminalBlocks, 1, '314.16(B)(6)');
  const needed = lines.reduce((sum, line) => sum + line.total, 0);
  return { lines, needed, available, unknown, verdict: verdictOf(needed, available, unknown) };
};
