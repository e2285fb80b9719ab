import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What goes onto the truck of the shop and comes off it, move by move; how much is there is their sum. */
export class TruckMoves1700000000013 implements MigrationInterface {
  name = 'TruckMoves1700000000013';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE truck_moves (
      move_id varchar(310) NOT NULL,
      article varchar(200) NOT NULL,
      amount double NOT NULL,
      at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
      PRIMARY KEY (move_id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE truck_moves');
  }
}
