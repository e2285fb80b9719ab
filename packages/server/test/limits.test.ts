import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import request from 'supertest';
import type { DataSource } from 'typeorm';
import { createApp, storesOn } from '../src/index.js';
import { svgFault } from '../src/http/svgBounds.js';
import { freshSource } from './support/api.js';

let source: DataSource;
beforeAll(async () => {
  source = await freshSource();
});
afterAll(() => source.destroy());

const WIDE = { perClient: 1e6, atOnce: 1e6, largeAtOnce: 1e6 };

test('one client that asks too much is told to wait, and the pages of the program still come', async () => {
  const api = request(createApp({ ...storesOn(source), limits: { ...WIDE, perClient: 5 } }));
  for (let i = 0; i < 5; i++) await api.get('/api/catalog/truck').expect(200);
  const refused = await api.get('/api/catalog/truck').expect(429);
  expect(refused.body).toMatchObject({ code: 'too-many' });
});

test('more than can be answered at once is put off, and goes when there is room again', async () => {
  const stores = storesOn(source);
  const waiting: (() => void)[] = [];
  stores.store.deleted = () => new Promise((resolve) => waiting.push(() => resolve([])));
  const app = createApp({ ...stores, limits: { ...WIDE, atOnce: 2 } });
  const server = await new Promise<Server>((resolve) => {
    const listening: Server = app.listen(0, '127.0.0.1', () => resolve(listening));
  });
  const ask = () => fetch(`http://127.0.0.1:${(server.address() as AddressInfo).port}/api/deleted-jobs`);
  try {
    const first = [ask(), ask()];
    while (waiting.length < 2) await new Promise((resolve) => setTimeout(resolve, 10));
    const refused = await ask();
    expect([refused.status, refused.headers.get('retry-after')]).toEqual([503, '2']);
    expect(await refused.json()).toMatchObject({ code: 'busy' });
    for (const go of waiting) go();
    for (const one of await Promise.all(first)) expect(one.status).toBe(200);
    const later = ask();
    while (waiting.length < 3) await new Promise((resolve) => setTimeout(resolve, 10));
    waiting.at(-1)?.();
    expect((await later).status).toBe(200);
  } finally {
    server.close();
  }
});

const svg = (inside: string, head = '') => `${head}<svg xmlns="http://www.w3.org/2000/svg">${inside}</svg>`;
/** Twenty parts, each of which draws the one before it four times: a billion of the last. */
const growing = Array.from(
  { length: 20 },
  (_, i) => `<g id="a${i + 1}">${`<use href="#a${i}"/>`.repeat(4)}</g>`,
).join('');

test.each([
  ['many elements', svg('<path/>'.repeat(60_000)), /more than 50,000 elements/],
  ['elements deep in one another', svg(`${'<g>'.repeat(200)}${'</g>'.repeat(200)}`), /100 deep/],
  ['parts drawn again and again', svg(`<path id="a0"/>${growing}`), /draws parts of itself so often/],
  ['a part that draws itself', svg('<g id="a"><use xlink:href="#a"/></g>'), /draws parts of itself/],
  [
    'text that grows out of itself',
    svg('&b;', '<!DOCTYPE svg [<!ENTITY a "x"><!ENTITY b "&a;&a;">]>'),
    /defines text of its own/,
  ],
  ['no end', '<svg><g>', /no well-formed SVG/],
])('a drawing of %s is refused with the reason', async (_name, text, why) => {
  const api = request(createApp(storesOn(source)));
  const began = performance.now();
  const refused = await api.post('/api/pictures').type('image/svg+xml').send(Buffer.from(text)).expect(422);
  expect(refused.body).toMatchObject({
    code: 'not-a-picture',
    message: expect.stringMatching(why) as string,
  });
  expect(performance.now() - began).toBeLessThan(5_000);
});

test('a plan of a house, with symbols drawn hundreds of times, is taken', () => {
  const door = '<g id="door"><path d="M0 0L3 0"/><path d="M0 0A3 3 0 0 1 3 3"/></g>';
  expect(svgFault(svg(`<defs>${door}</defs>${'<use href="#door" x="1"/>'.repeat(900)}`))).toBeNull();
  expect(svgFault(`<?xml version="1.0"?>${svg('<use href="#none"/><text>8\' &lt; 9\'</text>')}`)).toBeNull();
});
