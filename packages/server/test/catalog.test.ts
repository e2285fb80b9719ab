import type { DataSource } from 'typeorm';
import {
  judgementSchema,
  labourSchema,
  planJob,
  newJob,
  standardStock,
  usualDefaults,
  type Article,
  type Catalog,
  type Job,
  type JobId,
} from '@amber/core';
import { CatalogStore } from '../src/index.js';
import { ArticleEntity } from '../src/store/entities.js';
import { Faces1700000000008 } from '../src/store/faces.js';
import { MoreStock1700000000010 } from '../src/store/moreStock.js';
import { SpliceMinutes1700000000009 } from '../src/store/splices.js';
import { SquareBoxes1700000000006 } from '../src/store/migrations.js';
import { apiOn, freshSource } from './support/api.js';

let source: DataSource;
beforeAll(async () => {
  source = await freshSource();
});
afterAll(() => source.destroy());

interface Answer {
  articles: Article[];
  labour: Job['labour'];
  judgement: Job['judgement'];
}

test('the catalog gives the standard stock with prices, as the core knows it', async () => {
  const { articles, labour, judgement } = (await apiOn(source).get('/api/catalog').expect(200))
    .body as Answer;
  expect(articles).toEqual(standardStock());
  expect(labour).toEqual(labourSchema.parse({}));
  expect(judgement).toEqual(judgementSchema.parse({}));
  const job = newJob('from-catalog' as Job['id'], 'From the catalog', articles, labour);
  expect(planJob(job).circuits).toEqual([]);
});

test('a changed price and a removed article outlive another start', async () => {
  const articles = source.getRepository(ArticleEntity);
  await articles.update({ id: 'crimp-ground' }, { price: '6100' });
  await articles.delete({ id: 'push-in-8' });
  const catalog = new CatalogStore(source);
  await catalog.seed();
  const read = await catalog.read();
  expect(read.articles.find((one) => one.id === 'crimp-ground')?.price).toBe(6100);
  expect(read.articles.some((one) => one.id === 'push-in-8')).toBe(false);
});

test('servers that start together on one database prepare it once', async () => {
  const sources = await Promise.all([freshSource(), freshSource(), freshSource()]);
  const [row] = await source.query<{ count: string }[]>(
    "SELECT COUNT(*) AS count FROM notes WHERE name = 'catalog'",
  );
  expect(Number(row?.count)).toBe(1);
  await Promise.all(sources.map((one) => one.destroy()));
});

test('a catalog of before gets the round rings, and its square boxes hold no luminaire by themselves', async () => {
  const articles = source.getRepository(ArticleEntity);
  await articles.delete({ id: 'ring-4-round' });
  const square = await articles.findOneByOrFail({ id: 'square-42' });
  const { shape: _, ...before } = JSON.parse(square.details) as Record<string, unknown>;
  await articles.update(
    { id: 'square-42' },
    { details: JSON.stringify({ ...before, supports: 50 }), price: '123400' },
  );
  const runner = source.createQueryRunner();
  await new SquareBoxes1700000000006().up(runner);
  await runner.release();
  const answer = (await apiOn(source).get('/api/catalog').expect(200)).body as Answer;
  expect(answer.articles.find((one) => one.id === 'square-42')).toMatchObject({
    shape: 'square',
    supports: 0,
    price: 123_400,
  });
  const wanted = standardStock().find((one) => one.id === 'ring-4-round');
  // What it measures inside, nobody has told of it.
  expect(answer.articles.find((one) => one.id === 'ring-4-round')).toEqual({ ...wanted, inside: null });
});

test('the devices of a catalog of before get their faces, and the other faces of the standard stock at their price', async () => {
  const articles = source.getRepository(ArticleEntity);
  const runner = source.createQueryRunner();
  const faces = new Faces1700000000008();
  await faces.down(runner);
  const bare = await articles.findOneByOrFail({ id: 'four-way-15' });
  expect(bare.details).not.toContain('"face"');
  await articles.update({ id: 'four-way-15' }, { price: '98700' });
  await articles.delete({ id: 'four-way-15-in-below' });
  await faces.up(runner);
  await runner.release();
  const answer = (await apiOn(source).get('/api/catalog').expect(200)).body as Answer;
  const find = (id: string) => answer.articles.find((one) => one.id === id);
  const usual = find('four-way-15');
  const placeOf = (terminal: string) =>
    usual?.kind === 'device' ? usual.terminals.find((one) => one.name === terminal)?.face : null;
  expect(usual?.price).toBe(98_700);
  expect(placeOf('in 1')).toEqual({ kind: 'screw', side: 'left', height: 20, colour: 'dark', marked: 'IN' });
  const wanted = standardStock().find((one) => one.id === 'four-way-15-in-below');
  expect(find('four-way-15-in-below')).toEqual({ ...wanted, price: 98_700 });
});

test('the minutes of a splice that the shop had set hold for every family of connectors, and stock that came later is added', async () => {
  const runner = source.createQueryRunner();
  const [splices, more] = [new SpliceMinutes1700000000009(), new MoreStock1700000000010()];
  await splices.down(runner);
  await runner.query("UPDATE labour_units SET value = 2.25 WHERE name = 'splice'");
  const articles = source.getRepository(ArticleEntity);
  await articles.delete({ id: 'steel-3-54' });
  await articles.update({ id: 'strap-1-18' }, { price: '31000' });
  await splices.up(runner);
  await more.up(runner);
  await runner.release();
  const { articles: listed, labour } = (await apiOn(source).get('/api/catalog').expect(200)).body as Answer;
  expect(new Set(Object.values(labour.splice))).toEqual(new Set([2.25]));
  const find = (id: string) => listed.find((one) => one.id === id);
  expect(find('steel-3-54')).toEqual(standardStock().find((one) => one.id === 'steel-3-54'));
  expect(find('strap-1-18')?.price).toBe(31_000);
});

