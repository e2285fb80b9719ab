import { expect, test, type Page } from '@playwright/test';
import { plannedYard, saved, accessFaults } from './support.js';

const walk = (page: Page, name: 'Rough-in' | 'Final') =>
  page.getByRole('button', { name: new RegExp(`^${name},`) });
const stop = (page: Page, name: string) => page.getByRole('region', { name, exact: true });
const sentence = (page: Page, of: 'roughIn' | 'final') => page.getByTestId(`ready-${of}`);

const openCheck = async (page: Page, change?: Parameters<typeof plannedYard>[1]) => {
  const job = await plannedYard(page.request, change);
  await page.goto(`${job}/check`);
  await expect(sentence(page, 'roughIn')).toBeVisible();
  return job;
};

/** A picture of a framed wall that is seen straight on, made here. */
const wallPicture = async (page: Page) => {
  const made = await page.context().newPage();
  await made.setViewportSize({ width: 600, height: 400 });
  await made.setContent(
    '<body style="margin:0;background:#999"><div style="position:absolute;left:60px;top:50px;width:480px;height:300px;background:#ccc"></div>',
  );
  const buffer = await made.screenshot();
  await made.close();
  return { name: 'wall.png', mimeType: 'image/png', buffer };
};

test('the rough-in walk: ticked with note, initials and a photograph, kept; the box is changed and its ticks fall open', async ({
  page,
}) => {
  const job = await openCheck(page);
  await page.getByLabel('Initials').fill('RF');
  const box = stop(page, 'Box Creek end');
  const free = box.getByRole('listitem').filter({ hasText: 'Free conductor' });
  await free.getByRole('button', { name: /^Note: Free conductor/ }).click();
  await free.getByLabel(/^What was seen/).fill('8 in, all of them');
  await free.getByRole('button', { name: 'Seen' }).click();
  await expect(free.getByText('Seen by RF today', { exact: false })).toContainText('8 in, all of them');
  await box.getByRole('button', { name: 'All seen at Creek end' }).click();
  await expect(box.getByText('all seen', { exact: false })).toBeVisible();
  await box.getByRole('button', { name: 'Photographs of Creek end' }).click();
  await box.getByLabel('Photograph of Creek end').setInputFiles(await wallPicture(page));
  await expect(box.getByRole('list', { name: 'Photographs of Creek end' }).getByRole('img')).toHaveCount(1);
  const before = await sentence(page, 'roughIn').textContent();
  await page.reload();
  await expect(box.getByRole('checkbox').first()).toBeChecked();
  await expect(box.getByRole('list', { name: 'Photographs of Creek end' }).getByRole('img')).toHaveCount(1);
  await expect(sentence(page, 'roughIn')).toHaveText(before ?? '');

  // Another box is taken: what was seen there was seen in the one of before.
  await page.goto(`${job}/boxes`);
  await page.getByRole('button', { name: 'Box Creek end' }).click();
  await page.getByRole('button', { name: 'Take 1-gang nonmetallic 22.5 in³' }).click();
  await saved(page);
  await page.goto(`${job}/check`);
  await expect(box.getByRole('checkbox').first()).not.toBeChecked();
  await expect(free.getByText('Changed since.', { exact: false })).toContainText('Seen by RF');
  await expect(walk(page, 'Rough-in')).toContainText('changed since');
  await free.getByRole('checkbox').check();
  await expect(free.getByText('Changed since.', { exact: false })).toHaveCount(0);
});

test('crowded boxes: a remedy is looked at before it is done, several are taken together, and one undo takes them back', async ({
  page,
}) => {
  await openCheck(page, ({ boxes }) => ({
    boxes: boxes.map((each) =>
      ['slip', 'stage-post-1'].includes(each.id) ? { ...each, article: 'pancake-4' } : each,
    ),
  }));
  const mend = page.getByRole('region', { name: 'To mend first' });
  const problems = mend.getByRole('button');
  const count = await problems.count();
  expect(count).toBeGreaterThan(0);
  await expect(sentence(page, 'roughIn')).toContainText('violation');
  await problems.first().click();
  await page.getByRole('button', { name: 'What it costs to mend' }).first().click();
  const offers = page.getByRole('list', { name: 'Remedies' }).first();
  await expect(offers.getByText(/\$\d+\.\d\d (more|less)/).first()).toBeVisible({ timeout: 20_000 });
  await expect(offers.getByText('Settles').first()).toBeVisible();
  await page.getByRole('button', { name: 'Look', exact: true }).click();
  const together = page.getByRole('region', { name: 'Remedies together' });
  await expect(together).toBeVisible({ timeout: 30_000 });
  await together.getByRole('button', { name: /^Take / }).click();
  await expect(mend).toHaveCount(0);
  await expect(sentence(page, 'roughIn')).not.toContainText('violation');
  await page.keyboard.press('Control+z');
  await expect(problems).toHaveCount(count);
});

