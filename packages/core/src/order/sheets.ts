import Papa from 'papaparse';
import type { CableId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { feetInches } from '../model/units.js';
import type { BoxRow } from '../materials/boxRows.js';
import type { Cut } from '../materials/cutList.js';
import { placeTag } from '../words/places.js';
import type { OrderLine } from './orderLines.js';
import { feetWord } from './units.js';

/** A table of texts and numbers, its heads first. Money in dollars, volumes in cubic inches, lengths in inches. */
export type SheetRows = (string | number | null)[][];

/**
 * A table as CSV (RFC 4180), with a mark at its beginning by which spreadsheets know that it is UTF-8. A text that a spreadsheet would take for a
 * formula is kept a text.
 */
export const csvOf = (rows: SheetRows): string =>
  `\uFEFF${Papa.unparse(rows, { escapeFormulae: true, newline: '\r\n' })}\r\n`;

const money = (amount: number | null): number | null =>
  amount === null ? null : Math.round(amount / 100) / 100;

export const takeOffSheet = (lines: readonly OrderLine[]): SheetRows => [
  [
    'aisle',
    'article',
    'name',
    'needed',
    'in the truck',
    'to buy',
    'unit',
    'bought as',
    'price in dollars',
    'delivered',
  ],
  ...lines.map((line) => [
    ...[line.aisle, line.article, line.name, Number(feetWord(line.need)), Number(feetWord(line.inTruck))],
    ...[
      Number(feetWord(line.buy)),
      line.unit,
      line.how,
      line.fromOwner ? null : money(line.price),
      line.delivered,
    ],
  ]),
];

/** Cuts in the order in which they are given, with the number on their tags. */
export const cutSheet = (
  job: Job,
  cuts: readonly Cut[],
  numbers: ReadonlyMap<CableId, number>,
): SheetRows => [
  [
    'number',
    'cable',
    'from',
    'to',
    'cut in inches',
    'cut',
    'length is',
    'run in inches',
    'tag at from',
    'tag at to',
  ],
  ...cuts.map((cut) => [
    ...[numbers.get(cut.cable) ?? null, cut.name, placeTag(job, cut.from), placeTag(job, cut.to)],
    ...[
      cut.length?.cut ?? null,
      cut.length ? feetInches(cut.length.cut) : '',
      cut.restsOn,
      cut.length?.run ?? null,
    ],
    ...[cut.tags.from, cut.tags.to],
  ]),
];

/** One tag: what stands on the end of a cable in a box. */
export interface Tag {
  cable: CableId;
  number: number;
  /** The place where this end is. */
  at: string;
  text: string;
}

/** Two tags for each cut, one for each end. */
export const tagsOf = (job: Job, cuts: readonly Cut[], numbers: ReadonlyMap<CableId, number>): Tag[] =>
  cuts.flatMap((cut) =>
    (['from', 'to'] as const).map((side) => ({
      ...{ cable: cut.cable, number: numbers.get(cut.cable) ?? 0 },
      ...{ at: placeTag(job, cut[side]), text: cut.tags[side] },
    })),
  );

export const tagSheet = (tags: readonly Tag[]): SheetRows => [
  ['number', 'at', 'tag'],
  ...tags.map(({ number, at, text }) => [number, at, text]),
];

const volume = (amount: number | null): number | null => (amount === null ? null : amount / 10_000);

export const boxSheet = (rows: readonly BoxRow[]): SheetRows => [
  ['box', 'room', 'gangs', 'article', 'needed in cubic inches', 'holds', 'left', 'verdict'],
  ...rows.map(({ name, room, gangs, made, fill, left }) => [
    ...[name, room, gangs, made.join(' with '), volume(fill.needed), volume(fill.available), volume(left)],
    fill.unknown.length > 0 && fill.verdict !== 'over'
      ? 'not known'
      : fill.verdict === 'over'
        ? 'too small'
        : 'fits',
  ]),
];
