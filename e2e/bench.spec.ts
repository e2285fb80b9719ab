import { expect, test } from '@playwright/test';
import type { Job } from '@amber/core';
import { handle, lights, makeJob, openBench, saved, theRun, listed, accessFaults } from './support.js';

test('the demo lights and goes dark from either end, by click and by key', async ({ page }) => {
  await openBench(page, 'ropewalk-lights');
  expect(await lights(page)).toEqual(['lit', 'lit', 'lit']);
  await handle(page, 'Creek end').click();
  expect(await lights(page)).toEqual(['dark', 'dark', 'dark']);
  await page.keyboard.press('2');
  expect(await lights(page)).toEqual(['lit', 'lit', 'lit']);
  await page.keyboard.press('1');
  expect(await lights(page)).toEqual(['dark', 'dark', 'dark']);
  await expect(page.getByText('4 of 4 positions work')).toBeVisible();
});

test('amber follows the hot: one traveler is live while the luminaires are off', async ({ page }) => {
  await openBench(page, 'ropewalk-lights');
  const first = page.getByRole('article', { name: 'Box Creek end' });
  const live = () =>
    first
      .locator('[data-live]')
      .evaluateAll((all) => all.map((one) => one.querySelector('title')?.textContent));
  expect(await live()).toEqual(expect.arrayContaining(['black: hot, live now', 'black: traveler, live now']));
  await page.keyboard.press('1');
  expect(await live()).toEqual(expect.arrayContaining(['black: hot, live now', 'red: traveler, live now']));
});

test('box fill answers first and gives the arithmetic on request', async ({ page }) => {
  await openBench(page, 'ropewalk-lights');
  await page.getByRole('tab', { name: 'Box fill' }).click();
  const panel = page.getByRole('tabpanel');
  await panel.getByRole('button', { name: /Middle bay/ }).click();
  await expect(panel.getByRole('row', { name: /8 conductors, 14 AWG/ })).toContainText('16.0');
  await expect(panel.getByRole('row', { name: 'Needed 18.0' })).toBeVisible();
  await panel.getByLabel('Box').selectOption({ label: 'Shallow pancake 6 in³' });
  await expect(panel.getByText('Would not pass: 12.0 in³ over.')).toBeVisible();
  await page.getByRole('tab', { name: 'Check' }).click();
  await expect(page.getByText('Middle bay: 18.0 in³ needed, 6.0 in³ there')).toBeVisible();
  await expect(page.getByText('Use the Steel octagon 4 x 2 1/8 box.')).toBeVisible();
  await page.keyboard.press('Control+z');
  // The whole job is inspected anew, on a machine that does something else as well.
  await expect(page.getByText('No violation found')).toBeVisible({ timeout: 60_000 });
});

