import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What was practised, exercise by exercise, by the name of who learns: added to, never changed. */
export class Practised1700000000020 implements MigrationInterface {
  name = 'Practised1700000000020';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE practised (
      \`row\` int NOT NULL AUTO_INCREMENT,
      practised_id varchar(100) COLLATE utf8mb4_nopad_bin NOT NULL,
      learner varchar(60) NOT NULL,
      kind varchar(20) NOT NULL,
      level varchar(40) NOT NULL,
      seed int NOT NULL,
      edition int NOT NULL,
      outcome varchar(10) NOT NULL,
      stopped int NOT NULL,
      answered_at datetime(3) NOT NULL,
      kept_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
      UNIQUE INDEX practised_one_each (practised_id),
      INDEX practised_by_learner (learner),
      PRIMARY KEY (\`row\`)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE practised');
  }
}
