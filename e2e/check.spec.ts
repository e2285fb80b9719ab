import { expect, test, type Page } from '@playwright/test';
import { copyOfYard, makeJob, openBench, saved, accessFaults } from './support.js';

const check = (page: Page) => page.getByRole('tabpanel', { name: 'Check' });

test('a question is answered where it is asked, once, and the answer is kept', async ({ page }) => {
  await makeJob(page, 'Asked', 'Net loft', { switches: '2' });
  const kind = page.getByRole('combobox', { name: 'What kind of room is Net loft?' });
  const asked = page.getByRole('group', { name: 'Has Net loft arc-fault protection?' });
  await expect(check(page).getByText('3 questions to answer', { exact: false })).toBeVisible();
  // Whether arc-fault protection is asked for hangs on the kind of room, so that comes first.
  await expect(asked).toHaveCount(0);
  await kind.selectOption('Bedroom');
  await expect(kind).toHaveCount(0);
  await asked.getByRole('button', { name: 'No', exact: true }).click();
  await expect(check(page).getByText('no arc-fault protection for Net loft', { exact: false })).toBeVisible();
  await expect(asked).toHaveCount(0);
  await saved(page);
  await page.reload();
  await expect(check(page).getByText('no arc-fault protection for Net loft', { exact: false })).toBeVisible();
});

test('a remedy that the program can carry out clears its finding, and can be taken back', async ({
  page,
}) => {
  await makeJob(page, 'Mended', 'Porch');
  await page.getByRole('tab', { name: 'Circuit' }).click();
  await page.getByLabel('Breaker').selectOption('20');
  await page.getByRole('tab', { name: 'Check' }).click();
  await expect(check(page).getByText('14 AWG on a 20 A breaker')).toBeVisible();
  await check(page).getByRole('button', { name: 'Use 12 AWG on the whole circuit' }).click();
  await expect(check(page).getByText('No violation found')).toBeVisible();
  await expect(page.getByText('20 A · 12 AWG')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(check(page).getByText('14 AWG on a 20 A breaker')).toBeVisible();
});

test('the local authority may see a rule otherwise, and ask for more', async ({ page, request }) => {
  await page.goto(`${await copyOfYard(request, 'flood-mark')}/circuits/ropewalk-lights`);
  const card = check(page)
    .getByRole('listitem')
    .filter({ hasText: 'a traveler runs on the re-identified white' });
  await card.getByRole('button', { name: 'The local authority sees it otherwise' }).click();
  await card.getByLabel('It is taken as').selectOption('violation');
  await card.getByLabel('Who says so, and why').fill('The harbour inspector, by letter.');
  await card.getByRole('button', { name: 'Keep' }).click();
  await expect(check(page).getByText('1 violation', { exact: true })).toBeVisible();
  await expect(card.getByText('The harbour inspector, by letter.')).toBeVisible();

  await check(page)
    .getByRole('button', { name: /Local rules/ })
    .click();
  await check(page).getByLabel('What is asked').fill('No box below the flood mark');
  await check(page)
    .getByLabel('Where it is written, and why')
    .fill('Harbour rules; the shed floods in spring.');
  await check(page)
    .getByRole('combobox', { name: 'At', exact: true })
    .selectOption({ label: 'Box Yard end' });
  await check(page).getByRole('button', { name: 'Add the rule' }).click();
  const place = check(page)
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: 'Yard end' }) });
  await expect(place.getByText('No box below the flood mark')).toBeVisible();
  expect(await accessFaults(page)).toEqual([]);
});

test('another edition asks for other things', async ({ page }) => {
  await openBench(page, 'ropewalk-lights');
  await check(page)
    .getByRole('button', { name: /To verify on site/ })
    .click();
  await expect(check(page).getByText('Terminals tightened to their marked torque')).toBeVisible();
  await page.getByLabel('Edition').selectOption('2014');
  await expect(check(page).getByText('Checked by the 2014 edition', { exact: false })).toBeVisible();
  await expect(check(page).getByText('Terminals tightened to their marked torque')).toHaveCount(0);
});
