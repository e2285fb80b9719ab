/** Jobs, every revision of each, and the notes of the installation. */
export class Jobs1700000000001 {
    name = 'Jobs1700000000001';
    async up(runner) {
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
    async down(runner) {
        await runner.query('DROP TABLE notes');
        await runner.query('DROP TABLE revisions');
        await runner.query('DROP TABLE jobs');
    }
}
//# sourceMappingURL=migrations.js.map