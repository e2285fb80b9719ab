import { expect, test } from '@playwright/test';
import { plannedYard } from './support.js';

test('on the bench a meter of high impedance reads ghost volts on a traveler in the air, and a two-pole tester does not', async ({
  page,
  request,
}) => {
  const job = await plannedYard(request);
  await page.goto(`${job}/circuits/ropewalk-lights`);
  await page.getByRole('tab', { name: 'Meters' }).click();
  await expect(page.getByText('tap a wire', { exact: true })).toBeVisible();
  const wire = (cable: string, colour: string) =>
    page.locator(`[data-wire="conductor|cable:ropewalk-lights:${cable}|${colour}"]`).first();
  const meters = page.getByLabel('What each meter says');
  const says = (name: RegExp) =>
    meters.locator('div', { has: page.locator('dt', { hasText: name }) }).locator('strong');
  // The label of a wire is what a finger finds: the middle of a bent wire lies beside it.
  const tap = (cable: string, colour: string) => wire(cable, colour).locator('text').first().click();
  await tap('creek-end>first-bay', 'red');
  await expect(page.getByText('tap another', { exact: true })).toBeVisible();
  await tap('panel>creek-end', 'white');
  await expect(says(/^Two-pole/)).toHaveText('0 V');
  await expect(says(/^Meter of high/)).not.toHaveText('0 V');
  await expect(says(/^Non-contact/)).toHaveText('glows');
  await expect(page.getByText(/^Ghost volts: one of the two hangs in the air/)).toBeVisible();
  await page.getByRole('button', { name: 'Breakers off' }).click();
  await expect(says(/^Meter of high/)).toHaveText('0 V');
  await expect(says(/^Non-contact/)).toHaveText('stays dark');
});
