import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What the guide gives for each, ten-thousandths of a dollar, as of this migration. */
const USUAL: Readonly<Record<string, number>> = {
  ...{ travelersThrough: 100_000, bothPairsInOneCable: 200_000, fourConductors: 100_000 },
  ...{ homeRunAtLuminaire: 150_000, homeRunAtLuminaireOutside: 250_000, hotThroughLuminaire: 40_000 },
  ...{ withoutNeutral: 150_000, withoutNeutralInReach: 80_000, travelerOnWhite: 80_000, hotOnWhite: 30_000 },
  ...{ cableBeyondThree: 60_000, littleRoom: 30_000, powerIntoFourWay: 60_000, secondCircuit: 150_000 },
};

/** The shop's prices of judgement: a row each, beside its units of labour; each new job takes a copy. */
export class JudgementPrices1700000000011 implements MigrationInterface {
  name = 'JudgementPrices1700000000011';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE judgement_prices (
      name varchar(60) NOT NULL,
      price int NOT NULL,
      PRIMARY KEY (name)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
    for (const [name, price] of Object.entries(USUAL))
      await runner.query('INSERT INTO judgement_prices (name, price) VALUES (?, ?)', [name, price]);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE judgement_prices');
  }
}
