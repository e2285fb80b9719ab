import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { DATABASE_PACKAGE } from './lib/database.mjs';
import { needBuild, needDebian, needPackages } from './lib/needs.mjs';
import { root } from './lib/paths.mjs';
import { freePort } from './lib/process.mjs';
import { run, say } from './lib/say.mjs';
import { startServer } from './lib/server.mjs';
import { startTestDatabase } from './lib/testDatabase.mjs';

const folder = join(root, 'docs/screenshots');
const desk = { width: 1280, height: 800 };
const telephone = { width: 390, height: 844 };

/** One picture of each main view, from the demo data. */
const SHOTS = [
  { name: 'jobs', path: '/', size: desk },
  {
    name: 'new-circuit',
    path: '/jobs/heron-yard/start',
    size: desk,
    act: (page) => page.getByLabel('Room', { exact: true }).fill('Oar loft'),
  },
  {
    name: 'boxes',
    path: '/jobs/heron-yard/boxes',
    size: desk,
    act: async (page) => {
      await page.getByRole('button', { name: 'Box Middle bay' }).click();
    },
  },
  {
    name: 'worksheet',
    path: '/worksheet',
    size: telephone,
    act: async (page) => {
      for (const what of [
        'Conductors',
        'Conductors',
        'Conductors',
        'Conductors',
        'Conductors',
        'Grounds',
        'Devices',
      ])
        await page.getByRole('button', { name: `One more: ${what}, 14 AWG` }).click();
    },
  },
  { name: 'bench', path: '/jobs/heron-yard/circuits/ropewalk-lights', size: desk },
  {
    name: 'box',
    path: '/jobs/heron-yard/circuits/long-shed-lights',
    size: desk,
    act: async (page) => {
      for (const key of ['w', 'n', 'v', 'f', 'f', 'f']) await page.keyboard.press(key);
      await page.getByRole('tab', { name: 'Steps' }).click();
      await page.getByRole('region', { name: /^Steps at / }).waitFor();
    },
  },
  {
    name: 'device-in-hand',
    path: '/jobs/heron-yard/circuits/galley-lights',
    size: desk,
    act: async (page) => {
      for (const key of ['v']) await page.keyboard.press(key);
      await page.getByRole('tab', { name: 'Steps' }).click();
      await page.getByRole('region', { name: 'Device in hand' }).scrollIntoViewIfNeeded();
    },
  },
  {
    name: 'two-circuits',
    path: '/jobs/heron-yard/circuits/landing-lights',
    size: desk,
    act: async (page) => {
      await page.getByRole('button', { name: 'One box' }).click();
      const title = page.getByRole('article', { name: 'Box Stage gate' });
      for (let i = 0; i < 8 && (await title.count()) === 0; i++) await page.keyboard.press('n');
      await page.getByRole('button', { name: 'Circuit', exact: true }).first().click();
    },
  },
  {
    name: 'box-fill',
    path: '/jobs/heron-yard/circuits/ropewalk-lights',
    size: desk,
    act: async (page) => {
      await page.keyboard.press('1');
      await page.getByRole('tab', { name: 'Box fill' }).click();
      await page
        .getByRole('tabpanel')
        .getByRole('button', { name: /Middle bay/ })
        .click();
    },
  },
  {
    name: 'circuit',
    path: '/jobs/heron-yard/circuits/tar-store-light',
    size: desk,
    act: (page) => page.getByRole('tab', { name: 'Circuit' }).click(),
  },
  {
    name: 'layout',
    path: '/jobs/heron-yard/circuits/long-shed-lights/layout',
    size: desk,
    act: (page) => page.getByRole('button', { name: 'Room Long shed' }).click(),
  },
  {
    name: 'runs',
    path: '/jobs/heron-yard/circuits/long-shed-lights/runs',
    size: desk,
    act: (page) => page.getByText('That A is least by cost and judgement is proved').waitFor(),
  },
  {
    name: 'runs-compare',
    path: '/jobs/heron-yard/circuits/long-shed-lights/runs',
    size: desk,
    act: async (page) => {
      await page.getByText('That A is least by cost and judgement is proved').waitFor();
      await page.getByRole('button', { name: 'Plan D' }).click();
      await page.getByRole('tab', { name: 'Compare' }).click();
      await page.getByText('Where the money goes').waitFor();
    },
  },
  {
    name: 'change',
    path: '/jobs/heron-yard/circuits/rope-stair-light/runs?change',
    size: desk,
    act: async (page) => {
      await page.getByLabel('What is to be done').selectOption('Take a switch location away');
      await page.getByLabel('Which switch').selectOption('Stair head, S3');
      await page.getByText('Look first into').waitFor();
    },
  },
  {
    name: 'change-bench',
    path: '/jobs/heron-yard/circuits/rope-stair-light/runs?change',
    size: desk,
    act: async (page) => {
      await page.getByLabel('What is to be done').selectOption('Mend what the check finds');
      await page.getByRole('button', { name: 'Plan it this way' }).click();
      await page.getByRole('link', { name: 'Bench', exact: true }).click();
      await page.getByRole('tab', { name: 'Change' }).click();
      await page.getByRole('table', { name: 'Wires in Stair ceiling' }).scrollIntoViewIfNeeded();
    },
  },
  {
    name: 'as-found',
    path: '/jobs/heron-yard/circuits/rope-stair-light?wiring=existing',
    size: desk,
    act: async (page) => {
      await page.getByRole('button', { name: 'Run', exact: true }).click();
      await page.getByRole('region', { name: 'What is in Stair ceiling' }).waitFor();
    },
  },
  {
    name: 'telephone',
    path: '/jobs/heron-yard/circuits/ropewalk-lights',
    size: telephone,
    act: (page) => page.getByRole('button', { name: 'One box' }).click(),
  },
];

await run(async () => {
  needDebian(...DATABASE_PACKAGE);
  needDebian('chromium', 'chromium');
  needPackages();
  needBuild();
  const { openBrowser } = await import('./lib/browser.mjs');
  mkdirSync(folder, { recursive: true });
  const database = await startTestDatabase();
  const server = await startServer({ databaseUrl: database.url, port: await freePort() });
  const browser = await openBrowser();
  try {
    for (const { name, path, size, act } of SHOTS) {
      // Once the list of jobs has been taken: it shows the demo alone.
      const page = await browser.newPage({ viewport: size });
      await page.goto(`${server.address}${path}`);
      await page.getByText('Work dead:').first().waitFor({ state: 'attached' });
      await page.waitForLoadState('networkidle');
      await act?.(page);
      // What comes in a piece of its own is waited for.
      await page
        .getByText(/^Opening …$/)
        .first()
        .waitFor({ state: 'detached' });
      await page.mouse.move(0, 0);
      await page.screenshot({ path: join(folder, `${name}.png`), animations: 'disabled' });
      await page.close();
      say(`docs/screenshots/${name}.png`);
    }
  } finally {
    await browser.close();
    await server.stop();
    await database.stop();
  }
});
