import {
  pairsOf,
  patternOf,
  tapeKey,
  type Link,
  type Pair,
  type Stub,
  type WireQuestion,
  type WiresFound,
} from './found.js';
import { likelyOf, type Likely } from './likely.js';
import { mateOf, type Mates } from './mates.js';

/** Minutes that work takes, by guess: a walk to another box with what is carried there, a link, a cable that is read. */
export const WALK = 1.5;
export const LINK = 0.25;
export const READ = 0.6;

/** Links as they are on in one box, and the box that was read last. */
export interface Standing {
  box: string;
  links: readonly Link[];
  readAt: string;
}

export type FarQuestion = Extract<WireQuestion, { kind: 'far' }>;

const bits = (shares: Iterable<number>): number => {
  let sum = 0;
  for (const share of shares) if (share > 0) sum -= share * Math.log2(share);
  return sum;
};

/** What a reading of one cable tells, in bits, with patterns on ends of a box. */
const toldBy = (likely: Likely, patterns: ReadonlyMap<string, string>, key: string): number => {
  const shares = new Map<string, number>();
  let rest = 1;
  for (const [other, share] of likely.to.get(key) ?? []) {
    const pattern = patterns.get(other);
    if (pattern === undefined) continue;
    shares.set(pattern, (shares.get(pattern) ?? 0) + share);
    rest -= share;
  }
  return bits([...shares.values(), Math.max(0, rest)]);
};

/** What is reckoned with: what is open, and which cables nobody can get at. */
interface Open {
  found: WiresFound;
  mates: Mates;
  shut: ReadonlySet<string>;
  likely: Likely;
}

const isOpen = ({ mates, shut }: Open, key: string): boolean =>
  !shut.has(key) && mateOf(mates, key) === null && (mates.may.get(key)?.size ?? 0) > 0;

/** Pairs by which the ends of a cable can be told: not those that show by themselves. */
const usable = (mates: Mates, stub: Stub): Pair[] => {
  const shown = mates.atRest.get(tapeKey(stub)) ?? [];
  // Where white and ground are met at the service already, a link there is seen at no other end as one.
  return pairsOf(stub).filter((pair) => !shown.includes(patternOf(stub, pair)));
};

/** The links in a box that tell the most of all cables elsewhere, one after the other as long as one more tells more. */
const linksIn = (open: Open, box: string): { links: Link[]; told: number } => {
  const { found, mates, likely } = open;
  const here = found.stubs.filter((stub) => stub.box === box && isOpen(open, tapeKey(stub)));
  const others = found.stubs.filter((stub) => stub.box !== box && isOpen(open, tapeKey(stub))).map(tapeKey);
  const patterns = new Map<string, string>();
  const links: Link[] = [];
  let [told, leads] = [0, 0];
  for (;;) {
    let best: { stub: Stub; pair: Pair; sum: number } | null = null;
    for (const stub of here) {
      const key = tapeKey(stub);
      if (patterns.has(key)) continue;
      for (const pair of usable(mates, stub)) {
        patterns.set(key, patternOf(stub, pair));
        const sum = others.reduce((all, other) => all + toldBy(likely, patterns, other), 0);
        patterns.delete(key);
        if (sum > (best?.sum ?? told) + 1e-6) best = { stub, pair, sum };
      }
    }
    // All that is read tells of the linked cables where they lead, and no more than that.
    if (!best) return { links, told: Math.min(told, leads) };
    patterns.set(tapeKey(best.stub), patternOf(best.stub, best.pair));
    links.push({ number: best.stub.number, pair: best.pair });
    told = best.sum;
    const key = tapeKey(best.stub);
    leads += bits([...(likely.to.get(key)?.values() ?? []), likely.elsewhere.get(key) ?? 0]);
  }
};

const patternsOf = (
  found: WiresFound,
  { box, links }: Pick<Standing, 'box' | 'links'>,
): Map<string, string> =>
  new Map(
    found.stubs
      .filter((stub) => stub.box === box)
      .flatMap((stub) => {
        const link = links.find(({ number }) => number === stub.number);
        return link ? [[tapeKey(stub), patternOf(stub, link.pair)] as const] : [];
      }),
  );

/** The cable whose reading tells the most for its trouble with links as they are on; null where none tells anything. */
const readNext = (open: Open, standing: Standing): { stub: Stub; worth: number } | null => {
  const { found, likely } = open;
  const patterns = patternsOf(found, standing);
  let best: { stub: Stub; worth: number } | null = null;
  for (const stub of found.stubs) {
    if (stub.box === standing.box || !isOpen(open, tapeKey(stub))) continue;
    const told = toldBy(likely, patterns, tapeKey(stub));
    if (told < 1e-6) continue;
    const worth = told / (READ + (stub.box === standing.readAt ? 0 : WALK));
    if (worth > (best?.worth ?? 0) + 1e-9) best = { stub, worth };
  }
  return best;
};

/**
 * The next dead reading by which it is told which cable goes where: at the links that are on as long as that is worth more than walking
 * to a box to put on others. Null where everything that such readings tell is told.
 */
export const farQuestion = (
  found: WiresFound,
  mates: Mates,
  shut: ReadonlySet<string>,
  standing: Standing | null,
): FarQuestion | null => {
  const likely = likelyOf(mates);
  const open: Open = { found, mates, shut, likely };
  const ask = (of: Pick<Standing, 'box' | 'links'>, { box, number }: Stub): FarQuestion => ({
    kind: 'far',
    box: of.box as FarQuestion['box'],
    links: [...of.links],
    at: { box, number },
  });
  const stay = standing && readNext(open, standing);
  let best: { box: string; links: Link[]; worth: number } | null = null;
  for (const box of new Set<string>(found.stubs.map((stub) => stub.box))) {
    const { links, told } = linksIn(open, box);
    if (links.length === 0) continue;
    const patterns = patternsOf(found, { box, links });
    const read = found.stubs.filter(
      (stub) =>
        stub.box !== box && isOpen(open, tapeKey(stub)) && toldBy(likely, patterns, tapeKey(stub)) > 1e-6,
    );
    const boxes = new Set(read.map((stub) => stub.box)).size;
    const cost = WALK + links.length * LINK + read.length * READ + boxes * WALK;
    if (told / cost > (best?.worth ?? 0) + 1e-9) best = { box, links, worth: told / cost };
  }
  if (standing && stay && stay.worth >= (best?.worth ?? 0)) return ask(standing, stay.stub);
  if (!best) return standing && stay ? ask(standing, stay.stub) : null;
  const first = readNext(open, { ...best, readAt: best.box });
  return first && ask(best, first.stub);
};
