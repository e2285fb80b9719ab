import fc from 'fast-check';
import { leastFirst, remembered, type Closed, type Worked } from '../src/model/leastFirst.js';

interface Found {
  cost: number;
  boxes: number;
  id: number;
}

type Part = { least: number; parts: Part[] } | { value: Found };

/** What is worked out in pieces, each of which is told to come to no more than what is in it. */
const anyParts = fc
  .letrec<{ part: { down: number; parts: unknown[] } | { cost: number; boxes: number } }>((tie) => ({
    part: fc.oneof(
      { depthSize: 'small' },
      fc.record({ cost: fc.nat(6), boxes: fc.nat(2) }),
      fc.record({ down: fc.nat(3), parts: fc.array(tie('part'), { maxLength: 4 }) }),
    ),
  }))
  .part.map((drawn): Part => {
    let id = 0;
    const made = (one: typeof drawn): Part => {
      if ('cost' in one) return { value: { ...one, id: id++ } };
      const parts = (one.parts as (typeof drawn)[]).map(made);
      const least = Math.min(9, ...parts.map((part) => ('value' in part ? part.value.cost : part.least)));
      return { least: least - one.down, parts };
    };
    return made(drawn);
  });

const all = (part: Part): Found[] => ('value' in part ? [part.value] : part.parts.flatMap(all));

const closed = (part: Part, opened: (least: number) => void): Closed<Found> | Worked<Found> =>
  'value' in part
    ? part
    : {
        least: part.least,
        open: () => {
          opened(part.least);
          return part.parts.map((one) => closed(one, opened));
        },
      };

const asClosed = (part: Part, opened: (least: number) => void): Closed<Found> => {
  const one = closed(part, opened);
  return 'open' in one ? one : { least: one.value.cost, open: () => [one] };
};

const sorted = (parts: readonly Part[]): Found[] =>
  parts.flatMap(all).sort((a, b) => a.cost - b.cost || a.boxes - b.boxes || a.id - b.id);

const inOrder = (parts: readonly Part[], opened: (least: number) => void = () => undefined) =>
  leastFirst(
    parts.map((part) => asClosed(part, opened)),
    ({ cost }) => cost,
    (a, b) => a.boxes - b.boxes,
  );

test('the least comes first, equals in the order in which all would have come, and nothing is lost', () => {
  fc.assert(
    fc.property(anyParts, (part) => {
      expect([...inOrder([part])]).toEqual(sorted([part]));
    }),
    { seed: 61, numRuns: 400 },
  );
});

test('nothing is opened that comes to more than what is asked for', () => {
  let spared = 0;
  fc.assert(
    fc.property(anyParts, (part) => {
      const opened: number[] = [];
      const { value, done } = inOrder([part], (least) => opened.push(least)).next();
      if (done) return;
      for (const least of opened) expect(least).toBeLessThanOrEqual(value.cost);
      let every = 0;
      for (const _ of inOrder([part], () => every++));
      if (every > opened.length) spared++;
    }),
    { seed: 62, numRuns: 400 },
  );
  expect(spared).toBeGreaterThan(40);
});

test('what was gone through is remembered, and gone on with where it was left', () => {
  let drawn = 0;
  const three = function* () {
    for (const one of ['a', 'b', 'c']) {
      drawn++;
      yield one;
    }
  };
  const kept = remembered(three());
  for (const one of kept) if (one === 'b') break;
  expect(drawn).toBe(2);
  expect([...kept]).toEqual(['a', 'b', 'c']);
  expect([...kept]).toEqual(['a', 'b', 'c']);
  expect(drawn).toBe(3);
});
