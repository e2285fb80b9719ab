import { spawn, type ChildProcess } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { networkInterfaces, tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test, type Browser, type Page } from '@playwright/test';
import { accessFaults } from './support.js';

/** Whoever is in no network lets nobody in. */
const inNetwork = Object.values(networkInterfaces())
  .flat()
  .some((one) => one?.internal === false && one.family === 'IPv4');

let folder = '';
let program: ChildProcess;
let said = '';
const PORT = 4781;

test.beforeAll(async () => {
  test.skip(!inNetwork, 'This machine is in no network.');
  folder = mkdtempSync(join(tmpdir(), 'amber-share-'));
  chmodSync(folder, 0o755);
  program = spawn('node', ['scripts/start.mjs', '--share'], {
    env: { ...process.env, AMBER_DATA: folder, PORT: String(PORT) },
  });
  for (const stream of [program.stdout, program.stderr])
    stream?.on('data', (piece: Buffer) => (said += piece.toString()));
  await expect.poll(() => said, { timeout: 60_000 }).toMatch(/Both hold until/);
});
test.afterAll(async () => {
  const ended = new Promise((resolve) => program.once('exit', resolve));
  program.kill('SIGTERM');
  await ended;
  rmSync(folder, { recursive: true, force: true });
});

const printed = () => {
  const [, address = ''] = /come in at (https:\/\/\S+)/.exec(said) ?? [];
  const [, full = '', field = ''] = /with the code (\S+), or .* alone (\S+)\./.exec(said) ?? [];
  return { address, full, field };
};

/** A tablet or telephone of its own, that does not ask about the certificate. */
const device = async (browser: Browser): Promise<Page> => {
  const context = await browser.newContext({
    ignoreHTTPSErrors: true,
    viewport: { width: 390, height: 844 },
  });
  return context.newPage();
};
const letIn = async (page: Page, name: string) => {
  await page.getByLabel('Name of this device').fill(name);
  await page.getByRole('button', { name: 'Let it in' }).click();
  await expect(page.getByRole('heading', { name: 'Jobs', exact: true })).toBeVisible();
};

test('a second device comes in by the code that was drawn, works, is listed, and is put out', async ({
  browser,
  page,
}) => {
  const { address, full } = printed();
  const tablet = await device(browser);
  await tablet.goto(address);
  await expect(tablet.getByRole('heading', { name: 'Let this device in' })).toBeVisible();
  expect(await accessFaults(tablet)).toEqual([]);
  await tablet.getByLabel('Access code').fill('WRNG-WRNG');
  await tablet.getByLabel('Name of this device').fill('Tablet');
  await tablet.getByRole('button', { name: 'Let it in' }).click();
  await expect(tablet.getByText('This is not the code that the program printed')).toBeVisible();
  // The drawn square has the code in it.
  await tablet.goto('about:blank');
  await tablet.goto(`${address}/#code=${full}`);
  await expect(tablet.getByLabel('Access code')).toHaveValue(full);
  await letIn(tablet, 'Tablet of the truck');
  expect(tablet.url()).not.toContain('code');
  await tablet.goto(`${address}/jobs/heron-yard/circuits/tar-store-light`);
  await tablet.getByRole('button', { name: 'More of this job' }).click();
  await tablet.getByLabel('Name of the job').fill('Heron Yard, from the truck');
  await expect(tablet.getByText(/^Saved \d/)).toBeVisible({ timeout: 30_000 });
  // On the machine itself nothing is asked, and what was changed is there.
  await page.goto(`http://127.0.0.1:${PORT}/`);
  await expect(page.getByRole('heading', { name: 'Heron Yard, from the truck' })).toBeVisible();
  await page.getByRole('link', { name: 'Devices' }).click();
  await expect(page.getByText('Tablet of the truck')).toBeVisible();
  expect(await accessFaults(page)).toEqual([]);
  await page.getByRole('button', { name: 'Put out Tablet of the truck' }).click();
  await expect(page.getByText('None has come in yet.')).toBeVisible();
  await tablet.goto(address);
  await expect(tablet.getByRole('heading', { name: 'Let this device in' })).toBeVisible();
  await tablet.context().close();
});

test('a device of the field view ticks and changes nothing else', async ({ browser, page }) => {
  const { address, field } = printed();
  const phone = await device(browser);
  await phone.goto(address);
  await phone.getByLabel('Access code').fill(field.toLowerCase());
  await letIn(phone, 'Telephone');
  await phone.goto(`${address}/jobs/heron-yard/circuits/tar-store-light`);
  await expect(phone.getByText('Field view', { exact: true })).toBeVisible();
  await phone.getByRole('button', { name: 'More of this job' }).click();
  await phone.getByLabel('Code edition').selectOption('2014');
  await expect(phone.getByText(/^This device has the field view/)).toBeVisible();
  await expect(phone.getByLabel('Code edition')).toHaveValue('2023');
  await phone.keyboard.press('Escape');
  const step = (one: Page) =>
    one
      .getByRole('region', { name: /^Steps at / })
      .getByRole('checkbox')
      .first();
  await step(phone).check();
  await page.goto(`http://127.0.0.1:${PORT}/jobs/heron-yard/circuits/tar-store-light`);
  await page.getByRole('tab', { name: 'Steps' }).click();
  await expect(step(page)).toBeChecked();
  await phone.context().close();
});
