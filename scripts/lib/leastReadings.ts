/**
 * The fewest readings with links, and the least minutes of them, that any way of reading can expect until it is told which cable goes where: by
 * full search over every set of links and every cable on few boxes; and what the engine's own way takes on the same.
 */
import { LINK, READ, WALK } from '../../packages/core/src/identify/ask.js';
import {
  tapeKey,
  type Stub,
  type WireReading,
  type WiresFound,
} from '../../packages/core/src/identify/found.js';
import { identifyWires } from '../../packages/core/src/identify/identify.js';

/** More states than these are no small case. */
const MOST_STATES = 150_000;
/** As the engine weighs a cable that leads elsewhere. */
const ELSEWHERE = 0.35;

/** One way the cables can go: the other end of each, or none. */
interface Way {
  share: number;
  mate: (number | null)[];
}

const waysOf = (stubs: readonly Stub[]): Way[] => {
  const ways: Way[] = [];
  const mate: (number | null)[] = stubs.map(() => null);
  const walk = (at: number, share: number, taken: ReadonlySet<number>): void => {
    if (at === stubs.length) {
      ways.push({ share, mate: [...mate] });
      return;
    }
    if (taken.has(at)) {
      walk(at + 1, share, taken);
      return;
    }
    walk(at + 1, share * ELSEWHERE, taken);
    for (let other = at + 1; other < stubs.length; other++) {
      if (taken.has(other) || stubs[other]?.box === stubs[at]?.box) continue;
      [mate[at], mate[other]] = [other, at];
      walk(at + 1, share, new Set([...taken, at, other]));
      [mate[at], mate[other]] = [null, null];
    }
  };
  walk(0, 1, new Set());
  const sum = ways.reduce((all, { share }) => all + share, 0);
  return ways.map((one) => ({ ...one, share: one.share / sum }));
};

const subsets = (all: readonly number[]): number[][] =>
  all
    .reduce<number[][]>((sets, one) => [...sets, ...sets.map((set) => [...set, one])], [[]])
    .filter(({ length }) => length > 0);

/** Of cables that all look alike in two or three boxes; null where that is no small case. */
export const leastReadings = (
  found: WiresFound,
): { mine: { readings: number; minutes: number }; least: { readings: number; minutes: number } } | null => {
  const { stubs } = found;
  const boxes = [...new Set<string>(stubs.map(({ box }) => box))];
  const ways = waysOf(stubs);
  let states = 0;
  const search = (isCounted: boolean): number => {
    const known = new Map<string, number>();
    const least = (left: readonly number[], links: readonly number[], readAt: string): number => {
      if (left.length < 2) return 0;
      const key = `${left.join()}|${isCounted ? '' : `${links.join()}|${readAt}`}`;
      const before = known.get(key);
      if (before !== undefined) return before;
      if (++states > MOST_STATES) return Infinity;
      const sum = left.reduce((all, way) => all + (ways[way]?.share ?? 0), 0);
      let best = Infinity;
      const tryWith = (set: readonly number[], base: number, at: string) => {
        const home = stubs[set[0] ?? 0]?.box;
        for (const [one, stub] of stubs.entries()) {
          if (stub.box === home) continue;
          const parts = new Map<number | null, number[]>();
          for (const way of left) {
            const mate = ways[way]?.mate[one] ?? null;
            const shows = mate !== null && set.includes(mate) ? mate : null;
            parts.set(shows, [...(parts.get(shows) ?? []), way]);
          }
          if (parts.size < 2) continue;
          let cost = base + (isCounted ? 1 : READ + (stub.box === at ? 0 : WALK)) * sum;
          for (const part of parts.values()) {
            if (cost >= best) break;
            cost += least(part, set, stub.box);
          }
          best = Math.min(best, cost);
        }
      };
      if (!isCounted && links.length > 0) tryWith(links, 0, readAt);
      for (const box of boxes) {
        const here = stubs.flatMap((stub, i) => (stub.box === box ? [i] : []));
        for (const set of isCounted ? [here] : subsets(here)) {
          if (!isCounted && set.join() === links.join()) continue;
          tryWith(set, isCounted ? 0 : (WALK + set.length * LINK) * sum, box);
        }
      }
      known.set(key, best);
      return best;
    };
    return least(
      ways.map((_, i) => i),
      [],
      '',
    );
  };
  const readings = search(true);
  states = 0;
  const minutes = search(false);
  if (!Number.isFinite(readings) || !Number.isFinite(minutes)) return null;
  const mine = { readings: 0, minutes: 0 };
  for (const way of ways) {
    const read: WireReading[] = boxes.map((box) => ({
      question: { kind: 'rest', box: box as Stub['box'] },
      answer: { kind: 'pairs', shown: [] },
    }));
    let [links, at] = ['', ''];
    for (;;) {
      const { next } = identifyWires(found, read, { isElectrician: false });
      if (next?.kind !== 'far') break;
      const set = JSON.stringify([next.box, next.links]);
      if (set !== links) {
        mine.minutes += way.share * (WALK + next.links.length * LINK);
        [links, at] = [set, next.box];
      }
      mine.readings += way.share;
      mine.minutes += way.share * (READ + (next.at.box === at ? 0 : WALK));
      at = next.at.box;
      const one = stubs.findIndex((stub) => tapeKey(stub) === tapeKey(next.at));
      const mate = stubs[way.mate[one] ?? -1];
      const link =
        mate?.box === next.box ? next.links.find(({ number }) => number === mate.number) : undefined;
      read.push({ question: next, answer: { kind: 'pair', pair: link?.pair ?? null } });
    }
  }
  return { mine, least: { readings, minutes } };
};
