import * as fc from 'fast-check';
import {
  findStub,
  groundWire,
  LAID,
  allPairsOf,
  tapeKey,
  type Pair,
  type Stub,
  type Tape,
  type WirePoint,
  type WireReply,
  type WireQuestion,
  type WiresFound,
} from '../../src/identify/found.js';
import { walks, type Pieces } from './walk.js';

/** A cable as it lies there: its ends by the tape that is put on them, or where it leads, and its wires from end to end. */
export interface HiddenCable {
  a: Tape;
  b: Tape | 'panel' | 'onward';
  /** Names of each wire at both ends. */
  wires: { a: Stub['wires'][number]; b: Stub['wires'][number] }[];
  ground: Stub['ground'];
  loose: boolean;
}

export interface HiddenWires {
  found: WiresFound;
  cables: HiddenCable[];
  /** The wire of the feed, as it is named in its box, that the breaker is on. */
  hot: { at: Tape; wire: Stub['wires'][number] } | null;
}

const KINDS: { wires: string[]; ground: Stub['ground']; loose?: boolean }[] = [
  { wires: ['black', 'white'], ground: 'bare' },
  { wires: ['black', 'white'], ground: 'bare' },
  { wires: ['black', 'white'], ground: 'bare' },
  { wires: ['black', 'white', 'red'], ground: 'bare' },
  { wires: ['black', 'white'], ground: 'none' },
  { wires: ['black', 'black-2'], ground: 'none' },
  { wires: ['black', 'black-2', 'white'], ground: 'bare' },
  { wires: ['black', 'black-2', 'black-3'], ground: 'none' },
  { wires: ['black', 'white', 'red', 'blue'], ground: 'bare' },
];
const LOOSE: { wires: string[]; ground: Stub['ground'] }[] = ['black', 'black', 'red', 'white'].map(
  (hue) => ({
    wires: [hue],
    ground: 'raceway',
  }),
);

const hue = (wire: string) => wire.replace(/-\d$/, '');

/** Wires of a circuit that nobody knows: a tree of cables over its boxes, now and then one more, and what leads elsewhere. */
export const anyUnknownWires = (
  { least, most }: { least: number; most: number } = { least: 2, most: 6 },
): fc.Arbitrary<HiddenWires> =>
  fc
    .record({
      boxes: fc.integer({ min: least, max: most }),
      isRaceway: fc.integer({ min: 0, max: 5 }).map((one) => one === 0),
      picks: fc.array(fc.nat({ max: 9999 }), { minLength: 60, maxLength: 60 }),
    })
    .map(({ boxes, isRaceway, picks }) => {
      let at = 0;
      const pick = (most: number) => (picks[at++ % picks.length] ?? 0) % most;
      const ids = Array.from({ length: boxes }, (_, i) => `box-${i + 1}`);
      const between: [string, string][] = ids.slice(1).map((id, i) => [ids[pick(i + 1)] ?? '', id]);
      if (pick(3) === 0 && boxes > 1) between.push(between[pick(boxes - 1)] as [string, string]);
      if (pick(12) > 0) between.push([ids[pick(boxes)] ?? '', 'panel']);
      for (let onward = pick(3); onward > 0; onward--) between.push([ids[pick(boxes)] ?? '', 'onward']);
      const plain = pick(2) === 0;
      const spread = between.flatMap(([a, b]) => {
        if (!isRaceway) return [{ a, b, kind: KINDS[plain ? 0 : pick(KINDS.length)], loose: false }];
        return Array.from({ length: b === 'panel' ? 2 : 2 + pick(2) }, (_, i) => ({
          ...{ a, b, loose: true },
          kind:
            b === 'panel'
              ? { wires: [i === 0 ? 'black' : 'white'], ground: 'raceway' as const }
              : LOOSE[pick(4)],
        }));
      });
      // Tape is put on as the cables come to hand.
      const order = spread.map((one, i) => ({ one, by: (picks[(i * 7 + 3) % picks.length] ?? 0) * 100 + i }));
      order.sort((p, q) => p.by - q.by);
      const numbers = new Map<string, number>();
      const tape = (box: string): Tape => {
        const number = (numbers.get(box) ?? 0) + 1;
        numbers.set(box, number);
        return { box: box as never, number };
      };
      const cables = order.map(({ one: { a, b, kind, loose } }): HiddenCable => {
        const wires = kind?.wires ?? [];
        // Wires that look alike are named at each end as they come to hand.
        const turned = wires.map((wire, i) => {
          const alike = wires.filter((other) => hue(other) === hue(wire));
          return (
            alike[
              (alike.indexOf(wire) + pick(alike.length) * (i === wires.indexOf(alike[0] ?? '') ? 1 : 0)) %
                alike.length
            ] ?? wire
          );
        });
        const isWhole = new Set(turned).size === wires.length;
        return {
          ...{ a: tape(a), b: b === 'panel' || b === 'onward' ? b : tape(b), loose },
          ground: kind?.ground ?? 'none',
          wires: wires.map((wire, i) => ({
            a: wire as never,
            b: (isWhole
              ? turned[i]
              : wires.at(-1 - i) !== undefined && hue(wires.at(-1 - i) ?? '') === hue(wire)
                ? wires.at(-1 - i)
                : wire) as never,
          })),
        };
      });
      const stubs = cables.flatMap(({ a, b, wires, ground, loose }): Stub[] => [
        { ...a, wires: wires.map((one) => one.a), ground, loose },
        ...(typeof b === 'string' ? [] : [{ ...b, wires: wires.map((one) => one.b), ground, loose }]),
      ]);
      const feeds = cables.filter(
        ({ b, wires }) => b === 'panel' && wires.some((one) => hue(one.a) !== 'white'),
      );
      const feed = feeds[0];
      const hots = feed?.wires.filter((one) => hue(one.a) !== 'white') ?? [];
      const hot = hots[pick(Math.max(1, hots.length))];
      return {
        found: { stubs },
        cables,
        hot: feed && hot ? { at: feed.a, wire: hot.a } : null,
      };
    });

