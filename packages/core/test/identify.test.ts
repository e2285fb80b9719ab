import * as fc from 'fast-check';
import { tellCameOut, type CameOut, type HotReading } from '../src/identify/cameOut.js';
import { identifyWires } from '../src/identify/identify.js';
import { tapeKey, type WireReading } from '../src/identify/found.js';
import { anyUnknownWires } from './support/unknownWires.js';
import { toldWrong, wiresRead } from './support/wiresRead.js';

const SEED = 2107;

describe('wires that nobody knows', () => {
  it('are told, every cable and every wire of it, and the feed with its hot', () => {
    fc.assert(
      fc.property(anyUnknownWires(), (hidden) => {
        const { told } = wiresRead(hidden);
        expect(toldWrong(hidden, told)).toEqual([]);
        expect(told.ends.filter((one) => one.told.state === 'open')).toEqual([]);
        expect(told.state).toBe(hidden.hot ? 'told' : 'open');
      }),
      { seed: SEED, numRuns: 100 },
    );
  });

  it('are told by dead readings alone where no electrician reads, and the feed is said to be open', () => {
    fc.assert(
      fc.property(anyUnknownWires(), (hidden) => {
        const { told, readings } = wiresRead(hidden, { isElectrician: false });
        expect(readings.filter(({ question }) => ['panel', 'live'].includes(question.kind))).toEqual([]);
        expect(toldWrong(hidden, told)).toEqual([]);
        expect(told.feed.feed).toBeNull();
        expect(told.state).toBe('open');
        for (const { told: end } of told.ends) if (end.state === 'elsewhere') expect(end.feed).toBeNull();
      }),
      { seed: SEED + 1, numRuns: 80 },
    );
  });

  it('are never told wrongly where something could not be read', () => {
    fc.assert(
      fc.property(anyUnknownWires(), fc.integer({ min: 2, max: 5 }), (hidden, every) => {
        const { told } = wiresRead(hidden, {
          wrong: (reading, at) => (at % every === 1 ? { ...reading, answer: { kind: 'cannot' } } : reading),
        });
        expect(toldWrong(hidden, told)).toEqual([]);
      }),
      { seed: SEED + 2, numRuns: 80 },
    );
  });

  it('name the wrong reading among those that may be, where readings cannot all be right', () => {
    let contradicted = 0;
    fc.assert(
      fc.property(anyUnknownWires({ least: 3, most: 5 }), fc.nat({ max: 8 }), (hidden, which) => {
        let far = 0;
        let lie: WireReading | null = null;
        const { told } = wiresRead(hidden, {
          wrong: (reading) => {
            const { question, answer } = reading;
            if (question.kind !== 'far' || answer.kind !== 'pair' || answer.pair === null || far++ !== which)
              return reading;
            lie = { question, answer: { kind: 'pair', pair: null } };
            return lie;
          },
        });
        if (told.state !== 'contradicts') return;
        contradicted++;
        expect(told.suspects).toContain(lie);
      }),
      { seed: SEED + 3, numRuns: 90 },
    );
    expect(contradicted).toBeGreaterThan(0);
  });

  it('in a box with two cables that look alike are told by a link on each, in ways of their own', () => {
    const wires = ['black', 'white'] as const;
    const stub = (box: string, number: number) => ({
      ...{ box: box as never, number, wires: [...wires], ground: 'bare' as const, loose: false },
    });
    const found = { stubs: [stub('door', 1), stub('door', 2), stub('stair', 1), stub('light', 1)] };
    const rest = ['door', 'stair', 'light'].map((box): WireReading => ({
      question: { kind: 'rest', box: box as never },
      answer: { kind: 'pairs', shown: [] },
    }));
    const { next } = identifyWires(found, rest, { isElectrician: false });
    if (next?.kind !== 'far') throw new Error('no reading with links');
    expect(next.box).toBe('door');
    expect(new Set(next.links.map(({ pair }) => pair.join())).size).toBe(2);
    const [link] = next.links;
    const told = identifyWires(
      found,
      [...rest, { question: next, answer: { kind: 'pair', pair: link?.pair ?? null } }],
      {
        isElectrician: false,
      },
    );
    const end = told.ends.find((one) => tapeKey(one.stub) === tapeKey(next.at));
    expect(end?.told).toMatchObject({ state: 'cable', to: { box: 'door', number: link?.number } });
  });
});

describe('a switch that came out while the others stay in', () => {
  /** What each wire reads in a house where power comes from one side, handles of others as they are. */
  const hotAt: Record<string, (swapped: boolean) => number[]> = {
    'threeWay feed': () => [1],
    'threeWay leg': (swapped) => [swapped ? 2 : 0],
    'fourWay line': (swapped) => [swapped ? 3 : 0],
    'single feed': () => [0],
  };
  const walk = (kind: CameOut, of: string, moves: readonly boolean[]) => {
    const readings: HotReading[] = [];
    for (const swapped of moves) {
      const { next } = tellCameOut(kind, readings);
      if (next === null) break;
      readings.push({ moved: next !== 'asTheyStand', hot: hotAt[of]?.(swapped) ?? [] });
    }
    return tellCameOut(kind, readings);
  };

  it.each([
    ['threeWay', 'threeWay feed', [false, true], ['traveler', 'feed', 'traveler']],
    ['threeWay', 'threeWay leg', [false, true], ['traveler', 'leg', 'traveler']],
    ['fourWay', 'fourWay line', [false, true], ['traveler', 'onward', 'onward', 'traveler']],
    // The handle that was moved first is beyond it and changes nothing.
    ['fourWay', 'fourWay line', [false, false, true], ['traveler', 'onward', 'onward', 'traveler']],
    ['single', 'single feed', [false], ['feed', 'leg']],
  ] as const)('%s, %s', (kind, of, moves, duties) => {
    expect(walk(kind, of, moves).duties).toEqual(duties);
  });

  it('is not told while a four-way reads the same wire hot, nor of what reads as none does', () => {
    expect(
      tellCameOut('fourWay', [
        { moved: false, hot: [0] },
        { moved: true, hot: [0] },
      ]),
    ).toMatchObject({
      duties: null,
      next: 'moveAnother',
    });
    expect(tellCameOut('threeWay', [{ moved: false, hot: [0, 1] }]).broken).toBe('twoHot');
    expect(
      tellCameOut('threeWay', [
        { moved: false, hot: [] },
        { moved: true, hot: [] },
      ]).broken,
    ).toBe('dead');
    expect(
      tellCameOut('threeWay', [
        { moved: false, hot: [] },
        { moved: true, hot: [1] },
      ]).broken,
    ).toBe('unlike');
  });
});
