/** A switch out of the wall whose screws bear no marks: a three-way has one common, a four-way two pairs. */
export const UNMARKED = ['threeWay', 'fourWay'] as const;
export type Unmarked = (typeof UNMARKED)[number];

/** A reading between two of its screws, counted from 0, with the handle as it was first (0) or moved (1). */
export interface ScrewReading {
  position: 0 | 1;
  a: number;
  b: number;
  continuity: boolean;
}

/** What the switch may be: which screws it connects in each position, and by that which is which. */
interface Guess {
  joined: [[number, number][], [number, number][]];
  /** The common alone; or the two pairs, each of two screws that are never connected with each other. */
  told: number[][];
}

const pairKey = (a: number, b: number): string => [a, b].sort().join();

const GUESSES: Record<Unmarked, Guess[]> = {
  threeWay: [0, 1, 2].flatMap((common) => {
    const [x = 0, y = 0] = [0, 1, 2].filter((one) => one !== common);
    return [
      { joined: [[[common, x]], [[common, y]]], told: [[common]] },
      { joined: [[[common, y]], [[common, x]]], told: [[common]] },
    ] satisfies Guess[];
  }),
  fourWay: [1, 2, 3].flatMap((beside) => {
    const [x = 0, y = 0] = [1, 2, 3].filter((one) => one !== beside);
    const straight: [number, number][] = [
      [0, x],
      [beside, y],
    ];
    const across: [number, number][] = [
      [0, y],
      [beside, x],
    ];
    const told = [[0, beside].sort(), [x, y].sort()];
    return [
      { joined: [straight, across], told },
      { joined: [across, straight], told },
    ] satisfies Guess[];
  }),
};

const says = ({ joined }: Guess, { position, a, b }: Omit<ScrewReading, 'continuity'>): boolean =>
  joined[position].some(([x, y]) => pairKey(x, y) === pairKey(a, b));

/** What is known of the screws, and what is read next; `broken` where nothing that works fits what was read. */
export interface ScrewsTold {
  told: number[][] | null;
  next: Omit<ScrewReading, 'continuity'> | null;
  broken: boolean;
}

/**
 * Which screw of an unmarked switch is which, by the fewest continuity readings in both positions of its handle: the next reading is the one
 * after which the least is left at the worst, with the handle as it stands where that is as good.
 */
export const tellScrews = (kind: Unmarked, readings: readonly ScrewReading[]): ScrewsTold => {
  const left = GUESSES[kind].filter((guess) => readings.every((one) => says(guess, one) === one.continuity));
  if (left.length === 0) return { told: null, next: null, broken: true };
  const meanings = (guesses: readonly Guess[]) => new Set(guesses.map(({ told }) => JSON.stringify(told)));
  const [first] = left;
  // What is told is told of a switch that works: continuity was read in both positions, and none where none should be.
  const closes = (position: 0 | 1) => readings.some((one) => one.position === position && one.continuity);
  if (first && meanings(left).size === 1) {
    const open = ([readings.at(-1)?.position ?? 0, 0, 1] as (0 | 1)[]).find((position) => !closes(position));
    // One whose contacts are welded reads continuity wherever it is tried: what closes in one position is to be open in the other.
    const isOpen = readings.some(({ continuity }) => !continuity);
    if (open === undefined && isOpen) return { told: first.told, next: null, broken: false };
    if (open === undefined) {
      const now = readings.at(-1)?.position ?? 0;
      const [a = 0, b = 0] = [...(first.joined[now === 0 ? 1 : 0][0] ?? [])].sort();
      return { told: null, next: { position: now, a, b }, broken: false };
    }
    const [pair] = first.joined[open];
    const isRead = readings.some(
      (one) => one.position === open && pair && pairKey(one.a, one.b) === pairKey(...pair),
    );
    if (pair && left.length === 1 && !isRead) {
      const [a, b] = [...pair].sort();
      return { told: null, next: { position: open, a: a ?? 0, b: b ?? 0 }, broken: false };
    }
  }
  const now = readings.at(-1)?.position ?? 0;
  const screws = kind === 'threeWay' ? [0, 1, 2] : [0, 1, 2, 3];
  const questions = ([now, now === 0 ? 1 : 0] as (0 | 1)[]).flatMap((position) =>
    screws.flatMap((a) =>
      screws.filter((b) => b > a).map((b): Omit<ScrewReading, 'continuity'> => ({ position, a, b })),
    ),
  );
  const valued = questions
    .filter(
      (one) =>
        !readings.some(
          (read) => read.position === one.position && pairKey(read.a, read.b) === pairKey(one.a, one.b),
        ),
    )
    .map((question) => {
      const parts = [true, false].map((answer) => left.filter((guess) => says(guess, question) === answer));
      return {
        question,
        most: Math.max(...parts.map((part) => meanings(part).size)),
        guesses: Math.max(...parts.map(({ length }) => length)),
      };
    })
    .sort((p, q) => p.most - q.most || p.guesses - q.guesses);
  return { told: null, next: valued[0]?.question ?? null, broken: false };
};
