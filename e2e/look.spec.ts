import { expect, test, type Page } from '@playwright/test';
import { accessFaults } from './support.js';

/** Main views of the demo, and what stands on each when it is there; `npm run sound` looks at all of them. */
const VIEWS: readonly (readonly [what: string, path: string, ready: (page: Page) => Promise<unknown>])[] = [
  // Others make jobs meanwhile: which are listed first is not known.
  ['the list of jobs', '/', (page) => page.getByRole('heading', { level: 2 }).first().waitFor()],
  [
    'the layout',
    'circuits/galley-lights/layout',
    (page) => page.getByRole('button', { name: /^Room Galley/ }).waitFor(),
  ],
  ['the runs', 'circuits/winch-lights/runs', (page) => page.getByText(/^\d+ plans?\./).waitFor()],
  ['the bench', 'circuits/tar-store-light', (page) => page.getByText(/^Checked by the/).waitFor()],
  ['the boxes', 'boxes', (page) => page.getByRole('button', { name: 'Box Middle bay' }).waitFor()],
  ['the check', 'check', (page) => page.getByRole('button', { name: /^Final,/ }).waitFor()],
  ['the test sheet', 'prove', (page) => page.getByRole('heading', { name: 'Prove' }).waitFor()],
];

test('in the dark every view can be read as well as by day', async ({ page }) => {
  await page.goto('/');
  // A key is heard from when the page is there, not before.
  await page.getByRole('button', { name: 'New job' }).first().waitFor();
  await page.keyboard.press('?');
  await page.getByRole('group', { name: 'How it looks' }).getByRole('button', { name: 'Dark' }).click();
  for (const [what, path, ready] of VIEWS) {
    await page.goto(path.startsWith('/') ? path : `/jobs/heron-yard/${path}`);
    await ready(page);
    // It is dark before anything is drawn, and stays so.
    expect(await page.locator('html').getAttribute('data-look'), what).toBe('dark');
    expect(await accessFaults(page, { rules: ['color-contrast'] }), what).toEqual([]);
  }
  await page.emulateMedia({ media: 'print' });
  expect(
    await page.locator('body').evaluate((body) => getComputedStyle(body).backgroundColor),
    'paper stays white or light',
  ).toBe('rgb(245, 242, 234)');
});

test('by keys alone: past the rail, and to the heading of what was opened', async ({ page }) => {
  await page.goto('/jobs/heron-yard/circuits/tar-store-light');
  await expect(page.getByText('2 of 2 positions work')).toBeVisible();
  await page.keyboard.press('Tab');
  await expect(page.getByRole('button', { name: 'Skip to the page' })).toBeFocused();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Tab');
  await expect(page.getByLabel('Name of the job')).toBeFocused();
  await page.getByRole('link', { name: 'Order' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toBeFocused();
});
