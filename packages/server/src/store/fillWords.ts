import { IsNull, type DataSource } from 'typeorm';
import { JobEntity, RevisionEntity } from './entities.js';
import { wordsOf } from './jobList.js';
import { readPacked } from './packed.js';

/** What a stored job can be found by; null of one that this program cannot read. */
const read = (document: Buffer): string | null => {
  try {
    const job = readPacked(document);
    return job.ok ? wordsOf(job.job) : null;
  } catch {
    // A damaged one is named by the check of all that is kept.
    return null;
  }
};

/** So many jobs are read at once. */
const AT_ONCE = 50;

/**
 * Fills in what jobs are found by that were stored before there was a search, as it is now. Until then, and where this program cannot read a job, it is found by
 * its name.
 */
export const fillWords = async (source: DataSource): Promise<void> => {
  const [heads, revisions] = [source.getRepository(JobEntity), source.getRepository(RevisionEntity)];
  for (;;) {
    const jobs = await heads.find({ where: { words: IsNull() }, take: AT_ONCE });
    if (jobs.length === 0) return;
    for (const { id, name, revision } of jobs) {
      const row = await revisions.findOneBy({ jobId: id, revision });
      // One that was saved meanwhile has brought its own.
      await heads.update({ id, words: IsNull() }, { words: (row && read(row.document)) ?? name });
    }
  }
};
