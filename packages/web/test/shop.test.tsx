import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import {
  judgementSchema,
  labourSchema,
  newJob,
  standardStock,
  usualDefaults,
  type Article,
  type JobId,
} from '@amber/core';
import { OwnRules } from '../src/panels/findings/OwnRules.js';
import { Habits } from '../src/panels/circuit/Habits.js';
import { OrderScreen } from '../src/screens/order/OrderScreen.js';
import { ShopScreen } from '../src/screens/shop/ShopScreen.js';
import { useAppSelector } from '../src/store/store.js';
import { jobOf, show } from './support/page.js';
import { fakeServer, type Sent } from './support/server.js';
import { yard } from './support/yard.js';

/** A shop that keeps what is put into it, as the server does. */
const openShop = (articles: Article[] = standardStock()) => {
  const sent = fakeServer();
  const kept = {
    articles,
    labour: labourSchema.parse({}),
    judgement: judgementSchema.parse({}),
    defaults: usualDefaults(),
  };
  const puts: Sent[] = [];
  const changes: object[] = [];
  const truck = new Map<string, number>();
  const serve = (one: Sent): void => {
    if (one.path === '/api/catalog') one.answer(200, kept);
    else if (one.path === '/api/catalog/history') one.answer(200, { changes });
    else if (one.path === '/api/catalog/articles') {
      puts.push(one);
      const list = one.body['articles'] as Article[];
      for (const article of list) {
        const before = kept.articles.find(({ id }) => id === article.id);
        if (before && before.price !== article.price)
          changes.unshift({
            article: article.id,
            before: before.price,
            after: article.price,
            at: '2026-01-05T08:00:00.000Z',
          });
      }
      kept.articles = [
        ...kept.articles.map((old) => list.find(({ id }) => id === old.id) ?? old),
        ...list.filter(({ id }) => !kept.articles.some((old) => old.id === id)),
      ];
      one.answer(200, { changed: list.length });
    } else if (one.path === '/api/catalog/units') {
      puts.push(one);
      Object.assign(kept, one.body);
      one.answer(200, { ok: true });
    } else if (one.path === '/api/catalog/truck') {
      const { article, amount } = one.body as { article?: string; amount?: number };
      if (article !== undefined) {
        puts.push(one);
        truck.set(article, (truck.get(article) ?? 0) + (amount ?? 0));
        one.answer(200, { ok: true });
      } else one.answer(200, { amounts: [...truck].map(([id, held]) => ({ article: id, amount: held })) });
    } else if (one.path.endsWith('/records')) one.answer(200, { records: [] });
  };
  let served = 0;
  const settle = async () => {
    // What is answered asks for more: it is quiet when nothing was asked for a while.
    for (let quiet = 0; quiet < 8; quiet++)
      await act(async () => {
        await Promise.resolve();
        if (served < sent.length) quiet = 0;
        while (served < sent.length) serve(sent[served++] as Sent);
        await new Promise((resolve) => setTimeout(resolve, 3));
      });
  };
  return { kept, puts, settle };
};

beforeEach(() => localStorage.clear());

const take = (label: string, text: string) => {
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } });
  fireEvent.blur(screen.getByLabelText(label));
};

test('a price is changed where it stands, its history told, and taken back; what is no price is not sent', async () => {
  const { kept, puts, settle } = openShop();
  show(<ShopScreen />);
  await settle();
  fireEvent.change(screen.getByLabelText('Find an article'), { target: { value: 'lever 2' } });
  expect(screen.getByText('1 of 157')).toBeTruthy();
  take('Price of Lever 2, dollars', '-1');
  expect(screen.getByText(/^From 0 to/)).toBeTruthy();
  expect(puts).toEqual([]);
  take('Price of Lever 2, dollars', '0.60');
  await settle();
  const lever = () => kept.articles.find(({ name }) => name === 'Lever 2');
  expect(lever()?.price).toBe(6_000);
  fireEvent.click(screen.getByRole('button', { name: 'Lever 2' }));
  expect(screen.getByRole('list', { name: 'Prices of Lever 2' }).textContent).toMatch(/\$0\.50 to \$0\.60/);
  fireEvent.click(screen.getByRole('button', { name: /^Undo: price of Lever 2/ }));
  await settle();
  expect(lever()?.price).toBe(5_000);
  fireEvent.click(screen.getByLabelText('Lever 2 is not to be had'));
  await settle();
  expect(lever()?.absent).toBe(true);
  expect(screen.getByText(/157 articles, 1 not to be had\./)).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'New like this' }));
  await settle();
  expect(kept.articles.at(-1)).toMatchObject({ name: 'Lever 2, another', kind: 'connector' });
});

