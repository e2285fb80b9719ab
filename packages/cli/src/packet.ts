import { createRequire } from 'node:module';
import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { parseJobFile, reviewJob } from '@amber/core';
import {
  ALL_SECTIONS,
  EVERY_SECTION,
  packetDocument,
  PAPERS,
  writePdf,
  type Faces,
  type Paper,
  type Section,
} from '@amber/packet';

export const PACKET_USAGE = `amber packet [FILE] --out FILE.pdf [--circuit ID] [--sections ${EVERY_SECTION.join(',')}] [--paper ${Object.keys(PAPERS).join(' | ')}] [--made YYYY-MM-DD]
Writes the packet of a job as PDF: of one circuit, of some sections, as of a day, where these are named.`;

export interface PacketSurroundings {
  /** Text of a file, or of standard input for undefined. Throws where it cannot be read. */
  read: (file: string | undefined) => string;
  /** Throws where it cannot be written. */
  write: (file: string, bytes: Uint8Array) => void;
  out: (text: string) => void;
  error: (text: string) => void;
}

const faces = (): Faces => {
  const { resolve } = createRequire(import.meta.url);
  const face = (name: string) => new Uint8Array(readFileSync(resolve(`dejavu-fonts-ttf/ttf/${name}.ttf`)));
  return { regular: face('DejaVuSansCondensed'), bold: face('DejaVuSansCondensed-Bold') };
};

/** What is asked for, or what is wrong with how it was. */
const asked = (args: readonly string[]) => {
  let found;
  try {
    found = parseArgs({
      args: [...args],
      allowPositionals: true,
      options: {
        out: { type: 'string' },
        circuit: { type: 'string' },
        sections: { type: 'string' },
        paper: { type: 'string', default: 'letter' },
        made: { type: 'string' },
      },
    });
  } catch {
    return PACKET_USAGE;
  }
  const { values, positionals } = found;
  const [file, ...rest] = positionals;
  const sections = values.sections?.split(',') ?? ALL_SECTIONS;
  const wrong = sections.find((one) => !EVERY_SECTION.includes(one as Section));
  const made = values.made === undefined ? new Date() : new Date(values.made);
  if (values.out === undefined || rest.length > 0) return PACKET_USAGE;
  if (wrong !== undefined) return `There is no section "${wrong}"; there are ${EVERY_SECTION.join(', ')}.`;
  if (!Object.hasOwn(PAPERS, values.paper))
    return `There is no paper "${values.paper}"; there are ${Object.keys(PAPERS).join(' and ')}.`;
  if (Number.isNaN(made.getTime())) return `"${String(values.made)}" is no day; write it as 2026-01-31.`;
  return {
    file,
    made,
    out: values.out,
    circuit: values.circuit,
    sections: sections as Section[],
    paper: values.paper as Paper,
  };
};

/** Writes the packet of a job file; gives the exit code. */
export const runPacket = async (
  args: readonly string[],
  { read, write, out, error }: PacketSurroundings,
): Promise<0 | 2> => {
  const refuse = (...lines: string[]): 2 => {
    for (const line of lines) error(line);
    return 2;
  };
  const wanted = asked(args);
  if (typeof wanted === 'string') return refuse(wanted);
  let text: string;
  try {
    text = read(wanted.file);
  } catch (problem) {
    return refuse(`${wanted.file ?? 'Standard input'} cannot be read: ${(problem as Error).message}`);
  }
  const job = parseJobFile(text);
  if (!job.ok)
    return refuse(...job.faults.map(({ path, message }) => (path ? `${path}: ${message}` : message)));
  const review = reviewJob(job.job);
  const { circuits } = review.job;
  const circuit = circuits.find(({ id, name }) => id === wanted.circuit || name === wanted.circuit);
  if (wanted.circuit !== undefined && !circuit)
    return refuse(
      `The job has no circuit "${wanted.circuit}"; it has ${circuits.map(({ name }) => `"${name}"`).join(', ') || 'none'}.`,
    );
  const { sections, paper, made } = wanted;
  const document = packetDocument({
    review,
    records: [],
    sections,
    paper,
    made,
    state: 'from a file',
    circuit: circuit?.id ?? null,
  });
  const pdf = await writePdf(document, faces());
  try {
    write(wanted.out, pdf);
  } catch (problem) {
    return refuse(`${wanted.out} cannot be written: ${(problem as Error).message}`);
  }
  out(`${wanted.out}: ${pdf.length.toLocaleString('en-US')} bytes.`);
  return 0;
};
