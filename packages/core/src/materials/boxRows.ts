import { articleOf } from '../model/articles.js';
import type { BoxContents } from '../model/contents.js';
import type { ArticleId, BoxId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { findBox, findRoom, hasDriverBox, luminairesInBox } from '../model/lookup.js';
import { cubicInches, type Awg } from '../model/units.js';
import { articlesAt, type Wiring } from '../model/wiring.js';
import { boxFill, type BoxFill, type FillLine } from '../nec/boxFill.js';
import {
  countedGangs,
  extendedOffers,
  kindOfOffer,
  offersOfStock,
  whyUnsuited,
  type BoxOffer,
} from './boxChoice.js';
import { contentsOf, fillOf, gangsTaken } from './boxContents.js';

/** What fills a box, in parts. */
export const FILL_PARTS = ['conductors', 'devices', 'grounds', 'clamps', 'fittings'] as const;
export type FillPart = (typeof FILL_PARTS)[number];

const PART_OF: Record<FillLine['what'], FillPart> = {
  conductors: 'conductors',
  passing: 'conductors',
  loops: 'conductors',
  canopyLeads: 'conductors',
  fixtureWires: 'conductors',
  clamps: 'clamps',
  supportFittings: 'fittings',
  terminalBlocks: 'fittings',
  devices: 'devices',
  grounds: 'grounds',
  extraGrounds: 'grounds',
  isolatedGrounds: 'grounds',
};
export const partOfLine = ({ what }: FillLine): FillPart => PART_OF[what];

/** One box of a wiring: which it is, what it needs and holds, and what it could still take. Volumes in ten-thousandths of a cubic inch. */
export interface BoxRow {
  box: BoxId;
  name: string;
  room: string;
  gangs: number;
  /** Names of the box and its sections; none while nobody knows. */
  made: string[];
  fill: BoxFill;
  parts: Record<FillPart, number>;
  /** What is left, less than nothing where it is too small; null while that is not known. */
  left: number | null;
  /** Two-wire cables of `awg` that it could still take; null while that is not known. */
  more: number | null;
  awg: Awg;
}

/** So many more cables are counted. */
const MOST_MORE = 9;

const withCables = (contents: BoxContents, awg: Awg, cables: number): BoxContents => ({
  ...contents,
  conductors: [...contents.conductors, ...Array<Awg>(2 * cables).fill(awg)],
  grounds: [...contents.grounds, ...Array<Awg>(cables).fill(awg)],
});

/** The thickest conductor that is there: what comes later is counted as thick. */
const thickest = ({ conductors, grounds }: BoxContents): Awg =>
  [...conductors, ...grounds].reduce<Awg>((thick, awg) => (awg < thick ? awg : thick), 14);

export const boxRow = (job: Job, wiring: Wiring, id: BoxId): BoxRow | null => {
  const box = findBox(job, id);
  if (!box) return null;
  const fill = fillOf(job, wiring, id);
  const contents = contentsOf(job, wiring, id);
  const { fitted, unplanned } = gangsTaken(job, wiring, id);
  const parts: BoxRow['parts'] = { conductors: 0, devices: 0, grounds: 0, clamps: 0, fittings: 0 };
  for (const line of fill.lines) parts[partOfLine(line)] += line.total;
  const isKnown = fill.available !== null && fill.unknown.length === 0;
  const awg = thickest(contents);
  let more = 0;
  while (
    isKnown &&
    more < MOST_MORE &&
    boxFill(fill.available, withCables(contents, awg, more + 1), job.edition).verdict === 'fits'
  )
    more += 1;
  return {
    ...{ box: id, name: box.name, room: findRoom(job, box.room)?.name ?? '', gangs: fitted + unplanned },
    made:
      articlesAt(wiring, id).length === 0 && hasDriverBox(job, id)
        ? ['the wiring space of its luminaire']
        : articlesAt(wiring, id).map((article) => articleOf(job.stock, 'box', article).name),
    ...{ fill, parts, awg },
    left: fill.available === null ? null : fill.available - fill.needed,
    more: isKnown ? more : null,
  };
};

/** A box of the stock for a place, or why it does not suit there. */
export interface BoxCandidate {
  articles: ArticleId[];
  name: string;
  gangs: number;
  volume: number;
  price: number;
  /** What it would have to hold, with its own clamps, and what would be left. */
  needed: number;
  left: number;
  verdict: 'fits' | 'tooSmall' | 'unsuited';
  /** In words and numbers; empty where it fits. */
  why: string;
  /** It stands there as planned. */
  here: boolean;
}

/**
 * Every box of the stock for a place that is planned, with rings and extensions, those that suit first, from small to large; then those that do not, with the reason. None for a
 * box that is there, for one of other work, and where the luminaire brings its own.
 */
export const boxCandidates = (job: Job, wiring: Wiring, id: BoxId): BoxCandidate[] => {
  const box = findBox(job, id);
  if (!box || box.work === 'existing' || box.work === 'beyond' || hasDriverBox(job, id)) return [];
  const contents = contentsOf(job, wiring, id);
  const { fitted, unplanned } = gangsTaken(job, wiring, id);
  const gangs = fitted + unplanned;
  const luminaires = luminairesInBox(job, id).filter(({ unit }) => unit !== 'onward');
  const here = articlesAt(wiring, id).join();
  const candidate = (offer: BoxOffer): BoxCandidate => {
    const { articles, volume, price, internalClamps } = offer;
    const { needed } = boxFill(volume, { ...contents, internalClamps }, job.edition);
    const left = volume - needed;
    const unsuited = whyUnsuited(box, { gangs, luminaires }, offer);
    const beside =
      gangs > 0 && offer.gangs > gangs ? `${countedGangs(offer.gangs - gangs)} behind a blank` : '';
    return {
      articles: articles.map((one) => one.id),
      name: articles.map((one) => one.name).join(' with '),
      ...{ gangs: offer.gangs, volume, price, needed, left },
      verdict: unsuited !== null ? 'unsuited' : left < 0 ? 'tooSmall' : 'fits',
      why: unsuited ?? (left < 0 ? `${cubicInches(-left)} too small` : beside),
      here: articles.map((one) => one.id).join() === here,
    };
  };
  const bySize = [...offersOfStock(job.stock), ...extendedOffers(job.stock)]
    .sort(
      (a, b) =>
        a.gangs - b.gangs || a.volume - b.volume || kindOfOffer(a) - kindOfOffer(b) || a.price - b.price,
    )
    .map(candidate);
  const isUnsuited = ({ verdict }: BoxCandidate) => verdict === 'unsuited';
  return [...bySize.filter((one) => !isUnsuited(one)), ...bySize.filter(isUnsuited)];
};

/** A box of the stock that suits and holds all. Volumes in ten-thousandths of a cubic inch. */
export type SmallestBox = Pick<BoxCandidate, 'articles' | 'name' | 'volume' | 'left'>;

/** The smallest of the stock that suits a planned place and holds what comes to it, by volume, then price; null where there is none, or where it is not known what it has to hold. */
export const smallestBox = (job: Job, wiring: Wiring, id: BoxId): SmallestBox | null => {
  if (fillOf(job, wiring, id).unknown.some((one) => one !== 'box')) return null;
  const [first] = boxCandidates(job, wiring, id)
    .filter(({ verdict }) => verdict === 'fits')
    .sort((a, b) => a.volume - b.volume || a.price - b.price);
  return first
    ? { articles: first.articles, name: first.name, volume: first.volume, left: first.left }
    : null;
};

/** Sets a box and its rings at a place, or leaves them to the program. */
export const setBoxArticles = (job: Job, id: BoxId, articles: readonly ArticleId[] | null): Job => ({
  ...job,
  boxes: job.boxes.map((box) => {
    if (box.id !== id) return box;
    const [article = null, ...sections] = articles ?? [];
    return { ...box, article, sections };
  }),
});

/** "room for one more 14/2", "for 3 more 14/2", "no room for another 14/2", "too small by 2.0 in³". */
export const sayMore = ({ left, more, awg }: Pick<BoxRow, 'left' | 'more' | 'awg'>): string => {
  if (left !== null && left < 0) return `too small by ${cubicInches(-left)}`;
  if (more === null) return 'not known';
  if (more === 0) return `no room for another ${awg}/2`;
  return more === 1
    ? `room for one more ${awg}/2`
    : `room for ${more}${more === MOST_MORE ? ' or more' : ' more'} ${awg}/2`;
};
