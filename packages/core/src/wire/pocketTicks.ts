import * as z from 'zod';
import { fault, parseJson, readDocument, WHOLE_FILE, type FileFault } from '../formats/documents.js';
import { circuitIdSchema, jobIdSchema } from '../model/ids.js';
import { siteRecordSchema, type SiteRecord } from './record.js';

/** What a pocket circuit gives back: what was ticked, and taken back, while it was away from the program. */
export const pocketTicksSchema = z.strictObject({
  pocketTicks: z.literal(1),
  job: jobIdSchema,
  circuit: circuitIdSchema,
  records: z.array(siteRecordSchema).max(20_000),
});
export type PocketTicks = z.infer<typeof pocketTicksSchema>;

/** The text of such a file. */
export const writePocketTicks = (ticks: PocketTicks): string => `${JSON.stringify(ticks, null, 2)}\n`;

/** Reads it for a job; what is not a tick, or is of another job, is refused with where it stands. Nothing is taken of a file with faults. */
export const readPocketTicks = (
  text: string,
  job: string,
): { ok: true; records: SiteRecord[] } | { ok: false; faults: FileFault[] } => {
  const json = parseJson(text);
  if (!json.ok) return json;
  const { value } = json;
  if (typeof value !== 'object' || value === null || !('pocketTicks' in value))
    return fault(
      WHOLE_FILE,
      'These are not the ticks of a pocket circuit. Save them there, and choose that file.',
    );
  const read = readDocument(pocketTicksSchema, value);
  if (!read.ok) return read;
  if (read.value.job !== job)
    return fault('job', 'These ticks are of another job. Open that job and bring them in there.');
  const other = read.value.records.findIndex(({ kind }) => kind !== 'tick' && kind !== 'retraction');
  if (other >= 0)
    return fault(`records.${other}.kind`, 'A pocket circuit makes ticks and takes them back, nothing else.');
  return { ok: true, records: read.value.records };
};