test('the prices of judgement of the shop go into what is read, each at its own', async () => {
  await source.query("UPDATE judgement_prices SET price = 120000 WHERE name = 'travelersThrough'");
  const { judgement } = (await apiOn(source).get('/api/catalog').expect(200)).body as Answer;
  expect(judgement).toEqual({ ...judgementSchema.parse({}), travelersThrough: 120_000 });
});

test('articles are put in and changed, all or none; their prices are kept as they were', async () => {
  const api = apiOn(source);
  const { articles } = (await api.get('/api/catalog').expect(200)).body as Answer;
  const [first, second] = articles;
  if (!first || !second) throw new Error('an empty catalog');
  const dearer = { ...first, price: first.price + 100 };
  const made = { ...second, id: 'made-here', name: 'Made here' };
  const put = (list: unknown[]) => api.put('/api/catalog/articles').send({ articles: list });
  expect((await put([dearer, made]).expect(200)).body).toEqual({ changed: 2 });
  // The same again changes nothing, and adds nothing to the history.
  expect((await put([dearer, made]).expect(200)).body).toEqual({ changed: 0 });
  const after = ((await api.get('/api/catalog').expect(200)).body as Answer).articles;
  expect(after.find(({ id }) => id === first.id)).toEqual(dearer);
  expect(after.at(-1)).toEqual(made);
  expect(after).toHaveLength(articles.length + 1);
  const { changes } = (await api.get('/api/catalog/history').expect(200)).body as { changes: object[] };
  expect(changes).toEqual([
    {
      article: first.id,
      before: first.price,
      after: first.price + 100,
      at: expect.stringMatching(/Z$/) as string,
    },
  ]);
  const refused = await put([
    { ...dearer, price: 5 },
    { ...made, price: -1 },
  ]).expect(400);
  expect(refused.body).toMatchObject({ path: expect.stringContaining('price') as string });
  const still = ((await api.get('/api/catalog').expect(200)).body as Answer).articles;
  expect(still.find(({ id }) => id === first.id)).toEqual(dearer);
  expect((await api.get('/api/catalog/history').expect(200)).body).toEqual({ changes });
});

test('labour units and prices of judgement are put anew, and refused where one is out of range', async () => {
  const api = apiOn(source);
  const { labour, judgement, defaults } = (await api.get('/api/catalog').expect(200)).body as Catalog;
  // A shop that has said nothing begins its jobs with the first of each school.
  expect(defaults).toEqual(usualDefaults());
  const units = {
    labour: { ...labour, rate: 910_000 },
    judgement: { ...judgement, hotOnWhite: 1 },
    defaults: {
      ...{ ...defaults, edition: 2020, terms: { ...defaults.terms, tax: 8.25 } },
      amendments: [
        { kind: 'rule', id: 'one', scope: 'job', severity: 'caution', title: 'Steel alone', text: 'Town 12' },
      ],
    },
  };
  await api.put('/api/catalog/units').send(units).expect(200);
  expect((await api.get('/api/catalog').expect(200)).body).toMatchObject(units);
  await api
    .put('/api/catalog/units')
    .send({ ...units, labour: { ...labour, run: -1 } })
    .expect(400);
  expect((await api.get('/api/catalog').expect(200)).body).toMatchObject(units);
  await api.put('/api/catalog/units').send({ labour, judgement, defaults }).expect(200);
});

test('what is on the truck is what was put there less what records took off; taken back once, it is there again once', async () => {
  const api = apiOn(source);
  const amounts = async () =>
    ((await api.get('/api/catalog/truck').expect(200)).body as { amounts: object[] }).amounts;
  expect(await amounts()).toEqual([]);
  const move = { id: 'first', article: '14-2', amount: 250 };
  await api.post('/api/catalog/truck').send(move).expect(200);
  // The answer was lost: the same move comes again.
  await api.post('/api/catalog/truck').send(move).expect(200);
  await api.post('/api/catalog/truck').send({ id: 'second', article: 'lever-2', amount: -3 }).expect(200);
  await api.post('/api/catalog/truck').send({ id: 'third', article: '14-2', amount: 'all' }).expect(400);
  const id = 'truck-job';
  const document = newJob(id as JobId, 'Truck', standardStock());
  await api.post('/api/jobs').send({ saveId: 'truck', document }).expect(201);
  const about = { kind: 'cable', id: 'a', wiring: null, revision: null, hash: null };
  const record = {
    ...{ id: 'r1', kind: 'pulled', version: 1, about, retracts: null, by: 'JS' },
    ...{ body: { length: 240, draws: { article: '14-2', amount: 20.1 } }, at: '2026-11-30T08:00:00.000Z' },
  };
  const back = (name: string) => ({
    ...{ ...record, id: name, kind: 'retraction', retracts: 'r1', body: {} },
    about: { ...about, kind: 'job', id },
  });
  const add = (one: object) => api.post(`/api/jobs/${id}/records`).send(one);
  expect((await add(record)).status).toBeLessThan(300);
  expect((await add(record)).status).toBeLessThan(300);
  expect(await amounts()).toEqual([
    { article: '14-2', amount: 229.9 },
    { article: 'lever-2', amount: -3 },
  ]);
  for (const one of ['b1', 'b1', 'b2']) expect((await add(back(one))).status).toBeLessThan(300);
  expect(await amounts()).toEqual([
    { article: '14-2', amount: 250 },
    { article: 'lever-2', amount: -3 },
  ]);
});
