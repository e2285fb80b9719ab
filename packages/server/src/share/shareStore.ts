import { randomUUID } from 'node:crypto';
import { IsNull, Like, Not, type DataSource } from 'typeorm';
import { merge, planJob, readJob, type Job, type TakenIn } from '@amber/core';
import { RevisionEntity } from '../store/entities.js';
import type { JobStore } from '../store/jobs.js';
import { picturesOf, type PictureStore } from '../store/pictures.js';
import type { RecordStore } from '../store/records.js';
import { stateOf, type Shared } from './sharedFile.js';

/** How saves begin that came in from elsewhere and were put together with what was here. */
const CAME = 'came-';

/** So many of the last states are told to whoever gets a job. */
const STATES = 200;

const today = () => new Date().toISOString().slice(0, 10);

/** Jobs that go to a colleague with all that belongs to them, and come back. */
export class ShareStore {
  readonly #source: DataSource;
  readonly #jobs: JobStore;
  readonly #records: RecordStore;
  readonly #pictures: PictureStore;

  constructor(source: DataSource, jobs: JobStore, records: RecordStore, pictures: PictureStore) {
    this.#source = source;
    this.#jobs = jobs;
    this.#records = records;
    this.#pictures = pictures;
  }

  /** All of a job, as it is sent; null where it is not there or cannot be read. What is sent keeps a name, so that it is there when the job comes back. */
  async give(id: string): Promise<Shared | null> {
    const opened = await this.#jobs.open(id);
    if (opened.kind !== 'open') return null;
    const { document: job, revision } = opened.job;
    const records = await this.#records.of(id);
    const pictures = await Promise.all(
      picturesOf(job, records).map(async (hash) => ({ hash, found: await this.#pictures.find(hash) })),
    );
    await this.#source
      .getRepository(RevisionEntity)
      .update({ jobId: id, revision, called: IsNull() }, { called: `Sent ${today()}` });
    const states: string[] = [];
    for await (const { state } of this.#states(id)) states.push(state);
    return {
      ...{ job, records, states },
      // One that is missing is named by the check of all that is kept; the rest goes all the same.
      pictures: pictures.flatMap(({ hash, found }) =>
        found ? [{ hash, type: found.type, bytes: found.bytes }] : [],
      ),
    };
  }

  async takeIn(shared: Shared): Promise<TakenIn> {
    const done = await this.#takeJob(shared);
    const known = new Set((await this.#records.of(done.id)).map((one) => one.id));
    const records = shared.records.filter((one) => !known.has(one.id));
    for (const record of records)
      // What a colleague pulled came off another truck.
      await this.#records.add(done.id, record, { draws: false });
    let pictures = 0;
    for (const { hash, type, bytes } of shared.pictures)
      if (!(await this.#pictures.find(hash))) {
        await this.#pictures.keep(type, bytes);
        pictures += 1;
      }
    return { ...done, records: records.length, pictures };
  }

  /**
   * The states that a job has had, the newest first, each with its sum; those that somebody named are among them, however old, and those that came in and
   * were put together with what was here.
   */
  async *#states(id: string): AsyncGenerator<{ state: string; job: Job }> {
    const rows = await this.#source.getRepository(RevisionEntity).find({
      select: { saveId: true, called: true },
      where: [
        { jobId: id, revision: Not(IsNull()) },
        { jobId: id, saveId: Like(`${CAME}%`) },
      ],
      order: { id: 'DESC' },
    });
    for (const [i, { saveId, called }] of rows.entries()) {
      if (i >= STATES && called === null) continue;
      const one = await this.#jobs.openSave(id, saveId);
      if (one.kind === 'open') yield { state: stateOf(one.job.document), job: one.job.document };
    }
  }

  async #takeJob({ job, states }: Shared): Promise<Omit<TakenIn, 'records' | 'pictures'>> {
    const apart = async (outcome: 'new' | 'apart') => {
      const document =
        outcome === 'new'
          ? job
          : { ...job, id: randomUUID() as Job['id'], name: `${job.name} (came in)`.slice(0, 200) };
      const made = await this.#jobs.create(document, randomUUID());
      return made ? { id: document.id, outcome, clashes: [] } : null;
    };
    const opened = await this.#jobs.open(job.id);
    if (opened.kind !== 'open') {
      const made = (await apart('new')) ?? (await apart('apart'));
      if (!made) throw new Error('A new id was taken already.');
      return made;
    }
    const { document: mine, revision } = opened.job;
    const arrived = stateOf(job);
    const theirs = new Set(states);
    let base: { state: string; job: Job } | null = null;
    for await (const one of this.#states(job.id)) {
      if (one.state === arrived) return { id: job.id, outcome: 'same', clashes: [] };
      if (!theirs.has(one.state)) continue;
      base = one;
      break;
    }
    if (!base) {
      const made = await apart('apart');
      if (!made) throw new Error('A new id was taken already.');
      return made;
    }
    const made =
      base.state === stateOf(mine) ? ({ kind: 'newer', job } as const) : merge(base.job, mine, job);
    const read = made.kind === 'clash' ? null : readJob(made.job);
    if (made.kind === 'clash' || !read?.ok) {
      const saveId = randomUUID();
      await this.#jobs.save(job, Math.max(0, revision - 1), saveId);
      await this.#jobs.nameSave(job.id, saveId, `Came in ${today()}, clashes`);
      return {
        ...{ id: job.id, outcome: 'clash' },
        clashes:
          made.kind === 'clash'
            ? made.clashes
            : [{ mine: ['What was changed here'], theirs: ['What that rests on was taken away'] }],
      };
    }
    const document = made.kind === 'newer' ? read.job : planJob(read.job).job;
    const saved = await this.#jobs.save(document, revision, randomUUID());
    // Somebody saved in this very moment: it is looked at again as it is now.
    if (saved.kind !== 'saved') return this.#takeJob({ job, states, records: [], pictures: [] });
    if (made.kind === 'merged') {
      // What came is kept as it came: whoever sent it has it, and is not asked of it again when this goes back.
      await this.#jobs.save(job, revision, CAME + arrived);
      await this.#jobs.nameSave(job.id, CAME + arrived, `Came in ${today()}`);
    }
    return { id: job.id, outcome: made.kind, clashes: [] };
  }
}
