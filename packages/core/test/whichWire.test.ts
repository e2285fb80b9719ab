import fc from 'fast-check';
import {
  drawWhichWire,
  judgeWhichWire,
  MAKE_UP_LEVELS,
  PANEL,
  readsThrough,
  wiresWay,
  type Led,
  type LinkReading,
  type MakeUpLevel,
  type WhichWire,
} from '../src/index.js';
import { allPairsOf, groundWire, tapeKey } from '../src/identify/found.js';
import { hueOf } from '../src/model/colours.js';
import { walks, type Pieces } from './support/walk.js';

const LEVELS = Object.keys(MAKE_UP_LEVELS) as MakeUpLevel[];
/** So many on each level; many more in `npm run prove`. */
const SEEDS = Number(process.env['PRACTICE_SEEDS'] ?? 3);
/** One after the other: thousands of them at once would fill the memory. */
const exercises = function* () {
  for (const level of LEVELS)
    for (let seed = 1; seed <= SEEDS; seed++) yield drawWhichWire({ level, seed, edition: 2023 });
};

/** Continuity by a walk from piece to piece of copper. */
const walked = ({ stubs, leads }: WhichWire, { link, at, pair }: LinkReading): boolean => {
  const piece = (tape: string, point: string) => `${tape} ${point}`;
  const pieces = stubs.flatMap((stub): Pieces[] => {
    const key = tapeKey(stub);
    const far = leads[key];
    const ground = groundWire(stub);
    const through = [...stub.wires, ...(ground === null ? [] : [ground])].map((point): Pieces => {
      if (far !== PANEL && far) return [piece(key, point), piece(tapeKey(far), point)];
      const met = point === ground || hueOf(point as never) === 'white';
      return [piece(key, point), met ? 'bar' : `open ${key} ${point}`];
    });
    return ground === null ? through : [...through, [piece(key, ground), `grounds ${stub.box}`]];
  });
  const [a, b] = pair;
  const on: Pieces[] = link
    ? [[piece(tapeKey(link.at), link.pair[0]), piece(tapeKey(link.at), link.pair[1])]]
    : [];
  return walks([...pieces, ...on], piece(tapeKey(at), a), piece(tapeKey(at), b));
};

test('each cable has two ends or leads to the panel, and nothing is told as it starts', () => {
  for (const exercise of exercises()) {
    const { stubs, leads, job, asked } = exercise;
    expect(drawWhichWire(asked)).toEqual(exercise);
    expect(stubs.length).toBeGreaterThan(2);
    expect(Object.values(leads).filter((led) => led === PANEL).length).toBe(job.circuits.length);
    for (const [key, led] of Object.entries(leads))
      if (led !== PANEL) expect(tapeKey(leads[tapeKey(led)] as never)).toBe(key);
    expect(judgeWhichWire(exercise, {})).toEqual({ wrong: [], untold: stubs });
    expect(judgeWhichWire(exercise, leads)).toEqual({ wrong: [], untold: [] });
  }
  // The numbers of the tape tell nothing: cable 1 of a box leads here in one and there in another.
  const firsts = LEVELS.flatMap((level) =>
    [1, 2, 3].map((seed) => drawWhichWire({ level, seed, edition: 2023 })),
  ).map(({ leads, stubs }) => (stubs[0] ? JSON.stringify(leads[tapeKey(stubs[0])]) : ''));
  expect(new Set(firsts).size).toBeGreaterThan(3);
});

test('the tester reads as a walk along the copper does, with and without a link', () => {
  let through = 0;
  fc.assert(
    fc.property(
      fc.constantFrom(...LEVELS),
      fc.integer({ min: 1, max: SEEDS }),
      fc.nat(9999),
      fc.nat(9999),
      fc.nat(9999),
      (level, seed, p, q, r) => {
        const exercise = drawWhichWire({ level, seed, edition: 2023 });
        const { stubs } = exercise;
        const [here, there] = [stubs[p % stubs.length], stubs[q % stubs.length]];
        if (!here || !there) return;
        const pairs = allPairsOf(here);
        const link = r % 5 === 0 ? null : { at: here, pair: pairs[r % pairs.length] ?? pairs[0] };
        for (const pair of allPairsOf(there)) {
          const reading = { link, at: there, pair } as LinkReading;
          const reads = readsThrough(exercise, reading);
          expect(reads).toBe(walked(exercise, reading));
          if (reads) through += 1;
        }
      },
    ),
    { seed: 5, numRuns: 60 * SEEDS },
  );
  expect(through).toBeGreaterThan(25);
});

test('told wrongly it is said of which tapes, and of no other', () => {
  for (const exercise of exercises()) {
    const { stubs, leads } = exercise;
    const [first, second] = stubs.filter((stub) => leads[tapeKey(stub)] !== PANEL);
    if (!first || !second) continue;
    const told: Record<string, Led> = { ...leads, [tapeKey(first)]: PANEL };
    expect(judgeWhichWire(exercise, told).wrong).toEqual([first]);
  }
});

test('the way of the program tells every cable by dead readings alone, in words', () => {
  for (const exercise of exercises()) {
    const way = wiresWay(exercise);
    expect(way.length).toBeGreaterThan(0);
    expect(way.length).toBeLessThan(3 * exercise.stubs.length + 8);
    for (const words of way) expect(words).not.toMatch(/live|undefined/);
  }
});
