import express, { Router, type Request } from 'express';
import * as z from 'zod';
import { jobIdSchema, parseJobFile, planJob, readJob, writeJobFile, type Job } from '@amber/core';
import type { JobStore, OpenOutcome, StoredJob } from '../store/jobs.js';
import { LONGEST_STEP } from '../store/entities.js';
import type { TickStore } from '../store/ticks.js';
import { badDocument, missing, Refusal } from './problems.js';

const saveIdSchema = z.string().min(1).max(100);
const createSchema = z.object({ saveId: saveIdSchema, document: z.unknown() });
const saveSchema = z.object({ saveId: saveIdSchema, parent: z.int().min(1), document: z.unknown() });

const tickSchema = z.object({
  id: saveIdSchema,
  step: z.string().min(1).max(LONGEST_STEP),
  done: z.boolean(),
});

/** Parses the envelope of a request; the document inside is the core's to judge. */
const envelope = <T>(schema: z.ZodType<T>, body: unknown): T => {
  const parsed = schema.safeParse(body);
  if (parsed.success) return parsed.data;
  const [issue] = parsed.error.issues;
  throw new Refusal(
    400,
    'bad-request',
    issue?.message ?? 'The request is not understood.',
    issue?.path.join('.') ?? '',
  );
};

const documentOf = (document: unknown): Job => {
  const read = readJob(document);
  if (!read.ok) throw badDocument(read.faults.map((fault) => ({ ...fault, path: `document.${fault.path}` })));
  return read.job;
};

const idOf = (request: Request): string => {
  const parsed = jobIdSchema.safeParse(request.params['id']);
  if (!parsed.success) throw missing(String(request.params['id']));
  return parsed.data;
};

const opened = (id: string, outcome: OpenOutcome): StoredJob => {
  if (outcome.kind === 'missing') throw missing(id);
  if (outcome.kind === 'unreadable') throw badDocument(outcome.faults);
  return outcome.job;
};

/** A file name that every system takes; the name itself is inside the file. */
const fileName = (name: string): string =>
  `${
    name
      .replace(/[^\p{L}\p{N} _-]/gu, '')
      .trim()
      .slice(0, 80) || 'job'
  }.json`;

/** Jobs over HTTP. Documents are up to 2 MB. */
export const jobRoutes = (store: JobStore, ticks: TickStore): Router => {
  const routes = Router();
  routes.use(express.json({ limit: '2mb' }));
  routes.use(express.text({ limit: '2mb', type: 'text/plain' }));

  routes.get('/', async (_request, response) => {
    response.json({ jobs: await store.list() });
  });

  routes.post('/', async (request, response) => {
    const { saveId, document } = envelope(createSchema, request.body);
    const job = documentOf(document);
    if (!(await store.create(job, saveId)))
      throw new Refusal(409, 'id-taken', `There is a job with the id "${job.id}" already.`, 'document.id');
    response.status(201).json({ id: job.id, revision: 1 });
  });

  /** Takes the text of a job file. A file whose id is in use comes in under a new id: nothing is overwritten. */
  routes.post('/import', async (request, response) => {
    if (typeof request.body !== 'string')
      throw new Refusal(415, 'not-text', 'Send the text of the job file as text/plain.', '');
    const read = parseJobFile(request.body);
    if (!read.ok) throw badDocument(read.faults);
    const { job } = planJob(read.job);
    const renamed = { ...job, id: crypto.randomUUID() as Job['id'] };
    const stored = (await store.create(job, crypto.randomUUID())) ? job : renamed;
    if (stored === renamed) await store.create(renamed, crypto.randomUUID());
    response.status(201).json({ id: stored.id, revision: 1 });
  });

  routes.get('/:id', async (request, response) => {
    const id = idOf(request);
    response.json(opened(id, await store.open(id)));
  });

  routes.put('/:id', async (request, response) => {
    const id = idOf(request);
    const { saveId, parent, document } = envelope(saveSchema, request.body);
    const job = documentOf(document);
    if (job.id !== id) throw new Refusal(422, 'wrong-id', `The document is job "${job.id}".`, 'document.id');
    const outcome = await store.save(job, parent, saveId);
    if (outcome.kind === 'missing') throw missing(id);
    if (outcome.kind === 'lost')
      throw new Refusal(
        409,
        'newer-revision',
        `The job was saved elsewhere meanwhile (revision ${outcome.current.revision}). Both are kept.`,
        'parent',
        { current: outcome.current },
      );
    response.json({ id, revision: outcome.revision });
  });

  routes.delete('/:id', async (request, response) => {
    const id = idOf(request);
    if (!(await store.remove(id))) throw missing(id);
    response.json({ id });
  });

  routes.post('/:id/restore', async (request, response) => {
    const id = idOf(request);
    if (!(await store.restore(id))) throw missing(id);
    response.json({ id });
  });

  routes.post('/:id/duplicate', async (request, response) => {
    const id = idOf(request);
    const copy = opened(id, await store.duplicate(id));
    response.status(201).json({ id: copy.document.id, revision: copy.revision });
  });

  routes.get('/:id/file', async (request, response) => {
    const id = idOf(request);
    const { document } = opened(id, await store.open(id));
    response.attachment(fileName(document.name)).type('application/json').send(writeJobFile(document));
  });

  routes.get('/:id/ticks', async (request, response) => {
    const id = idOf(request);
    opened(id, await store.open(id));
    response.json({ ticks: await ticks.of(id) });
  });

  routes.post('/:id/ticks', async (request, response) => {
    const id = idOf(request);
    const tick = envelope(tickSchema, request.body);
    opened(id, await store.open(id));
    await ticks.add(id, tick);
    response.status(201).json(tick);
  });

  routes.get('/:id/revisions', async (request, response) => {
    const id = idOf(request);
    opened(id, await store.open(id));
    response.json({ revisions: await store.revisions(id) });
  });

  routes.get('/:id/revisions/:revision', async (request, response) => {
    const id = idOf(request);
    const revision = Number(request.params['revision']);
    if (!Number.isInteger(revision) || revision < 1)
      throw new Refusal(400, 'bad-request', 'A revision is a number from 1.', 'revision');
    response.json(opened(id, await store.open(id, revision)));
  });

  return routes;
};
