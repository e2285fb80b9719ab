import { expect, test } from '@playwright/test';
import { plannedYard, accessFaults } from './support.js';

test('a price is changed in the shop and taken by one job of two; the other keeps what it was priced with', async ({
  page,
  request,
}) => {
  const [one, two] = [await plannedYard(request), await plannedYard(request)];
  await page.goto('/shop');
  const price = page.getByLabel('Price of Shallow pancake 4 in³, dollars');
  const before = await price.inputValue();
  await price.fill('4.75');
  await price.press('Enter');
  await expect(page.getByRole('button', { name: 'Undo: price of Shallow pancake 4 in³' })).toBeVisible();
  await page.goto(`${one}/order`);
  const since = page.getByRole('region', { name: 'Prices have changed since' });
  await expect(since).toContainText('1 article. This order would be as much.');
  await since.getByRole('button', { name: 'Take them all' }).click();
  await expect(since).toBeHidden();
  await page.goto(`${two}/order`);
  await expect(since).toContainText('1 article');
  // As it was, for whoever comes next.
  await page.goto('/shop');
  await price.fill(before);
  await price.press('Enter');
  await expect(page.getByRole('button', { name: /^Undo: price of/ })).toBeVisible();
});

for (const [width, height] of [
  [1280, 800],
  [390, 844],
] as const)
  test(`the shop at ${width} by ${height}: no accessibility violation, nothing wider than the screen`, async ({
    page,
  }) => {
    await page.setViewportSize({ width, height });
    await page.goto('/shop');
    await page.getByLabel('Kind of article').selectOption('Connectors');
    for (const name of ['Articles', 'Labour and judgement', 'New jobs', 'Table in and out']) {
      await page.getByRole('tab', { name }).click();
      // What is laid out otherwise on a telephone is the catalog (`npm run sound` looks at all of it).
      if (width === 1280 || name === 'Articles') expect(await accessFaults(page)).toEqual([]);
      expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
    }
  });
