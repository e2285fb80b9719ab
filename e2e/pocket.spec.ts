import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { handle, lights, plannedYard, accessFaults } from './support.js';

test('a pocket circuit flips, glows, follows and ticks without the program, and its ticks come back', async ({
  page,
  context,
  request,
}, info) => {
  const job = await plannedYard(request);
  await page.goto(`${job}/order`);
  await page.getByRole('tab', { name: 'Packet' }).click();
  const made = page.waitForEvent('download');
  await page.getByLabel('Circuit of the pocket circuit').selectOption('ropewalk-lights');
  await page.getByRole('button', { name: 'Save the pocket circuit' }).click();
  const file = info.outputPath('ropewalk.html');
  await (await made).saveAs(file);

  // Elsewhere: no server, no connection, a telephone.
  const pocket = await context.newPage();
  await pocket.setViewportSize({ width: 390, height: 844 });
  const asked: string[] = [];
  pocket.on('request', (one) => one.url().startsWith('http') && asked.push(one.url()));
  const failed: Error[] = [];
  pocket.on('pageerror', (error) => failed.push(error));
  await pocket.goto(`file://${file}`);
  await expect(pocket.getByRole('heading', { name: 'Ropewalk', level: 1 })).toBeVisible();
  const before = await lights(pocket);
  await handle(pocket, 'Creek end').first().click();
  expect(await lights(pocket)).not.toEqual(before);
  await handle(pocket, 'Yard end').first().click();
  expect(await lights(pocket)).toEqual(before);
  await pocket.getByLabel('Box', { exact: true }).selectOption({ label: '1 · Creek end' });
  await pocket
    .getByRole('group', { name: 'Wires in Creek end' })
    .getByText('BK', { exact: true })
    .first()
    .click();
  await expect(pocket.getByRole('list', { name: 'From the panel' })).toBeVisible();
  expect(await accessFaults(pocket)).toEqual([]);
  expect(await pocket.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
  await pocket.getByLabel('Your initials').fill('JS');
  const steps = pocket.getByRole('region', { name: 'Steps' }).getByRole('checkbox');
  await steps.nth(0).check();
  await steps.nth(1).check();
  await steps.nth(1).uncheck();
  await pocket.reload();
  await expect(steps.nth(0)).toBeChecked();
  await expect(steps.nth(1)).not.toBeChecked();
  await pocket.getByLabel('Box', { exact: true }).selectOption({ label: '1 · Creek end' });
  const saved = pocket.waitForEvent('download');
  await pocket.getByRole('button', { name: 'Save the ticks' }).click();
  const ticks = info.outputPath('ticks.json');
  await (await saved).saveAs(ticks);
  expect(asked).toEqual([]);
  expect(failed).toEqual([]);
  expect(readFileSync(ticks, 'utf8')).toContain('"by": "JS"');

  // Back in the program, twice: what is there already is not taken again, and what is of another job is refused.
  const bring = page.getByLabel('Ticks of a pocket circuit');
  await bring.setInputFiles(ticks);
  await expect(page.getByText('ticks.json: 2 ticked, 1 taken back.')).toBeVisible();
  await bring.setInputFiles(ticks);
  await expect(page.getByText('ticks.json: all of it is here already.')).toBeVisible();
  const other = await plannedYard(request);
  await page.goto(`${other}/order`);
  await page.getByRole('tab', { name: 'Packet' }).click();
  await bring.setInputFiles(ticks);
  await expect(page.getByRole('alert')).toContainText('These ticks are of another job');
  await page.goto(`${job}/circuits/ropewalk-lights`);
  await page.getByRole('button', { name: '1 · Creek end' }).click();
  await page.getByRole('tab', { name: 'Steps' }).click();
  await expect(page.getByRole('checkbox').first()).toBeChecked();
});
