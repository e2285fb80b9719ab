import { pathOf, problemSchema, type Endpoint, type Problem } from '@amber/core';
import type * as z from 'zod';

/**
 * What came of a request: the answer; the server's refusal with its reason; no answer at all; or an answer that this page does not
 * understand, as one from a server of another version.
 */
export type Answer<T> =
  /** `keptAt`: no connection; it is the answer of that moment, as this browser kept it. */
  | { kind: 'ok'; value: T; keptAt?: string }
  | { kind: 'refused'; status: number; problem: Problem; body: unknown }
  | { kind: 'unreachable' }
  /** `passing` where something on the way may have answered in place of the server. */
  | { kind: 'strange'; status: number; why: string; passing: boolean };
export type Failed = Exclude<Answer<unknown>, { kind: 'ok' }>;

type BodyOf<E extends Endpoint> = E['request'] extends z.ZodType ? z.input<E['request']> : undefined;
export type AnswerOf<E extends Endpoint> = z.output<E['answer']>;

/** What goes with a request: the ids of its path, its query, its body, or text and bytes as they are. */
export interface Asking<E extends Endpoint> {
  ids?: Readonly<Record<string, string | number>>;
  query?: Readonly<Record<string, string | number>>;
  body?: BodyOf<E>;
  raw?: { type: string; body: BodyInit };
}

/** Told to the page when the server lets this device in no more. */
export const NO_ACCESS = 'amber-no-access';

/** A server that has not answered by then is taken as unreachable; a repeated save is recognised by its id. What is sent as a file takes its time. */
const PATIENCE = 10_000;
const PATIENCE_WITH_FILES = 60_000;

const initOf = <E extends Endpoint>({ method }: E, { body, raw }: Asking<E>): RequestInit => ({
  signal: AbortSignal.timeout(raw === undefined ? PATIENCE : PATIENCE_WITH_FILES),
  method,
  ...(raw === undefined ? {} : { headers: { 'Content-Type': raw.type }, body: raw.body }),
  ...(body === undefined
    ? {}
    : { headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) }),
});

/** When an answer was given that the browser kept; null of one that the server gives now. */
const keptAtOf = ({ headers }: Response): string | null => {
  const kept = headers.get('x-amber-kept');
  if (kept === null) return null;
  const at = new Date(kept);
  return Number.isNaN(at.getTime()) ? new Date(0).toISOString() : at.toISOString();
};

const read = async <E extends Endpoint>(endpoint: E, response: Response): Promise<Answer<AnswerOf<E>>> => {
  const { status } = response;
  let body: unknown;
  try {
    body = await response.json();
  } catch (error) {
    // The connection broke on the way, or something else than the server answered.
    if (!(error instanceof SyntaxError)) return { kind: 'unreachable' };
    return { kind: 'strange', status, why: 'The answer is not JSON.', passing: true };
  }
  if (response.ok) {
    const answer = endpoint.answer.safeParse(body);
    if (answer.success) {
      const value = answer.data as AnswerOf<E>;
      const keptAt = keptAtOf(response);
      return keptAt === null ? { kind: 'ok', value } : { kind: 'ok', value, keptAt };
    }
    const [issue] = answer.error.issues;
    return {
      ...{ kind: 'strange', status, passing: false },
      why: `${issue?.path.join('.') ?? ''}: ${issue?.message ?? ''}`,
    };
  }
  if (status === 401) dispatchEvent(new Event(NO_ACCESS));
  const problem = problemSchema.safeParse(body);
  if (problem.success) return { kind: 'refused', status, problem: problem.data, body };
  return { kind: 'strange', status, why: `It answers ${status} without a reason.`, passing: status >= 500 };
};

const addressOf = <E extends Endpoint>(endpoint: E, { ids, query = {} }: Asking<E>): string => {
  const words = new URLSearchParams(Object.entries(query).map(([name, value]) => [name, String(value)]));
  return `/api${pathOf(endpoint, ids)}${words.size === 0 ? '' : `?${words.toString()}`}`;
};

/** One request to the server, by the contract. Never throws: a lost connection is an answer of its own. */
export const ask = async <E extends Endpoint>(
  endpoint: E,
  asking: Asking<E> = {},
): Promise<Answer<AnswerOf<E>>> => {
  let response: Response;
  try {
    response = await fetch(addressOf(endpoint, asking), initOf(endpoint, asking));
  } catch {
    return { kind: 'unreachable' };
  }
  return read(endpoint, response);
};

/** An early answer is no longer taken after so many milliseconds: another may be newer by then. */
const EARLY = 5_000;
const early = new Map<string, { at: number; answer: Promise<Answer<unknown>> }>();

/** Sends a request before anybody asks for its answer. */
export const askEarly = (endpoint: Endpoint, ids: Readonly<Record<string, string>>): void => {
  early.set(pathOf(endpoint, ids), { at: performance.now(), answer: ask(endpoint, { ids }) });
};

/** The answer to a request that was sent a moment ago, once; else it is sent now. */
export const askOnce = <E extends Endpoint>(
  endpoint: E,
  ids: Readonly<Record<string, string>>,
): Promise<Answer<AnswerOf<E>>> => {
  const path = pathOf(endpoint, ids);
  const sent = early.get(path);
  early.delete(path);
  const isFresh = sent !== undefined && performance.now() - sent.at < EARLY;
  return isFresh ? (sent.answer as Promise<Answer<AnswerOf<E>>>) : ask(endpoint, { ids });
};

/**
 * Is it worth while to ask the same again later? What the server refuses for good is not; a device that is not let in now may be again, and what it has is not to be
 * lost by that.
 */
export const mayComeBack = (failed: Failed): boolean => {
  if (failed.kind === 'unreachable') return true;
  return failed.kind === 'strange'
    ? failed.passing
    : failed.status >= 500 || [401, 429].includes(failed.status);
};

/** Of what is wrong with a file so many are told after the first. */
const MOST_TOLD = 4;

/** The sentence first, for people; then where it is in the file, for who has to look. */
const saidAt = (path: string, message: string): string =>
  path === '' || path === 'file' ? message : `${message} (${path})`;

/** The words for a request that did not succeed: the server refused, because; or it does not answer. */
export const sayFailed = (failed: Failed): string => {
  switch (failed.kind) {
    case 'unreachable':
      return 'The server does not answer. Nothing was changed.';
    case 'refused': {
      const { path, message, faults = [] } = failed.problem;
      const [, ...others] = faults;
      const more = others.length - MOST_TOLD;
      return [
        `The server refused: ${saidAt(path, message)}`,
        ...others.slice(0, MOST_TOLD).map((one) => saidAt(one.path, one.message)),
        ...(more > 0 ? [`and ${more} more`] : []),
      ].join('\n');
    }
    case 'strange':
      return `The server answers what this page does not understand. Load the page anew. ${failed.why}`;
  }
};
