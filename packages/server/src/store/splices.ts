import type { MigrationInterface, QueryRunner } from 'typeorm';

const FAMILIES = ['lever', 'pushIn', 'twistOn', 'groundingTwistOn', 'crimp'] as const;

/** A splice has its minutes by the family of its connector; what the shop had set for all of them holds for each. */
export class SpliceMinutes1700000000009 implements MigrationInterface {
  name = 'SpliceMinutes1700000000009';

  async up(runner: QueryRunner): Promise<void> {
    for (const family of FAMILIES)
      await runner.query(
        `INSERT IGNORE INTO labour_units (name, value) SELECT ?, value FROM labour_units WHERE name = 'splice'`,
        [`splice.${family}`],
      );
    await runner.query("DELETE FROM labour_units WHERE name = 'splice'");
  }

  /** One figure for all again: that of a lever connector. */
  async down(runner: QueryRunner): Promise<void> {
    await runner.query(
      `INSERT IGNORE INTO labour_units (name, value) SELECT 'splice', value FROM labour_units WHERE name = 'splice.lever'`,
    );
    for (const family of FAMILIES)
      await runner.query('DELETE FROM labour_units WHERE name = ?', [`splice.${family}`]);
  }
}
