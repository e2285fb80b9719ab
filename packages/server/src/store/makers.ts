import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Each save says who made it, and each save and record on which device; empty where that was not told, as of all of before. */
export class Makers1700000000019 implements MigrationInterface {
  name = 'Makers1700000000019';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE revisions
      ADD made_by varchar(60) NOT NULL DEFAULT '',
      ADD device varchar(60) NOT NULL DEFAULT ''`);
    await runner.query("ALTER TABLE records ADD device varchar(60) NOT NULL DEFAULT ''");
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE records DROP COLUMN device');
    await runner.query('ALTER TABLE revisions DROP COLUMN made_by, DROP COLUMN device');
  }
}

/** Who saves: by initials, and on which device; both empty where that is not told. */
export interface Maker {
  by: string;
  device: string;
}

export const NOBODY: Maker = { by: '', device: '' };
