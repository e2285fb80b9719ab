import type { MigrationInterface, QueryRunner } from 'typeorm';
import { standardStock } from '@amber/core';

/** What came to the standard stock after catalogs had been seeded: boxes, switches and tail wire. */
const CAME = [
  ...['stud-1-16', 'stud-1-20', 'stud-2-30', 'strap-1-18', 'strap-1-22.5'],
  ...['steel-2-25', 'steel-3-37.5', 'steel-4-50', 'steel-2-36', 'steel-3-54', 'steel-4-72'],
  ...['masonry-2-28', 'masonry-3-42', 'masonry-4-56', 'masonry-2-42', 'masonry-3-63', 'masonry-4-84'],
  ...['steel-1-12.5-clamps-outside', 'steel-1-18-clamps-outside'],
  ...['square-21-clamps-outside', 'square-30.3-clamps-outside'],
  ...['single-pole-15-no-green', 'three-way-15-no-green', 'single-pole-20-no-green', 'three-way-20-no-green'],
  ...['wire-14-green', 'wire-12-green'],
];

/** Catalogs of before get what the standard stock has since; what the shop has under the same id stays as it is. */
export class MoreStock1700000000010 implements MigrationInterface {
  name = 'MoreStock1700000000010';

  async up(runner: QueryRunner): Promise<void> {
    const [count] = (await runner.query('SELECT COUNT(*) AS seeded FROM catalog_articles')) as {
      seeded: string;
    }[];
    // An empty catalog is seeded whole when the program starts.
    if (Number(count?.seeded) === 0) return;
    for (const { id, kind, name, price, ...details } of standardStock())
      if (CAME.includes(id))
        await runner.query(
          `INSERT IGNORE INTO catalog_articles (id, position, kind, name, price, details)
           SELECT ?, MAX(position) + 1, ?, ?, ?, ? FROM catalog_articles`,
          [id, kind, name, String(price), JSON.stringify(details)],
        );
  }

  /** They stay: a price may have been given to them, and a job may have them. */
  down(): Promise<void> {
    return Promise.resolve();
  }
}
