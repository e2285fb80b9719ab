import { JOB_FORMAT } from '@amber/core';
import { readFileSync } from 'node:fs';
import { newJob, standardStock, type JobId } from '@amber/core';
import { expect, test, type Page } from '@playwright/test';
import { makeJob, saved, theRun, listed } from './support.js';

const card = (page: Page, name: string) =>
  page.getByRole('listitem').filter({ has: page.getByRole('heading', { name, exact: true }) });
const menu = async (page: Page, name: string, item: string) => {
  await page.getByRole('button', { name: `More for ${name}`, exact: true }).click();
  await page.getByRole('menuitem', { name: item }).click();
};

test('a job is duplicated, deleted, and brought back', async ({ page }) => {
  await makeJob(page, 'Net store', 'Net store', { switches: '1' });
  await saved(page);
  await listed(page, 'Net store');
  await menu(page, 'Net store', 'Duplicate');
  await expect(card(page, 'Net store (copy)')).toBeVisible();
  await menu(page, 'Net store (copy)', 'Delete');
  await expect(card(page, 'Net store (copy)')).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(card(page, 'Net store (copy)')).toBeVisible();
  await listed(page, '(copy)');
  await expect(card(page, 'Net store')).toBeHidden();
});

test('an exported file comes back as a job', async ({ page }) => {
  await makeJob(page, 'Travelling job', 'Bothy');
  await saved(page);
  await listed(page, 'Travelling');
  const download = page.waitForEvent('download');
  await menu(page, 'Travelling job', 'Export file');
  const path = await (await download).path();
  expect(JSON.parse(readFileSync(path, 'utf8'))).toMatchObject({
    format: JOB_FORMAT,
    name: 'Travelling job',
  });
  await page
    .getByLabel('Job file')
    .setInputFiles({ name: 'job.json', mimeType: 'application/json', buffer: readFileSync(path) });
  await expect(theRun(page)).toBeVisible();
  await listed(page, 'Travelling');
  await expect(card(page, 'Travelling job')).toHaveCount(2);
});

test('a job is sent with all that belongs to it, worked on elsewhere, and comes back into the one that is here', async ({
  page,
  request,
}) => {
  const address = await makeJob(page, 'Ferry house', 'Hut', { switches: '1' });
  await saved(page);
  const id = /jobs\/([^/]+)/.exec(address)?.[1] ?? '';
  await listed(page, 'Ferry');
  const download = page.waitForEvent('download');
  await menu(page, 'Ferry house', 'Send with pictures and records');
  const path = await (await download).path();
  const bringIn = () =>
    page
      .getByLabel('Job file')
      .setInputFiles({ name: 'ferry.zip', mimeType: 'application/zip', buffer: readFileSync(path) });
  await bringIn();
  await expect(page.getByText('The job is here as it came.')).toBeVisible();
  // Deleted here, and taken in again.
  await request.delete(`/api/jobs/${id}`);
  await page.goto('/');
  await bringIn();
  await expect(page.getByText(/what came in is a job of its own|The job came in/)).toBeVisible();
  await expect(page.getByLabel('Name of the job')).toHaveValue(/^Ferry house/);
});

