import type { MigrationInterface, QueryRunner } from 'typeorm';
import { otherFacesOf, withFaceOfBefore } from '@amber/core';

interface Row {
  id: string;
  name: string;
  price: string;
  details: string;
}

/**
 * Devices of the catalog say where their screws sit. Those of before get the places at which they were drawn, and stand beside the other
 * faces of the standard stock at their own price.
 */
export class Faces1700000000008 implements MigrationInterface {
  name = 'Faces1700000000008';

  async up(runner: QueryRunner): Promise<void> {
    const rows = (await runner.query(
      "SELECT id, name, CAST(price AS CHAR) AS price, details FROM catalog_articles WHERE kind = 'device' ORDER BY position, id",
    )) as Row[];
    for (const { id, name, price, details } of rows) {
      const device = withFaceOfBefore({ ...(JSON.parse(details) as object), id, name });
      const detailsOf = ({ id: _id, name: _name, ...rest }: Record<string, unknown>) => JSON.stringify(rest);
      await runner.query('UPDATE catalog_articles SET details = ? WHERE id = ?', [detailsOf(device), id]);
      for (const other of otherFacesOf(device))
        await runner.query(
          `INSERT IGNORE INTO catalog_articles (id, position, kind, name, price, details)
           SELECT ?, MAX(position) + 1, 'device', ?, ?, ? FROM catalog_articles`,
          [other['id'], other['name'], price, detailsOf(other)],
        );
    }
  }

  /** Where the screws sit is told no more. The other faces stay: a price may have been given to them. */
  async down(runner: QueryRunner): Promise<void> {
    const rows = (await runner.query(
      "SELECT id, details FROM catalog_articles WHERE kind = 'device'",
    )) as Pick<Row, 'id' | 'details'>[];
    for (const { id, details } of rows) {
      const { terminals, ...rest } = JSON.parse(details) as { terminals: Record<string, unknown>[] };
      const bare = terminals.map(({ face: _face, ...terminal }) => terminal);
      await runner.query('UPDATE catalog_articles SET details = ? WHERE id = ?', [
        JSON.stringify({ ...rest, terminals: bare }),
        id,
      ]);
    }
  }
}
