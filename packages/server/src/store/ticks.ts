import type { DataSource } from 'typeorm';
import { TickEntity } from './entities.js';

/** Steps of the work that are ticked off, job by job. What was ticked once and taken back stays on record. */
export class TickStore {
  readonly #source: DataSource;

  constructor(source: DataSource) {
    this.#source = source;
  }

  async add(jobId: string, step: string, done: boolean): Promise<void> {
    await this.#source.getRepository(TickEntity).insert({ jobId, step, done });
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
