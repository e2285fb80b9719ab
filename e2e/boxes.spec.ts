import { expect, test, type Page } from '@playwright/test';
import { plannedYard, saved, accessFaults } from './support.js';

const box = (page: Page, name: string) => page.getByRole('button', { name: `Box ${name}` });
const one = (page: Page, name: string) => page.getByRole('region', { name: `Fill of ${name}` });

test('a crowded box is made to fit by one of the stock, and stays so after a reload', async ({
  page,
  request,
}) => {
  const job = await plannedYard(request, ({ boxes }) => ({
    boxes: boxes.map((each) => (each.id === 'slip' ? { ...each, article: 'pancake-4' } : each)),
  }));
  await page.goto(`${job}/boxes`);
  await expect(page.getByRole('status').filter({ hasText: 'too small' })).toBeVisible();
  await page.getByLabel('Which boxes').selectOption('Too small');
  await box(page, 'Slip mast').click();
  await expect(one(page, 'Slip mast').getByText(/^too small by 2\.75 in³/)).toBeVisible();
  const take = one(page, 'Slip mast').getByRole('button', { name: 'Take Round ceiling nonmetallic 18 in³' });
  await take.click();
  await expect(one(page, 'Slip mast').getByText(/^fits, /)).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('status').filter({ hasText: 'too small' })).toBeVisible();
  await take.click();
  await saved(page);
  await page.reload();
  await box(page, 'Slip mast').click();
  await expect(one(page, 'Slip mast').getByText(/^fits, /)).toBeVisible();
});

test('a crowded box is kept, and its circuit wired another way that was planned and priced before it is offered', async ({
  page,
  request,
}) => {
  const job = await plannedYard(request, ({ boxes }) => ({
    boxes: boxes.map((each) =>
      each.id === 'landing-switches' ? { ...each, article: 'masonry-2-28' } : each,
    ),
  }));
  await page.goto(`${job}/boxes`);
  await box(page, 'Stage gate').click();
  const gate = one(page, 'Stage gate');
  await expect(gate.getByText(/^too small by/)).toBeVisible();
  await gate.getByRole('button', { name: /^What would make 2-gang masonry.* do$/ }).click();
  const offers = gate.getByRole('list', { name: /^What would make/ });
  await expect(offers.getByText(/another way: 3 cables here instead of 4/).first()).toBeVisible({
    timeout: 60_000,
  });
  await expect(offers.getByText('Settles').first()).toBeVisible();
  await offers
    .getByRole('button', { name: /^Do it/ })
    .first()
    .click();
  await expect(gate.getByText(/^full, 3\.75 in³ left/)).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(gate.getByText(/^too small by/)).toBeVisible();
});

test('by the keyboard alone: a box is found, picked, and seen opened on the bench', async ({
  page,
  request,
}) => {
  await page.goto(`${await plannedYard(request)}/boxes`);
  await page.getByLabel('Find a box').focus();
  await page.keyboard.type('galley door');
  await expect(page.getByRole('button', { name: /^Box / })).toHaveCount(1);
  await box(page, 'Galley door').focus();
  await page.keyboard.press('Enter');
  await expect(one(page, 'Galley door')).toBeVisible();
  await one(page, 'Galley door').getByRole('link', { name: 'See it opened on the bench' }).press('Enter');
  await expect(page.getByRole('region', { name: 'The run' }).first()).toBeVisible();
});

for (const [width, height] of [
  [1280, 800],
  [820, 1180],
  [390, 844],
] as const)
  test(`all boxes of the yard at ${width} by ${height}: ${width === 820 ? '' : 'no accessibility violation, '}nothing wider than the screen`, async ({
    page,
    request,
  }) => {
    await page.setViewportSize({ width, height });
    await page.goto(`${await plannedYard(request)}/boxes`);
    await box(page, 'Winch ceiling').click();
    await expect(one(page, 'Winch ceiling')).toBeVisible();
    // The tablet lays it out as the desk does.
    if (width !== 820) expect(await accessFaults(page)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
  });
