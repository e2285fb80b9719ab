import type { MigrationInterface, QueryRunner, DataSource } from 'typeorm';
import { In } from 'typeorm';
import type { Present } from '@amber/core';
import { PresenceEntity } from './entities.js';

/** Who has which job open. In the database, as several servers may stand before one. */
export class Presence1700000000015 implements MigrationInterface {
  name = 'Presence1700000000015';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE presence (
      job_id varchar(200) CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin NOT NULL,
      editor varchar(60) CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin NOT NULL,
      browser varchar(60) NOT NULL,
      called varchar(60) NOT NULL,
      seen_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
      PRIMARY KEY (job_id, editor)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE presence');
  }
}

/** Seconds after which somebody of whom nothing was heard is taken for gone: a server that was killed does not say goodbye. */
const GONE_AFTER = 30;

/** Who has which job open, as far as all servers of the database know. */
export class PresenceStore {
  readonly #source: DataSource;

  constructor(source: DataSource) {
    this.#source = source;
  }

  /** Somebody has a job open, or still has. */
  async seen(job: string, { editor, browser, called }: Present): Promise<void> {
    await this.#source.query(
      `INSERT INTO presence (job_id, editor, browser, called) VALUES (?, ?, ?, ?)
       ON DUPLICATE KEY UPDATE browser = VALUES(browser), called = VALUES(called), seen_at = CURRENT_TIMESTAMP(3)`,
      [job, editor, browser, called],
    );
  }

  async gone(job: string, editor: string): Promise<void> {
    await this.#source.getRepository(PresenceEntity).delete({ jobId: job, editor });
  }

  /** Who has these jobs open, by job. Those that are long gone are forgotten. */
  async of(jobs: readonly string[]): Promise<Map<string, Present[]>> {
    const rows = this.#source.getRepository(PresenceEntity);
    await this.#source.query(`DELETE FROM presence WHERE seen_at < NOW(3) - INTERVAL ${GONE_AFTER} SECOND`);
    const by = new Map<string, Present[]>();
    for (const { jobId, editor, browser, called } of await rows.find({
      where: { jobId: In([...jobs]) },
      order: { called: 'ASC', editor: 'ASC' },
    }))
      by.set(jobId, [...(by.get(jobId) ?? []), { editor, browser, called }]);
    return by;
  }
}
