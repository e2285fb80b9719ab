import type { DataSource } from 'typeorm';
import {
  articleSchema,
  judgementSchema,
  labourSchema,
  standardStock,
  type Article,
  type Catalog,
} from '@amber/core';
import {
  ArticleEntity,
  JudgementPriceEntity,
  LabourUnitEntity,
  NoteEntity,
  type ArticleRow,
  type LabourUnitRow,
} from './entities.js';

const rowOf = (article: Article, position: number): ArticleRow => {
  const { id, kind, name, price, ...details } = article;
  return { id, position, kind, name, price: String(price), details: JSON.stringify(details) };
};

/** Labour units by dotted names: foot.attic. */
const unitsOf = (labour: object, before = ''): LabourUnitRow[] =>
  Object.entries(labour).flatMap(([key, value]: [string, unknown]) =>
    typeof value === 'number'
      ? [{ name: before + key, value }]
      : unitsOf(value as object, `${before}${key}.`),
  );

const labourOf = (rows: readonly LabourUnitRow[]): unknown => {
  const labour: Record<string, unknown> = {};
  for (const { name, value } of rows) {
    const [key = '', inner] = name.split('.');
    if (inner === undefined) labour[key] = value;
    else labour[key] = { ...(labour[key] as object | undefined), [inner]: value };
  }
  return labour;
};

/**
 * The catalog of the shop. It is seeded with the standard stock and the default labour units once in the life of a
 * database; what was changed or taken out after that stays so.
 */
export class CatalogStore {
  readonly #source: DataSource;

  constructor(source: DataSource) {
    this.#source = source;
  }

  async seed(): Promise<void> {
    await this.#source.transaction(async (manager) => {
      if (await manager.findOneBy(NoteEntity, { name: 'catalog' })) return;
      await manager.insert(ArticleEntity, standardStock().map(rowOf));
      await manager.insert(LabourUnitEntity, unitsOf(labourSchema.parse({})));
      await manager.insert(NoteEntity, { name: 'catalog', value: 'standard' });
    });
  }

  /** Throws where a row is not an article: only a hand in the database can bring that about. */
  async read(): Promise<Catalog> {
    const rows = await this.#source
      .getRepository(ArticleEntity)
      .find({ order: { position: 'ASC', id: 'ASC' } });
    const articles = rows.map(({ id, kind, name, price, details }) =>
      articleSchema.parse({ ...(JSON.parse(details) as object), id, kind, name, price: Number(price) }),
    );
    const units = await this.#source.getRepository(LabourUnitEntity).find();
    const prices = await this.#source.getRepository(JudgementPriceEntity).find();
    const judgement = judgementSchema.parse(
      Object.fromEntries(prices.map(({ name, price }) => [name, price])),
    );
    return { articles, labour: labourSchema.parse(labourOf(units)), judgement };
  }
}
