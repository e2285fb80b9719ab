import type { DataSource } from 'typeorm';
import { practisedSchema, type LearnerHead, type Practised } from '@amber/core';
import { again } from './again.js';
import { isDuplicate } from './duplicate.js';
import { PractisedEntity, type PractisedRow } from './entities.js';

/** Throws where a row is none: only a hand in the database can bring that about. */
export const practisedOf = ({ row: _row, keptAt: _keptAt, at, ...row }: PractisedRow): Practised =>
  practisedSchema.parse({ ...row, at: at.toISOString() });

/** What was practised, by the name of who learns: rows are added, and none is ever changed or taken out. */
export class PractisedStore {
  readonly #source: DataSource;

  constructor(source: DataSource) {
    this.#source = source;
  }

  /** Keeps an exercise that was answered; one whose answer was lost and that comes again under its id is kept once. */
  async add({ at, ...practised }: Practised): Promise<void> {
    try {
      await again(() =>
        this.#source.getRepository(PractisedEntity).insert({ ...practised, at: new Date(at) }),
      );
    } catch (error) {
      if (!isDuplicate(error)) throw error;
    }
  }

  /** All of a learner, in the order in which it came; capital or small letters of the name make no difference. */
  async of(learner: string): Promise<Practised[]> {
    const rows = await this.#source
      .getRepository(PractisedEntity)
      .find({ where: { learner: learner.trim() }, order: { row: 'ASC' } });
    return rows.map(practisedOf);
  }

  /** Who practises here, as the name was first written, whoever did last first. */
  async learners(): Promise<LearnerHead[]> {
    const rows = await this.#source.query<{ name: string; lastAt: Date }[]>(
      `SELECT one.learner AS name, last.lastAt FROM practised AS one
       JOIN (SELECT MIN(\`row\`) AS first, MAX(answered_at) AS lastAt FROM practised GROUP BY learner) AS last
       ON one.\`row\` = last.first ORDER BY last.lastAt DESC, one.\`row\` DESC`,
    );
    return rows.map(({ name, lastAt }) => ({ name, lastAt: lastAt.toISOString() }));
  }
}
