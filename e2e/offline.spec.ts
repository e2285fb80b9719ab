import { expect, test } from '@playwright/test';
import { plannedYard } from './support.js';

test.use({ serviceWorkers: 'allow' });

test('a test sheet that was opened once opens again without a connection, is answered, and sends what was answered when it is back', async ({
  page,
  request,
}) => {
  const job = await plannedYard(request);
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${job}/circuits/ropewalk-lights/prove`);
  await page.getByLabel('Initials').fill('JS');
  await page.getByRole('button', { name: 'Somebody else' }).click();
  await page.getByRole('button', { name: 'As expected' }).click();
  // All of the program is kept, and what the server told of this job.
  await expect
    .poll(
      () =>
        page.evaluate(async () => {
          const names = await caches.keys();
          const kept = await Promise.all(
            names.map(async (name) => (await (await caches.open(name)).keys()).map(({ url }) => url)),
          );
          const urls = kept.flat();
          return [
            urls.some((url) => /\/api\/jobs\/[^/]+$/.test(url)),
            urls.some((url) => /\/api\/jobs\/[^/]+\/records/.test(url)),
            urls.some((url) => /\/assets\/planWorker/.test(url)),
            urls.some((url) => new URL(url).pathname === '/'),
          ];
        }),
      { timeout: 30_000 },
    )
    .toEqual([true, true, true, true]);
  await page.context().setOffline(true);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Prove Ropewalk' })).toBeVisible();
  await page.getByRole('button', { name: 'As expected' }).click();
  await expect(page.getByText('No connection: answers are kept here')).toBeVisible();
  // A screen that was never opened before is at hand too, and so is the finder.
  await page.getByRole('tab', { name: 'Find the fault' }).click();
  await page.getByRole('button', { name: 'It worked for long' }).click();
  await expect(page.getByText('What do the loads do?')).toBeVisible();
  await page.getByRole('link', { name: 'Boxes' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Boxes' })).toBeVisible();
  await page.context().setOffline(false);
  await page.goto(`${job}/circuits/ropewalk-lights/prove`);
  await expect(page.getByText('No connection')).toBeHidden({ timeout: 40_000 });
  await expect(page.getByText('2 of 4 tried')).toBeVisible();
});
