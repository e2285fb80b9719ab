import { randomUUID } from 'node:crypto';
import { expect, test, type Locator, type Page } from '@playwright/test';
import { plannedYard, accessFaults } from './support.js';

const begin = async (page: Page, exercise: RegExp, kind = 'Make it up') => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Practice' }).click();
  await page.getByRole('button', { name: kind, exact: true }).click();
  await page.getByRole('region', { name: kind }).getByRole('button', { name: exercise }).click();
  await expect(page.getByRole('complementary', { name: 'What is asked' })).toBeVisible();
};
const sound = async (page: Page) => {
  expect(await accessFaults(page)).toEqual([]);
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
};
/** The end of a wire in the picture of a box, where its colour is written. */
const tap = (wire: Locator) => wire.locator('text').last().click();

test('a wire is put by two taps, taken back, and found again after a reload; with the breaker on nobody reaches in', async ({
  page,
}) => {
  await begin(page, /^1 Single-pole, power at the switch/);
  await sound(page);
  const box = page.getByRole('article').first();
  const loose = box.getByText('loose', { exact: true });
  const count = await loose.count();
  expect(count).toBeGreaterThan(5);
  const blacks = box.locator('[data-wire^="conductor"]').filter({ hasText: 'BK' });
  await tap(blacks.first());
  await expect(page.getByRole('status', { name: 'Wire in hand' })).toBeVisible();
  await box.locator('[data-screw]').first().click();
  await expect(loose).toHaveCount(count - 1);
  await page.keyboard.press('Control+z');
  await expect(loose).toHaveCount(count);
  await page.keyboard.press('Control+Shift+z');
  await expect(loose).toHaveCount(count - 1);
  await page.getByRole('switch', { name: 'Breaker off' }).click();
  await tap(blacks.last());
  await expect(page.getByText(/^Stopped: the breaker is on/)).toBeVisible();
  await page.getByRole('button', { name: 'Done: prove it' }).click();
  await expect(page.getByText(/^It works from \d of 2 positions/)).toBeVisible();
  await sound(page);
  await page.reload();
  await page.getByRole('button', { name: /^Go on with/ }).click();
  await expect(page.getByRole('article').first().getByText('loose', { exact: true })).toHaveCount(count - 1);
});

