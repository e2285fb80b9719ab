import { parseJobFile } from '@amber/core';
import { COMMANDS } from './commands.js';

const USAGE = `amber ${Object.keys(COMMANDS).join(' | ')} [FILE] [--json]
Reads a job file, or standard input where none is named.
Ends with 0, with 1 where a rule is violated or a circuit cannot be planned, with 2 on bad input.`;

export interface Surroundings {
  /** Text of a file, or of standard input for undefined. Throws where it cannot be read. */
  read: (file: string | undefined) => string;
  out: (text: string) => void;
  error: (text: string) => void;
}

/** Runs one command and gives its exit code. */
export const run = (args: readonly string[], { read, out, error }: Surroundings): 0 | 1 | 2 => {
  const [name, file, ...rest] = args.filter((arg) => arg !== '--json');
  const command = name === undefined ? undefined : COMMANDS[name];
  if (!command || rest.length > 0) {
    error(USAGE);
    return 2;
  }
  let text: string;
  try {
    text = read(file);
  } catch (problem) {
    error(`${file ?? 'Standard input'} cannot be read: ${(problem as Error).message}`);
    return 2;
  }
  const parsed = parseJobFile(text);
  if (!parsed.ok) {
    for (const { path, message } of parsed.faults) error(path ? `${path}: ${message}` : message);
    return 2;
  }
  const report = command(parsed.job);
  out(args.includes('--json') ? JSON.stringify(report.data, null, 2) : report.lines.join('\n'));
  return report.violates ? 1 : 0;
};
