import { createHash } from 'node:crypto';
import type { DataSource } from 'typeorm';
import {
  JobEntity,
  PictureEntity,
  PractisedEntity,
  RecordEntity,
  RevisionEntity,
} from '../store/entities.js';
import { readPacked } from '../store/packed.js';
import { pictureOf, picturesOf } from '../store/pictures.js';
import { practisedOf } from '../store/practised.js';
import { recordOf } from '../store/records.js';

/** Something that is kept and is not as it should be, by name. */
export interface Damage {
  /** head: the current state of a job. revision: an older one. practised: an exercise that was answered. */
  what: 'head' | 'revision' | 'record' | 'picture' | 'practised';
  /** Which one, in words. */
  which: string;
  why: string;
}

/** Is every revision readable, and does all that refers to something lead there? What is damaged is named; the rest is not touched. */
export const checkStore = async (source: DataSource): Promise<Damage[]> => {
  const damage: Damage[] = [];
  const jobs = await source
    .getRepository(JobEntity)
    .find({ select: { id: true, name: true, revision: true } });
  const heads = new Map(jobs.map((one) => [one.id, one]));
  const pictures = new Set<string>();
  const hashes = await source.getRepository(PictureEntity).find({ select: { hash: true } });
  for (const { hash } of hashes) {
    const row = await source.getRepository(PictureEntity).findOneBy({ hash });
    const isWhole = row !== null && createHash('sha256').update(row.bytes).digest('hex') === hash;
    if (isWhole) pictures.add(hash);
    else damage.push({ what: 'picture', which: hash, why: 'its bytes are not those that were kept' });
  }
  const found = new Set<string>();
  const revisions = source.getRepository(RevisionEntity);
  const ids = await revisions.find({ select: { id: true }, order: { id: 'ASC' } });
  for (const { id } of ids) {
    const row = await revisions.findOneBy({ id });
    if (!row) continue;
    const head = heads.get(row.jobId);
    const isHead = head !== undefined && row.revision === head.revision;
    if (isHead) found.add(row.jobId);
    const which = `${head ? `“${head.name}”` : `job ${row.jobId}`}, ${row.revision === null ? 'a save that lost' : `revision ${row.revision}`}`;
    const what = isHead ? 'head' : 'revision';
    if (!head) damage.push({ what, which, why: 'there is no such job' });
    try {
      const read = readPacked(row.document);
      if (!read.ok)
        damage.push({
          what,
          which,
          why: read.faults.map(({ path, message }) => `${path}: ${message}`).join('; '),
        });
      else if (isHead)
        for (const hash of picturesOf(read.job, []))
          if (!pictures.has(hash))
            damage.push({ what: 'picture', which: `${which}, picture ${hash}`, why: 'it is missing' });
    } catch {
      damage.push({ what, which, why: 'it cannot be unpacked' });
    }
  }
  for (const { id, name, revision } of jobs)
    if (!found.has(id))
      damage.push({ what: 'head', which: `“${name}”, revision ${revision}`, why: 'it is missing' });
  const records = await source.getRepository(RecordEntity).find({ order: { row: 'ASC' } });
  for (const row of records) {
    const which = `record ${row.id} of ${heads.get(row.jobId)?.name ?? `job ${row.jobId}`}`;
    if (!heads.has(row.jobId)) damage.push({ what: 'record', which, why: 'there is no such job' });
    try {
      const hash = pictureOf(recordOf(row));
      if (hash !== null && !pictures.has(hash))
        damage.push({ what: 'picture', which: `${which}, picture ${hash}`, why: 'it is missing' });
    } catch {
      damage.push({ what: 'record', which, why: 'it cannot be read' });
    }
  }
  const practised = await source.getRepository(PractisedEntity).find({ order: { row: 'ASC' } });
  for (const row of practised)
    try {
      practisedOf(row);
    } catch {
      damage.push({
        what: 'practised',
        which: `exercise ${row.id} of ${row.learner}`,
        why: 'it cannot be read',
      });
    }
  return damage;
};
