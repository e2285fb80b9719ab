import type { ErrorRequestHandler, Response } from 'express';
import type { FileFault, Problem, ProblemCode } from '@amber/core';
import { isPassing } from '../store/again.js';

/** Code, message for people, path into what was sent. */
type Told = Pick<Problem, 'code' | 'message' | 'path'>;

export type RefusalCode = ProblemCode;

/** Thrown by a route; answered in the one shape. */
export class Refusal extends Error {
  readonly status: number;
  readonly problem: Told;
  readonly more: object;

  constructor(status: number, code: RefusalCode, message: string, path = '', more: object = {}) {
    super(message);
    this.status = status;
    this.problem = { code, message, path };
    this.more = more;
  }
}

export const missing = (id: string) => new Refusal(404, 'missing', `There is no job "${id}".`, 'id');

/** A document that the core's schema refuses; all faults go along, the first one leads. */
export const badDocument = (faults: readonly FileFault[]) => {
  const [first] = faults;
  return new Refusal(422, 'bad-job', first?.message ?? 'The job file is not valid.', first?.path ?? '', {
    faults,
  });
};

const send = (response: Response, status: number, problem: Told, more: object = {}) =>
  void response.status(status).json({ ...problem, ...more });

/** The database is away or refuses connections; nothing was stored. */
const isDatabaseDown = (error: unknown): boolean => {
  const code =
    (error as { driverError?: { code?: string }; code?: string }).driverError?.code ??
    (error as { code?: string }).code;
  return ['ECONNREFUSED', 'ECONNRESET', 'PROTOCOL_CONNECTION_LOST', 'ETIMEDOUT', 'EPIPE'].includes(
    code ?? '',
  );
};

/** The database says so in several ways: by name, or by the number that the system gave it. */
const isDiskFull = (error: unknown): boolean => {
  const { code, sqlMessage } =
    (error as { driverError?: { code?: string; sqlMessage?: string } }).driverError ?? {};
  return (
    ['ER_DISK_FULL', 'ER_RECORD_FILE_FULL'].includes(code ?? '') ||
    /No space left|[Ee]rrno:? 28\b/.test(sqlMessage ?? '')
  );
};

/** Values that the database cannot hold, as half a character: whoever sent them is told, and nothing was stored. */
const UNHOLDABLE = new Set([
  'ER_TRUNCATED_WRONG_VALUE_FOR_FIELD',
  'ER_TRUNCATED_WRONG_VALUE',
  'ER_DATA_TOO_LONG',
  'ER_WARN_DATA_OUT_OF_RANGE',
  'ER_CANT_AGGREGATE_2COLLATIONS',
]);

/** What went wrong before any of our code was asked is told with a status of its own: a path, a range, an encoding that is none. */
const ownFault = (error: unknown): number | null => {
  const { status, driverError } = error as { status?: unknown; driverError?: { code?: string } };
  if (typeof status === 'number' && status >= 400 && status < 500) return status;
  if (error instanceof URIError) return 400;
  return UNHOLDABLE.has(driverError?.code ?? '') ? 422 : null;
};

export const answerProblems: ErrorRequestHandler = (error: unknown, _request, response, next) => {
  if (response.headersSent) return next(error);
  if (error instanceof Refusal) return send(response, error.status, error.problem, error.more);
  const { type, limit = 0 } = error as { type?: string; limit?: number };
  if (type === 'entity.too.large')
    return send(response, 413, {
      code: 'too-large',
      message: `This is larger than ${limit / 2 ** 20} MB, which is the most that is taken here.`,
      path: '',
    });
  if (type === 'entity.parse.failed')
    return send(response, 400, {
      code: 'not-json',
      message: `This is not JSON: ${(error as Error).message}`,
      path: '',
    });
  const status = ownFault(error);
  if (status !== null)
    return send(response, status, {
      code: status === 404 ? 'missing' : 'bad-request',
      message: `This request is not understood: ${(error as Error).message}`,
      path: '',
    });
  if (isDatabaseDown(error))
    return send(response, 503, {
      code: 'database-down',
      message: 'The database does not answer. Nothing was stored.',
      path: '',
    });
  if (isPassing(error))
    return send(response, 503, {
      code: 'busy',
      message: 'Others change the same at this moment. Nothing was stored; try it again.',
      path: '',
    });
  if (isDiskFull(error))
    return send(response, 507, {
      code: 'disk-full',
      message: 'The disk of the database is full. Nothing was stored.',
      path: '',
    });
  console.error(error);
  send(response, 500, {
    code: 'internal',
    message: 'The server met an error it did not expect. Nothing was stored.',
    path: '',
  });
};