test('what is on the truck is told in the shop, by what it is more or less than before', async () => {
  const { puts, settle } = openShop();
  show(<ShopScreen />);
  await settle();
  fireEvent.change(screen.getByLabelText('Find an article'), { target: { value: 'lever 2' } });
  fireEvent.click(screen.getByRole('button', { name: 'Lever 2' }));
  take('On the truck: Lever 2', '40');
  await settle();
  take('On the truck: Lever 2', '25');
  await settle();
  expect(puts.map(({ body }) => body['amount'])).toEqual([40, -15]);
  expect(screen.getByLabelText<HTMLInputElement>('On the truck: Lever 2').value).toBe('25');
});

test('a table is looked at before it is taken, and one with faults is refused row by row', async () => {
  const { kept, puts, settle } = openShop();
  show(<ShopScreen />);
  await settle();
  fireEvent.click(screen.getByRole('tab', { name: 'Table in and out' }));
  const bring = (text: string) =>
    fireEvent.change(screen.getByLabelText('Catalog table'), {
      target: { files: [{ name: 'prices.csv', text: () => Promise.resolve(text) }] },
    });
  bring('id,price\n14-2,free\nattic,1');
  const wrong = await screen.findByRole('alert', { name: 'What is wrong with it' });
  expect(within(wrong).getByText(/^Row 2, price: "free" is no price/)).toBeTruthy();
  expect(within(wrong).getByText(/^Row 3, id: The catalog has no article "attic"/)).toBeTruthy();
  bring('id,price,pack of,pack price\n14-2,0.55,,\nlever-2,0.5,100,40');
  const look = await screen.findByRole('region', { name: 'What it would change' });
  expect(within(look).getByText(/\$0\.50 to \$0\.55/)).toBeTruthy();
  expect(within(look).getByText(/pack of 100 for \$40\.00/)).toBeTruthy();
  expect(puts).toEqual([]);
  fireEvent.click(within(look).getByRole('button', { name: 'Take them' }));
  await settle();
  expect(kept.articles.find(({ id }) => id === '14-2')?.price).toBe(5_500);
  fireEvent.click(screen.getByRole('button', { name: 'Undo: prices.csv' }));
  await settle();
  expect(kept.articles.find(({ id }) => id === '14-2')?.price).toBe(5_000);
});

test('labour and judgement are the shop’s, and told when they are refused', async () => {
  const { kept, settle } = openShop();
  show(<ShopScreen />);
  await settle();
  fireEvent.click(screen.getByRole('tab', { name: 'Labour and judgement' }));
  // One after the other without waiting: neither loses the other.
  take('A splice, lever, minutes', '2');
  take('Traveler on a white, dollars', '9.50');
  await settle();
  expect(kept.judgement.travelerOnWhite).toBe(95_000);
  expect(kept.labour.splice.lever).toBe(2);
});

const Order = () => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <OrderScreen job={job} circuit={null} /> : null;
};

test('a job is told what the shop asks otherwise since, and takes one price, or all', async () => {
  const dearer = standardStock().map((one) => ({
    ...one,
    price: ['14-2', '12-2'].includes(one.id) ? one.price * 2 : one.price,
  }));
  const { settle } = openShop(dearer);
  const { store } = show(<Order />, { job: yard() });
  await settle();
  const told = await waitFor(() => within(screen.getByRole('region', { name: 'Prices have changed since' })));
  expect(told.getByText(/2 articles\. This order would be \$[\d,.]+ more\./)).toBeTruthy();
  const priceOf = (id: string) => jobOf(store).stock.find((one) => one.id === id)?.price;
  fireEvent.click(told.getByRole('button', { name: 'Which, and from what to what' }));
  fireEvent.click(told.getByRole('button', { name: 'Take the price of 12/2' }));
  expect([priceOf('12-2'), priceOf('14-2')]).toEqual([15_000, 5_000]);
  fireEvent.click(told.getByRole('button', { name: 'Take them all' }));
  expect(priceOf('14-2')).toBe(10_000);
  expect(screen.queryByRole('region', { name: 'Prices have changed since' })).toBeNull();
});

test('a job with the prices of the shop is told nothing', async () => {
  const { settle } = openShop();
  show(<Order />, { job: newJob('empty' as JobId, 'Empty', standardStock()) });
  await settle();
  expect(screen.queryByRole('region', { name: 'Prices have changed since' })).toBeNull();
  expect(screen.getByText('Nothing is planned yet that has to be bought.')).toBeTruthy();
});

