import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import type { Job, JobSummary } from '@amber/core';

/** The one shape of an error from the server. */
export interface Problem {
  code: string;
  message: string;
  path: string;
}

export interface JobHead {
  id: string;
  name: string;
  revision: number;
  updatedAt: string;
  summary: JobSummary;
}

export interface StoredJob {
  revision: number;
  document: Job;
}

/** What came of a request: the answer, the server's problem, or no answer at all. */
export type Answer<T> =
  | { kind: 'ok'; value: T }
  | { kind: 'refused'; status: number; problem: Problem; body: unknown }
  | { kind: 'unreachable' };

const isProblem = (body: unknown): body is Problem =>
  typeof body === 'object' && body !== null && 'code' in body && 'message' in body;

/** A server that has not answered by then is taken as unreachable; a repeated save is recognised by its id. */
const PATIENCE = 30_000;

/** One request to the server. Never throws: a lost connection is an answer of its own. */
export const ask = async <T>(path: string, init: RequestInit = {}): Promise<Answer<T>> => {
  let response: Response;
  let body: unknown;
  try {
    response = await fetch(`/api${path}`, { signal: AbortSignal.timeout(PATIENCE), ...init });
    body = await response.json();
  } catch {
    return { kind: 'unreachable' };
  }
  if (response.ok) return { kind: 'ok', value: body as T };
  const problem = isProblem(body)
    ? body
    : { code: 'unknown', message: `The server answered ${response.status}.`, path: '' };
  return { kind: 'refused', status: response.status, problem, body };
};

/** An early answer is no longer taken after so many milliseconds: another may be newer by then. */
const EARLY = 5_000;
const early = new Map<string, { at: number; answer: Promise<Answer<unknown>> }>();

/** Sends a request before anybody asks for its answer. */
export const askEarly = (path: string): void => {
  early.set(path, { at: performance.now(), answer: ask(path) });
};

/** The answer to a request that was sent a moment ago, once; else it is sent now. */
export const askOnce = <T>(path: string): Promise<Answer<T>> => {
  const sent = early.get(path);
  early.delete(path);
  const isFresh = sent !== undefined && performance.now() - sent.at < EARLY;
  return isFresh ? (sent.answer as Promise<Answer<T>>) : ask<T>(path);
};

export const jobPath = (job: string): string => `/jobs/${encodeURIComponent(job)}`;

export const askJson = <T>(method: string, path: string, body: unknown) =>
  ask<T>(path, { method, headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) });

/** The words for a request that did not succeed. */
export const sayAnswer = (answer: Exclude<Answer<unknown>, { kind: 'ok' }>): string => {
  if (answer.kind === 'unreachable') return 'The server cannot be reached. Nothing was changed.';
  const { path, message } = answer.problem;
  return path ? `${path}: ${message}` : message;
};

/** The list of jobs, cached and renewed when a job changes. */
export const jobsApi = createApi({
  reducerPath: 'jobs',
  baseQuery: fetchBaseQuery({ baseUrl: '/api' }),
  tagTypes: ['Jobs', 'Ticks'],
  endpoints: (build) => ({
    jobs: build.query<JobHead[], void>({
      query: () => '/jobs',
      transformResponse: (body: { jobs: JobHead[] }) => body.jobs,
      providesTags: ['Jobs'],
      keepUnusedDataFor: 0,
    }),
    /** Steps that are ticked off. */
    ticks: build.query<string[], string>({
      query: (job) => `${jobPath(job)}/ticks`,
      transformResponse: (body: { ticks: { step: string }[] }) => body.ticks.map((one) => one.step),
      providesTags: ['Ticks'],
    }),
  }),
});
export const { useJobsQuery, useTicksQuery } = jobsApi;
