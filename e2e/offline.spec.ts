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

test('a day without a connection: opened, edited, ticked, photographed, loaded anew; and all of it arrives when it is back', async ({
  page,
  request,
}) => {
  const job = await plannedYard(request);
  const id = job.split('/').at(-1) ?? '';
  const bench = `${job}/circuits/tar-store-light`;
  await page.goto(bench);
  await page.getByRole('tab', { name: 'Steps' }).click();
  await page.goto(`${job}/check`);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await expect
    .poll(
      () =>
        page.evaluate(async (path) => {
          const kept = await (await caches.open('amber-answers')).keys();
          const page = await (await caches.open('amber-pages')).keys();
          return page.length > 0 && kept.some(({ url }) => url.endsWith(`/api${path}`));
        }, job),
      { timeout: 30_000 },
    )
    .toBe(true);
  await page.context().setOffline(true);
  await page.goto(bench);
  // What is shown is marked as what was kept.
  await expect(page.getByText(/^No connection: as it was/)).toBeVisible({ timeout: 20_000 });
  await page.getByLabel('Name of the job').fill('Yard on the road');
  await expect(page.getByText('No connection: kept here, sent when it is back')).toBeVisible({
    timeout: 30_000,
  });
  const step = () =>
    page
      .getByRole('region', { name: /^Steps at / })
      .getByRole('checkbox')
      .first();
  await page.getByRole('tab', { name: 'Steps' }).click();
  await step().check();
  const png = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  );
  await page.goto(`${job}/check`);
  const box = page.getByRole('region', { name: 'Box Creek end' });
  await box.getByRole('button', { name: 'Photographs of Creek end' }).click();
  await box
    .getByLabel('Photograph of Creek end')
    .setInputFiles({ name: 'box.png', mimeType: 'image/png', buffer: png });
  // It is shown from what this browser keeps.
  await expect(box.getByRole('list', { name: 'Photographs of Creek end' }).getByRole('img')).toHaveCount(1);
  await page.reload();
  await page.goto(bench);
  await expect(page.getByLabel('Name of the job')).toHaveValue('Yard on the road');
  await page.getByRole('tab', { name: 'Steps' }).click();
  await expect(step()).toBeChecked();
  await page.context().setOffline(false);
  await expect(page.getByText(/^Saved/)).toBeVisible({ timeout: 60_000 });
  await expect
    .poll(
      async () => {
        const { records } = (await (await request.get(`/api/jobs/${id}/records`)).json()) as {
          records: { kind: string; body: { hash?: string } }[];
        };
        const photo = records.find(({ kind }) => kind === 'photo')?.body.hash;
        const there = photo === undefined ? 0 : (await request.get(`/api/pictures/${photo}`)).status();
        return [records.filter(({ kind }) => kind === 'tick').length, there];
      },
      { timeout: 60_000 },
    )
    .toEqual([1, 200]);
  const { document } = (await (await request.get(`/api/jobs/${id}`)).json()) as {
    document: { name: string };
  };
  expect(document.name).toBe('Yard on the road');
});
