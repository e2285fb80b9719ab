import { AxeBuilder } from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { handle, lights, makeJob, plannedYard, saved, theRun } from './support.js';

const plans = (page: Page) => page.getByRole('list', { name: 'Plans' }).locator('> li');
const searched = (page: Page) =>
  expect(page.getByText(/^\d+ plans\. That A is least by cost and judgement is proved\./)).toBeVisible({
    timeout: 60_000,
  });

test('plans are found, the first is proved, and choosing another wires the circuit that way', async ({
  page,
  request,
}) => {
  const job = await plannedYard(request);
  await page.goto(`${job}/circuits/ropewalk-lights`);
  await page.getByRole('link', { name: 'Runs' }).click();
  await expect(page.getByRole('heading', { name: 'Ways to wire Ropewalk' })).toBeVisible();
  await searched(page);
  const first = plans(page).first();
  await expect(first).toContainText('Master’s choice');
  await expect(first).toContainText(
    /\$21\.31 more than the cheapest, .: no travelers in luminaire or junction boxes/,
  );
  expect(await new AxeBuilder({ page }).analyze()).toMatchObject({ violations: [] });

  const quick = plans(page).filter({ hasText: 'Least labour' });
  await quick.getByRole('button', { name: /^Plan / }).click();
  await quick.getByRole('button', { name: 'Wire it this way' }).click();
  await expect(quick.getByText('Wired this way')).toBeVisible();
  await quick.getByRole('link', { name: 'To the bench' }).click();
  await expect(theRun(page)).toBeVisible();
  const before = await lights(page);
  await handle(page, 'Creek end').click();
  expect(await lights(page)).not.toEqual(before);
  await expect(page.getByText('4 of 4 positions work')).toBeVisible();
  await page.keyboard.press('Control+z');
  await saved(page);
});

test('another edition is searched anew, and a circuit without positions says what it leaves out', async ({
  page,
}) => {
  await makeJob(page, 'Spar shed', 'Spar shed', { switches: '2' });
  await page.getByRole('link', { name: 'Runs' }).click();
  await expect(page.getByText('plans are compared without feet of cable')).toBeVisible();
  await searched(page);
  await expect(page.getByText('Nobody has said where the boxes of Spar shed stand.')).toBeVisible();
  await expect(page.getByText('2 of 2, code asks 2')).toBeVisible();
  await page.getByLabel('Code edition').selectOption('2011');
  await searched(page);
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await expect(theRun(page)).toBeVisible();
});
