import type { BoxId, CircuitId } from '../model/ids.js';
import { findBox } from '../model/lookup.js';
import type { Wiring } from '../model/wiring.js';
import { compile, type Compiled } from '../circuit/compile.js';
import { UnionFind } from '../circuit/unionFind.js';
import { withFault, type Fault } from '../faults/fault.js';
import { faultsIn } from '../faults/inBox.js';
import { sayFault } from '../faults/say.js';
import { reviewCircuit } from '../review/reviewJob.js';
import type { Subject as ReviewedWiring } from '../review/subject.js';
import { candidatesOf, madeUp, pointsIn, type DeadReading } from './deadReadings.js';

/** A mistake of the make-up, and whether each reading would come out otherwise than expected. */
export interface DeadMistake {
  where: string;
  what: string;
  shows: boolean[];
}

/** The readings that prove the make-up before there is power, and what they cannot see. */
export interface BeforePower {
  readings: DeadReading[];
  mistakes: DeadMistake[];
  /** Mistakes that no reading of this kind shows: how many of those that were tried, and some of them. */
  blind: { count: number; examples: string[] };
  /** All that were tried. */
  tried: number;
}

/** Why there are none: something of the circuit is there already and may be live, or it has no box with a splice. */
export type NotBeforePower = 'thereAlready' | 'nothingMadeUp';

/** Mistakes that are told as examples of what is not seen. */
const MOST_EXAMPLES = 4;

type Keys = DeadReading['keys'];

/** Does any of what is probed reach ground? */
const reads = (compiled: Compiled, sets: UnionFind, { probe, ground }: Keys): boolean => {
  const at = (key: string) => sets.find(compiled.netOf(key) ?? 0);
  return probe.some((key) => at(key) === at(ground));
};

/** What each reading comes to in a wiring; links are made once for all that share them. */
const patternOf = (
  stage: Wiring,
  parts: ReviewedWiring['job'],
  readings: readonly DeadReading[],
): boolean[] => {
  const compiled = compile(stage, parts);
  const linked = new Map<string, UnionFind>();
  return readings.map(({ keys }) => {
    const key = keys.link?.join('|') ?? '';
    const sets = linked.get(key) ?? new UnionFind(compiled.netCount);
    const [a, b] = keys.link ?? [];
    if (!linked.has(key) && a !== undefined && b !== undefined)
      sets.join(compiled.netOf(a) ?? 0, compiled.netOf(b) ?? 0);
    linked.set(key, sets);
    return reads(compiled, sets, keys);
  });
};

/** Readings that together show every mistake that any of them shows: the one that shows most of what is left, until nothing is; then those that are not needed go. */
const fewest = (shows: readonly boolean[][], count: number): number[] => {
  const left = new Set(shows.map((_, i) => i).filter((i) => shows[i]?.includes(true)));
  const all = new Set(left);
  const chosen: number[] = [];
  while (left.size > 0) {
    let [best, most] = [-1, 0];
    for (let at = 0; at < count; at++) {
      const shown = [...left].filter((i) => shows[i]?.[at]).length;
      if (shown > most) [best, most] = [at, shown];
    }
    if (best < 0) break;
    chosen.push(best);
    for (const i of [...left]) if (shows[i]?.[best]) left.delete(i);
  }
  for (const at of [...chosen]) {
    const others = chosen.filter((one) => one !== at);
    if ([...all].every((i) => others.some((one) => shows[i]?.[one]))) chosen.splice(chosen.indexOf(at), 1);
  }
  return chosen.sort((a, b) => a - b);
};

/**
 * The fewest continuity readings that show every mistake of the make-up that any such reading shows, before devices are in and before there is power: a
 * link wire joins one conductor at a time to the bare grounds, and at the far boxes that one must reach ground, and no other. Nothing is read at
 * the panel. Each mistake is tried on the wiring itself.
 */
export const beforePower = (review: ReviewedWiring, circuit: CircuitId): BeforePower | NotBeforePower => {
  const { job, wiring } = review;
  const { boxes, cables } = reviewCircuit(review, circuit);
  const mine = wiring.cables.filter(({ id }) => cables.includes(id));
  if (mine.some(({ existing }) => existing)) return 'thereAlready';
  if ([...boxes].some((box) => findBox(job, box)?.work === 'existing')) return 'thereAlready';
  const stage = madeUp(wiring, boxes);
  const compiled = compile(stage, job);
  const points = pointsIn(review, stage, compiled, [...boxes]);
  const candidates = candidatesOf(review, circuit, stage, points);
  if (candidates.length === 0) return 'nothingMadeUp';
  const right = patternOf(stage, job, candidates);
  const tried = [...boxes].flatMap((box) =>
    faultsIn(stage, box).flatMap((fault): { box: BoxId; fault: Fault; shows: boolean[] }[] => {
      const made = withFault(stage, fault);
      if (!made.ok) return [];
      const pattern = patternOf(made.value, job, candidates);
      return [{ box, fault, shows: pattern.map((one, i) => one !== right[i]) }];
    }),
  );
  const chosen = fewest(
    tried.map(({ shows }) => shows),
    candidates.length,
  );
  // A tail is told by the screw that it will go to.
  const named = {
    ...stage,
    devices: wiring.devices,
    landings: wiring.landings,
    luminaires: wiring.luminaires,
  };
  const told = ({ box, fault }: { box: BoxId; fault: Fault }) => ({
    where: findBox(job, box)?.name ?? box,
    what: sayFault(job, named, fault),
  });
  const blind = tried.filter(({ shows }) => !shows.includes(true));
  return {
    readings: chosen.flatMap((at) => candidates[at] ?? []),
    mistakes: tried
      .filter(({ shows }) => shows.includes(true))
      .map((one) => ({ ...told(one), shows: chosen.map((at) => one.shows[at] === true) })),
    blind: {
      count: blind.length,
      examples: blind.slice(0, MOST_EXAMPLES).map((one) => `${told(one).where}: ${told(one).what}`),
    },
    tried: tried.length,
  };
};
