import { parseArgs } from 'node:util';
import {
  JUDGED_EDITIONS,
  isWorksheet,
  parseJson,
  readJob,
  readWorksheet,
  reviewJob,
  reviewWiring,
  type FileFault,
  type JudgedEdition,
  type Walk,
} from '@amber/core';
import { COMMANDS, fillWorksheet } from './commands.js';
import type { Refused, Report } from './report.js';

const USAGE = `amber ${Object.keys(COMMANDS).join(' | ')} [FILE] [--json] [--wiring ID] [--group ID] [--circuit ID]
Reads a job file, or standard input where none is named; fill takes a box-fill worksheet too.
--json gives the data instead of the table. --wiring judges a wiring of the job as it stands, not the planned one.
--circuit makes plan search the ways to wire that circuit, by its id or name, instead of planning those chosen.
change plans a change of what is there: --kind with --at BOX, --circuit or --group, --run BOX=LENGTH for each measured run to what comes
new, --light-run to the light of a branch, --role, --name, --va.
--walk rough or final narrows inspect to what is seen before the wall is closed, or at the end; what stands against it comes first.
diagnose looks for what is wrong with a --circuit: --seen QUESTION=ANSWER for all that was seen, such as up,down=dark; --history new, old or
deviceChanged; --electrician where one is at work, who may be asked for a live reading.
identify tells which wires that nobody knows are which: --comes "BOX: black white bare; black white" for each box, --read ANSWER for each reading
in the order in which they are asked.
--smallest makes fill tell the smallest box of the stock for each place that is planned.
packet [FILE] --out FILE.pdf writes the packet of a job; packet alone tells how.
--group narrows simulate, netlist and testsheet to the switches of one control group, by its id or name; --circuit narrows testsheet too.
Ends with 0, with 1 where a rule is violated or a circuit cannot be planned, with 2 on bad input.`;

/** The walks of an inspector by the words that name them here. */
const WALKS: Record<string, Walk> = { rough: 'roughIn', final: 'final' };

export interface Surroundings {
  /** Text of a file, or of standard input for undefined. Throws where it cannot be read. */
  read: (file: string | undefined) => string;
  out: (text: string) => void;
  error: (text: string) => void;
}

const refusedBy = (faults: readonly FileFault[]): Refused => ({
  refused: faults.map(({ path, message }) => (path ? `${path}: ${message}` : message)),
});

const asked = (args: readonly string[]) => {
  try {
    const { values, positionals } = parseArgs({
      args: [...args],
      allowPositionals: true,
      options: {
        json: { type: 'boolean', default: false },
        wiring: { type: 'string' },
        group: { type: 'string' },
        circuit: { type: 'string' },
        edition: { type: 'string' },
        walk: { type: 'string' },
        smallest: { type: 'boolean', default: false },
        with: { type: 'string' },
        kind: { type: 'string' },
        at: { type: 'string' },
        role: { type: 'string' },
        name: { type: 'string' },
        va: { type: 'string' },
        run: { type: 'string', multiple: true, default: [] },
        seen: { type: 'string', multiple: true, default: [] },
        history: { type: 'string' },
        electrician: { type: 'boolean', default: false },
        comes: { type: 'string', multiple: true, default: [] },
        read: { type: 'string', multiple: true, default: [] },
        'light-run': { type: 'string', multiple: true, default: [] },
      },
    });
    const [command, file, ...more] = positionals;
    if (command === undefined || !Object.hasOwn(COMMANDS, command) || more.length > 0) return null;
    const { kind, at, role, va, run: runs, 'light-run': lightRun, name: called, ...rest } = values;
    const { seen, history, electrician, comes, read, ...others } = rest;
    return {
      command,
      file,
      ...others,
      diagnosis: { seen, history, electrician },
      identification: { comes, read },
      change: { kind, at, role, va, name: called, run: runs, lightRun },
    };
  } catch {
    // An option that there is not: the usage tells those that there are.
    return null;
  }
};

const reportOn = (
  {
    command: name,
    change,
    diagnosis,
    identification,
    wiring,
    group: groupName,
    circuit: circuitName,
    edition,
    with: other,
    walk: walkName,
    smallest,
  }: NonNullable<ReturnType<typeof asked>>,
  text: string,
): Report | Refused => {
  const document = parseJson(text);
  if (!document.ok) return refusedBy(document.faults);
  if (name === 'fill' && isWorksheet(document.value)) {
    const worksheet = readWorksheet(document.value);
    return worksheet.ok ? fillWorksheet(worksheet.value) : refusedBy(worksheet.faults);
  }
  const read = readJob(document.value);
  if (!read.ok) return refusedBy(read.faults);
  const subject = wiring === undefined ? reviewJob(read.job) : reviewWiring(read.job, wiring);
  if (!subject) {
    const there = read.job.wirings.map((one) => `"${one.id}" (${one.kind})`).join(', ');
    return { refused: [`The job has no wiring "${wiring}"; it has ${there || 'none'}.`] };
  }
  const { groups } = subject.job;
  const group = groups.find((one) => one.id === groupName || one.name === groupName);
  if (groupName !== undefined && !group) {
    const there = groups.map((one) => `"${one.name}"`).join(', ');
    return { refused: [`The job has no control group "${groupName}"; it has ${there || 'none'}.`] };
  }
  const { circuits } = subject.job;
  const circuit = circuits.find((one) => one.id === circuitName || one.name === circuitName);
  if (circuitName !== undefined && !circuit) {
    const there = circuits.map((one) => `"${one.name}"`).join(', ');
    return { refused: [`The job has no circuit "${circuitName}"; it has ${there || 'none'}.`] };
  }
  const editions: (JudgedEdition | undefined)[] = [];
  for (const year of [edition, other]) {
    const known = JUDGED_EDITIONS.find((one) => String(one) === year);
    if (year !== undefined && known === undefined)
      return { refused: [`There is no edition "${year}"; there are ${JUDGED_EDITIONS.join(', ')}.`] };
    editions.push(known);
  }
  if (walkName !== undefined && !Object.hasOwn(WALKS, walkName))
    return { refused: [`There is no walk "${walkName}"; there are ${Object.keys(WALKS).join(' and ')}.`] };
  const walk = walkName === undefined ? undefined : WALKS[walkName];
  const options = {
    group,
    circuit,
    edition: editions[0],
    other: editions[1],
    walk,
    smallest,
    change,
    diagnosis,
    identification,
  };
  return COMMANDS[name]?.(subject, options) ?? { refused: [USAGE] };
};

/** Runs one command and gives its exit code. */
export const run = (args: readonly string[], { read, out, error }: Surroundings): 0 | 1 | 2 => {
  const wanted = asked(args);
  if (!wanted) {
    error(USAGE);
    return 2;
  }
  let text: string;
  try {
    text = read(wanted.file);
  } catch (problem) {
    error(`${wanted.file ?? 'Standard input'} cannot be read: ${(problem as Error).message}`);
    return 2;
  }
  const report = reportOn(wanted, text);
  if ('refused' in report) {
    for (const line of report.refused) error(line);
    return 2;
  }
  out(wanted.json ? JSON.stringify(report.data, null, 2) : report.lines.join('\n'));
  return report.violates ? 1 : 0;
};
