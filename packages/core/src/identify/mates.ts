import {
  findStub,
  kindOf,
  patternOf,
  tapeKey,
  type Link,
  type Stub,
  type WireReading,
  type WiresFound,
} from './found.js';

/** What the readings leave open of the cables: for each the ends that may be its other one, and whether it may lead elsewhere. */
export interface Mates {
  /** By the key of a cable's end. */
  may: ReadonlyMap<string, ReadonlySet<string>>;
  elsewhere: ReadonlySet<string>;
  /** Pairs that show continuity with no link anywhere, as they are seen; of a box that was not read there is none. */
  atRest: ReadonlyMap<string, readonly string[]>;
  /** Readings that leave nothing for a cable: one of them is wrong. */
  against: readonly WireReading[];
}

/** The ends of a box by the pattern of the link that is on each. */
const linkedIn = (
  found: WiresFound,
  box: string,
  links: readonly Link[],
): { stub: Stub; pattern: string }[] =>
  links.flatMap(({ number, pair }) => {
    const stub = findStub(found, { box: box as never, number });
    return stub ? [{ stub, pattern: patternOf(stub, pair) }] : [];
  });

const sorted = (patterns: readonly string[]): string => [...patterns].sort().join('; ');

/**
 * What may be the other end of each. Two ends are of one cable only where they look alike, are in different boxes and show the same by
 * themselves; each reading with links strikes out what it cannot be, and what has one end left takes it from all others.
 */
export const matesOf = (found: WiresFound, readings: readonly WireReading[]): Mates => {
  const { stubs } = found;
  const keys = stubs.map(tapeKey);
  const kinds = new Map(stubs.map((stub) => [tapeKey(stub), kindOf(stub)]));
  const atRest = new Map<string, string[]>();
  for (const { question, answer } of readings) {
    if (question.kind !== 'rest' || answer.kind !== 'pairs') continue;
    for (const stub of stubs.filter(({ box }) => box === question.box))
      atRest.set(
        tapeKey(stub),
        answer.shown.filter(({ number }) => number === stub.number).map(({ pair }) => patternOf(stub, pair)),
      );
  }
  const may = new Map(
    stubs.map((stub) => {
      const key = tapeKey(stub);
      const own = atRest.get(key);
      return [
        key,
        new Set(
          stubs
            .filter((other) => other.box !== stub.box && kinds.get(tapeKey(other)) === kinds.get(key))
            .map(tapeKey)
            .filter((other) => {
              const its = atRest.get(other);
              return own === undefined || its === undefined || sorted(own) === sorted(its);
            }),
        ),
      ] as const;
    }),
  );
  const elsewhere = new Set(keys);
  const settle = () => {
    for (let changed = true; changed;) {
      changed = false;
      for (const key of keys) {
        const mine = may.get(key) ?? new Set<string>();
        for (const other of mine)
          if (!may.get(other)?.has(key)) {
            mine.delete(other);
            changed = true;
          }
        const [only] = mine;
        if (elsewhere.has(key) || mine.size !== 1 || only === undefined) continue;
        if (elsewhere.delete(only)) changed = true;
        for (const [rival, its] of may) {
          const isIts = rival === only ? [...its].filter((one) => one !== key) : rival === key ? [] : [only];
          for (const one of isIts) if (its.delete(one)) changed = true;
        }
      }
    }
  };
  const against: WireReading[] = [];
  settle();
  for (const reading of readings) {
    const { question, answer } = reading;
    if (question.kind !== 'far' || answer.kind !== 'pair') continue;
    const stub = findStub(found, question.at);
    if (!stub) continue;
    const key = tapeKey(stub);
    const mine = may.get(key) ?? new Set<string>();
    const linked = linkedIn(found, question.box, question.links);
    const shown = answer.pair === null ? null : patternOf(stub, answer.pair);
    const here = linked.filter((one) => kinds.get(tapeKey(one.stub)) === kinds.get(key));
    if (shown === null) for (const one of here) mine.delete(tapeKey(one.stub));
    else {
      const fits = new Set(here.filter(({ pattern }) => pattern === shown).map((one) => tapeKey(one.stub)));
      for (const other of mine) if (!fits.has(other)) mine.delete(other);
      elsewhere.delete(key);
    }
    settle();
    if (keys.some((one) => !elsewhere.has(one) && may.get(one)?.size === 0)) {
      against.push(reading);
      break;
    }
  }
  return { may, elsewhere, atRest, against };
};

/** The other end of a cable that is told for sure; null where it is not, or where it leads elsewhere. */
export const mateOf = ({ may, elsewhere }: Mates, key: string): string | null => {
  const mine = may.get(key);
  const [only] = mine ?? [];
  return mine?.size === 1 && !elsewhere.has(key) ? (only ?? null) : null;
};

/** Does a cable lead to none of the boxes that are open, for sure? */
export const leadsElsewhere = ({ may, elsewhere }: Mates, key: string): boolean =>
  elsewhere.has(key) && may.get(key)?.size === 0;
