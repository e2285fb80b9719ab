import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What prices of the catalog were, from the first change on; what new jobs begin with, where the shop has said so; and room for names as long as the core takes them. */
export class CatalogPrices1700000000012 implements MigrationInterface {
  name = 'CatalogPrices1700000000012';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE catalog_prices (
      \`row\` int NOT NULL AUTO_INCREMENT,
      article varchar(200) NOT NULL,
      price_before bigint NOT NULL,
      price_after bigint NOT NULL,
      at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
      PRIMARY KEY (\`row\`)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
    await runner.query(`CREATE TABLE shop_defaults (
      name varchar(60) NOT NULL,
      document mediumtext NOT NULL,
      PRIMARY KEY (name)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
    await runner.query('ALTER TABLE catalog_articles MODIFY name varchar(202) NOT NULL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE shop_defaults');
    await runner.query('DROP TABLE catalog_prices');
    await runner.query('UPDATE catalog_articles SET name = LEFT(name, 200)');
    await runner.query('ALTER TABLE catalog_articles MODIFY name varchar(200) NOT NULL');
  }
}
