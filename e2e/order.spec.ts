import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { plannedYard, saved, accessFaults } from './support.js';

test('from a planned job to a bought, cut and tagged one, and all of it is there after a reload', async ({
  page,
  request,
}) => {
  const job = await plannedYard(request);
  await page.goto(`${job}/order`);
  await page.getByLabel('Initials').fill('JS');
  const lines = page.getByRole('status').filter({ hasText: 'to come' });
  await expect(lines).toHaveText(/36 lines, 36 to come: \$[\d,.]+ at the counter\./);
  await page.getByRole('button', { name: 'It came: 14/4' }).click();
  await page.getByLabel('In the truck: 12/2').fill('100');
  await expect(lines).toHaveText(/36 lines, 35 to come/);
  const csv = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Take-off as CSV' }).click();
  const text = readFileSync(await (await csv).path(), 'utf8');
  expect(text).toMatch(/cable,12-2,12\/2,185,100,85,foot,85 ft/);
  await page.getByRole('tab', { name: /^Cut and pull/ }).click();
  await page.getByRole('checkbox', { name: 'Cut: number 1', exact: true }).check();
  await page.getByRole('checkbox', { name: 'Pulled: number 1', exact: true }).check();
  await page.getByRole('tab', { name: 'Tags' }).click();
  await page.evaluate(() => (window.print = () => undefined));
  await page.getByRole('button', { name: 'Print 56 tags' }).click();
  await saved(page);
  await page.reload();
  await expect(lines).toHaveText(/36 lines, 35 to come/);
  await expect(page.getByRole('tab', { name: 'Cut and pull · 1 of 28' })).toBeVisible();
  // The number stands on the sheath in the picture of the box too.
  await page.goto(`${job}/boxes`);
  await page.getByRole('button', { name: 'Box Creek end' }).click();
  await expect(
    page.getByRole('region', { name: 'Fill of Creek end' }).getByText('14/3, no. 2'),
  ).toBeVisible();
});

test('a wide cable is not at the counter: the plan without it is seen, taken, and undone', async ({
  page,
  request,
}) => {
  const job = await plannedYard(request);
  await page.goto(`${job}/order`);
  await page.getByRole('button', { name: '14/4', exact: true }).click();
  await page.getByRole('button', { name: 'Not at the counter: 14/4' }).click();
  await page.getByRole('button', { name: 'Plan without it' }).click({ timeout: 60_000 });
  await expect(page.getByRole('button', { name: '14/4', exact: true })).toBeHidden();
  await expect(page.getByRole('region', { name: 'Not to be had' })).toContainText('14/4');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: '14/4', exact: true })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Not to be had' })).toBeHidden();
});

for (const [width, height] of [
  [1280, 800],
  [820, 1180],
  [390, 844],
] as const)
  test(`the order of the yard at ${width} by ${height}: no accessibility violation, nothing wider than the screen`, async ({
    page,
    request,
  }) => {
    const job = await plannedYard(request);
    await page.setViewportSize({ width, height });
    await page.goto(`${job}/order`);
    for (const name of [/^Buy/, /^Cut and pull/, /^Tags/, /^Labour and cost/, /^Packet/]) {
      await page.getByRole('tab', { name }).click();
      if (name.source.includes('Labour')) await page.getByRole('img', { name: /^labour \$/ }).waitFor();
      // What is laid out otherwise where it is narrow is the list to buy (`npm run sound` looks at all of it).
      if (width === 1280 || name.source.includes('Buy'))
        expect(await accessFaults(page, { without: '.recharts-wrapper' })).toEqual([]);
      expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
    }
  });

test('the packet of a circuit is made beside the page as a PDF, and can be stopped', async ({
  page,
  request,
}) => {
  const job = await plannedYard(request);
  await page.goto(`${job}/circuits/galley-lights/order`);
  await page.getByRole('tab', { name: 'Packet' }).click();
  await page.getByRole('checkbox', { name: 'Rough-in and final check' }).uncheck();
  await page.getByRole('button', { name: 'Make the packet' }).click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByText('Stopped. Nothing was written.')).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Make the packet' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toMatch(/Galley bench\.pdf$/);
  const bytes = readFileSync(await file.path());
  expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
  expect(bytes.length).toBeGreaterThan(60_000);
  await expect(page.getByText(/^It is made: \d+ kB\.$/)).toBeVisible();
});
