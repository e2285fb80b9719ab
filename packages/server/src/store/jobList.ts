import type { MigrationInterface, QueryRunner } from 'typeorm';
import type { Job } from '@amber/core';

/**
 * The list is asked for page by page: what a job can be found by stands beside it, and so does the revision that its summary is of, as that is worked out
 * after a save and not while somebody waits for it.
 */
export class JobList1700000000017 implements MigrationInterface {
  name = 'JobList1700000000017';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE jobs
      ADD summary_of int NULL,
      ADD words mediumtext NULL,
      ADD INDEX jobs_by_change (deleted_at, updated_at)`);
    await runner.query('UPDATE jobs SET summary_of = revision');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(
      'ALTER TABLE jobs DROP INDEX jobs_by_change, DROP COLUMN summary_of, DROP COLUMN words',
    );
  }
}

/** So many signs of what a job can be found by are kept. */
const MOST = 60_000;

/** What a job can be found by: its name, and those of its circuits, rooms, groups and boxes. */
export const wordsOf = ({ name, circuits, rooms, groups, boxes }: Job): string =>
  [name, ...[circuits, rooms, groups, boxes].flatMap((things) => things.map((thing) => thing.name))]
    .join('\n')
    .slice(0, MOST);