const piece = ({ box, number }: Tape, point: WirePoint): string =>
  point === LAID ? LAID : `${box}#${number}|${point}`;

/**
 * The house in which these wires are. It answers by a walk along the copper and never says which is which: grounds are met in every box and at
 * the service, where the white of the feed is met with them.
 */
export const houseOfWires = ({
  found,
  cables,
  hot,
}: HiddenWires): { answer: (question: WireQuestion) => WireReply } => {
  const copper: Pieces[] = cables.flatMap(({ a, b, wires, ground }): Pieces[] => {
    const own = [...wires, ...(ground === 'none' ? [] : [{ a: ground, b: ground }])];
    if (typeof b !== 'string') return own.map((one): Pieces => [piece(a, one.a), piece(b, one.b)]);
    if (b === 'onward') return [];
    // At the panel: the hot of the feed on its breaker, ground and neutral met at the service, what is left over loose.
    const live = hot !== null && tapeKey(a) === tapeKey(hot.at) ? hot.wire : null;
    const others = wires.map((one) => one.a).filter((wire) => wire !== live);
    const neutral = others.find((wire) => hue(wire) === 'white') ?? (live === null ? undefined : others[0]);
    return own.map((one): Pieces => [
      piece(a, one.a),
      one.a === live ? 'breaker' : one.a === ground || one.a === neutral ? 'service' : `loose ${one.a}`,
    ]);
  });
  const grounds = found.stubs.flatMap((stub): Pieces[] => {
    const ground = groundWire(stub);
    return ground === null ? [] : [[piece(stub, ground), `grounds of ${stub.box}`]];
  });
  const reads = (links: readonly { at: Tape; pair: Pair }[], from: string, to: string) =>
    walks(
      [...copper, ...grounds, ...links.map(({ at, pair: [a, b] }): Pieces => [piece(at, a), piece(at, b)])],
      from,
      to,
    );
  return {
    answer: (question) => {
      switch (question.kind) {
        case 'rest': {
          const here = found.stubs.filter(({ box }) => box === question.box);
          return {
            kind: 'pairs',
            shown: here.flatMap((stub) => {
              const ground = groundWire(stub);
              const pairs: Pair[] =
                stub.loose && ground !== null
                  ? stub.wires.map((wire): Pair => [wire, ground])
                  : stub.loose
                    ? []
                    : allPairsOf(stub);
              return pairs
                .filter(([a, b]) => b !== LAID && reads([], piece(stub, a), piece(stub, b)))
                .map((pair) => ({ number: stub.number, pair }));
            }),
          };
        }
        case 'far': {
          const stub = findStub(found, question.at);
          const links = question.links.map(({ number, pair }) => ({
            at: { box: question.box, number },
            pair,
          }));
          const base = stub
            ? allPairsOf(stub).filter(([a, b]) => !reads([], piece(stub, a), piece(stub, b)))
            : [];
          const pair = stub && base.find(([a, b]) => reads(links, piece(stub, a), piece(stub, b)));
          return { kind: 'pair', pair: pair ?? null };
        }
        case 'alike': {
          const stub = findStub(found, question.at);
          const links = [{ at: question.link, pair: question.pair }];
          const other = question.pair[1];
          const far =
            stub &&
            (other === LAID ? LAID : (groundWire(stub) ?? stub.wires.find((one) => hue(one) === hue(other))));
          return {
            kind: 'wire',
            wire:
              (stub &&
                far &&
                question.among.find((one) => reads(links, piece(stub, one), piece(stub, far)))) ??
              null,
          };
        }
        case 'panel':
          return {
            kind: 'shows',
            shows: reads(
              question.link && question.pair ? [{ at: question.link, pair: question.pair }] : [],
              'breaker',
              'service',
            ),
          };
        case 'live': {
          const stub = findStub(found, question.at);
          return {
            kind: 'hot',
            wires: stub?.wires.filter((wire) => reads([], piece(stub, wire), 'breaker')) ?? [],
          };
        }
      }
    },
  };
};
