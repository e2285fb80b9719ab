import fc from 'fast-check';
import {
  articlesOf,
  catalogSheet,
  amendmentsMissing,
  departsIn,
  reviewJob,
  shopDefaultsSchema,
  usualDefaults,
  withAmendmentsOf,
  withShopDefaults,
  csvOf,
  newJob,
  pricesSince,
  readCatalogSheet,
  standardStock,
  withPrices,
  type Article,
  type ArticleId,
  type JobId,
} from '../src/index.js';

const catalog = standardStock();
const lines = (...rows: string[]): string => rows.join('\n');
const faultsOf = (text: string) => {
  const read = readCatalogSheet(text, catalog);
  return read.ok ? [] : read.faults.map(({ row, column, message }) => `${row} ${column}: ${message}`);
};

test('what was sent out comes in again and changes nothing; what was changed in it comes in as that and nothing else', () => {
  const text = csvOf(catalogSheet(catalog));
  expect(readCatalogSheet(text, catalog)).toEqual({ ok: true, changes: [] });
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: catalog.length - 1 }),
      fc.integer({ min: 0, max: 9_999_999 }),
      fc.string({ minLength: 1, maxLength: 30 }),
      (at, price, called) => {
        const name = called.trim() === '' ? 'Plain' : called.trim();
        const changed = catalog.map((one, i): Article =>
          i === at ? { ...one, price, absent: true, name } : one,
        );
        const read = readCatalogSheet(csvOf(catalogSheet(changed)), catalog);
        if (!read.ok) throw new Error(JSON.stringify(read.faults));
        const [only, ...others] = read.changes;
        expect(others).toEqual([]);
        expect(only?.before).toEqual(catalog[at]);
        expect(only?.after).toMatchObject({ id: catalog[at]?.id, price, absent: true });
      },
    ),
    { seed: 77, numRuns: 120 },
  );
});

test('columns may be left out and stand otherwise, and what is not named stays', () => {
  const read = readCatalogSheet(lines('price,id', '0.60,14-2', '"$1,250.00",14-3'), catalog);
  if (!read.ok) throw new Error('refused');
  expect(read.changes.map(({ after: { id, price, pack, name } }) => [id, price, pack, name])).toEqual([
    ['14-2', 6_000, null, '14/2'],
    ['14-3', 12_500_000, null, '14/3'],
  ]);
});

test('every kind of fault is told by its row and column, and then nothing is taken', () => {
  expect(
    faultsOf(
      lines(
        'id,kind,price,pack of,pack price,coil price,sold singly,not to be had',
        '14-2,cable,-1,,,,,',
        'nowhere,cable,1,,,,,',
        '14-3,box,1,,,,,maybe',
        'lever-2,connector,1,1,2,,,',
        'lever-3,connector,1,,2,5,,',
        '14-2,cable,1,,,,,',
        '14-4,cable,1,,,,,no,too many',
      ),
    ),
  ).toEqual([
    '2 price: "-1" is no price; write dollars from 0 up, as 1.25.',
    '3 id: The catalog has no article "nowhere"; for a new one, write under "like" which it is like.',
    '4 kind: "14-3" is a cable; what an article is does not change.',
    '4 not to be had: "maybe" is neither yes nor no.',
    '5 pack of: "1" is no whole number of 2 or more; leave it empty where it comes in no pack.',
    '6 coil price: Only cable comes in a coil.',
    '6 pack of: A pack has a price and no count: say how many are in it.',
    '7 id: "14-2" stands in row 2 too; one row for each article.',
    '8 : It has 9 cells and 8 heads; put a text with a comma in quotes.',
  ]);
  expect(faultsOf('name,price\nx,1')[0]).toMatch(/^0 : The first row has no column "id"/);
  expect(faultsOf('id,cost\n14-2,1')[0]).toMatch(/There is no column "cost"/);
  expect(faultsOf(`id,price\n${'14-2,1\n'.repeat(50_000)}`)).toEqual([
    '0 : It has 50,000 rows; up to 5,000 are read at once. Bring it in in parts.',
  ]);
  expect(faultsOf('')[0]).toMatch(/no column "id"/);
});

