import { articleSchema, type Article } from '../model/articles.js';

const cable = (id: string, awg: number, insulated: string[]) => ({
  kind: 'cable',
  id,
  name: id.replace('-', '/'),
  awg,
  insulated,
});

const COLOURS: Record<number, string[]> = {
  2: ['black', 'white'],
  3: ['black', 'red', 'white'],
  4: ['black', 'red', 'blue', 'white'],
};

const cables = [14, 12].flatMap((awg) =>
  [2, 3, 4].map((count) => cable(`${awg}-${count}`, awg, COLOURS[count] ?? [])),
);

const ground = { name: 'ground', use: 'ground' };

const singlePole = (amperes: number) => ({
  kind: 'device',
  id: `single-pole-${amperes}`,
  name: `Single-pole switch, ${amperes} A`,
  letter: 'S',
  amperes,
  gangs: 1,
  terminals: [{ name: 'load', use: 'load' }, { name: 'line', use: 'line' }, ground],
  positions: [
    { name: 'on', connected: [['line', 'load']] },
    { name: 'off', connected: [] },
  ],
});

const threeWay = (amperes: number) => ({
  kind: 'device',
  id: `three-way-${amperes}`,
  name: `Three-way switch, ${amperes} A`,
  letter: 'S3',
  amperes,
  gangs: 1,
  terminals: [
    { name: 'common', use: 'common' },
    { name: 'traveler 1', use: 'traveler' },
    { name: 'traveler 2', use: 'traveler' },
    ground,
  ],
  positions: [
    { name: 'up', connected: [['common', 'traveler 1']] },
    { name: 'down', connected: [['common', 'traveler 2']] },
  ],
});

const fourWay = (amperes: number) => ({
  kind: 'device',
  id: `four-way-${amperes}`,
  name: `Four-way switch, ${amperes} A`,
  letter: 'S4',
  amperes,
  gangs: 1,
  terminals: [
    { name: 'in 1', use: 'in' },
    { name: 'in 2', use: 'in' },
    { name: 'out 1', use: 'out' },
    { name: 'out 2', use: 'out' },
    ground,
  ],
  positions: [
    {
      name: 'up',
      connected: [
        ['in 1', 'out 1'],
        ['in 2', 'out 2'],
      ],
    },
    {
      name: 'down',
      connected: [
        ['in 1', 'out 2'],
        ['in 2', 'out 1'],
      ],
    },
  ],
});

const timer = {
  kind: 'device',
  id: 'timer-15',
  name: 'Timer switch with neutral, 15 A',
  letter: 'S',
  amperes: 15,
  gangs: 1,
  terminals: [
    { name: 'load', use: 'load' },
    { name: 'line', use: 'line' },
    { name: 'neutral', use: 'neutral' },
    ground,
  ],
  positions: [
    { name: 'on', connected: [['line', 'load']] },
    { name: 'off', connected: [] },
  ],
};

const box = (
  id: string,
  name: string,
  cubicInches: number,
  gangs: number,
  more: { metal?: boolean; internalClamps?: boolean; work?: 'new' | 'old' } = {},
) => ({
  kind: 'box',
  id,
  name,
  volume: Math.round(cubicInches * 10_000),
  gangs,
  metal: false,
  internalClamps: false,
  work: 'new',
  ...more,
});

const steel = { metal: true, internalClamps: true };
const oldWork = { work: 'old', internalClamps: true } as const;

/** Volumes of nonmetallic boxes as marked; of standard metal boxes from Table 314.16(A). */
const boxes = [
  ...[18, 20, 22.5].map((v) => box(`wall-1-${v}`, `1-gang nonmetallic ${v} in³`, v, 1)),
  ...[32, 35].map((v) => box(`wall-2-${v}`, `2-gang nonmetallic ${v} in³`, v, 2)),
  ...[44, 54].map((v) => box(`wall-3-${v}`, `3-gang nonmetallic ${v} in³`, v, 3)),
  ...[64, 70].map((v) => box(`wall-4-${v}`, `4-gang nonmetallic ${v} in³`, v, 4)),
  ...[14, 16, 20].map((v) => box(`old-1-${v}`, `1-gang old-work ${v} in³`, v, 1, oldWork)),
  ...[25, 34].map((v) => box(`old-2-${v}`, `2-gang old-work ${v} in³`, v, 2, oldWork)),
  box('steel-1-12.5', '1-gang steel 3 x 2 x 2 1/2', 12.5, 1, steel),
  box('steel-1-18', '1-gang steel 3 x 2 x 3 1/2', 18, 1, steel),
  ...[18, 20, 22.5].map((v) => box(`ceiling-${v}`, `Round ceiling nonmetallic ${v} in³`, v, 0)),
  ...[4, 6].map((v) => box(`pancake-${v}`, `Shallow pancake ${v} in³`, v, 0)),
  box('octagon-15.5', 'Steel octagon 4 x 1 1/2', 15.5, 0, steel),
  box('octagon-21.5', 'Steel octagon 4 x 2 1/8', 21.5, 0, steel),
  box('square-21', 'Steel square 4 x 1 1/2', 21, 0, steel),
  box('square-30.3', 'Steel square 4 x 2 1/8', 30.3, 0, steel),
];

const connector = (
  id: string,
  name: string,
  family: string,
  conductors: [number, number],
  sizes: [number, number],
  circularMils: number | null = null,
) => ({ kind: 'connector', id, name, family, conductors, sizes, circularMils });

/** Ranges are generic; a twist-on is bounded by the copper it takes, the others by their ports. */
const connectors = [
  ...[2, 3, 5].map((n) => connector(`lever-${n}`, `Lever ${n}`, 'lever', [1, n], [18, 12])),
  ...[2, 3, 4, 6, 8].map((n) => connector(`push-in-${n}`, `Push-in ${n}`, 'pushIn', [1, n], [18, 12])),
  connector('twist-on-small', 'Twist-on small', 'twistOn', [1, 3], [18, 14], 13_000),
  connector('twist-on-medium', 'Twist-on medium', 'twistOn', [1, 5], [18, 12], 21_000),
  connector('twist-on-large', 'Twist-on large', 'twistOn', [2, 6], [18, 10], 34_000),
];

/** The generic stock that a new job starts from; the job keeps its own copy. Built new at each call. */
export const standardStock = (): Article[] =>
  articleSchema
    .array()
    .parse([
      ...cables,
      ...[15, 20].flatMap((a) => [singlePole(a), threeWay(a), fourWay(a)]),
      timer,
      ...boxes,
      ...connectors,
    ]);