test('a bad file is refused with its path and a sentence, and the list stays', async ({ page }) => {
  await listed(page, 'Heron Yard');
  await expect(card(page, 'Heron Yard')).toBeVisible();
  const bring = (text: string) =>
    page
      .getByLabel('Job file')
      .setInputFiles({ name: 'bad.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await bring('not json');
  await expect(page.getByRole('alert')).toContainText('bad.json was not imported.');
  await expect(page.getByRole('alert')).toContainText('This is not JSON');
  await bring(JSON.stringify({ format: JOB_FORMAT + 1 }));
  await expect(page.getByRole('alert')).toContainText(
    `This job file has format ${JOB_FORMAT + 1}; this program reads up to ${JOB_FORMAT}.`,
  );
  await expect(card(page, 'Heron Yard')).toBeVisible();
});

test('a lost connection keeps what is typed, and sends it when the server is back', async ({ page }) => {
  const address = await makeJob(page, 'Island', 'Hut', { switches: '1' });
  await saved(page);
  await page.route('**/api/jobs/**', (route) => route.abort());
  await page.getByLabel('Name of the job').fill('Island house');
  await expect(page.getByText('No connection: kept here, sent when it is back')).toBeVisible({
    timeout: 30_000,
  });
  await page.unroute('**/api/jobs/**');
  // The tab is closed before the next try: this browser still has it.
  await page.goto('/');
  await page.goto(address);
  await expect(page.getByLabel('Name of the job')).toHaveValue('Island house');
  await saved(page);
  await page.evaluate(() => localStorage.clear());
  await page.reload();
  await expect(page.getByLabel('Name of the job')).toHaveValue('Island house');
});

test('a save whose answer is lost is sent again, and nobody is told that somebody else saved', async ({
  page,
}) => {
  await makeJob(page, 'Skerry', 'Hut', { switches: '1' });
  await saved(page);
  let lost = 0;
  await page.route('**/api/jobs/**', async (route) => {
    if (route.request().method() !== 'PUT' || lost > 0) return route.continue();
    lost++;
    // The server has it; the page never hears of it.
    await route.fetch();
    return route.abort();
  });
  await page.getByLabel('Name of the job').fill('Skerry light');
  await expect(page.getByText('No connection: kept here, sent when it is back')).toBeVisible({
    timeout: 30_000,
  });
  // Typed on meanwhile.
  await page.getByLabel('Name of the job').fill('Skerry light house');
  await saved(page);
  await expect(page.getByText('This job was saved elsewhere meanwhile')).toHaveCount(0);
  await page.evaluate(() => localStorage.clear());
  await page.reload();
  await expect(page.getByLabel('Name of the job')).toHaveValue('Skerry light house');
});

/** A window that hears nothing of what others do, as one whose connection broke a moment ago. */
const deaf = (page: Page) => page.route('**/api/jobs/*/events?*', (route) => route.abort());

const torn = async (page: Page, other: Page, name: string) => {
  await deaf(page);
  const address = await makeJob(page, name, 'Hut', { switches: '1' });
  await saved(page);
  await other.goto(address);
  await other.getByLabel('Name of the job').fill(`${name}, theirs`);
  await saved(other);
  await page.getByLabel('Name of the job').fill(`${name}, mine`);
  await expect(page.getByText('This job was saved elsewhere meanwhile')).toBeVisible({ timeout: 30_000 });
  await expect(page.getByLabel('Name of the job')).toHaveValue(`${name}, mine`);
  // What clashes stands side by side.
  await expect(page.getByRole('cell', { name: `The job: name from ${name} to ${name}, mine` })).toBeVisible();
  await expect(
    page.getByRole('cell', { name: `The job: name from ${name} to ${name}, theirs` }),
  ).toBeVisible();
};

test('saved in two windows: both versions can be kept', async ({ page, context }) => {
  await torn(page, await context.newPage(), 'Slip');
  await page.getByRole('button', { name: 'Keep both: mine as a new job' }).click();
  await expect(page.getByLabel('Name of the job')).toHaveValue('Slip, mine (my version)');
  await listed(page, 'Slip');
  await expect(card(page, 'Slip, theirs')).toBeVisible();
  await expect(card(page, 'Slip, mine (my version)')).toBeVisible();
});

test('saved in two windows: one can go on top of the other', async ({ page, context }) => {
  await torn(page, await context.newPage(), 'Quay');
  await page.getByRole('button', { name: 'Save mine on top' }).click();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Name of the job')).toHaveValue('Quay, mine');
});

test('changed in two windows in different places: both changes are in it, and nobody is asked', async ({
  page,
  context,
}) => {
  await deaf(page);
  const address = await makeJob(page, 'Mole', 'Hut', { switches: '1' });
  await saved(page);
  const other = await context.newPage();
  await other.goto(address);
  await other.getByLabel('Code edition').selectOption('2017');
  await saved(other);
  await page.getByLabel('Name of the job').fill('Mole head');
  await expect(page.getByText(/are both in it/)).toBeVisible({ timeout: 30_000 });
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Name of the job')).toHaveValue('Mole head');
  await expect(page.getByLabel('Code edition')).toHaveValue('2017');
});

test('two who have one job open know of each other, and what one saves the other sees by itself', async ({
  page,
  browser,
}) => {
  const address = await makeJob(page, 'Groyne', 'Hut', { switches: '1' });
  await saved(page);
  const tablet = await browser.newContext();
  const other = await tablet.newPage();
  await other.goto(address);
  for (const one of [page, other])
    await expect(one.getByRole('status').filter({ hasText: 'Also open: somebody' })).toBeVisible();
  const tab = await page.context().newPage();
  await tab.goto(address);
  await expect(page.getByRole('status').filter({ hasText: 'somebody, another tab' })).toBeVisible();
  await tab.close();
  await other.getByLabel('Code edition').selectOption('2017');
  await expect(page.getByLabel('Code edition')).toHaveValue('2017');
  // A step that is ticked by one is ticked for both.
  const step = (one: Page) =>
    one
      .getByRole('region', { name: /^Steps at / })
      .getByRole('checkbox')
      .first();
  for (const one of [page, other]) await one.getByRole('tab', { name: 'Steps' }).click();
  await step(other).check();
  await expect(step(page)).toBeChecked();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(other.getByLabel('Code edition')).not.toHaveValue('2017');
  await tablet.close();
  await expect(page.getByText('Also open')).toHaveCount(0);
});

test('deleted in another window: what is open is brought back with what was changed, or kept as a new job', async ({
  page,
  request,
}) => {
  const address = await makeJob(page, 'Crane', 'Hut', { switches: '1' });
  await saved(page);
  const id = /jobs\/([^/]+)/.exec(address)?.[1] ?? '';
  await request.delete(`/api/jobs/${id}`);
  await page.getByLabel('Name of the job').fill('Crane foot');
  const alert = page.getByRole('alert');
  await expect(alert.getByText('This job was deleted elsewhere.')).toBeVisible({ timeout: 30_000 });
  await alert.getByRole('button', { name: 'Bring it back' }).click();
  await saved(page);
  await request.delete(`/api/jobs/${id}`);
  await page.getByLabel('Name of the job').fill('Crane head');
  await expect(alert.getByText('This job was deleted elsewhere.')).toBeVisible({ timeout: 30_000 });
  await alert.getByRole('button', { name: 'Keep as a new job' }).click();
  await expect(page.getByLabel('Name of the job')).toHaveValue('Crane head (kept)');
});

test('an address that leads nowhere says so', async ({ page }) => {
  await page.goto('/jobs/nowhere');
  await expect(page.getByText('There is no such job.')).toBeVisible();
  await page.getByRole('link', { name: 'Go to the jobs' }).click();
  await expect(page.getByRole('heading', { name: 'Jobs', exact: true })).toBeVisible();
});

test('a long list is drawn in part: its end is there when it is scrolled to, and a search finds what is in a job', async ({
  page,
  request,
}) => {
  for (let i = 0; i < 70; i++) {
    const id = `berth-${i}` as JobId;
    const made = await request.post('/api/jobs', {
      data: { saveId: id, document: newJob(id, `Berth ${i}`, standardStock()) },
    });
    expect(made.status()).toBe(201);
  }
  await listed(page, 'Berth');
  await expect(page.getByText('70 jobs with “Berth”')).toBeVisible();
  await expect(card(page, 'Berth 69')).toBeVisible();
  await expect(card(page, 'Berth 0')).toHaveCount(0);
  await page.locator('main').evaluate((main) => main.scrollTo(0, main.scrollHeight));
  await expect(card(page, 'Berth 0')).toBeVisible();
  expect(await page.getByRole('heading', { level: 2 }).count()).toBeLessThan(40);
  await page.getByLabel('Search jobs, circuits, rooms and boxes').fill('no such thing');
  await expect(page.getByText(/^No job has “no such thing” in its name/)).toBeVisible();
});
