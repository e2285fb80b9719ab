import { AxeBuilder } from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { plannedYard } from './support.js';

test('an exchanged common is found from four flips, its box is opened against its picture, mended and put on record', async ({
  page,
  request,
}) => {
  const job = await plannedYard(request);
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${job}/circuits/ropewalk-lights/prove`);
  await page.getByLabel('Initials').fill('JS');
  await page.getByRole('button', { name: 'Somebody else' }).click();
  await page.getByRole('tab', { name: 'Find the fault' }).click();
  await page.getByRole('button', { name: 'A device was changed' }).click();
  // Common and a traveler exchanged at the far end: with its handle up it follows the other, with it down all is dark.
  const moved = { creek: 'up', yard: 'up' };
  const ask = page.getByText('What do the loads do?');
  const open = page.getByText(/^Open (Creek|Yard) end, and pull nothing apart yet\.$/);
  const seen = page.getByRole('region', { name: 'What was seen' }).getByRole('listitem');
  for (let k = 0; k < 4; k++) {
    await expect(ask.or(open)).toBeVisible();
    // Sooner or later a box is worth more than another flip.
    if (await open.isVisible()) break;
    for (const words of await page.getByText(/^Move the handle at/).allTextContents()) {
      const [, end, to] = /at (Creek|Yard) end to (up|down)/.exec(words) ?? [];
      if (end === 'Creek') moved.creek = to ?? '';
      if (end === 'Yard') moved.yard = to ?? '';
    }
    const isLit = moved.creek === 'up' && moved.yard === 'up';
    await page.getByRole('button', { name: isLit ? 'All lit' : 'All dark', exact: true }).click();
    await expect(seen).toHaveCount(k + 1);
  }
  await expect(open).toBeVisible();
  await expect(page.getByText(/Prove it dead with a two-pole tester/)).toBeVisible();
  await expect(page.getByRole('group', { name: /^Wires in (Creek|Yard) end/ }).first()).toBeVisible();
  expect(await new AxeBuilder({ page }).analyze()).toMatchObject({ violations: [] });
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
  // What was seen is on record, and there after a reload.
  await page.reload();
  await page.getByRole('tab', { name: 'Find the fault' }).click();
  await page.getByRole('button', { name: 'A device was changed' }).click();
  await expect(open).toBeVisible();
  await page.getByRole('button', { name: 'Something is otherwise' }).click();
  await expect(page.getByText(/^It is at (Creek|Yard) end/)).toBeVisible();
  await page
    .getByRole('button', { name: /under the other’s screw/ })
    .first()
    .click();
  await expect(page.getByText('How it is mended')).toBeVisible();
  await expect(page.getByText('As it would be with this fault')).toBeVisible();
  expect(await new AxeBuilder({ page }).analyze()).toMatchObject({ violations: [] });
  await page.getByRole('button', { name: 'It is mended: walk the test sheet again' }).click();
  await expect(page.getByText('Not proved yet.')).toBeVisible();
});

test('an old circuit of which one box was never looked into: as it is, the unseen box is the first to be opened', async ({
  page,
  request,
}) => {
  const job = await plannedYard(request);
  await page.goto(`${job}/circuits/rope-stair-light/prove`);
  await page.getByLabel('Initials').fill('JS');
  await page.getByRole('button', { name: 'Somebody else' }).click();
  await page
    .getByRole('navigation', { name: 'Which wiring is shown' })
    .getByRole('link', { name: 'As it is' })
    .click();
  await expect(page.getByRole('heading', { name: 'Prove Rope stair, as it is' })).toBeVisible();
  await page.getByRole('tab', { name: 'Find the fault' }).click();
  await page.getByRole('button', { name: 'It worked for long' }).click();
  const open = page.getByText('Open Stair head, and pull nothing apart yet.', { exact: true });
  const seen = page.getByRole('region', { name: 'What was seen' }).getByRole('listitem');
  // It follows one handle alone: at the head something keeps it in one position.
  const lit: Record<string, boolean> = { up: true, down: false };
  const at = { foot: 'up' };
  for (let k = 0; k < 5; k++) {
    await expect(page.getByText('What do the loads do?').or(open)).toBeVisible();
    if (await open.isVisible()) break;
    for (const words of await page
      .locator('p', { hasText: /^Move the handle at Stair foot/ })
      .allTextContents())
      at.foot = /to (up|down)/.exec(words)?.[1] ?? at.foot;
    await page.getByRole('button', { name: lit[at.foot] ? 'Lit' : 'Dark', exact: true }).click();
    await expect(seen).toHaveCount(k + 1);
  }
  await expect(open).toBeVisible();
  await expect(
    page.getByText(/Nobody has looked into this box: what is drawn is what is usual/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Something is otherwise' }).click();
  await expect(page.getByText(/^It is at Stair head/)).toBeVisible();
  await expect(page.getByRole('button', { name: /is stuck/ }).first()).toBeVisible();
});
