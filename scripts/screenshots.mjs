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

/** Lower left, upper left, upper right and lower right of the framed wall, in pixels of its picture. */
const WALL_CORNERS = [
  [120, 610],
  [120, 70],
  [1080, 130],
  [1080, 560],
];

/** A made-up photograph of an open wall, seen a little from the side. */
const framedWall = async (page) => {
  const made = await page.context().browser().newPage();
  await made.setViewportSize({ width: 1200, height: 700 });
  const [[a, b], [c, d], [e, f], [g, h]] = WALL_CORNERS;
  const studs = Array.from({ length: 10 }, (_one, i) => {
    const x = a + ((g - a) * (i + 0.4)) / 10;
    const part = (x - a) / (g - a);
    return `<polygon points="${x},${d + (f - d) * part} ${x + 16},${d + (f - d) * part} ${x + 16},${b + (h - b) * part} ${x},${b + (h - b) * part}" fill="#c6a574"/>`;
  }).join('');
  await made.setContent(
    `<body style="margin:0;background:#6f6b64"><svg width="1200" height="700"><polygon points="${a},${b} ${c},${d} ${e},${f} ${g},${h}" fill="#b9b3a6"/>${studs}<polygon points="${a},${b} ${c},${d} ${e},${f} ${g},${h}" fill="none" stroke="#8a6f47" stroke-width="14"/></svg></body>`,
  );
  const buffer = await made.screenshot();
  await made.close();
  return { name: 'wall.png', mimeType: 'image/png', buffer };
};

/** One picture of each main view, from the demo data. */
const SHOTS = [
  { name: 'jobs', path: '/', size: desk },
  {
    name: 'new-circuit',
    path: '/jobs/heron-yard/start',
    size: desk,
    act: async (page) => {
      await page.getByRole('radio', { name: 'A hall with two ways in' }).click();
      await page.getByLabel('Room', { exact: true }).fill('Oar loft');
      await page.getByText(/a master would choose/).waitFor();
    },
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
    name: 'check',
    path: '/jobs/heron-yard/check',
    size: desk,
    act: async (page) => {
      await page.getByRole('button', { name: /^Final,/ }).click();
      await page.getByRole('button', { name: 'Understand it' }).click();
      await page.getByLabel('Initials').fill('RF');
      await page.getByRole('button', { name: 'All seen at Creek end' }).click();
    },
  },
  {
    name: 'wall-photograph',
    path: '/jobs/heron-yard/check',
    size: desk,
    act: async (page) => {
      await page.getByRole('tab', { name: 'Photographs' }).click();
      const walls = page.getByLabel('Wall, as seen from its room');
      const galley = await walls
        .locator('option')
        .filter({ hasText: /^Galley.*[1-9] box/ })
        .first()
        .getAttribute('value');
      await walls.selectOption(galley);
      await page.getByLabel(/^Photograph of/).setInputFiles(await framedWall(page));
      const picture = page.getByRole('application');
      for (const [x, y] of WALL_CORNERS) {
        const shown = await picture.boundingBox();
        const scale = Math.min(shown.width / 1200, shown.height / 700);
        const [left, top] = [(shown.width - 1200 * scale) / 2, (shown.height - 700 * scale) / 2];
        await picture.click({ position: { x: left + x * scale, y: top + y * scale } });
      }
      await page.getByRole('button', { name: 'Lay it on the wall' }).click();
      await page.getByRole('img', { name: /photograph with boxes/ }).waitFor();
    },
  },
  {
    name: 'practice',
    path: '/practice',
    size: desk,
    act: async (page) => {
      // The same exercise every time.
      await page.evaluate(() =>
        localStorage.setItem(
          'amber-junction.habit.practice',
          JSON.stringify({
            asked: { kind: 'makeUp', level: 'pairAtSwitch', seed: 7, edition: 2023 },
            wiring: null,
          }),
        ),
      );
      await page.reload();
      await page.getByRole('button', { name: /^Go on with/ }).click();
      await page.getByRole('switch', { name: 'Breaker off' }).click();
      await page.getByRole('button', { name: 'Hint' }).click();
      await page.getByRole('button', { name: 'Why?' }).click();
    },
  },
  {
    name: 'bench',
    path: '/jobs/heron-yard/circuits/ropewalk-lights',
    size: desk,
    act: (page) => page.getByText(/^Checked by the/).waitFor(),
  },
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
    name: 'order',
    path: '/jobs/heron-yard/order',
    size: desk,
    act: async (page) => {
      await page.getByLabel('Initials').fill('RF');
      await page.getByRole('button', { name: '14/4', exact: true }).click();
      await page.getByRole('button', { name: 'Not at the counter: 14/4' }).click();
      await page.getByRole('button', { name: 'Plan without it' }).waitFor({ timeout: 60_000 });
    },
  },
  // No wiring is shown there, and so no safety note.
  { name: 'shop', path: '/shop', size: desk, ready: (page) => page.getByLabel('Find an article') },
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
    name: 'prove',
    path: '/jobs/heron-yard/circuits/long-shed-lights/prove',
    size: desk,
    act: async (page) => {
      await page.getByLabel('Initials').fill('RF');
      await page.getByRole('button', { name: 'An electrician' }).click();
      for (let i = 0; i < 5; i++) await page.getByRole('button', { name: 'As expected' }).click();
    },
  },
  {
    name: 'find',
    path: '/jobs/heron-yard/circuits/ropewalk-lights/prove',
    size: desk,
    act: async (page) => {
      await page.getByLabel('Initials').fill('RF');
      await page.getByRole('button', { name: 'An electrician' }).click();
      await page.getByRole('tab', { name: 'Find the fault' }).click();
      await page.getByRole('button', { name: 'A device was changed' }).click();
      const seen = page.getByRole('region', { name: 'What was seen' }).getByRole('listitem');
      for (const [count, what] of ['All lit', 'All dark'].entries()) {
        await page.getByRole('button', { name: what, exact: true }).click();
        await seen.nth(count).waitFor();
      }
      await page.getByRole('button', { name: 'Draw it' }).first().click();
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
    name: 'which-wire',
    path: '/jobs/heron-yard/circuits/rope-stair-light/prove',
    size: desk,
    act: async (page) => {
      await page.getByLabel('Initials').fill('RF');
      await page.getByRole('button', { name: 'An electrician' }).click();
      await page.getByRole('tab', { name: 'Which wire is which' }).click();
      await page.getByRole('button', { name: 'That is what comes in' }).click();
      await page.getByRole('button', { name: 'Every box is open, dead and parted' }).click();
      const read = page.getByRole('region', { name: 'What was read' }).getByRole('listitem');
      for (let box = 0; box < 3; box++) {
        await page.getByRole('button', { name: 'None does' }).click();
        await read.nth(box).waitFor();
      }
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
    act: (page) => page.getByRole('region', { name: 'Handles' }).waitFor(),
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
    for (const { name, path, size, act, ready = (page) => page.getByText('Work dead:').first() } of SHOTS) {
      // Once the list of jobs has been taken: it shows the demo alone.
      const page = await browser.newPage({ viewport: size });
      await page.goto(`${server.address}${path}`);
      await ready(page).waitFor({ state: 'attached' });
      await page.waitForLoadState('networkidle');
      await act?.(page);
      // What comes in a piece of its own is waited for, and what is still reckoned.
      for (const words of [/^Opening …$/, /^Inspecting …$/])
        await page.getByText(words).first().waitFor({ state: 'detached' });
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
