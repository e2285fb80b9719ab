import express, { Router, type Request } from 'express';
import {
  CONTRACT,
  FILE_PATHS,
  jobIdSchema,
  listQuerySchema,
  parseJobFile,
  planJob,
  readJob,
  writeJobFile,
  type Job,
  type StoredJob,
} from '@amber/core';
import type { JobStore, OpenOutcome } from '../store/jobs.js';
import { deviceOf } from '../access/guard.js';
import type { RecordStore } from '../store/records.js';
import { fileName } from './fileName.js';
import { badDocument, missing, Refusal } from './problems.js';
import { answer } from './route.js';

const documentOf = (document: unknown): Job => {
  const read = readJob(document);
  if (!read.ok) throw badDocument(read.faults.map((fault) => ({ ...fault, path: `document.${fault.path}` })));
  return read.job;
};

const opened = (id: string, outcome: OpenOutcome): StoredJob => {
  if (outcome.kind === 'missing') throw missing(id);
  if (outcome.kind === 'unreadable') throw badDocument(outcome.faults);
  return outcome.job;
};

/** What the device that asks is called; empty of the machine itself. */
const deviceName = ({ res }: Request): string => (res ? (deviceOf(res)?.name ?? '') : '');

/** Jobs over HTTP, as the contract has it. Documents are up to 2 MB. */
export const jobRoutes = (store: JobStore, records: RecordStore): Router => {
  const routes = Router();
  routes.use('/jobs', express.json({ limit: '2mb' }));
  routes.use('/jobs', express.text({ limit: '2mb', type: 'text/plain' }));

  answer(routes, CONTRACT.jobs, ({ http }) => {
    const query = listQuerySchema.safeParse(http.query);
    if (!query.success) {
      const [issue] = query.error.issues;
      const path = issue?.path.join('.') ?? '';
      throw new Refusal(400, 'bad-request', issue?.message ?? '', path);
    }
    return store.list(query.data);
  });

  answer(
    routes,
    CONTRACT.makeJob,
    async ({ request: { saveId, document } }) => {
      const job = documentOf(document);
      if (!(await store.create(job, saveId)))
        throw new Refusal(409, 'id-taken', `There is a job with the id "${job.id}" already.`, 'document.id');
      return { id: job.id, revision: 1 };
    },
    { status: 201 },
  );

  /** A file whose id is in use comes in under a new id: nothing is overwritten. */
  answer(
    routes,
    CONTRACT.importJob,
    async ({ http }) => {
      const text: unknown = http.body;
      if (typeof text !== 'string')
        throw new Refusal(415, 'not-text', 'Send the text of the job file as text/plain.', '');
      const read = parseJobFile(text);
      if (!read.ok) throw badDocument(read.faults);
      const { job } = planJob(read.job);
      if (await store.create(job, crypto.randomUUID())) return { id: job.id, revision: 1 };
      const renamed = { ...job, id: crypto.randomUUID() as Job['id'] };
      await store.create(renamed, crypto.randomUUID());
      return { id: renamed.id, revision: 1 };
    },
    { status: 201 },
  );

  answer(routes, CONTRACT.openJob, async ({ id }) => opened(id, await store.open(id)));

  answer(routes, CONTRACT.saveJob, async ({ id, request: { saveId, parent, document, by }, http }) => {
    const job = documentOf(document);
    if (job.id !== id) throw new Refusal(422, 'wrong-id', `The document is job "${job.id}".`, 'document.id');
    const outcome = await store.save(job, parent, saveId, { by, device: deviceName(http) });
    if (outcome.kind === 'missing') throw missing(id);
    if (outcome.kind === 'lost')
      throw new Refusal(
        409,
        'newer-revision',
        `The job was saved elsewhere meanwhile (revision ${outcome.current.revision}). Both are kept.`,
        'parent',
        { current: outcome.current },
      );
    return { id, revision: outcome.revision };
  });

  answer(routes, CONTRACT.deleteJob, async ({ id }) => {
    if (!(await store.remove(id))) throw missing(id);
    return { id };
  });

  answer(routes, CONTRACT.restoreJob, async ({ id }) => {
    if (!(await store.restore(id))) throw missing(id);
    return { id };
  });

  answer(
    routes,
    CONTRACT.duplicateJob,
    async ({ id }) => {
      const copy = opened(id, await store.duplicate(id));
      return { id: copy.document.id, revision: copy.revision };
    },
    { status: 201 },
  );

  answer(routes, CONTRACT.revisions, async ({ id }) => {
    opened(id, await store.open(id));
    return { revisions: await store.revisions(id) };
  });

  answer(routes, CONTRACT.openSave, async ({ id, http }) => {
    const { document } = opened(id, await store.openSave(id, String(http.params['save'])));
    return { document };
  });

  answer(routes, CONTRACT.nameSave, async ({ id, request: { name }, http }) => {
    if (!(await store.nameSave(id, String(http.params['save']), name === '' ? null : name)))
      throw missing(id);
    return { ok: true as const };
  });

  answer(routes, CONTRACT.deletedJobs, async () => ({ jobs: await store.deleted() }));

  answer(routes, CONTRACT.openRevision, async ({ id, http }) => {
    const revision = Number(http.params['revision']);
    if (!Number.isInteger(revision) || revision < 1)
      throw new Refusal(400, 'bad-request', 'A revision is a number from 1.', 'revision');
    return opened(id, await store.open(id, revision));
  });

  answer(routes, CONTRACT.records, async ({ id }) => {
    if (!(await store.isThere(id))) throw missing(id);
    return { records: await records.of(id) };
  });

  answer(
    routes,
    CONTRACT.addRecord,
    async ({ id, request, http }) => {
      if (!(await store.isThere(id))) throw missing(id);
      const { retracts } = request;
      if (retracts !== null && !(await records.has(id, retracts)))
        throw new Refusal(422, 'bad-record', `There is no record "${retracts}" to take back.`, 'retracts');
      await records.add(id, { ...request, device: deviceName(http) });
      return { id: request.id };
    },
    { status: 201, refuse: 'bad-record' },
  );

  routes.get(FILE_PATHS.job, async (request, response) => {
    const id = jobIdSchema.safeParse(request.params.id);
    if (!id.success) throw missing(request.params.id);
    const { document } = opened(id.data, await store.open(id.data));
    response
      .attachment(fileName(document.name, 'json'))
      .type('application/json')
      .send(writeJobFile(document));
  });

  return routes;
};
