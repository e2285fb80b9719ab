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
  PHASE_WORDS,
  placeOfEnd,
  placeTag,
  sayFillLine,
  sayMore,
  UNKNOWN_FILL,
  type BoxId,
  type BoxRow,
  type Step,
} from '@amber/core';
import type { Content } from 'pdfmake/interfaces.js';
import type { Material } from './asked.js';
import { boxPicture } from './boxPicture.js';
import { drawn, head, paragraph, subhead, table, ticked } from './parts.js';

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
    [30, 90, '*', 90],
  );

const stepLine = ({ text, caution, section }: Step): Content =>
  ticked(
    text,
    [caution === null ? '' : `CAUTION: ${caution}`, section ?? ''].filter((one) => one !== '').join(' · '),
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

/** One box on a page of its own: picture, cables with their numbers, fill, and its steps by phase with squares to tick. */
const page = (material: Material, id: BoxId, first: boolean): Content[] => {
  const { job, review } = material;
  const row = boxRow(job, review.wiring, id);
  if (!row) return [];
  const { steps } = makeUpSteps(job, review.wiring, review.drawn, id);
  const sure = ofId(existingDocument(job)?.certainty, id);
  const picture = boxPicture(review, id);
  const phases = [...new Set(steps.map(({ phase }) => phase))];
  return [
    head(row.room === '' ? row.name : `${row.name}, ${row.room}`, first),
    paragraph(
      `${row.made.join(' with ') || 'Which box it is, nobody has told'}. ${row.fill.lines.map(sayFillLine).join(', ')}: ${volume(row.fill.needed)} of ${volume(row.fill.available)}, ${fillSaid(row)}.`,
      { fontSize: 8.5 },
    ),
    ...warned(sure, picture.unknown),
    drawn(picture, { width: 500, height: 300 }),
    cablesAt(material, id),
    ...phases.flatMap((phase): Content[] => {
      const [one, ...others] = steps.filter((step) => step.phase === phase).map(stepLine);
      // A head never stands alone at the foot of a page.
      return one ? [{ unbreakable: true, stack: [subhead(PHASE_WORDS[phase]), one] }, ...others] : [];
    }),
  ];
};

export const boxPages = (material: Material, first: boolean): Content[] =>
  material.boxes.flatMap((id, i) => page(material, id, first && i === 0));
