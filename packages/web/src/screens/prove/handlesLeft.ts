import {
  liveRecords,
  observationSchema,
  type DeviceId,
  type Positions,
  type Sheet,
  type SiteRecord,
} from '@amber/core';

/** An answer that tells where handles stand: whoever gave it left them so. */
export interface Left {
  record: SiteRecord;
  positions: Positions;
}

/** Where handles stood at what was seen while a fault was looked for; null where none had to be set. */
const ofObservation = ({ body }: SiteRecord): Positions | null => {
  const read = observationSchema.safeParse(body['seen']);
  if (!read.success || read.data.answer.kind === 'cannot') return null;
  return 'positions' in read.data.question ? read.data.question.positions : null;
};

/**
 * The answers on record that tell where handles stand, in the order in which they were given, on the test sheet and while a fault was looked for, on
 * whatever device. Handles are what they are, whichever wiring was spoken of.
 */
export const handlesLeft = (records: readonly SiteRecord[], { groups }: Sheet): Left[] => {
  const rows = new Map(groups.flatMap((group) => group.rows).map((row) => [row.id, row.positions]));
  return liveRecords(records).flatMap((record): Left[] => {
    const positions =
      record.kind === 'testStep'
        ? (rows.get(record.about.id) ?? null)
        : record.kind === 'observed'
          ? ofObservation(record)
          : null;
    return positions ? [{ record, positions }] : [];
  });
};

/** The last answer that tells of any of some handles; null where none does. */
export const lastLeft = (left: readonly Left[], handles: readonly DeviceId[]): SiteRecord | null =>
  left.filter(({ positions }) => handles.some((id) => id in positions)).at(-1)?.record ?? null;