test('another edition, another judgement', async ({ page }) => {
  const job = await openBench(page, 'tar-store-light');
  await expect(page.getByText('No violation found')).toBeVisible();
  await page.goto(`${job}/circuits/ropewalk-lights`);
  await page.getByLabel('Code edition').selectOption('2011');
  // In 2011 each switch gets a neutral, so the last run grows to four conductors.
  const yard = page.getByRole('article', { name: 'Box Yard end' });
  await expect(yard.locator('text', { hasText: '14/4' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(yard.locator('text', { hasText: '14/3' })).toBeVisible();
});

test('a circuit of one own: made, flipped, changed, saved, found again', async ({ page }) => {
  const address = await makeJob(page, 'Sail loft conversion', 'Sail loft', {
    way: 'Power at the light, down to the switches',
  });
  expect(await lights(page)).toEqual(['lit']);
  await handle(page, 'Switch 2').click();
  expect(await lights(page)).toEqual(['dark']);

  await page.getByRole('tab', { name: 'Circuit' }).click();
  await page.getByRole('button', { name: '+ Switch location' }).click();
  await expect(handle(page, 'Switch 3')).toBeVisible();
  await page.getByRole('tab', { name: 'Check' }).click();
  await expect(page.getByText('8 of 8 positions work')).toBeVisible();

  await page.getByRole('tab', { name: 'Circuit' }).click();
  await page.getByLabel('Whole floor visible from the switches?').selectOption('yes');
  await page.getByLabel('Power enters at').selectOption({ label: 'Switch 1' });
  await page.getByRole('button', { name: 'Luminaire', exact: true }).click();
  await page.getByLabel('Measured length of that cable').fill('12 potatoes');
  await expect(page.getByText('Write feet and inches')).toBeVisible();
  await page.getByLabel('Measured length of that cable').fill(`12' 6"`);
  await page.getByLabel('Measured length of that cable').press('Enter');
  await expect(theRun(page)).toContainText(`12'-6"`);
  await saved(page);
  await page.goto(address);
  await expect(theRun(page)).toContainText(`12'-6"`);
  await expect(handle(page, 'Switch 3')).toBeVisible();
});

test('what cannot be planned is kept and told', async ({ page }) => {
  await makeJob(page, 'Unfinished', 'Shed', { switches: '1' });
  await page.getByRole('tab', { name: 'Circuit' }).click();
  await page.getByRole('button', { name: 'Switch 1', exact: true }).click();
  await page.getByRole('button', { name: 'Take this place out' }).click();
  await expect(page.getByText('Nothing to draw yet')).toBeVisible();
  await page.getByRole('tab', { name: 'Check' }).click();
  await expect(page.getByText('Shed has no switch')).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByText('Shed has no switch')).toBeVisible();
  await listed(page, 'Unfinished');
  await expect(
    page.getByRole('listitem').filter({ hasText: 'Unfinished' }).getByText('not planned yet'),
  ).toBeVisible();
});

test('a ring of cables is kept, told and taken out', async ({ page, request }) => {
  await makeJob(page, 'Ringed', 'Shed', { switches: '2' });
  await saved(page);
  const id = new URL(page.url()).pathname.split('/')[2] ?? '';
  const stored = (await (await request.get(`/api/jobs/${id}`)).json()) as { revision: number; document: Job };
  const [choice] = stored.document.choices;
  const [first, , last] = choice!.runs;
  const runs = [...choice!.runs, { from: first!.to, to: last!.to }];
  const document = { ...stored.document, choices: [{ ...choice, runs }] };
  const put = await request.put(`/api/jobs/${id}`, {
    data: { saveId: 'ring', parent: stored.revision, document },
  });
  expect(put.status()).toBe(200);
  await page.reload();
  await expect(page.getByText('closes a ring of cables')).toBeVisible();
  await page.getByRole('button', { name: 'Take this run out' }).click();
  await expect(page.getByText('4 of 4 positions work')).toBeVisible();
});

test('14 AWG on a 20 A breaker is a violation with its section, and leads to its box', async ({ page }) => {
  await makeJob(page, 'Wrong size', 'Porch', { switches: '1' });
  await page.getByRole('tab', { name: 'Circuit' }).click();
  await page.getByLabel('Breaker').selectOption('20');
  await page.getByRole('tab', { name: 'Check' }).click();
  await expect(page.getByText('14 AWG on a 20 A breaker')).toBeVisible();
  await expect(page.getByText('240.4(D)').first()).toBeVisible();
  await page.getByRole('button', { name: 'Switch 1 to Luminaire' }).click();
  await expect(
    page.getByRole('article', { name: 'Box Luminaire' }).getByRole('button').first(),
  ).toHaveAttribute('aria-pressed', 'true');
});

test('names are never run as markup, and long ones do not break the page', async ({ page }) => {
  const name = `<img src=x onerror="document.title='run'"> ${'ветер '.repeat(30)}`.slice(0, 200);
  await makeJob(page, name, name);
  await expect(page).toHaveTitle('Amber Junction');
  await expect(page.getByLabel('Name of the job')).toHaveValue(name.trim());
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
});

for (const [what, path, width, height] of [
  ['the jobs', '/', 1280, 800],
  ['the bench', '/jobs/heron-yard/circuits/ropewalk-lights', 1280, 800],
  ['a new circuit', '/jobs/heron-yard/start', 1280, 800],
  ['the layout', '/jobs/heron-yard/circuits/long-shed-lights/layout', 1280, 800],
  ['the layout on a telephone', '/jobs/heron-yard/circuits/long-shed-lights/layout', 390, 844],
  ['the runs on a telephone', '/jobs/heron-yard/circuits/winch-lights/runs', 390, 844],
  ['the bench on a telephone', '/jobs/heron-yard/circuits/ropewalk-lights', 390, 844],
] as const)
  test(`${what}: no accessibility violation, nothing wider than the screen`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    await page.goto(path);
    // What stands on paper alone is there before the screen is.
    if (what === 'the bench on a telephone') await expect(page.getByRole('checkbox').first()).toBeVisible();
    else if (what.startsWith('the bench')) await expect(page.getByText(/^Checked by the/)).toBeAttached();
    else await expect(page.getByText('Work dead:').filter({ visible: true }).first()).toBeVisible();
    expect(await accessFaults(page)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
  });
