import { jest } from '@jest/globals';

/** A request that waits for its answer. */
export interface Sent<Body = Record<string, unknown>> {
  method: string;
  path: string;
  body: Body;
  answer: (status: number, body?: object) => void;
  /** An answer that is no JSON, as from something else than the server. */
  babble: (status: number) => void;
  /** No answer comes: the connection is lost. */
  vanish: () => void;
}

const bodyOf = (body: unknown): Record<string, unknown> => {
  try {
    return JSON.parse(String(body)) as Record<string, unknown>;
  } catch {
    return {};
  }
};

/** A server that answers when it is told to; what it was asked, in order. */
export const fakeServer = <Body = Record<string, unknown>>(): Sent<Body>[] => {
  const sent: Sent<Body>[] = [];
  globalThis.fetch = ((path: string, init: { method?: string; body?: unknown } = {}) =>
    new Promise((resolve, reject) => {
      const reply = (status: number, json: () => Promise<unknown>) =>
        resolve({ ok: status < 400, status, json, headers: new Headers() } as Response);
      sent.push({
        method: init.method ?? 'GET',
        path,
        body: bodyOf(init.body) as Body,
        answer: (status, body = {}) => reply(status, () => Promise.resolve(body)),
        babble: (status) => reply(status, () => Promise.reject(new SyntaxError('Unexpected token <'))),
        vanish: () => reject(new TypeError('network')),
      });
    })) as typeof fetch;
  return sent;
};

/** Lets so many milliseconds pass, with all that waits for them. */
export const pass = (milliseconds: number) => jest.advanceTimersByTimeAsync(milliseconds);
