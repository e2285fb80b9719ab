import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Columns that hold an id, by table, with what each may hold. */
const IDS = {
  jobs: ['id varchar(200) NOT NULL'],
  revisions: ['job_id varchar(200) NOT NULL', 'save_id varchar(100) NOT NULL'],
  records: ['job_id varchar(200) NOT NULL', 'record_id varchar(100) NOT NULL', 'retracts varchar(100) NULL'],
  catalog_articles: ['id varchar(200) NOT NULL'],
  truck_moves: ['move_id varchar(310) NOT NULL', 'article varchar(200) NOT NULL'],
} as const;

const alter = (collation: string) => (runner: QueryRunner) =>
  Object.entries(IDS).reduce(
    (before, [table, columns]) =>
      before.then(() =>
        runner.query(
          `ALTER TABLE ${table} ${columns
            .map((column) =>
              column.replace(/^(\w+ varchar\(\d+\))/, `MODIFY $1 CHARACTER SET utf8mb4 COLLATE ${collation}`),
            )
            .join(', ')}`,
        ),
      ),
    Promise.resolve(),
  );

/** Ids are compared byte for byte: two that differ in case, in an accent or in a blank at the end name two things. */
export class BinaryIds1700000000016 implements MigrationInterface {
  name = 'BinaryIds1700000000016';

  up(runner: QueryRunner): Promise<void> {
    return alter('utf8mb4_nopad_bin')(runner);
  }

  /** Fails where ids are there that only bytes tell apart. */
  down(runner: QueryRunner): Promise<void> {
    return alter('utf8mb4_unicode_ci')(runner);
  }
}
