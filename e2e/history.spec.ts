import { expect, test } from '@playwright/test';
import { plannedYard, listed, accessFaults } from './support.js';

test('a state of before is named, compared and brought back, over a reload; a deleted job comes back from its list', async ({
  page,
  request,
}) => {
  const job = await plannedYard(request);
  await page.goto(`${job}/circuits/tar-store-light/layout`);
  const name = page.getByLabel('Name of the job');
  const first = await name.inputValue();
  await name.fill('North yard');
  await expect(page.getByText(/^Saved \d/)).toBeVisible();
  await page.getByRole('link', { name: 'History' }).click();
  await page.getByRole('button', { name: /Revision 1$/ }).click();
  await expect(page.getByText(`The job: name from ${first} to North yard.`)).toBeVisible();
  await page.getByLabel(/^Name; what has one/).fill('As priced for the owner');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'As priced for the owner' })).toBeVisible();
  expect(await accessFaults(page)).toEqual([]);
  await page.getByRole('button', { name: 'Bring this back' }).click();
  await expect(name).toHaveValue(first);
  await expect(page.getByRole('button', { name: /Revision 3$/ })).toBeVisible();
  await page.reload();
  await expect(name).toHaveValue(first);
  await expect(page.getByRole('button', { name: /As priced for the owner$/ })).toBeVisible();
  await listed(page, first);
  await page.getByRole('button', { name: `More for ${first}` }).click();
  await page.getByRole('menuitem', { name: 'Delete' }).click();
  await page.getByText(/^Deleted jobs, kept for 90 days/).click();
  await page.getByRole('button', { name: `Bring back ${first}` }).click();
  await expect(page.getByRole('link', { name: first, exact: true })).toBeVisible();
});
