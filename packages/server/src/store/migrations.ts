import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Jobs, every revision of each, and the notes of the installation. */
export class Jobs1700000000001 implements MigrationInterface {
  name = 'Jobs1700000000001';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE jobs (
      id varchar(200) NOT NULL,
      name varchar(200) NOT NULL,
      revision int NOT NULL,
      summary mediumtext NOT NULL,
      created_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
      updated_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
      deleted_at datetime(3) NULL,
      PRIMARY KEY (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
    await runner.query(`CREATE TABLE revisions (
      id int NOT NULL AUTO_INCREMENT,
      job_id varchar(200) NOT NULL,
      revision int NULL,
      parent int NOT NULL,
      save_id varchar(100) NOT NULL,
      document mediumblob NOT NULL,
      saved_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
      UNIQUE INDEX revisions_one_save (job_id, save_id),
      UNIQUE INDEX revisions_one_each (job_id, revision),
      PRIMARY KEY (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
    await runner.query(`CREATE TABLE notes (
      name varchar(100) NOT NULL,
      value varchar(1000) NOT NULL,
      PRIMARY KEY (name)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE notes');
    await runner.query('DROP TABLE revisions');
    await runner.query('DROP TABLE jobs');
  }
}

/** The shop's catalog: articles with their prices, and the units of labour. */
export class Catalog1700000000002 implements MigrationInterface {
  name = 'Catalog1700000000002';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE catalog_articles (
      id varchar(200) NOT NULL,
      position int NOT NULL,
      kind varchar(20) NOT NULL,
      name varchar(200) NOT NULL,
      price bigint NOT NULL,
      details mediumtext NOT NULL,
      PRIMARY KEY (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
    await runner.query(`CREATE TABLE labour_units (
      name varchar(60) NOT NULL,
      value double NOT NULL,
      PRIMARY KEY (name)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE labour_units');
    await runner.query('DROP TABLE catalog_articles');
  }
}

/** Pictures that lie under plans. */
export class Pictures1700000000003 implements MigrationInterface {
  name = 'Pictures1700000000003';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE pictures (
      hash char(64) NOT NULL,
      type varchar(40) NOT NULL,
      bytes mediumblob NOT NULL,
      kept_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
      PRIMARY KEY (hash)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE pictures');
  }
}

/** Steps of the work that were ticked off. */
export class Ticks1700000000004 implements MigrationInterface {
  name = 'Ticks1700000000004';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE ticks (
      id int NOT NULL AUTO_INCREMENT,
      job_id varchar(200) NOT NULL,
      step varchar(700) NOT NULL,
      done tinyint NOT NULL,
      at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
      INDEX ticks_of_job (job_id),
      PRIMARY KEY (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE ticks');
  }
}

/** Ticks have names, so that one whose answer was lost is kept once; ids of steps may be long. */
export class NamedTicks1700000000005 implements MigrationInterface {
  name = 'NamedTicks1700000000005';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE ticks
      ADD COLUMN tick_id varchar(100) NULL AFTER job_id,
      MODIFY COLUMN step varchar(3000) NOT NULL,
      ADD UNIQUE INDEX ticks_one_each (job_id, tick_id)`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE ticks
      DROP INDEX ticks_one_each,
      DROP COLUMN tick_id,
      MODIFY COLUMN step varchar(700) NOT NULL`);
  }
}

/**
 * A square box takes a round ring before a luminaire hangs on it: it holds no weight by itself. The rings are offered beside it.
 * Prices and whatever else was changed stay as they are.
 */
export class SquareBoxes1700000000006 implements MigrationInterface {
  name = 'SquareBoxes1700000000006';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`UPDATE catalog_articles
      SET details = JSON_SET(details, '$.shape', 'square', '$.supports', 0)
      WHERE kind = 'box' AND JSON_VALUE(details, '$.part') = 'box' AND JSON_VALUE(details, '$.family') LIKE 'square-%'`);
    for (const [id, name, price, family, volume] of [
      ['ring-4-round', 'Round plaster ring, 4 square', 15_000, 'square-4', 35_000],
      ['ring-4.6875-round', 'Round plaster ring, 4 11/16 square', 20_000, 'square-4.6875', 40_000],
    ] as const)
      await runner.query(
        `INSERT IGNORE INTO catalog_articles (id, position, kind, name, price, details)
         SELECT ?, MAX(position) + 1, 'box', ?, ?, ? FROM catalog_articles HAVING MAX(position) IS NOT NULL`,
        [
          id,
          name,
          price,
          JSON.stringify({
            ...{ part: 'ring', family, volume, shape: 'round', gangs: 0, metal: true },
            ...{ internalClamps: false, work: 'new', supports: 50 },
          }),
        ],
      );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`UPDATE catalog_articles
      SET details = JSON_SET(JSON_REMOVE(details, '$.shape'), '$.supports', 50)
      WHERE kind = 'box' AND JSON_VALUE(details, '$.shape') = 'square'`);
    await runner.query(`DELETE FROM catalog_articles WHERE id IN ('ring-4-round', 'ring-4.6875-round')`);
  }
}

interface OldTick {
  id: number;
  job_id: string;
  tick_id: string | null;
  step: string;
  done: number;
  at: Date;
}

/**
 * What happens on site is put on record by kind; ticks become records of their kind. A step that was unticked becomes a retraction of
 * the ticks that it had. What the old ticks did not say, revision and sum of what they are about, stays not told.
 */
export class Records1700000000007 implements MigrationInterface {
  name = 'Records1700000000007';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE records (
      \`row\` int NOT NULL AUTO_INCREMENT,
      job_id varchar(200) NOT NULL,
      record_id varchar(100) NOT NULL,
      kind varchar(40) NOT NULL,
      version int NOT NULL,
      about_kind varchar(20) NOT NULL,
      about_id varchar(3000) NOT NULL,
      wiring varchar(200) NULL,
      revision int NULL,
      hash char(16) NULL,
      body mediumtext NOT NULL,
      retracts varchar(100) NULL,
      made_by varchar(60) NOT NULL,
      made_at datetime(3) NOT NULL,
      kept_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
      UNIQUE INDEX records_one_each (job_id, record_id),
      PRIMARY KEY (\`row\`)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
    const ticks = (await runner.query('SELECT * FROM ticks ORDER BY id')) as OldTick[];
    /** Ids of the ticks of a step that hold so far. */
    const held = new Map<string, string[]>();
    for (const { id, job_id: job, tick_id: named, step, done, at } of ticks) {
      const key = `${job} ${step}`;
      // Ticks of before names had none; one of theirs cannot be met again.
      const record = named ?? `tick-${id}`;
      const before = held.get(key) ?? [];
      const rows = done
        ? [[record, 'tick', 'fact', step, null] as const]
        : before.map(
            (one, i) => [i === 0 ? record : `untick-${id}-${i}`, 'retraction', 'job', job, one] as const,
          );
      for (const [recordId, kind, aboutKind, aboutId, retracts] of rows)
        await runner.query(
          `INSERT INTO records (job_id, record_id, kind, version, about_kind, about_id, body, retracts, made_by, made_at, kept_at)
           VALUES (?, ?, ?, 1, ?, ?, '{}', ?, '', ?, ?)`,
          [job, recordId, kind, aboutKind, aboutId, retracts, at, at],
        );
      held.set(key, done ? [...before, record] : []);
    }
    await runner.query('DROP TABLE ticks');
  }

  /** Ticks alone go back; records of other kinds, and what ticks say of what they saw, have no place there. */
  async down(runner: QueryRunner): Promise<void> {
    await new Ticks1700000000004().up(runner);
    await new NamedTicks1700000000005().up(runner);
    await runner.query(`INSERT INTO ticks (job_id, tick_id, step, done, at)
      SELECT job_id, record_id, about_id, 1, made_at FROM records AS one
      WHERE kind = 'tick' AND NOT EXISTS
        (SELECT 1 FROM records AS other WHERE other.job_id = one.job_id AND other.retracts = one.record_id)
      ORDER BY \`row\``);
    await runner.query('DROP TABLE records');
  }
}
