import {
  articleOf,
  boxRow,
  cablesIn,
  cubicInches,
  existingDocument,
  ofId,
  feetInches,
  findBox,
  makeUpSteps,
  placeOfEnd,
  placeTag,
  sayFillLine,
  sayMore,
  UNKNOWN_FILL,
  type BoxId,
  type BoxRow,
} from '@amber/core';
import type { Content } from 'pdfmake/interfaces.js';
import type { Material } from './asked.js';
import { boxPicture } from './boxPicture.js';
import { drawn, head, paragraph, table } from './parts.js';
import { heightOfText } from './measured.js';
import { pageOf } from './sections.js';
import { columnOf, workOrder } from './workOrder.js';

const volume = (amount: number | null): string => (amount === null ? 'not known' : cubicInches(amount));

const fillSaid = (row: BoxRow): string =>
  row.fill.verdict === 'unknown'
    ? `not known: ${row.fill.unknown.map((one) => UNKNOWN_FILL[one]).join('; ')}`
    : sayMore(row);

/** Every box: what it is, how high it stands, what it has to hold, and what is left. */
export const schedule = ({ job, review: { wiring }, boxes }: Material, first: boolean): Content[] => [
  head('Schedule of boxes', first),
  table(
    ['Box', 'Room', 'Height', 'Article', 'Needs', 'Holds', 'Fill, by 314.16'],
    boxes.flatMap((id) => {
      const row = boxRow(job, wiring, id);
      const box = findBox(job, id);
      if (!row) return [];
      return [
        [
          ...[row.name, row.room, box?.at ? feetInches(box.at.z) : '–'],
          row.made.join(' with ') || (box?.work === 'existing' ? 'there, nobody has told which' : '–'),
          ...[
            row.fill.unknown.length > 0 ? `at least ${volume(row.fill.needed)}` : volume(row.fill.needed),
            volume(row.fill.available),
            fillSaid(row),
          ],
        ],
      ];
    }),
    [78, 66, 44, '*', 56, 50, 100],
  ),
];

const cablesAt = ({ job, review: { wiring }, numbers }: Material, id: BoxId): Content =>
  table(
    ['No.', 'Cable', 'Other end', ''],
    cablesIn(wiring, id).map(({ cable, side }) => [
      numbers.get(cable.id) ?? '–',
      articleOf(job.stock, 'cable', cable.article).name,
      placeTag(job, placeOfEnd(cable, side === 'from' ? 'to' : 'from')),
      cable.existing ? 'there already' : '',
    ]),
    [22, 46, '*', 62],
  );

/** What has to be said before the picture of a box in which something is not known; nothing where all is. */
export const warned = (sure: string | undefined, unknown: boolean): Content[] => {
  const words =
    sure === 'assumed'
      ? 'NOBODY HAS LOOKED INTO THIS BOX. What is drawn is what is usual, and may not be so. Take every wire for live until it is proved dead, and tell what is there before anything is moved.'
      : sure === 'partlySeen'
        ? 'LOOKED INTO IN PART ALONE. Wires that are drawn broken nobody knows: take them for live until they are proved dead.'
        : unknown
          ? 'Wires that are drawn broken lead to where nobody has looked: take them for live until they are proved dead.'
          : '';
  return words === '' ? [] : [paragraph(words, { bold: true })];
};

/** Points that the head of a page takes with the space below what is said of the box, and a warning; how large it is. */
const HEAD = 40;
const WARNED = 34;
const SAID = 8.5;
/** Points of a picture in a column: as high as it is wanted, and as low as it may be where that saves a page. */
const MOST_HIGH = 235;
const LEAST_HIGH = 195;
/** A picture this much wider than high stands over both columns. */
const WIDE = 1.45;

/** One box on a page of its own where its steps let it: picture, cables with their numbers, fill, and its steps by phase with squares to tick. */
const page = (material: Material, id: BoxId, first: boolean): Content[] => {
  const { job, review, paper } = material;
  const row = boxRow(job, review.wiring, id);
  if (!row) return [];
  const { steps } = makeUpSteps(job, review.wiring, review.drawn, id);
  const sure = ofId(existingDocument(job)?.certainty, id);
  const picture = boxPicture(review, id);
  const said = warned(sure, picture.unknown);
  const cables = cablesAt(material, id);
  const cablesHigh = 22 + 16 * cablesIn(review.wiring, id).length;
  const size = pageOf(paper);
  const column = columnOf(size);
  const isWide = picture.width > WIDE * picture.height;
  const highAt = ({ width, height }: { width: number; height: number }) =>
    picture.height * Math.min(width / picture.width, height / picture.height, 1) + 8;
  const over = { width: 500, height: 250 };
  const above = (height: number) => {
    const most = { width: column, height };
    return { content: [drawn(picture, most), cables], height: highAt(most) + cablesHigh };
  };
  const words = `${row.made.join(' with ') || 'Which box it is, nobody has told'}. ${row.fill.lines.map(sayFillLine).join(', ')}: ${volume(row.fill.needed)} of ${volume(row.fill.available)}, ${fillSaid(row)}.`;
  const saidHigh = heightOfText([{ text: words, size: SAID }], size.width);
  const height = size.height - HEAD - saidHigh - (said.length > 0 ? WARNED : 0) - (isWide ? highAt(over) : 0);
  return [
    head(row.room === '' ? row.name : `${row.name}, ${row.room}`, first),
    paragraph(words, { fontSize: SAID }),
    ...said,
    ...(isWide ? [drawn(picture, over)] : []),
    ...workOrder(
      steps,
      isWide ? [{ content: [cables], height: cablesHigh }] : [above(MOST_HIGH), above(LEAST_HIGH)],
      { column, height },
    ),
  ];
};

export const boxPages = (material: Material, first: boolean): Content[] =>
  material.boxes.flatMap((id, i) => page(material, id, first && i === 0));
