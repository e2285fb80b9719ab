import { tellScrews, UNMARKED, type ScrewReading, type Unmarked } from '../src/index.js';

/** Every switch of a kind as it may lie in the hand: its screws in any order, its handle in either position. */
const everySwitch = (
  kind: Unmarked,
): { joined: [number, number][][]; common: number; pairs: number[][] }[] => {
  const orders = (left: number[]): number[][] =>
    left.length === 0
      ? [[]]
      : left.flatMap((one) => orders(left.filter((x) => x !== one)).map((rest) => [one, ...rest]));
  return orders(kind === 'threeWay' ? [0, 1, 2] : [0, 1, 2, 3]).flatMap((order) => {
    const [a = 0, b = 0, c = 0, d = 0] = order;
    const positions: [number, number][][] =
      kind === 'threeWay'
        ? [[[a, b]], [[a, c]]]
        : [
            [
              [a, c],
              [b, d],
            ],
            [
              [a, d],
              [b, c],
            ],
          ];
    const made = { common: a, pairs: [[a, b].sort(), [c, d].sort()] };
    return [
      { ...made, joined: positions },
      { ...made, joined: [...positions].reverse() },
    ];
  });
};

test.each(UNMARKED)(
  'whatever %s lies in the hand, its screws are told, by five readings at most, continuity in both positions among them',
  (kind) => {
    let most = 0;
    for (const { joined, common, pairs } of everySwitch(kind)) {
      const readings: ScrewReading[] = [];
      for (;;) {
        const { told, next, broken } = tellScrews(kind, readings);
        expect(broken).toBe(false);
        if (told) {
          const right = kind === 'threeWay' ? [[common]] : pairs;
          expect([...told].map((one) => one.join()).sort()).toEqual(right.map((one) => one.join()).sort());
          break;
        }
        if (!next) throw new Error('nothing to read, and nothing told');
        const { position, a, b } = next;
        const continuity = joined[position]?.some((pair) => pair.includes(a) && pair.includes(b)) === true;
        readings.push({ ...next, continuity });
      }
      const closed = readings.filter((one) => one.continuity).map(({ position }) => position);
      expect(new Set(closed).size).toBe(2);
      most = Math.max(most, readings.length);
    }
    expect(most).toBeLessThanOrEqual(5);
  },
);

test('one that connects nothing, or all, is told to be broken, not guessed at', () => {
  for (const continuity of [true, false]) {
    const readings: ScrewReading[] = [];
    for (let k = 0; k < 12; k++) {
      const { next, told, broken } = tellScrews('threeWay', readings);
      if (broken || !next) {
        expect([told, broken]).toEqual([null, true]);
        return;
      }
      readings.push({ ...next, continuity });
    }
    throw new Error('it was never told');
  }
});
