import Papa from 'papaparse';
import { articleSchema, type Article } from '../model/articles.js';
import type { ArticleId } from '../model/ids.js';
import { isSame } from '../model/same.js';
import type { SheetRows } from '../order/sheets.js';

/** The columns of the catalog as a table: what every kind of article has, and for a new one the id of the article that it is like. Money in dollars. */
const COLUMNS = [
  'id',
  'kind',
  'name',
  'price',
  'pack of',
  'pack price',
  'sold singly',
  'coil price',
  'not to be had',
  'like',
] as const;
type Column = (typeof COLUMNS)[number];

const dollarsOf = (money: number): number => money / 10_000;
const yesNo = (is: boolean): string => (is ? 'yes' : 'no');

/** The catalog as a table, its heads first. */
export const catalogSheet = (articles: readonly Article[]): SheetRows => [
  [...COLUMNS],
  ...articles.map(({ id, kind, name, price, pack, absent, ...rest }) => [
    ...[id, kind, name, dollarsOf(price), pack?.count ?? null, pack === null ? null : dollarsOf(pack.price)],
    pack === null ? null : yesNo(pack.singly),
    'coilPrice' in rest ? dollarsOf(rest.coilPrice) : null,
    yesNo(absent),
    null,
  ]),
];

/** What is wrong with a table, by its row (the heads are row 1) and column; row 0 for the table as a whole. */
export interface SheetFault {
  row: number;
  column: Column | '';
  message: string;
}

/** One article that a table changes: as it was and as it would be; a new one was not to be had before. */
export interface ArticleChange {
  before: Article;
  after: Article;
}

export type SheetRead = { ok: true; changes: ArticleChange[] } | { ok: false; faults: SheetFault[] };

/** More rows than these are not looked at. */
const MOST_ROWS = 5_000;
/** So many faults are told. */
const MOST_FAULTS = 50;

type Cells = Partial<Record<Column, string>>;

/** Dollars as somebody writes them, in ten-thousandths; null where it is none, or less than nothing. */
const moneyOf = (text: string): number | null => {
  const amount = Number(text.trim().replace(/^\$/, '').replace(/,/g, ''));
  return text.trim() === '' || !Number.isFinite(amount) || amount < 0 ? null : Math.round(amount * 10_000);
};

const YES_NO: Readonly<Record<string, boolean>> = { yes: true, no: false };

/** An article as a row of the table has it; what a column leaves out stays as it is. */
const changedBy = (
  before: Article,
  cells: Cells,
  fault: (column: Column, message: string) => void,
): Article => {
  const after: Record<string, unknown> = { ...before };
  const money = (column: Column, put: (money: number) => void) => {
    const text = cells[column];
    if (text === undefined || text.trim() === '') return;
    const amount = moneyOf(text);
    if (amount === null) fault(column, `"${text}" is no price; write dollars from 0 up, as 1.25.`);
    else put(amount);
  };
  const yes = (column: Column, put: (is: boolean) => void) => {
    const text = cells[column]?.trim().toLowerCase() ?? '';
    if (text === '') return;
    const is = YES_NO[text];
    if (is === undefined) fault(column, `"${text}" is neither yes nor no.`);
    else put(is);
  };
  const name = cells.name?.trim();
  if (name) after['name'] = name;
  money('price', (price) => (after['price'] = price));
  yes('not to be had', (absent) => (after['absent'] = absent));
  money('coil price', (coilPrice) => {
    if (before.kind === 'cable') after['coilPrice'] = coilPrice;
    else fault('coil price', 'Only cable comes in a coil.');
  });
  const count = cells['pack of']?.trim() ?? '';
  if (count !== '') {
    const pack = {
      count: Number(count),
      price: before.pack?.price ?? 0,
      singly: before.pack?.singly ?? true,
    };
    if (!Number.isInteger(pack.count) || pack.count < 2)
      fault(
        'pack of',
        `"${count}" is no whole number of 2 or more; leave it empty where it comes in no pack.`,
      );
    money('pack price', (price) => (pack.price = price));
    yes('sold singly', (singly) => (pack.singly = singly));
    after['pack'] = pack;
  } else if ((cells['pack price']?.trim() ?? '') !== '')
    fault('pack of', 'A pack has a price and no count: say how many are in it.');
  else if ('pack of' in cells) after['pack'] = null;
  return after as Article;
};