test('a fault is looked for by keys alone: handles flipped, the breaker put off, a box opened', async ({
  page,
}) => {
  await begin(page, /^5 Two three-ways, power at the first/, 'Find the fault');
  await expect(page.getByRole('article', { name: /^Closed box/ })).toHaveCount(3);
  await sound(page);
  const first = page.getByRole('region', { name: 'Handles' }).getByRole('button').first();
  await first.focus();
  const before = await first.getAttribute('aria-label');
  await page.keyboard.press('Enter');
  await expect(first).not.toHaveAttribute('aria-label', before ?? '');
  await page.getByRole('switch', { name: 'Breaker on' }).focus();
  await page.keyboard.press('Space');
  await page.getByRole('button', { name: 'Open it' }).first().focus();
  await page.keyboard.press('Enter');
  // Off is not dead yet.
  const dead = page.getByRole('region', { name: 'Prove it dead' });
  await sound(page);
  await dead.getByRole('button', { name: /^A two-pole tester that is proved/ }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Open it' }).first().focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('article', { name: /^Closed box/ })).toHaveCount(2);
  await page.getByRole('button', { name: 'Meters' }).press('Enter');
  await expect(page.getByRole('region', { name: 'Meters' })).toBeVisible();
  await sound(page);
});

test('wires are told apart by keys alone, put on record by name, and found on the sheet after a reload', async ({
  page,
}) => {
  const learner = `Learner ${randomUUID().slice(0, 8)}`;
  await page.goto('/practice');
  await page.getByLabel('Who practises?').fill(learner);
  await page.keyboard.press('Enter');
  await expect(page.getByText('Nothing comes back today.')).toBeVisible();
  await sound(page);
  await page.getByRole('button', { name: 'Which wire', exact: true }).click();
  await page
    .getByRole('region', { name: 'Which wire' })
    .getByRole('button', { name: /^1 Single-pole/ })
    .click();
  await page.getByRole('switch', { name: 'Breaker on' }).press('Space');
  const wires = (box: number, cable: number) =>
    page.getByRole('article').nth(box).getByRole('group').nth(cable).getByRole('button');
  await wires(0, 0).first().press('Enter');
  await page.getByRole('button', { name: /^A two-pole tester that is proved/ }).press('Enter');
  // The one cable of the light: its link shows at the other end of it, in the box of the switch.
  await wires(1, 0).nth(0).press('Enter');
  await wires(1, 0).nth(1).press('Enter');
  await page.getByRole('button', { name: 'Continuity tester' }).press('Enter');
  const shows = page.getByRole('status', { name: 'The tester shows' });
  const read = async (cable: number) => {
    await wires(0, cable).nth(0).press('Enter');
    await wires(0, cable).nth(1).press('Enter');
    await expect(shows).toHaveText(/Continuity|None/);
    return shows.textContent();
  };
  const between = (await read(0)) === 'Continuity' ? 1 : 2;
  expect(await read(1)).toBe(between === 1 ? 'None' : 'Continuity');
  await sound(page);
  const leads = page.getByRole('region', { name: 'Where each leads' }).getByRole('combobox');
  await leads.nth(between === 1 ? 1 : 0).selectOption('to the panel');
  await leads.nth(2).selectOption({ index: between + 1 });
  await expect(leads.nth(between - 1)).not.toHaveValue('');
  await page.getByRole('button', { name: 'So they lead' }).press('Enter');
  await expect(page.getByRole('region', { name: 'How it comes out' }).getByRole('status')).toHaveText(
    'Right.',
  );
  await page.getByRole('button', { name: 'All exercises' }).click();
  await page.reload();
  await page.getByRole('button', { name: 'Sheet of what you can do' }).click();
  const row = page.getByRole('row', { name: /^1\. Single-pole, power at the switch/ });
  await expect(row.getByRole('cell').nth(3)).toHaveText(/^✓1 of 1Today$/);
  await sound(page);
});

test('an exercise that somebody made of a circuit is opened elsewhere, as it was left, with a word of its maker', async ({
  page,
  browser,
}) => {
  const address = await plannedYard(page.request);
  const id = address.split('/').at(-1) ?? '';
  await page.goto(`/practice?job=${id}&circuit=tar-store-light`);
  await expect(page.getByRole('heading', { name: 'Tar store, for practice' })).toBeVisible();
  await page.getByText('Save it as an exercise for others').click();
  await page.getByLabel('A word to whoever takes it').fill('Mind the white.');
  await sound(page);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'To be made up, from here on' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('Tar store, for practice.exercise.json');
  const elsewhere = await browser.newPage();
  await elsewhere.goto('/practice');
  await elsewhere.getByLabel('File of an exercise').setInputFiles(await download.path());
  await expect(elsewhere.getByRole('heading', { name: 'Tar store, for practice' })).toBeVisible();
  await expect(elsewhere.getByText('Mind the white.')).toBeVisible();
  await elsewhere.getByRole('button', { name: 'Done: prove it' }).click();
  await expect(elsewhere.getByText(/^It works from 0 of 2 positions/)).toBeVisible();
  await elsewhere.close();
});

test('cables are laid by hand on the plan, priced, found again after a reload, and held against the proved best', async ({
  page,
}) => {
  await page.goto('/practice');
  await page.getByRole('button', { name: 'Plan it', exact: true }).click();
  await page
    .getByRole('region', { name: 'Plan it' })
    .getByRole('button', { name: /^1 A room with one door/ })
    .click();
  const places = page.getByRole('group', { name: 'The place and its cables' }).getByRole('button');
  await expect(places).toHaveCount(3);
  await sound(page);
  await places.nth(0).click();
  await places.nth(1).click();
  await expect(page.getByText(/^No cable comes to .* yet\.$/)).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: /^Go on with “A room with one door”/ }).click();
  await places.nth(1).press('Enter');
  await places.nth(2).press('Enter');
  const comesTo = page.getByRole('region', { name: 'What it comes to' }).getByRole('status');
  await expect(comesTo).toHaveText(/^\$\d+\.\d\d$/);
  await page.getByRole('button', { name: 'Done: hold it against the best' }).click();
  await expect(
    page.getByRole('region', { name: 'How it comes out' }).getByText(/which is proved/),
  ).toBeVisible();
  await sound(page);
});

test.describe('on a telephone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test('one box is worked at a time, by its picture or its lists, and a hint goes three steps deep', async ({
    page,
  }) => {
    await page.goto('/practice');
    await sound(page);
    await page
      .getByRole('region', { name: 'Make it up' })
      .getByRole('button', { name: /^2 Single-pole, power at the light/ })
      .tap();
    await expect(page.getByRole('article')).toHaveCount(1);
    await sound(page);
    const inHand = page.getByLabel('Box in hand');
    const second = await inHand.locator('option').nth(1).getAttribute('value');
    await inHand.selectOption(second);
    const black = page.getByLabel(/^The black of the .* is$/).first();
    await black.selectOption('alone');
    await expect(page.getByRole('article').getByText('loose', { exact: true }).first()).toBeVisible();
    await expect(page.getByLabel(/^Connector of/)).toHaveCount(1);
    await page.getByRole('button', { name: 'Hint' }).tap();
    await page.getByRole('button', { name: 'Why?' }).tap();
    await page.getByRole('button', { name: 'Show one way' }).tap();
    await expect(page.getByText(/any other that works is as good/)).toBeVisible();
    await sound(page);
  });
});
