import type { DataSource } from 'typeorm';
import { isDuplicate } from './duplicate.js';
import { TickEntity } from './entities.js';

/** Steps of the work that are ticked off, job by job. What was ticked once and taken back stays on record. */
export class TickStore {
  readonly #source: DataSource;

  constructor(source: DataSource) {
    this.#source = source;
  }

  /** Keeps a tick; one whose answer was lost and that comes again under its id is kept once. */
  async add(jobId: string, { id, step, done }: { id: string; step: string; done: boolean }): Promise<void> {
    try {
      await this.#source.getRepository(TickEntity).insert({ jobId, tickId: id, step, done });
    } catch (error) {
      if (!isDuplicate(error)) throw error;
    }
  }

  /** Steps that are ticked now, with the moment of their tick. */
  async of(jobId: string): Promise<{ step: string; at: Date }[]> {
    const rows = await this.#source
      .getRepository(TickEntity)
      .find({ where: { jobId }, order: { id: 'ASC' } });
    const last = new Map(rows.map((row) => [row.step, row]));
    return [...last.values()].filter((row) => row.done).map(({ step, at }) => ({ step, at }));
  }
}
