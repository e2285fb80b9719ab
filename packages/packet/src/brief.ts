import {
  boxRow,
  existingDocument,
  feetInches,
  ofId,
  findBox,
  makeUpSteps,
  placeTag,
  sayMore,
  type BoxId,
  type Finding,
  type Phase,
} from '@amber/core';
import type { Content } from 'pdfmake/interfaces.js';
import type { Material } from './asked.js';
import { warned } from './boxes.js';
import { SAFETY } from './cover.js';
import { drawn, paragraph, subhead, table, tick } from './parts.js';
import { strip } from './strips.js';

/** What is told of a box on a short packet: what goes where, and nothing of how it is roughed in. */
const TOLD: readonly Phase[] = [
  'proof',
  'out',
  'grounds',
  'neutrals',
  'hots',
  'devices',
  'luminaire',
  'prove',
];

const ofBox = ({ job, review }: Material, id: BoxId): Content => {
  const { steps } = makeUpSteps(job, review.wiring, review.drawn, id);
  const chosen = steps.filter(({ phase }) => TOLD.includes(phase));
  // A box in which nothing is to be done says so.
  const told = chosen.length > 0 ? chosen : steps;
  return {
    stack: [
      { text: findBox(job, id)?.name ?? id, bold: true, fontSize: 9, margin: [0, 3, 0, 1] },
      ...warned(ofId(existingDocument(job)?.certainty, id), false),
      {
        ul: told.map(({ text, caution }) => (caution === null ? text : `${text} CAUTION: ${caution}`)),
        fontSize: 7.5,
        lineHeight: 1.02,
      },
    ],
  };
};

/** Two columns of about one length, each piece in the one that is shorter so far. */
const halves = (pieces: readonly Content[]): [Content[], Content[]] => {
  const columns: [Content[], Content[]] = [[], []];
  const long = [0, 0];
  for (const piece of pieces) {
    const at = (long[0] ?? 0) <= (long[1] ?? 0) ? 0 : 1;
    columns[at].push(piece);
    long[at] = (long[at] ?? 0) + JSON.stringify(piece).length;
  }
  return columns;
};

const GRAVE: Partial<Record<Finding['severity'], string>> = {
  unfinished: 'CANNOT BE PLANNED',
  violation: 'VIOLATION',
  caution: 'Caution',
};

/** What stands open of it, by name; what is only asked or to be seen is on the Check screen and in the whole packet. */
const open = ({ findings }: Material): Content[] => {
  const graves = findings.filter(({ severity }) => GRAVE[severity] !== undefined);
  return graves.length === 0
    ? [
        paragraph(
          'Nothing graver than what is to be answered or seen on site is known to the program. That approves nothing.',
          { fontSize: 8.5 },
        ),
      ]
    : [
        subhead('Open'),
        {
          ul: graves.map(({ severity, title, section }) => `${GRAVE[severity] ?? ''}: ${title} (${section})`),
          fontSize: 8.5,
        },
      ];
};

/** A circuit on two pages, where it is an everyday one: its run, its cables and boxes; then what goes where, box by box. */
export const brief = (material: Material): Content[] => {
  const { job, review, circuits, cuts, numbers, boxes, state, made } = material;
  return [
    { text: circuits.map(({ name }) => name).join(', '), fontSize: 18, bold: true },
    paragraph(`${job.name}, ${state}, ${made.toISOString().slice(0, 10)}`, { fontSize: 8.5 }),
    {
      table: { widths: ['*'], body: [[{ text: SAFETY, bold: true, fontSize: 8, margin: [4, 3, 4, 3] }]] },
      margin: [0, 2, 0, 4],
    },
    ...circuits.map((circuit): Content => drawn(strip(review, circuit, {}), { width: 530, height: 150 })),
    paragraph(
      'A scheme of the run with every handle in its first position. Thick: live. Broken: nobody knows.',
      {
        fontSize: 7.5,
      },
    ),
    subhead(cuts.length > 0 ? 'Cables' : 'No new cable'),
    ...(cuts.length === 0
      ? []
      : [
          table(
            ['No.', 'Cable', 'From', 'To', 'Cut to', 'Cut', 'Pulled'],
            cuts.map((cut) => [
              ...[numbers.get(cut.cable) ?? 0, cut.name, placeTag(job, cut.from), placeTag(job, cut.to)],
              cut.length
                ? `${feetInches(cut.length.cut)}${cut.restsOn === 'guessed' ? ', GUESS' : cut.restsOn === 'rough' ? ', ROUGH' : ''}`
                : 'NO LENGTH',
              ...[tick(), tick()],
            ]),
            [24, 60, '*', '*', 70, 26, 34],
          ),
        ]),
    subhead('Boxes'),
    table(
      ['Box', 'Height', 'Article', 'Fill'],
      boxes.flatMap((id) => {
        const row = boxRow(job, review.wiring, id);
        const box = findBox(job, id);
        return row
          ? [
              [
                row.name,
                box?.at ? feetInches(box.at.z) : '–',
                row.made.join(' with ') || 'not told which',
                row.fill.unknown.length > 0 && row.fill.verdict !== 'over' ? 'not known' : sayMore(row),
              ],
            ]
          : [];
      }),
      ['*', 50, '*', 130],
    ),
    ...open(material),
    { text: 'What goes where', fontSize: 14, bold: true, pageBreak: 'before' },
    {
      columns: halves(boxes.map((id) => ofBox(material, id))).map((stack) => ({ width: '*', stack })),
      columnGap: 14,
    },
  ];
};