test('questions are answered for all alike, once it was seen what each answer changes', async ({ page }) => {
  await openCheck(page);
  await page.getByRole('tab', { name: /^Questions · / }).click();
  const boxes = page.getByRole('region', { name: 'About the boxes' });
  await boxes.getByRole('button', { name: /^Loft door: what each answer would change/ }).click();
  await expect(
    boxes.getByRole('list', { name: 'What each answer would change' }).getByText('Settles').first(),
  ).toBeVisible({ timeout: 30_000 });
  const loft = boxes.getByLabel('Does something else spare the neutral at Loft door?');
  await boxes.getByLabel(/^All \d+ alike: Does something else spare/).selectOption('Nothing');
  // The row stays where it was, with its answer; taken back it is open again.
  await expect(loft).toHaveValue('none');
  await page.keyboard.press('Control+z');
  await expect(loft).toHaveValue('');
});

test('two editions side by side, and what the local authority decided at one box', async ({ page }) => {
  await openCheck(page);
  await page.getByRole('tab', { name: 'Editions and local rules' }).click();
  await page.getByLabel('The other edition').selectOption('2014');
  const only = page.getByRole('region', { name: 'Only by 2023' });
  await expect(only.getByText('Terminals tightened to their marked torque', { exact: false })).toBeVisible();
  const planned = page.getByRole('region', { name: 'Planned by 2014' });
  await expect(planned.getByText(/No cost|\$|Price not known/).first()).toBeVisible({ timeout: 30_000 });
  await planned.getByRole('button', { name: 'Go by 2014' }).click();
  await expect(page.getByText('By the 2014 edition. The authority decides.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Only by 2014' })).toBeVisible();

  await page.getByRole('tab', { name: 'Walk' }).click();
  await walk(page, 'Final').click();
  const finding = page.getByRole('listitem').filter({ hasText: 'the white is the switch leg' }).last();
  await finding.getByRole('button', { name: 'The local authority sees it otherwise' }).click();
  await finding.getByLabel('Where').selectOption({ index: 1 });
  await finding.getByLabel('Who says so, and why').fill('The harbour inspector, by letter.');
  await finding.getByRole('button', { name: 'Keep' }).click();
  await page.getByRole('tab', { name: 'Editions and local rules' }).click();
  const decided = page.getByRole('region', { name: 'What the authority decided' });
  await expect(decided.getByText('The harbour inspector, by letter.')).toBeVisible();
  await expect(decided.getByText('It touches 1 finding now.')).toBeVisible();
});

test('permit, inspection and a correction that stands against the walk until it is cleared', async ({
  page,
}) => {
  await openCheck(page);
  await page.getByRole('tab', { name: 'Permit and inspections' }).click();
  await page.getByLabel('Initials').fill('RF');
  await page.getByLabel('Permit number').fill('EL-2291');
  await page.getByRole('region', { name: 'Permit' }).getByRole('button', { name: 'Note it' }).click();
  await expect(page.getByText('EL-2291')).toBeVisible();
  const held = page.getByRole('region', { name: 'Inspections' });
  await held.getByLabel('It was').selectOption('held');
  await held.getByLabel('What the inspector said').fill('A plate is missing.');
  await held.getByRole('button', { name: 'Note it' }).click();
  const corrections = page.getByRole('region', { name: 'Corrections' });
  await corrections.getByLabel('Where').selectOption({ label: 'Yard end' });
  await corrections.getByLabel('What is to be put right').fill('A plate at the second stud.');
  await corrections.getByRole('button', { name: 'Note it' }).click();
  await expect(sentence(page, 'roughIn')).toContainText('1 correction of the inspector to clear');
  await page.reload();
  await page.getByRole('tab', { name: 'Permit and inspections' }).click();
  await corrections.getByLabel(/^How it was put right/).fill('Plated.');
  await corrections.getByRole('button', { name: 'Cleared' }).click();
  await expect(corrections.getByText('Cleared today', { exact: false })).toContainText('by RF: Plated.');
  await expect(sentence(page, 'roughIn')).not.toContainText('correction');

  await page.getByRole('tab', { name: 'Sheet' }).click();
  const sheet = page.getByRole('article', { name: 'Sheet for the inspector' });
  await expect(sheet.getByText('Permit EL-2291')).toBeVisible();
  await expect(sheet.getByText('Rough-in held', { exact: false })).toContainText('A plate is missing.');
  // The whole sheet comes on paper, and nothing of the screen around it.
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('navigation', { name: 'Stages' })).toBeHidden();
  await expect(page.getByRole('tab', { name: 'Walk' })).toBeHidden();
  const paper = (await page.pdf({ format: 'Letter' })).toString('latin1');
  expect(paper.match(/\/Type\s*\/Page\b/g)?.length ?? 0).toBeGreaterThan(2);
});

