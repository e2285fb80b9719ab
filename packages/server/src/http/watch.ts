import type { Response } from 'express';
import { In, type DataSource } from 'typeorm';
import type { JobNews, Present } from '@amber/core';
import { JobEntity } from '../store/entities.js';
import { PresenceStore } from '../store/presence.js';

/** Milliseconds between two looks at the database: another server may have saved, or somebody may have come. */
const POLL = 2_000;
/** Milliseconds after which whoever still listens is put down as there again. */
const STILL_HERE = 10_000;

/** Pages that may listen at the same time. */
const MOST = 500;

interface Listener extends Present {
  job: string;
  /** The device that listens, by its id; null of a page of this machine. */
  device: string | null;
  response: Response;
  /** What was told last, as it was sent. */
  told: string;
}

/**
 * Tells the pages that have a job open what becomes of it: that a newer revision or record came, that it was deleted, who else has it open. It is read from
 * the database, so that it does not matter which of several servers was asked; what was changed through this one is told at once.
 */
export class JobWatch {
  readonly #source: DataSource;
  readonly #poll: number;
  readonly #presence: PresenceStore;
  readonly #listeners = new Set<Listener>();
  #timer: NodeJS.Timeout | undefined;
  #looking: Promise<void> | null = null;
  #again = false;
  #still = 0;

  /** `poll`: milliseconds between two looks. */
  constructor(source: DataSource, poll = POLL) {
    this.#source = source;
    this.#poll = poll;
    this.#presence = new PresenceStore(source);
  }

  /** No room is left for one more page that listens. */
  get isFull(): boolean {
    return this.#listeners.size >= MOST;
  }

  /** Begins to tell one page of one job; the answer stays open. */
  listen(job: string, who: Present, response: Response, device: string | null = null): void {
    const listener: Listener = { ...who, job, device, response, told: '' };
    this.#listeners.add(listener);
    response.on('close', () => void this.#left(listener));
    void this.#presence.seen(job, who).then(
      () => this.look(),
      (error: unknown) => this.#failed(error),
    );
    this.#timer ??= setInterval(() => void this.look(), this.#poll).unref();
  }

  /** Looks now, and tells what is new. One look at a time: what is asked for meanwhile is looked at after it. */
  look(): Promise<void> {
    if (this.#looking) {
      this.#again = true;
      return this.#looking;
    }
    this.#looking = this.#tell()
      .catch((error: unknown) => this.#failed(error))
      .finally(() => {
        this.#looking = null;
        if (!this.#again) return;
        this.#again = false;
        void this.look();
      });
    return this.#looking;
  }

  /** Ends what a device hears that was put out. */
  silence(device: string): void {
    for (const listener of this.#listeners) if (listener.device === device) listener.response.end();
  }

  /** Ends all answers, and says of those who listened that they left: a page asks again by itself, of whoever answers then. */
  async close(): Promise<void> {
    clearInterval(this.#timer);
    const listeners = [...this.#listeners];
    this.#listeners.clear();
    for (const { response } of listeners) response.end();
    await this.#looking;
    for (const { job, editor } of listeners) await this.#presence.gone(job, editor);
  }

  /** A database that is away is told by whatever asks it next; a page that listens waits. */
  #failed(error: unknown): void {
    console.error('Who listens could not be told:', (error as Error).message);
  }

  async #left(listener: Listener): Promise<void> {
    if (!this.#listeners.delete(listener)) return;
    // The same page may have come back before this one was missed.
    const stays = [...this.#listeners].some(
      ({ job, editor }) => job === listener.job && editor === listener.editor,
    );
    try {
      if (!stays) await this.#presence.gone(listener.job, listener.editor);
      await this.look();
    } catch (error) {
      this.#failed(error);
    }
  }

  async #tell(): Promise<void> {
    const listeners = [...this.#listeners];
    if (listeners.length === 0) return;
    const now = Date.now();
    if (now - this.#still > STILL_HERE) {
      this.#still = now;
      for (const listener of listeners) {
        await this.#presence.seen(listener.job, listener);
        // A line that says nothing finds connections that are dead.
        listener.response.write(':\n\n');
      }
    }
    const jobs = [...new Set(listeners.map(({ job }) => job))];
    const [heads, records, present] = await Promise.all([
      this.#source.getRepository(JobEntity).find({
        select: { id: true, revision: true, deletedAt: true },
        where: { id: In(jobs) },
      }),
      // Counted, since of two that are added at once the later row may be there before the earlier.
      this.#source.query<{ job: string; many: number }[]>(
        'SELECT job_id AS job, COUNT(*) AS many FROM records WHERE job_id IN (?) GROUP BY job_id',
        [jobs],
      ),
      this.#presence.of(jobs),
    ]);
    const head = new Map(heads.map((one) => [one.id, one]));
    const many = new Map(records.map((one) => [one.job, Number(one.many)]));
    for (const listener of listeners) {
      const one = head.get(listener.job);
      const news: JobNews = {
        revision: one?.revision ?? null,
        gone: one === undefined || one.deletedAt !== null,
        records: many.get(listener.job) ?? 0,
        others: (present.get(listener.job) ?? []).filter(({ editor }) => editor !== listener.editor),
      };
      const said = JSON.stringify(news);
      if (said === listener.told) continue;
      listener.told = said;
      listener.response.write(`data: ${said}\n\n`);
    }
  }
}