/**
 * Reads a table as `catalogSheet` gives it and says what it would change in the catalog. Any fault, and nothing is taken. Columns may be left out or stand
 * otherwise; an article that the table does not name stays as it is.
 */
export const readCatalogSheet = (text: string, catalog: readonly Article[]): SheetRead => {
  const faults: SheetFault[] = [];
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [heads = [], ...rows] = parsed.data;
  const columns = heads.map((head) => head.trim().toLowerCase());
  const whole = (message: string): SheetRead => ({ ok: false, faults: [{ row: 0, column: '', message }] });
  if (!columns.includes('id'))
    return whole(
      `The first row has no column "id"; its heads are ${COLUMNS.map((one) => `"${one}"`).join(', ')}.`,
    );
  const strange = columns.find((one) => !COLUMNS.includes(one as Column));
  if (strange !== undefined)
    return whole(
      `There is no column "${strange}"; there are ${COLUMNS.map((one) => `"${one}"`).join(', ')}.`,
    );
  if (rows.length > MOST_ROWS)
    return whole(
      `It has ${rows.length.toLocaleString('en-US')} rows; up to ${MOST_ROWS.toLocaleString('en-US')} are read at once. Bring it in in parts.`,
    );
  const known = new Map(catalog.map((article) => [article.id as string, article]));
  const met = new Map<string, number>();
  const changes = rows.flatMap((cells, i): ArticleChange[] => {
    const row = i + 2;
    const fault = (column: Column | '', message: string) => void faults.push({ row, column, message });
    if (cells.length > columns.length) {
      fault(
        '',
        `It has ${cells.length} cells and ${columns.length} heads; put a text with a comma in quotes.`,
      );
      return [];
    }
    // A text that was kept from being a formula carries a mark for that.
    const by: Cells = Object.fromEntries(
      columns.map((column, at) => [column, (cells[at] ?? '').replace(/^'(?=[=+\-@])/, '')]),
    );
    const id = by.id?.trim() ?? '';
    const like = by.like?.trim() ?? '';
    const model = known.get(like);
    const isNew = like !== '' && !known.has(id);
    const before = isNew && model ? { ...model, id: id as ArticleId, absent: true } : known.get(id);
    const first = met.get(id);
    if (first !== undefined) fault('id', `"${id}" stands in row ${first} too; one row for each article.`);
    met.set(id, row);
    if (!before) {
      if (isNew) fault('like', `The catalog has no article "${like}" that a new one could be like.`);
      else
        fault(
          'id',
          `The catalog has no article "${id}"; for a new one, write under "like" which it is like.`,
        );
      return [];
    }
    if (by.kind !== undefined && by.kind.trim() !== '' && by.kind.trim() !== before.kind)
      fault('kind', `"${id}" is a ${before.kind}; what an article is does not change.`);
    if (!isNew && like !== '') fault('like', `"${id}" is in the catalog already; leave "like" empty.`);
    const told = faults.length;
    if (isNew && (by.name?.trim() ?? '') === '') fault('name', 'A new article has a name of its own.');
    const after = {
      ...changedBy(before, by, fault),
      ...(isNew && !by['not to be had']?.trim() ? { absent: false } : {}),
    };
    if (faults.length > told) return [];
    const checked = articleSchema.safeParse(after);
    if (!checked.success) {
      const [issue] = checked.error.issues;
      fault('', `${issue?.path.join('.') ?? ''}: ${issue?.message ?? ''}`);
      return [];
    }
    return isSame(before, checked.data) ? [] : [{ before, after: checked.data }];
  });
  return faults.length > 0 ? { ok: false, faults: faults.slice(0, MOST_FAULTS) } : { ok: true, changes };
};
