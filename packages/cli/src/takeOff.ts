import { dollars, estimate, feetInches, type Cut, type Estimate, type ReviewedWiring } from '@amber/core';
import { placeName, type Command } from './report.js';
import { table } from './table.js';

const number = (value: number) => String(Math.round(value * 100) / 100);

const sayMaterials = ({ takeOff }: Estimate): string[] => [
  'Material (prices and estimated lengths are the assumptions of the job)',
  ...table(
    takeOff.lines.map((line) => [
      `  ${line.name}`,
      number(line.quantity),
      line.unit === 'foot' ? 'ft' : '',
      line.article ? dollars(line.price) : 'not in the stock',
      line.article ? dollars(line.total) : '',
    ]),
  ),
  `  Material ${dollars(takeOff.total)}`,
];

const sayConductors = (cut: Cut): string =>
  cut.conductors
    .map(({ colour, role, groups, marked }) => {
      const words = role === 'switchLeg' ? 'switch leg' : role;
      return `${colour}${marked ? ' (marked)' : ''} ${words}${groups.length > 0 ? ` ${groups.join(' + ')}` : ''}`;
    })
    .join(', ');

/** What is said of a length that nobody knows well. */
const UNSURE: Partial<Record<Cut['restsOn'], string>> = {
  guessed: ' a guess: measure before you cut',
  rough: ' by a room that nobody has measured: measure before you cut',
};

const sayCut = (subject: ReviewedWiring, cut: Cut): string[] => {
  const length = cut.length
    ? `${feetInches(cut.length.cut)} (${cut.lengthSource}: run ${feetInches(cut.length.run)}, allowance ${feetInches(cut.length.allowance)}, in the boxes ${feetInches(cut.length.ends + cut.length.loops)})${UNSURE[cut.restsOn] ?? ''}`
    : 'no length: measure it';
  return [
    `  ${placeName(subject, cut.from)} - ${placeName(subject, cut.to)}  ${cut.name}  ${length}`,
    `    tag at ${placeName(subject, cut.from)}: ${cut.tags.from}`,
    `    tag at ${placeName(subject, cut.to)}: ${cut.tags.to}`,
    `    ${sayConductors(cut)}`,
  ];
};

const sayCoils = ({ coils, tooLong }: Estimate): string[] => [
  ...coils.flatMap((plan) =>
    plan.coils.map(
      (coil) =>
        `  ${plan.name}: ${coil.cuts.length} cut${coil.cuts.length === 1 ? '' : 's'}, ${feetInches(coil.used)} of ${plan.coilFeet} ft, ` +
        `${coil.buy === 'coil' ? `buy the coil, ${feetInches(coil.left)} left` : 'buy by the foot'}, ${dollars(coil.price)}`,
    ),
  ),
  ...tooLong.map((one) => `  ${one.cable}: ${feetInches(one.cut)} is longer than a coil`),
];

const sayLabour = ({ labour, cost }: Estimate): string[] => [
  'Labour (estimated)',
  ...table(
    labour.lines.map((line) => [
      `  ${line.work}`,
      number(line.quantity),
      'x',
      number(line.each),
      '=',
      number(line.minutes),
      'min',
    ]),
  ),
  `  ${number(labour.minutes)} min, ${dollars(labour.total)}`,
  `Cost ${dollars(cost)}`,
];

/** What to buy, the cut list with both tags, the coils, the minutes and the cost. */
export const takeOff: Command = (subject) => {
  const all = estimate(subject.job, subject.wiring, subject.compiled);
  return {
    lines: [
      ...sayMaterials(all),
      'Cut list',
      ...all.cuts.flatMap((cut) => sayCut(subject, cut)),
      'Coils',
      ...sayCoils(all),
      ...sayLabour(all),
      ...all.takeOff.unmeasured.map((id) => `Not counted, for want of a length: ${id}`),
    ],
    data: all,
    violates: subject.findings.some((one) => one.severity === 'unfinished'),
  };
};
