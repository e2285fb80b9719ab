import { readJob, siteRecordSchema, type CircuitId, type Job, type SiteRecord } from '@amber/core';

/** Id of the element of the file that holds its circuit. */
export const HOLDER = 'pocket-circuit';

/** What a pocket circuit carries: the job as it was planned, the circuit that it is of, and what was on record by then. */
export interface Pocket {
  job: Job;
  circuit: CircuitId;
  records: SiteRecord[];
  /** When it was made, as people write it, and the state of the job then. */
  made: string;
  state: string;
}

/** The file: the page of every pocket circuit with this one put into it. Nothing in the job can end the element that holds it. */
export const pocketFile = (page: string, pocket: Pocket): string => {
  const empty = new RegExp(`(<script type="application/json" id="${HOLDER}">)\\s*null\\s*(</script>)`);
  if (!empty.test(page)) throw new Error('its page has no place for a circuit');
  const data = JSON.stringify(pocket).replaceAll('<', '\\u003c');
  return page.replace(empty, (_, open: string, close: string) => `${open}${data}${close}`);
};

/** The circuit that a file holds, or why it cannot be shown. */
export const readPocket = (text: string): Pocket | string => {
  let raw: Record<string, unknown> | null;
  try {
    raw = JSON.parse(text) as Record<string, unknown> | null;
  } catch {
    return 'This file is damaged. Make the pocket circuit again.';
  }
  if (raw === null) return 'This page holds no circuit. Make a pocket circuit on the Order screen.';
  const job = readJob(raw['job']);
  if (!job.ok) {
    const [fault] = job.faults;
    return `The job in this file cannot be read (${fault?.path ?? ''}: ${fault?.message ?? ''}). Make the pocket circuit again.`;
  }
  const circuit = job.job.circuits.find(({ id }) => id === raw?.['circuit']);
  if (!circuit) return 'The circuit of this file is not in its job. Make the pocket circuit again.';
  const records = siteRecordSchema.array().safeParse(raw['records']);
  // Without them steps that were done would stand open.
  if (!records.success)
    return 'What was ticked before cannot be read in this file. Make the pocket circuit again.';
  return {
    job: job.job,
    circuit: circuit.id,
    records: records.data,
    made: String(raw['made']),
    state: String(raw['state']),
  };
};
