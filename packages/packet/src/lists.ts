import {
  dollars,
  feetInches,
  feetWord,
  placeTag,
  siteItems,
  tagsOf,
  walkThrough,
  WALKS,
  type Walk,
} from '@amber/core';
import type { Content } from 'pdfmake/interfaces.js';
import type { Material } from './asked.js';
import { head, paragraph, subhead, table, tick, ticked } from './parts.js';

const RESTS_ON = {
  measured: 'measured',
  estimated: 'by the plan',
  rough: 'ROUGH: measure first',
  guessed: 'GUESS: measure first',
  unknown: 'NO LENGTH: measure',
} as const;

/** Cables in the order of pulling with squares for cut and pulled, then the texts of all tags. */
export const cuts = ({ job, cuts: all, numbers }: Material, first: boolean): Content[] => [
  head('Cut list, in the order of pulling', first),
  table(
    ['No.', 'Cable', 'From', 'To', 'Cut to', 'Length is', 'Cut', 'Pulled'],
    all.map((cut) => [
      ...[numbers.get(cut.cable) ?? 0, cut.name, placeTag(job, cut.from), placeTag(job, cut.to)],
      ...[cut.length ? feetInches(cut.length.cut) : 'not known', RESTS_ON[cut.restsOn], tick(), tick()],
    ]),
    [24, 40, '*', '*', 52, 80, 26, 34],
  ),
  subhead('Tags, one for each end'),
  table(
    ['No.', 'At', 'Tag'],
    tagsOf(job, all, numbers).map(({ number, at, text }) => [number, at, text]),
    [24, 120, '*'],
  ),
];

/** What to buy, aisle by aisle. */
export const takeOff = ({ order }: Material, first: boolean): Content[] => [
  head('Take-off', first),
  table(
    ['Aisle', 'Article', 'Needed', 'In the truck', 'To buy', 'Price', ''],
    order.lines.map((line) => [
      ...[line.aisle, line.name, `${feetWord(line.need)}${line.unit === 'foot' ? ' ft' : ''}`],
      line.inTruck > 0 ? feetWord(line.inTruck) : '',
      ...[
        line.buy === 0 ? 'nothing' : line.how,
        line.fromOwner ? '' : line.price === null ? 'no price' : dollars(line.price),
        tick(),
      ],
    ]),
    [56, '*', 50, 56, 110, 54, 16],
  ),
  paragraph(
    `${order.unpriced.length > 0 ? 'Sum of what has a price' : 'Sum'} ${dollars(order.total)}${order.guessed.length > 0 ? ', about: it rests on guessed lengths' : order.rough.length > 0 ? ', about: it rests on rooms that nobody has measured' : ''}${order.unmeasured.length > 0 ? `, without ${order.unmeasured.length} runs that have no length` : ''}${order.lines.some(({ fromOwner }) => fromOwner) ? ', without the luminaires that the owner brings' : ''}.`,
    { bold: true },
  ),
];

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

const WALK_TITLES: Record<Walk, string> = {
  roughIn: 'Rough-in check, before the wall is closed',
  final: 'Final check',
};

/** Both walks, room by room: what is to be seen, with a square for each, and what was found on the way. */
export const checks = ({ job, findings, review: { wiring } }: Material, first: boolean): Content[] => {
  const items = siteItems(job, wiring, findings);
  return WALKS.flatMap((walk, i): Content[] => [
    head(WALK_TITLES[walk], first && i === 0),
    paragraph(
      'By whom and when: ____________________________________    It approves nothing: the authority decides.',
    ),
    ...walkThrough(job, wiring, findings, walk, items).flatMap((room): Content[] => [
      subhead(room.name),
      ...room.stops.flatMap((stop): Content[] =>
        stop.items.length + stop.findings.length === 0
          ? []
          : [
              { text: stop.station.name, bold: true, margin: [0, 3, 0, 2] },
              ...stop.findings.map((one) =>
                ticked(
                  `${one.severity === 'violation' ? 'VIOLATION' : one.severity === 'caution' ? 'CAUTION' : 'OPEN'}: ${one.what}. ${one.remedy}`,
                  one.section,
                ),
              ),
              ...stop.items.map((item) => ticked(`${capital(item.what)}. ${item.look}`, item.section)),
            ],
      ),
    ]),
  ]);
};
