import type { Request, Router } from 'express';
import type * as z from 'zod';
import { jobIdSchema, type Endpoint, type JobId } from '@amber/core';
import { missing, Refusal, type RefusalCode } from './problems.js';

/** What a handler is given: the ids of the path, and the body as the contract has it. */
export interface Asked<Body> {
  /** Of the job that the path names; empty where it names none. */
  id: JobId;
  request: Body;
  http: Request;
}

type BodyOf<E extends Endpoint> = E['request'] extends z.ZodType ? z.output<E['request']> : undefined;

/** Parses the body of a request; what is wrong with it is told by path. */
const bodyOf = <E extends Endpoint>({ request }: E, body: unknown, code: RefusalCode): BodyOf<E> => {
  if (request === null) return undefined as BodyOf<E>;
  const parsed = request.safeParse(body);
  if (parsed.success) return parsed.data as BodyOf<E>;
  const [issue] = parsed.error.issues;
  throw new Refusal(
    code === 'bad-request' ? 400 : 422,
    code,
    issue?.message ?? 'The request is not understood.',
    issue?.path.join('.') ?? '',
  );
};

const idOf = (http: Request): JobId => {
  const id = http.params['id'];
  if (typeof id !== 'string') return '' as JobId;
  const parsed = jobIdSchema.safeParse(id);
  if (!parsed.success) throw missing(id);
  return parsed.data;
};

/** The setting of an application that gives the database more or less time. */
export const PATIENCE_SETTING = 'seconds for the database';

/** Seconds that the database is given. A page has asked for longer than that, and is told which of the two does not answer. */
export const PATIENCE = 8;

/** What is awaited, or that it has not come in time. */
const inTime = <T>(work: Promise<T> | T, seconds: number): Promise<T> => {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(
      () =>
        reject(
          new Refusal(
            503,
            'database-down',
            `The database has not answered for ${seconds} seconds. Try it again.`,
          ),
        ),
      seconds * 1000,
    );
  });
  return Promise.race([Promise.resolve(work), late]).finally(() => clearTimeout(timer));
};

/**
 * Answers one endpoint of the contract: its body comes parsed, and the compiler holds the answer to what the page will parse.
 * `refuse` is the code for a body that does not fit.
 */
export const answer = <E extends Endpoint>(
  routes: Router,
  endpoint: E,
  handle: (asked: Asked<BodyOf<E>>) => Promise<z.input<E['answer']>> | z.input<E['answer']>,
  { status = 200, refuse = 'bad-request' }: { status?: number; refuse?: RefusalCode } = {},
): void => {
  const method = endpoint.method.toLowerCase() as 'get' | 'post' | 'put' | 'delete';
  routes[method](endpoint.path, async (http, response) => {
    const id = idOf(http);
    const request = bodyOf(endpoint, http.body as unknown, refuse);
    const seconds = (http.app.get(PATIENCE_SETTING) as number | undefined) ?? PATIENCE;
    response.status(status).json(await inTime(handle({ id, request, http }), seconds));
  });
};
