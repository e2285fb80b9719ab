import { expect, test } from '@playwright/test';
import { plannedYard, accessFaults } from './support.js';

test('a pair is proved on a telephone, with the connection lost on the way; what is wrong stops it', async ({
  page,
  request,
}) => {
  const job = await plannedYard(request);
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${job}/circuits/ropewalk-lights/prove`);
  await page.getByLabel('Initials').fill('JS');
  await page.getByRole('button', { name: 'An electrician' }).click();
  const met = page.getByRole('button', { name: 'As expected' });
  await met.click();
  await page.context().setOffline(true);
  await met.click();
  await expect(page.getByText('No connection: answers are kept here')).toBeVisible();
  await page.getByRole('button', { name: 'Not so' }).click();
  await page
    .getByRole('button', { name: 'dark', exact: true })
    .or(page.getByRole('button', { name: 'lit', exact: true }))
    .click();
  await expect(page.getByText('It does not do what it should: stop here.')).toBeVisible();
  await page.context().setOffline(false);
  await expect(page.getByText('No connection')).toBeHidden({ timeout: 40_000 });
  await page.reload();
  await expect(page.getByText('It does not do what it should: stop here.')).toBeVisible();
  await page.getByRole('button', { name: /It is mended/ }).click();
  await met.click();
  await met.click();
  await expect(page.getByText('Every group was tried in every position.')).toBeVisible();
  await page.getByRole('tab', { name: 'Sign' }).click();
  await page.getByRole('button', { name: 'Sign: Final' }).click();
  await expect(page.getByRole('button', { name: 'Take back: Final' })).toBeVisible();
});

for (const [width, height] of [
  [1280, 800],
  [390, 844],
] as const)
  test(`the test sheet of the yard at ${width} by ${height}: no accessibility violation, nothing wider than the screen`, async ({
    page,
    request,
  }) => {
    const job = await plannedYard(request);
    await page.setViewportSize({ width, height });
    await page.goto(`${job}/prove`);
    await page.getByLabel('Initials').fill('JS');
    await page.getByRole('button', { name: 'An electrician' }).click();
    for (const name of [/^Test sheet/, /^Before power/, /^Points to touch/, /^Where it bites/, /^Sign/]) {
      await page.getByRole('tab', { name }).click();
      if (name.source.includes('power')) await expect(page.getByText(/readings show/)).toBeVisible();
      if (name.source.includes('bites'))
        await expect(page.getByRole('list', { name: / bites$/ })).toBeVisible();
      // What is laid out otherwise on a telephone is the sheet (`npm run sound` looks at all of it).
      if (width === 1280 || name.source.includes('sheet')) expect(await accessFaults(page)).toEqual([]);
      expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
    }
  });