/** The wall is 48 ft long and 8 ft high. */
const MIDDLE = /^(23'-1[01]|24'-[01]).* from the left end, (3'-11|4'-0).* above the floor/;

test('a photograph lies on its wall by four points, and tells where a point of it is', async ({ page }) => {
  await openCheck(page);
  await page.getByRole('tab', { name: 'Photographs' }).click();
  await page.getByLabel('Wall, as seen from its room').selectOption({ index: 0 });
  await page.getByLabel(/^Photograph of/).setInputFiles(await wallPicture(page));
  const picture = page.getByRole('application');
  await expect(picture).toBeVisible();
  // The picture may stand elsewhere after each tap, with room at its sides.
  const tap = async (x: number, y: number) => {
    const shown = (await picture.boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 };
    const scale = Math.min(shown.width / 600, shown.height / 400);
    const [left, top] = [(shown.width - 600 * scale) / 2, (shown.height - 400 * scale) / 2];
    await picture.click({ position: { x: left + x * scale, y: top + y * scale } });
  };
  // The upper corners exchanged: it is noticed, and nothing can be kept.
  await tap(60, 350);
  await tap(540, 50);
  await tap(60, 50);
  await tap(540, 350);
  await expect(
    page.getByText('do not lie in the picture as they do on the wall', { exact: false }),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: 'Lay it on the wall' })).toBeDisabled();
  await page.getByRole('button', { name: 'Pick point 2' }).click();
  await tap(60, 50);
  await page.getByRole('button', { name: 'Pick point 3' }).click();
  await tap(540, 50);
  await page.getByRole('button', { name: 'Lay it on the wall' }).click();
  const laid = page.getByRole('img', { name: /photograph with boxes and runs as planned/ });
  await expect(laid).toBeVisible();
  await page.reload();
  await page.getByRole('tab', { name: 'Photographs' }).click();
  await expect(laid).toBeVisible();
  // The middle of the wall, to the nearest inch that a tap hits: half of its length, half of its height.
  await laid.click();
  await expect(page.getByText(MIDDLE)).toBeVisible();
  await page.getByRole('button', { name: 'Flat on the wall' }).click();
  await laid.click();
  await expect(page.getByText(MIDDLE)).toBeVisible();
});

test('the walk by the keyboard alone', async ({ page }) => {
  await openCheck(page);
  await walk(page, 'Final').focus();
  await page.keyboard.press('Enter');
  await expect(walk(page, 'Final')).toHaveAttribute('aria-pressed', 'true');
  await page.getByLabel('Initials').focus();
  await page.keyboard.type('QW');
  const tick = stop(page, 'Box Creek end').getByRole('checkbox').first();
  await tick.focus();
  await page.keyboard.press('Space');
  await expect(tick).toBeChecked();
  await expect(stop(page, 'Box Creek end').getByText('Seen by QW', { exact: false }).first()).toBeVisible();
  await page.getByRole('tab', { name: 'Walk' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('tab', { name: /^Questions/ })).toBeFocused();
});

for (const [width, height] of [
  [1280, 800],
  [820, 1180],
  [390, 844],
] as const)
  test(`the check of the yard at ${width} by ${height}: ${width === 820 ? '' : 'no accessibility violation, '}nothing wider than the screen`, async ({
    page,
  }) => {
    await page.setViewportSize({ width, height });
    const job = await plannedYard(page.request);
    await page.goto(`${job}/check`);
    await expect(stop(page, 'Box Creek end')).toBeVisible();
    // Every tab once, and at the narrower sizes those that are laid out otherwise there.
    const tabs =
      width === 1280
        ? ['Walk', 'Questions', 'Editions', 'Permit', 'Photographs', 'Sheet']
        : width === 390
          ? ['Walk', 'Permit', 'Sheet']
          : ['Walk'];
    for (const tab of tabs) {
      await page.getByRole('tab', { name: new RegExp(`^${tab}`) }).click();
      await expect(page.getByRole('tabpanel')).toBeVisible();
      // On a telephone the walk is laid out anew; the rest is the same, only longer (`npm run sound` looks at all of it).
      if (width === 1280 || (width === 390 && tab === 'Walk'))
        expect(await accessFaults(page), tab).toEqual([]);
      expect([tab, await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)]).toEqual([
        tab,
        true,
      ]);
    }
  });
