import {
  editionName,
  smallestBox,
  smallestForWorksheet,
  standardStock,
  findCircuit,
  findDevice,
  findGroup,
  findLuminaire,
  findSlot,
  devicesOfGroup,
  everyPosition,
  UNKNOWN_FILL,
  fillOf,
  sayFill,
  sayFillLine,
  spiceNetlist,
  truthTable,
  worksheetFill,
  type BoxFill,
  type ReviewedWiring,
  type TruthRow,
  type SmallestBox,
  type Worksheet,
  ofId,
} from '@amber/core';
import { placeName, plainVolume, type Command, type Report } from './report.js';
import { change } from './change.js';
import { diagnose } from './diagnose.js';
import { identify } from './identify.js';
import { compare, inspect } from './inspect.js';
import { plan } from './plan.js';
import { takeOff } from './takeOff.js';
import { testSheet } from './testSheet.js';

const sayShorts = (subject: ReviewedWiring, shorts: TruthRow['shorts']): string[] => {
  const circuit = (id: string) => findCircuit(subject.job, id)?.name ?? id;
  return shorts.map((short) =>
    short.to === 'otherHot'
      ? `hots of ${circuit(short.circuit)} and ${circuit(short.other)} joined`
      : `${circuit(short.circuit)} trips: hot on ${short.to}`,
  );
};

/** The truth table of each group: every set of handle positions, one handle moved at a time, and what it gives. */
const simulate: Command = (subject, { group: only }) => {
  const { job, wiring, compiled, proofs } = subject;
  const tables = (only ? [only] : job.groups).map((group) => truthTable(job, wiring, compiled, group));
  const boxOf = (id: string) => placeName(subject, findDevice(wiring, id)?.box ?? id);
  const handle = (id: string, position: number) => {
    const article = findDevice(wiring, id)?.article;
    const device = job.stock.find((one) => one.id === article);
    return ((device?.kind === 'device' && device.positions[position]?.name) || String(position)).padEnd(4);
  };
  const slotBox = (id: string) => placeName(subject, findSlot(job, id)?.box ?? id);
  const nameOf = (id: string) => findLuminaire(job, id)?.name ?? id;
  return {
    lines: tables.flatMap(({ group, switches, luminaires, receptacles, rows, of }) => [
      `${findGroup(job, group)?.name ?? group}: ${switches.map(boxOf).join(', ') || 'no switch'}`,
      ...(of > rows.length ? [`  ${rows.length} of ${of} sets of positions, a sample`] : []),
      ...rows.map((row) => {
        const loads = [
          ...luminaires.map((id, i) => `${nameOf(id)} ${row.lights[i]}`),
          ...receptacles.map(
            (id, i) => `receptacle ${slotBox(id)} ${row.receptaclesLive[i] ? 'live' : 'dead'}`,
          ),
          ...sayShorts(subject, row.shorts),
        ];
        return `  ${switches.map((id, i) => handle(id, row.positions[i] ?? 0)).join(' ')}  ${loads.join(', ')}`;
      }),
    ]),
    data: tables,
    violates: proofs.some((proof) => proof.working !== proof.positions) || proofs.length < job.groups.length,
  };
};

const fillLines = (name: string, fill: BoxFill): string[] => [
  `${name}: ${sayFill(fill)}${fill.verdict === 'over' ? ', TOO FULL' : ''}`,
  ...fill.unknown.map((one) => `  Not told: ${UNKNOWN_FILL[one]}`),
  ...fill.lines.map(
    (line) =>
      `  ${sayFillLine(line)}: ${line.count} x ${plainVolume(line.each)} = ${plainVolume(line.total)}  ${line.section}`,
  ),
];

/** Undefined where it was not asked for. */
const saySmallest = (smallest: SmallestBox | null | undefined): string[] => {
  if (smallest === undefined) return [];
  return [
    smallest === null
      ? '  Smallest of the stock: none suits and holds it, or the box is no new one.'
      : `  Smallest of the stock that suits and holds it: ${smallest.name}, ${plainVolume(smallest.left)} in³ left.`,
  ];
};

/** The box-fill worksheet of every box that is set or opened. */
const fill: Command = ({ job, wiring }, { smallest }) => {
  const boxes = job.boxes
    .filter((box) => box.work !== 'beyond')
    .map((box) => ({
      ...{ id: box.id, name: box.name, ...fillOf(job, wiring, box.id) },
      ...(smallest ? { smallest: smallestBox(job, wiring, box.id) } : {}),
    }));
  return {
    lines: boxes.flatMap((box) => [...fillLines(box.name, box), ...saySmallest(box.smallest)]),
    data: boxes,
    violates: boxes.some((box) => box.verdict === 'over'),
  };
};

/** The fill of a worksheet that stands alone. */
export const fillWorksheet = (worksheet: Worksheet): Report => {
  const filled = worksheetFill(worksheet);
  const { nonmetallic, steel } = smallestForWorksheet(worksheet, standardStock());
  const said = (offer: typeof steel) =>
    offer === null ? 'none of the stock' : offer.articles.map(({ name }) => name).join(' with ');
  return {
    lines: [
      ...fillLines(`${worksheet.name} (${editionName(worksheet.edition)})`, filled),
      `  The smallest that holds it: of plastic ${said(nonmetallic)}; of steel ${said(steel)}.`,
    ],
    data: [{ id: null, name: worksheet.name, ...filled }],
    violates: filled.verdict === 'over',
  };
};

/** More netlists than this are asked for group by group. */
const MOST_NETLISTS = 4096;

/**
 * A netlist for a general circuit simulator, for every set of handle positions of the whole job, or of one group with
 * the other handles up.
 */
const netlist: Command = ({ job, wiring, compiled }, { group: only }) => {
  const devices = only ? devicesOfGroup(job, wiring, only.id) : wiring.devices.map((device) => device.id);
  const moving = compiled.devices.filter((one) => devices.includes(one.id) && one.positions.length > 1);
  const count = moving.reduce((product, one) => product * one.positions.length, 1);
  if (count > MOST_NETLISTS)
    return {
      refused: [
        `${moving.length} handles have ${count.toLocaleString('en')} sets of positions, more than ${MOST_NETLISTS}; name one control group with --group.`,
      ],
    };
  const netlists = everyPosition(compiled, devices).map((positions) => {
    const words = devices.map((id) => `${id} ${(ofId(positions, id) ?? 0) === 0 ? 'up' : 'down'}`).join(', ');
    return { positions, ...spiceNetlist(wiring, job, positions, `${job.name}: ${words}`) };
  });
  return { lines: netlists.map((one) => one.text), data: netlists, violates: false };
};

const validate: Command = ({ job }) => ({
  lines: [`${job.name}: a valid job file. Circuits: ${job.circuits.length}, boxes: ${job.boxes.length}.`],
  data: { valid: true, circuits: job.circuits.length, boxes: job.boxes.length },
  violates: false,
});

export const COMMANDS: Record<string, Command> = {
  validate,
  plan,
  change,
  simulate,
  fill,
  takeoff: takeOff,
  netlist,
  inspect,
  compare,
  testsheet: testSheet,
  diagnose,
  identify,
};
