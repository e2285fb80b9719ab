import type { DataSource, EntityManager } from 'typeorm';
import { drawsOf, siteRecordSchema, type SiteRecord } from '@amber/core';
import { again } from './again.js';
import { isDuplicate } from './duplicate.js';
import { RecordEntity, TruckMoveEntity, type RecordRow } from './entities.js';

const rowOf = (jobId: string, record: SiteRecord): Omit<RecordRow, 'row' | 'keptAt'> => ({
  jobId,
  id: record.id,
  kind: record.kind,
  version: record.version,
  aboutKind: record.about.kind,
  aboutId: record.about.id,
  wiring: record.about.wiring,
  revision: record.about.revision,
  hash: record.about.hash,
  body: JSON.stringify(record.body),
  retracts: record.retracts,
  madeBy: record.by,
  device: record.device ?? '',
  madeAt: new Date(record.at),
});

/** Throws where a row is no record: only a hand in the database can bring that about. */
export const recordOf = (row: RecordRow): SiteRecord =>
  siteRecordSchema.parse({
    id: row.id,
    kind: row.kind,
    version: row.version,
    about: {
      kind: row.aboutKind,
      id: row.aboutId,
      wiring: row.wiring,
      revision: row.revision,
      hash: row.hash,
    },
    body: JSON.parse(row.body) as unknown,
    retracts: row.retracts,
    by: row.madeBy,
    ...(row.device === '' ? {} : { device: row.device }),
    at: row.madeAt.toISOString(),
  });

/** What a record takes off the truck of the shop, and what one that is taken back for the first time puts there again. */
const moved = async (manager: EntityManager, jobId: string, record: SiteRecord): Promise<void> => {
  const { retracts } = record;
  const draws = drawsOf(record);
  const id = `${jobId}:${record.id}`;
  if (draws !== null) await manager.insert(TruckMoveEntity, { ...draws, id, amount: -draws.amount });
  if (retracts === null) return;
  const before = await manager.countBy(RecordEntity, { jobId, retracts });
  const known = await manager.findOneBy(RecordEntity, { jobId, id: retracts });
  const drew = known && before === 1 ? drawsOf(recordOf(known)) : null;
  if (drew !== null) await manager.insert(TruckMoveEntity, { ...drew, id });
};

/** What happened on site, job by job: rows are added, and none is ever changed or taken out. */
export class RecordStore {
  readonly #source: DataSource;

  constructor(source: DataSource) {
    this.#source = source;
  }

  /** Keeps a record; one whose answer was lost and that comes again under its id is kept once. `draws`: what it takes comes off the truck of this shop. */
  async add(jobId: string, record: SiteRecord, { draws = true } = {}): Promise<void> {
    try {
      await again(() =>
        this.#source.transaction(async (manager) => {
          await manager.insert(RecordEntity, rowOf(jobId, record));
          if (draws) await moved(manager, jobId, record);
        }),
      );
    } catch (error) {
      if (!isDuplicate(error)) throw error;
    }
  }

  async has(jobId: string, id: string): Promise<boolean> {
    return this.#source.getRepository(RecordEntity).existsBy({ jobId, id });
  }

  /** All of a job, in the order in which they came. */
  async of(jobId: string): Promise<SiteRecord[]> {
    const rows = await this.#source
      .getRepository(RecordEntity)
      .find({ where: { jobId }, order: { row: 'ASC' } });
    return rows.map(recordOf);
  }
}
