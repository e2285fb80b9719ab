import type { Job } from '../model/job.js';
import { findBox, findCable, findLuminaire, findRoom } from '../model/lookup.js';
import type { Wiring } from '../model/wiring.js';
import type { LabourEstimate, Work } from '../materials/labourOf.js';
import type { OrderList } from './orderLines.js';
import { isIn, type OrderPart } from './part.js';

/** Minutes of one kind of work, or in one room. */
export interface Minutes {
  name: string;
  minutes: number;
}

/** Labour of a job or a part of it, by kind of work and by room. Money in ten-thousandths of a dollar. */
export interface LabourShare {
  minutes: number;
  price: number;
  byKind: { work: Work; quantity: number; minutes: number }[];
  byRoom: Minutes[];
}

const NO_ROOM = 'no room told';

/** The room in which the work at a place counts: of a run the one it leads to, of a luminaire that of its box. */
const roomOf = (job: Job, wiring: Wiring, at: string): string => {
  const cable = findCable(wiring, at);
  const luminaire = findLuminaire(job, at);
  const box: string | undefined = cable
    ? findBox(job, cable.to)
      ? cable.to
      : cable.from
    : (luminaire?.box ?? at);
  return findRoom(job, findBox(job, box)?.room)?.name ?? NO_ROOM;
};

/** Labour at the places of a part, the most minutes first. */
export const labourShare = (
  job: Job,
  wiring: Wiring,
  { lines }: LabourEstimate,
  part: OrderPart | null = null,
): LabourShare => {
  const rooms = new Map<string, number>();
  const isMine = (at: string) => isIn(part, findLuminaire(job, at)?.box ?? at);
  const byKind = lines.flatMap(({ work, each, at, quantities }) => {
    let quantity = 0;
    for (const [i, place] of at.entries()) {
      const many = isMine(place) ? (quantities[i] ?? 0) : 0;
      const room = roomOf(job, wiring, place);
      if (many > 0) rooms.set(room, (rooms.get(room) ?? 0) + many * each);
      quantity += many;
    }
    return quantity === 0 ? [] : [{ work, quantity, minutes: quantity * each }];
  });
  const minutes = byKind.reduce((sum, one) => sum + one.minutes, 0);
  return {
    minutes,
    price: Math.round((minutes / 60) * job.labour.rate),
    byKind: byKind.sort((a, b) => b.minutes - a.minutes),
    byRoom: [...rooms].map(([name, many]) => ({ name, minutes: many })).sort((a, b) => b.minutes - a.minutes),
  };
};

/** What a customer is asked for, line by line; ten-thousandths of a dollar. */
export interface CustomerSum {
  material: number;
  markup: number;
  labour: number;
  contingency: number;
  tax: number;
  /** Null where something that it rests on is not known: then `unknown` says what. */
  total: number | null;
  unknown: string[];
  /** It rests on guessed lengths, or on rooms that nobody has measured: about so much. */
  about: boolean;
}

const percentOf = (amount: number, percent: number): number => Math.round((amount * percent) / 100);

/** Material as it is used and labour, with what the terms of the job add. `material` in ten-thousandths of a dollar. */
export const customerSum = (
  { order: { terms } }: Pick<Job, 'order'>,
  {
    lines,
    unmeasured,
    unpriced,
    guessed,
    rough,
  }: Pick<OrderList, 'lines' | 'unmeasured' | 'unpriced' | 'guessed' | 'rough'>,
  labour: Pick<LabourShare, 'price'>,
  material: number,
): CustomerSum => {
  const markup = percentOf(material, terms.markup);
  const contingency = percentOf(material + markup + labour.price, terms.contingency);
  const taxed = terms.taxOn === 'all' ? material + markup + labour.price + contingency : material + markup;
  const tax = percentOf(taxed, terms.tax);
  const unknown = [
    ...(lines.length === 0 ? ['nothing is planned yet'] : []),
    ...(unmeasured.length > 0 ? ['a run has no length'] : []),
    ...unpriced.map((name) => `${name} has no price`),
  ];
  return {
    ...{ material, markup, labour: labour.price, contingency, tax },
    total: unknown.length > 0 ? null : material + markup + labour.price + contingency + tax,
    unknown,
    about: guessed.length > 0 || rough.length > 0,
  };
};

/** What the lines of an order cost as they are used, each by its own price; what is left of a pack or a coil stays with the shop. */
export const materialUsed = (job: Job, { lines }: Pick<OrderList, 'lines'>): number => {
  const prices = new Map(
    job.stock.map(({ id, price, pack }) => [
      id as string,
      price > 0 || pack === null ? price : pack.price / pack.count,
    ]),
  );
  return lines.reduce(
    (sum, { article, need, price, byHand }) =>
      sum + (byHand || article === null ? (price ?? 0) : Math.round(need * (prices.get(article) ?? 0))),
    0,
  );
};
