import type { DataSource } from 'typeorm';
import { again } from './again.js';
import { isDuplicate } from './duplicate.js';
import {
  articleSchema,
  judgementSchema,
  labourSchema,
  shopDefaultsSchema,
  standardStock,
  usualDefaults,
  type Article,
  type Catalog,
  type OnTruck,
  type PriceChange,
} from '@amber/core';
import {
  ArticleEntity,
  DefaultsEntity,
  JudgementPriceEntity,
  LabourUnitEntity,
  NoteEntity,
  PriceChangeEntity,
  TruckMoveEntity,
  type ArticleRow,
  type LabourUnitRow,
} from './entities.js';

const rowOf = (article: Article, position: number): ArticleRow => {
  const { id, kind, name, price, ...details } = article;
  return { id, position, kind, name, price: String(price), details: JSON.stringify(details) };
};

const isSameRow = (a: ArticleRow, b: ArticleRow): boolean =>
  a.kind === b.kind && a.name === b.name && String(a.price) === b.price && a.details === b.details;

/** The row of what new jobs begin with. */
const DEFAULTS = 'jobs';

/** So many changes of prices are told. */
const MOST_HISTORY = 2_000;

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
    const told = await this.#source.getRepository(DefaultsEntity).findOneBy({ name: DEFAULTS });
    const defaults = told ? shopDefaultsSchema.parse(JSON.parse(told.document)) : usualDefaults();
    return { articles, labour: labourSchema.parse(labourOf(units)), judgement, defaults };
  }

  /**
   * Puts articles in, or changes those that are there; all of them or none. A changed price goes into the history. A new one comes after the
   * others. Gives how many are otherwise than before.
   */
  async put(articles: readonly Article[]): Promise<number> {
    return again(() =>
      this.#source.transaction(async (manager) => {
        const rows = await manager.find(ArticleEntity);
        const known = new Map(rows.map((row) => [row.id, row]));
        let last = Math.max(-1, ...rows.map(({ position }) => position));
        let changed = 0;
        for (const article of articles) {
          const before = known.get(article.id);
          const row = rowOf(article, before?.position ?? ++last);
          if (before && isSameRow(before, row)) continue;
          changed += 1;
          await manager.save(ArticleEntity, row);
          known.set(row.id, row);
          if (before && String(before.price) !== row.price)
            await manager.insert(PriceChangeEntity, {
              article: row.id,
              before: before.price,
              after: row.price,
            });
        }
        return changed;
      }),
    );
  }

  /** The shop's labour units, prices of judgement and what new jobs begin with, all of them anew. */
  async putUnits({ labour, judgement, defaults }: Omit<Catalog, 'articles'>): Promise<void> {
    await again(() =>
      this.#source.transaction(async (manager) => {
        await manager.save(DefaultsEntity, { name: DEFAULTS, document: JSON.stringify(defaults) });
        await manager.save(LabourUnitEntity, unitsOf(labour));
        await manager.save(
          JudgementPriceEntity,
          Object.entries(judgement).map(([name, price]) => ({ name, price })),
        );
      }),
    );
  }

  /** What is on the truck of the shop: the sum of what went onto it and came off it. */
  async truck(): Promise<OnTruck[]> {
    const rows = await this.#source
      .getRepository(TruckMoveEntity)
      .createQueryBuilder('move')
      .select('move.article', 'article')
      .addSelect('SUM(move.amount)', 'amount')
      .groupBy('move.article')
      .orderBy('move.article')
      .getRawMany<{ article: Article['id']; amount: number }>();
    // Sixteenths of an inch summed as parts of a foot leave a rest that nobody can measure.
    return rows.map(({ article, amount }) => ({ article, amount: Math.round(amount * 1e6) / 1e6 }));
  }

  /** Puts so much of an article onto the truck, or takes it off; one whose answer was lost and that comes again under its id is heard once. */
  async moveTruck({ id, article, amount }: { id: string } & OnTruck): Promise<void> {
    try {
      const moves = this.#source.getRepository(TruckMoveEntity);
      await again(() => moves.insert({ id, article, amount }));
    } catch (error) {
      if (!isDuplicate(error)) throw error;
    }
  }

  /** Prices that were changed, the newest first. */
  async history(): Promise<PriceChange[]> {
    const rows = await this.#source
      .getRepository(PriceChangeEntity)
      .find({ order: { row: 'DESC' }, take: MOST_HISTORY });
    return rows.map(({ article, before, after, at }) => ({
      ...{ article: article as Article['id'], before: Number(before), after: Number(after) },
      at: at.toISOString(),
    }));
  }
}