test('a job is told what has another price since, and takes the new prices of those it is asked to alone', () => {
  const job = newJob('j' as JobId, 'Job', catalog);
  expect(pricesSince(job, catalog)).toEqual([]);
  const dearer = catalog.map((one) =>
    one.id === '14-2' || one.id === 'lever-2' ? { ...one, price: one.price + 1_000 } : one,
  );
  const since = pricesSince(job, dearer);
  expect(since.map(({ article }) => article).sort()).toEqual(['14-2', 'lever-2']);
  for (const { was, is } of since) expect(is.price - was.price).toBe(1_000);
  const taken = withPrices(job, dearer, new Set(['14-2' as ArticleId]));
  expect(pricesSince(taken, dearer).map(({ article }) => article)).toEqual(['lever-2']);
  // A coil is priced with its cable; what the job knows of an article beside its prices stays.
  const coil = dearer.map((one) =>
    one.id === '14-2' && one.kind === 'cable' ? { ...one, coilPrice: 1, name: 'Other' } : one,
  );
  const cable = articlesOf(withPrices(job, coil, new Set(['14-2' as ArticleId])).stock, 'cable').find(
    ({ id }) => id === '14-2',
  );
  expect(cable).toMatchObject({ coilPrice: 1, name: '14/2' });
  // What the shop has not, or as something else, is passed over.
  expect(pricesSince(job, [])).toEqual([]);
});

test('a new job begins with what the shop says, and is told where it departs from its habits', () => {
  const usual = usualDefaults();
  const job = newJob('j' as JobId, 'Job', catalog);
  // A shop that has said nothing changes nothing.
  expect(withShopDefaults(job, usual)).toEqual(job);
  expect(departsIn(job, usual)).toEqual([]);
  const shop = {
    edition: 2017 as const,
    preferences: { ...usual.preferences, connectors: 'pushIn' as const, tail: 8 },
    terms: { ...usual.terms, markup: 15 },
    drawsDown: false,
    amendments: [],
  };
  expect(departsIn(job, shop)).toEqual(['connectors', 'tail']);
  const begun = withShopDefaults(job, shop);
  expect(begun).toMatchObject({
    edition: 2017,
    preferences: shop.preferences,
    order: { terms: { markup: 15 } },
  });
  expect(departsIn(begun, shop)).toEqual([]);
});

test('a new article comes in by a table as like one that is there, and needs a name of its own', () => {
  const read = readCatalogSheet(
    lines('id,like,name,price,pack of,pack price', 'deep-one,14-2,14/2 on a drum,0.40,,', '14-2,,,0.55,,'),
    catalog,
  );
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const like = catalog.find(({ id }) => id === '14-2');
  expect(read.changes[0]).toEqual({
    before: { ...like, id: 'deep-one', absent: true },
    after: { ...like, id: 'deep-one', name: '14/2 on a drum', price: 4_000, absent: false },
  });
  expect(read.changes[1]?.after).toMatchObject({ id: '14-2', price: 5_500 });
  expect(faultsOf(lines('id,like,name', 'a,nothing,A', 'b,14-2,', '14-2,14-3,X', 'c,,C'))).toEqual([
    '2 like: The catalog has no article "nothing" that a new one could be like.',
    '3 name: A new article has a name of its own.',
    '4 like: "14-2" is in the catalog already; leave "like" empty.',
    '5 id: The catalog has no article "c"; for a new one, write under "like" which it is like.',
  ]);
});

test('what the local authority asks where the shop works comes with a new job, and a job is told where it has it not', () => {
  const rule = {
    ...{ kind: 'rule' as const, id: 'one', scope: 'job' as const, severity: 'violation' as const },
    ...{ title: 'Steel boxes alone', text: 'Town code 12.' },
  };
  const waived = {
    ...{ kind: 'severity' as const, id: 'severity:switch-height', scope: 'job' as const },
    ...{ rule: 'switch-height', severity: 'waived' as const, note: 'Inspector, by telephone.' },
  };
  const shop = { ...usualDefaults(), amendments: [rule, waived] };
  const job = newJob('j' as JobId, 'Job', catalog);
  expect(amendmentsMissing(job, shop)).toEqual([rule, waived]);
  const begun = withShopDefaults(job, shop);
  expect(amendmentsMissing(begun, shop)).toEqual([]);
  expect(reviewJob(begun).findings.map(({ what }) => what)).toContain('Steel boxes alone');
  // A job keeps its own; what it said otherwise under the same name is the shop's again.
  const own = { ...rule, id: 'own', title: 'Of this job' };
  const other = { ...job, amendments: [own, { ...waived, note: 'Another.' }] };
  expect(amendmentsMissing(other, shop)).toEqual([rule, waived]);
  expect(withAmendmentsOf(other, shop).amendments).toEqual([own, rule, waived]);
  // In the shop nothing is of one room or box.
  const placed = shopDefaultsSchema.safeParse({ ...shop, amendments: [{ ...rule, scope: { box: 'b' } }] });
  expect(placed.success).toBe(false);
});