test('new jobs begin with the habits of the shop; a job that departs is told in how many, and takes them again', async () => {
  const { kept, settle } = openShop();
  const shop = show(<ShopScreen />);
  await settle();
  fireEvent.click(screen.getByRole('tab', { name: 'New jobs' }));
  // What a habit changes is seen on an opened box, with what speaks for each school.
  const box = within(screen.getByRole('group', { name: 'Wires in Near door' }));
  expect(box.getAllByText(/^Lever \d/).length).toBeGreaterThan(1);
  expect(screen.getByText(/^Levers open again/)).toBeTruthy();
  fireEvent.change(screen.getByLabelText(/^Connectors(?! for)/), { target: { value: 'twistOn' } });
  fireEvent.change(screen.getByLabelText('Code edition in force where the shop works'), {
    target: { value: '2020' },
  });
  take('Tax, %', '8.25');
  await settle();
  expect(box.queryAllByText(/^Lever \d/)).toEqual([]);
  expect(kept.defaults).toMatchObject({
    edition: 2020,
    preferences: { connectors: 'twistOn' },
    terms: { tax: 8.25 },
  });
  shop.unmount();
  const job = newJob('j' as JobId, 'Job', standardStock());
  const { store } = show(<Habits job={job} />, { job });
  await settle();
  fireEvent.click(screen.getByRole('button', { name: 'Habits of this job' }));
  await settle();
  expect(screen.getByText('This job departs from the shop in 1 habit.')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Take the shop’s again' }));
  expect(jobOf(store).preferences.connectors).toBe('twistOn');
});

test('what a kind of article needs is told where it stands, and what cannot be is refused', async () => {
  const { kept, puts, settle } = openShop();
  show(<ShopScreen />);
  await settle();
  const find = (name: string) => {
    fireEvent.change(screen.getByLabelText('Find an article'), { target: { value: name } });
    fireEvent.click(screen.getByRole('button', { name, exact: true } as never));
  };
  find('Lever 3');
  const lever = () => kept.articles.find(({ name }) => name === 'Lever 3');
  take('Least conductors: Lever 3', '4');
  expect(screen.getByRole('alert').textContent).toBe(
    'Least conductors: the least number of conductors is above the most Nothing was changed.',
  );
  expect(puts).toEqual([]);
  take('Least conductors: Lever 3', '3');
  await settle();
  expect(lever()).toMatchObject({ conductors: [3, 3] });
  const box = kept.articles.find(({ kind }) => kind === 'box')!;
  find(box.name);
  take(`Inside, width: ${box.name}`, '2');
  take(`Inside, height: ${box.name}`, '2');
  await settle();
  // Two of three say nothing yet, and less room inside than what is counted cannot be.
  expect(kept.articles.find(({ id }) => id === box.id)).toEqual(box);
  take(`Inside, depth: ${box.name}`, '0.5');
  expect(screen.getByRole('alert').textContent).toMatch(/^Inside: .* is 2\.0 in³ at most/);
  fireEvent.click(screen.getByLabelText('Clamps inside'));
  await settle();
  expect(kept.articles.find(({ id }) => id === box.id)).toMatchObject({
    internalClamps: !(box as { internalClamps: boolean }).internalClamps,
  });
});

test('what the local authority asks is kept by the shop, and taken by a job that has it not', async () => {
  const { kept, settle } = openShop();
  const shop = show(<ShopScreen />);
  await settle();
  fireEvent.click(screen.getByRole('tab', { name: 'Local code' }));
  expect(screen.getByText(/^Nothing yet/)).toBeTruthy();
  const type = (label: string, value: string) =>
    fireEvent.change(screen.getByLabelText(label), { target: { value } });
  type('What is asked', 'Steel boxes alone');
  type('Where it is written, and why', 'Town code 12');
  fireEvent.click(screen.getByRole('button', { name: 'Add the rule' }));
  await settle();
  type('Rule of the program', 'switch-height');
  type('Who says so, and why', 'Inspector, by telephone');
  fireEvent.click(screen.getByRole('button', { name: 'Keep' }));
  await settle();
  expect(kept.defaults.amendments).toMatchObject([
    { kind: 'rule', title: 'Steel boxes alone', scope: 'job' },
    { kind: 'severity', rule: 'switch-height', severity: 'violation' },
  ]);
  shop.unmount();
  const job = newJob('j' as JobId, 'Job', standardStock());
  const { store } = show(<OwnRules job={job} circuit={null} />, { job });
  await settle();
  fireEvent.click(screen.getByRole('button', { name: /^Local rules/ }));
  expect(screen.getByText(/^The shop has 2 local amendments/)).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Take the shop’s' }));
  expect(jobOf(store).amendments).toEqual(kept.defaults.amendments);
});
