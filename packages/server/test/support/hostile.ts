import { Agent, request } from 'node:http';
import type { AddressInfo } from 'node:net';
import { gzipSync } from 'node:zlib';
import type { Express } from 'express';
import fc from 'fast-check';

/** A request as somebody might send it who means no good, or a program that is broken. */
interface Hostile {
  method: string;
  path: string;
  headers: Record<string, string>;
  body: Buffer;
  /** The connection is cut before all of the body was sent. */
  cut: boolean;
}

const pick = <T>(...values: T[]) => fc.constantFrom(...values);
const odd = fc.oneof(
  pick(
    '%zz',
    '%',
    '..%2f..%2fetc%2fpasswd',
    '%00',
    '__proto__',
    'constructor',
    '%ud800',
    'fuzz-job',
    'a'.repeat(300),
    '%F0%9F%94%8C',
    '-1',
    '1e309',
    'NaN',
    '0x10',
  ),
  fc.string({ maxLength: 12 }).map(encodeURIComponent),
);
const path = fc.oneof(
  fc.tuple(odd).map(([id]) => `/api/jobs/${id}`),
  fc
    .tuple(
      pick('fuzz-job', '%zz', 'none'),
      pick('revisions', 'records', 'restore', 'duplicate', 'file', 'saves'),
    )
    .map(([id, word]) => `/api/jobs/${id}/${word}`),
  fc.tuple(odd, odd).map(([id, revision]) => `/api/jobs/${id}/revisions/${revision}`),
  fc.tuple(odd, odd).map(([id, save]) => `/api/jobs/${id}/saves/${save}/name`),
  odd.map((hash) => `/api/pictures/${hash}`),
  pick(
    '/api/jobs',
    '/api/jobs/import',
    '/api/catalog',
    '/api/catalog/articles',
    '/api/catalog/units',
    '/api/catalog/truck',
    '/api/pictures',
    '/api/health',
    '/api/deleted-jobs',
    '/api',
    '/api/%zz',
    '/%zz',
    '/assets/none.js',
    '/assets/%zz',
    '/jobs/x',
    '/none.css',
    '//',
    '/?%zz',
  ),
);

/** Values that are no good where anything is expected. */
const value: fc.Arbitrary<unknown> = fc.oneof(
  pick<unknown>(
    null,
    true,
    -1,
    1e308,
    2 ** 53,
    '',
    '\ud800',
    '\u0000',
    'x'.repeat(5000),
    [],
    {},
    [[[]]],
    '2026-13-45T99:00:00Z',
  ),
  fc.jsonValue({ maxDepth: 2 }),
);
const around = (fields: Record<string, fc.Arbitrary<unknown>>) =>
  fc.record(fields, { requiredKeys: [] }).map((body) => JSON.stringify(body));
const text = fc.oneof(
  around({
    saveId: fc.oneof(pick<unknown>('s-1', 's-2'), value),
    parent: fc.oneof(pick<unknown>(1, 2), value),
    document: fc.oneof(
      around({
        format: pick<unknown>(1, 12, 99),
        id: pick<unknown>('fuzz-job', '\ud800'),
        name: value,
        boxes: value,
        wirings: value,
      }).map((one) => JSON.parse(one) as unknown),
      value,
    ),
  }),
  around({
    id: fc.oneof(pick<unknown>('r-1'), value),
    kind: pick<unknown>('note', 'tick', 'photo', 'none'),
    version: pick<unknown>(1, 9),
    body: value,
    about: fc.oneof(
      pick<unknown>({ kind: 'job', id: 'fuzz-job', wiring: null, revision: null, hash: null }),
      value,
    ),
    retracts: fc.oneof(pick<unknown>(null, 'r-1'), value),
    by: fc.oneof(pick<unknown>('', '\ud800'), value),
    at: pick<unknown>('2026-11-20T10:00:00.123Z', 'yesterday'),
  }),
  around({
    id: value,
    article: fc.oneof(pick<unknown>('14-2'), value),
    amount: fc.oneof(pick<unknown>(1, 1e300), value),
  }),
  around({ articles: value, labour: value, judgement: value, defaults: value }),
  around({ name: value }),
  value.map((one) => JSON.stringify(one) ?? ''),
  pick(
    '{',
    '[[[',
    '"',
    '{"a":1e999}',
    '{"__proto__":{"x":1}}',
    `${'['.repeat(3000)}${']'.repeat(3000)}`,
    '\ufeff{}',
  ),
);
const types = pick(
  'application/json',
  'application/json; charset=utf-16',
  'application/json; charset=none',
  'text/plain',
  'text/plain; charset=',
  'image/png',
  'image/svg+xml',
  'multipart/form-data',
  ';;;',
  '',
);

export const anyHostile: fc.Arbitrary<Hostile> = fc
  .record({
    method: pick('GET', 'GET', 'POST', 'PUT', 'DELETE', 'PATCH', 'HEAD', 'OPTIONS', 'PROPFIND'),
    path,
    text,
    type: types,
    encoding: pick('', '', '', 'gzip', 'br', 'deflate', 'none'),
    isPacked: fc.boolean(),
    range: pick('', '', '', 'bytes=5-2', 'bytes=-', 'lines=1', 'bytes=0-99999999999999999999'),
    more: pick<Record<string, string>>(
      {},
      {},
      {},
      { 'if-none-match': '"' },
      { 'accept-encoding': ',,;q=2' },
      { origin: 'null' },
      { host: 'evil.example' },
      { 'if-modified-since': 'never' },
    ),
    cut: fc.integer({ min: 0, max: 40 }).map((one) => one === 0),
  })
  .map(({ method, path: to, text: words, type, encoding, isPacked, range, more, cut }) => ({
    ...{ method, path: to, cut },
    body: encoding === 'gzip' && isPacked ? gzipSync(words) : Buffer.from(words),
    headers: {
      ...(type === '' ? {} : { 'content-type': type }),
      ...(encoding === '' ? {} : { 'content-encoding': encoding }),
      ...(range === '' ? {} : { range }),
      ...more,
    },
  }));

/** Sends them, so many at once, to an application that listens for it alone; gives those that were answered with 500 or more. */
export const answersTo = async (
  app: Express,
  all: readonly Hostile[],
  atOnce = 12,
): Promise<{ answered: number; failed: { asked: Hostile; status: number }[] }> => {
  const server = app.listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  const { port } = server.address() as AddressInfo;
  const agent = new Agent({ keepAlive: true, maxSockets: atOnce });
  const failed: { asked: Hostile; status: number }[] = [];
  let [next, answered] = [0, 0];
  const send = (asked: Hostile): Promise<number> =>
    new Promise((resolve) => {
      const { method, path: to, headers, body, cut } = asked;
      const length = cut ? body.length + 10 : body.length;
      const sent = request(
        {
          host: '127.0.0.1',
          port,
          method,
          path: to,
          agent,
          headers: { ...headers, 'content-length': length },
        },
        (response) => {
          response.resume();
          response.once('end', () => resolve(response.statusCode ?? 0));
          response.once('error', () => resolve(0));
        },
      );
      sent.once('error', () => resolve(0));
      sent.write(body);
      if (cut) setTimeout(() => sent.destroy(), 5);
      else sent.end();
    });
  const worker = async () => {
    for (let asked = all[next++]; asked; asked = all[next++]) {
      const status = await send(asked);
      if (status > 0) answered++;
      if (status >= 500) failed.push({ asked, status });
    }
  };
  await Promise.all(Array.from({ length: atOnce }, worker));
  agent.destroy();
  await new Promise((resolve) => server.close(resolve));
  return { answered, failed };
};
