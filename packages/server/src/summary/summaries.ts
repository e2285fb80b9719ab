import { IsNull, type DataSource } from 'typeorm';
import { jobSummarySchema, type JobSummary } from '@amber/core';
import { summariseHere, type Summarise } from './summarise.js';
import { JobEntity, RevisionEntity, type JobRow } from '../store/entities.js';

/** Milliseconds of rest after a save before the summary is worked out: whoever works on saves again soon. */
const REST = 3_000;

/** What a list shows of a job: a summary; that it is being worked out; or that this program cannot read the job. */
export type Shown = { kind: 'is'; summary: JobSummary } | { kind: 'pending' } | { kind: 'unreadable' };

/** The summary that is kept, if it is one of this version and of the current revision. */
const keptOf = ({ summary, summaryOf, revision }: JobRow): JobSummary | null =>
  summaryOf === revision ? (jobSummarySchema.safeParse(JSON.parse(summary)).data ?? null) : null;

/** Works out what lists show of jobs, beside those that save and those that list. */
export class Summaries {
  readonly #source: DataSource;
  readonly #summarise: Summarise;
  readonly #working = new Map<string, Promise<string | null>>();
  readonly #resting = new Map<string, NodeJS.Timeout>();
  /** Jobs and revisions that this program cannot read: they are not tried again by it. */
  readonly #unreadable = new Set<string>();

  constructor(source: DataSource, summarise: Summarise = summariseHere) {
    this.#source = source;
    this.#summarise = summarise;
  }

  /** A job was saved: when it has rested its summary is worked out. */
  saved(id: string): void {
    clearTimeout(this.#resting.get(id));
    const timer = setTimeout(() => {
      this.#resting.delete(id);
      // A server that ends leaves it to whoever lists next.
      if (!this.#source.isInitialized) return;
      void this.#begin(id).catch((error: unknown) => {
        // One that was on its way when the server ended is left likewise.
        if (this.#source.isInitialized)
          console.error(`What a list shows of job ${id} was not worked out:`, error);
      });
    }, REST).unref();
    this.#resting.set(id, timer);
  }

  /** Of a document that is not stored yet. */
  async ofDocument(document: Uint8Array): Promise<string> {
    return (await this.#summarise(document)) ?? 'null';
  }

  /** What a list shows of these jobs. What is not there is worked out for so many milliseconds; the rest goes on and is pending. */
  async of(rows: readonly JobRow[], patience: number): Promise<Shown[]> {
    const kept = rows.map(keptOf);
    const missing = rows.filter((row, i) => kept[i] === null && !this.#unreadable.has(nameOf(row)));
    const made = new Map<string, string>();
    const all = Promise.all(
      missing.map(async ({ id }) => {
        const summary = await this.#begin(id);
        if (summary !== null) made.set(id, summary);
      }),
    );
    let timer: NodeJS.Timeout | undefined;
    const late = new Promise<void>((resolve) => {
      timer = setTimeout(resolve, patience);
    });
    await Promise.race([all, late]).finally(() => clearTimeout(timer));
    // What is not waited for tells its own faults.
    all.catch((error: unknown) => console.error('What a list shows was not worked out:', error));
    return rows.map((row, i): Shown => {
      const there = kept[i];
      if (there) return { kind: 'is', summary: there };
      if (this.#unreadable.has(nameOf(row))) return { kind: 'unreadable' };
      const summary = made.get(row.id);
      const read = jobSummarySchema.safeParse(summary === undefined ? null : JSON.parse(summary));
      return read.success ? { kind: 'is', summary: read.data } : { kind: 'pending' };
    });
  }

  /** One at a time for each job. */
  #begin(id: string): Promise<string | null> {
    const going = this.#working.get(id) ?? this.#make(id).finally(() => this.#working.delete(id));
    this.#working.set(id, going);
    return going;
  }

  async #make(id: string): Promise<string | null> {
    const heads = this.#source.getRepository(JobEntity);
    const head = await heads.findOneBy({ id, deletedAt: IsNull() });
    if (!head) return null;
    const { revision } = head;
    const row = await this.#source.getRepository(RevisionEntity).findOneBy({ jobId: id, revision });
    const summary = row && (await this.#summarise(row.document));
    if (summary === null) {
      this.#unreadable.add(nameOf(head));
      return null;
    }
    // What is newer by now gets its own, and when the job was changed stays as it is.
    await heads.update({ id, revision }, { summary, summaryOf: revision });
    return summary;
  }
}

const nameOf = ({ id, revision }: JobRow): string => `${revision} ${id}`;
