import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A revision may be given a name, and is then kept for good. */
export class RevisionNames1700000000014 implements MigrationInterface {
  name = 'RevisionNames1700000000014';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE revisions ADD called varchar(200) NULL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE revisions DROP COLUMN called');
  }
}
