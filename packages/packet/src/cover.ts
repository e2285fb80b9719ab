import {
  dollars,
  eraWord,
  feetInches,
  findBox,
  groupsOfCircuit,
  listed,
  openQuestions,
  sayRough,
  unseenBoxes,
  type Finding,
} from '@amber/core';
import type { Content } from 'pdfmake/interfaces.js';
import type { Material } from './asked.js';
import { paragraph, subhead, table } from './parts.js';

export const SAFETY =
  'Work dead: breaker off, locked or tagged, and proved dead with a two-pole tester that was itself proved before and after: hot to neutral, hot to ground, neutral to ground. The supply terminals of the panel stay live with the main off. A switched-off light does not make its box dead: a traveler or a feed in it may be live. This packet plans and checks; it licenses nobody and passes nothing. Local amendments and the authority come first. Permits and inspection as required. If you are not qualified, hire who is.';

/** What controls what, circuit by circuit. */
const askedFor = ({ job, circuits }: Material): Content =>
  table(
    ['Circuit', 'Breaker', 'Group', 'Switches at', 'Luminaires and outlets'],
    circuits.flatMap((circuit) =>
      groupsOfCircuit(job, circuit.id).map((group, i) => [
        i === 0 ? circuit.name : '',
        i === 0 ? `${circuit.breaker} A, ${circuit.awg} AWG` : '',
        group.name,
        group.control === 'hot'
          ? 'always hot'
          : listed(
              job.slots
                .filter((slot) => slot.group === group.id && !slot.leaves)
                .map(({ box }) => findBox(job, box)?.name ?? box),
            ),
        listed(job.luminaires.filter((one) => one.group === group.id).map(({ name }) => name)),
      ]),
    ),
    [90, 70, 90, '*', '*'],
  );

/** Everything that the plan takes for granted and nobody has measured or seen. */
const assumptions = ({ job, order, cuts, boxes, review }: Material): string[] => {
  const estimated = cuts.filter(({ lengthSource }) => lengthSource === 'estimated').length;
  const missing = [
    ...order.unpriced,
    ...(order.unmeasured.length > 0 ? [`${order.unmeasured.length} runs that have no length`] : []),
  ];
  const unseen = unseenBoxes(job, review.wiring).filter((box) => boxes.includes(box)).length;
  return [
    `Judged by ${eraWord(job.edition)}${job.amendments.length === 0 ? ', no local amendment told' : `, with ${job.amendments.length} local amendments`}.`,
    `Free conductor in each box ${feetInches(job.preferences.freeConductor)}, at the panel ${feetInches(job.routing.atPanel)}; ${job.routing.allowance} % is added to what is estimated.`,
    `${estimated} of ${cuts.length} runs are estimated from the plan${order.guessed.length > 0 ? `, ${order.guessed.length} are a guess: measure before you cut` : ''}${order.unmeasured.length > 0 ? `; ${order.unmeasured.length} have no length` : ''}.`,
    ...(order.rough.length > 0 ? [`${sayRough(job, order.rough)} Measure before you cut.`] : []),
    ...(unseen > 0
      ? [
          `${unseen} old ${unseen === 1 ? 'box was' : 'boxes were'} not looked into: what is drawn there is what is usual, and may not be so.`,
        ]
      : []),
    `Material ${order.guessed.length + order.rough.length > 0 ? 'about ' : ''}${dollars(order.total)} at the prices of the job${missing.length > 0 ? `, without ${listed(missing)}` : ''}; labour by its units. Both are estimates.`,
  ];
};

const WORST: Finding['severity'][] = ['unfinished', 'violation', 'caution'];
const SEVERITY: Partial<Record<Finding['severity'], string>> = {
  unfinished: 'Cannot be planned',
  violation: 'Violation',
  caution: 'Caution',
};

/** What stands open: what is found, what is asked; what is to be seen on site is a section of its own. */
const open = ({ findings }: Material): Content[] => {
  const found = WORST.flatMap((severity) => findings.filter((one) => one.severity === severity));
  const questions = openQuestions(findings);
  return [
    subhead('Cautions and open matters'),
    ...(found.length === 0 && questions.length === 0
      ? [
          paragraph(
            'Nothing that the program knows of, beside what is to be seen on site. That approves nothing.',
          ),
        ]
      : []),
    ...(found.length === 0
      ? []
      : [
          table(
            ['', 'Section', 'What', 'What to do'],
            found.map((one) => [SEVERITY[one.severity] ?? '', one.section, one.title, one.remedy]),
            [60, 70, '*', '*'],
          ),
        ]),
    ...(questions.length === 0
      ? []
      : [
          paragraph(
            `Not told yet: ${questions.length} ${questions.length === 1 ? 'question' : 'questions'}, asked on the Check screen. What hangs on them is not settled.`,
          ),
        ]),
  ];
};

/** What is asked, what it rests on, what is open; safety first. */
export const cover = (material: Material): Content[] => {
  const { job, state, made, circuit, circuits } = material;
  return [
    { text: job.name, fontSize: 24, bold: true },
    paragraph(
      `${circuit === null ? 'Lighting circuits' : `${circuits[0]?.name ?? ''} alone`}, ${state}, ${made.toISOString().slice(0, 10)}`,
    ),
    {
      table: { widths: ['*'], body: [[{ text: SAFETY, bold: true, fontSize: 9.5, margin: [6, 5, 6, 5] }]] },
      margin: [0, 6, 0, 8],
    },
    subhead('What is asked'),
    askedFor(material),
    subhead('What it rests on'),
    { ul: assumptions(material), margin: [0, 0, 0, 4] },
    ...open(material),
  ];
};
