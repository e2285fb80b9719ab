import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { accessFaults } from './support.js';

test('on a telephone a box that is in no job is counted with a thumb, kept, saved and opened again', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/');
  await page.getByRole('link', { name: 'Box fill worksheet' }).click();
  const more = (what: string) => page.getByRole('button', { name: `One more: ${what}` });
  for (let i = 0; i < 6; i++) await more('Conductors, 14 AWG').click();
  await more('Grounds, 14 AWG').click();
  await more('Devices, 14 AWG').click();
  const answer = page.getByRole('status').filter({ hasText: 'needed' });
  await expect(answer).toHaveText(/18\.0 in³ needed of 18\.0 in³: fits, 0\.0 in³ left/);
  // The answer stays in sight, and each thing to tap is as large as a thumb.
  await expect(answer).toBeInViewport();
  const size = await more('Conductors, 14 AWG').boundingBox();
  expect(Math.min(size?.width ?? 0, size?.height ?? 0)).toBeGreaterThanOrEqual(44);
  expect(await accessFaults(page)).toEqual([]);
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as file' }).click();
  const path = await (await download).path();
  expect(JSON.parse(readFileSync(path, 'utf8'))).toMatchObject({ worksheet: 1, name: 'Box' });
  await page.reload();
  await expect(answer).toHaveText(/18\.0 in³ needed/);
  await page.getByRole('button', { name: 'New sheet' }).click();
  await expect(answer).toHaveText(/0\.0 in³ needed/);
  await page.getByLabel('Worksheet file').setInputFiles({
    ...{ name: 'box.json', mimeType: 'application/json', buffer: readFileSync(path) },
  });
  await expect(answer).toHaveText(/18\.0 in³ needed/);
  // Put into a job it is a box that is there, with all that was counted in it.
  await page.getByLabel('Put it into a job').fill('Heron Yard');
  await page.getByRole('option', { name: 'Heron Yard', exact: true }).click();
  await page.getByRole('button', { name: 'Nonmetallic' }).click();
  await page.getByRole('button', { name: 'Put it into the job' }).click();
  await expect(page.getByRole('region', { name: 'Fill of Box' })).toContainText(/full, 0\.0 in³ left/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('region', { name: 'Fill of Box' })).toBeHidden();
});
