import { DATABASE_PACKAGE } from './lib/database.mjs';
import { needBuild, needDebian, needPackages } from './lib/needs.mjs';
import { freePort } from './lib/process.mjs';
import { run, say } from './lib/say.mjs';
import { startServer } from './lib/server.mjs';
import { startTestDatabase } from './lib/testDatabase.mjs';

const JOB = '/jobs/heron-yard';
const of = (circuit, rest = '') => `${JOB}/circuits/${circuit}${rest}`;

/** Every screen of the demo, new work and old, a job without anything, and what is not there. */
const VIEWS = {
  Jobs: '/',
  'A new circuit': `${JOB}/start`,
  Layout: of('galley-lights', '/layout'),
  Runs: of('ropewalk-lights', '/runs'),
  'Runs of two groups': of('galley-lights', '/runs'),
  'A change': of('winch-lights', '/runs?change'),
  Bench: of('galley-lights'),
  'Bench of old work': of('rope-stair-light'),
  Boxes: `${JOB}/boxes`,
  Check: `${JOB}/check`,
  Order: `${JOB}/order`,
  Prove: of('ropewalk-lights', '/prove'),
  'Prove, the whole job': `${JOB}/prove`,
  History: `${JOB}/history`,
  Practice: '/practice',
  Shop: '/shop',
  'An empty job, its start': '/jobs/empty/start',
  'An empty job, its layout': '/jobs/empty/layout',
  'An empty job, its order': '/jobs/empty/order',
  'An empty job, its check': '/jobs/empty/check',
  'A job that is not there': '/jobs/none',
  'An address that leads nowhere': '/nowhere',
};

/** A desk, the same at 200 % zoom, a tablet held upright, a telephone. */
const SIZES = [
  [1280, 800],
  [640, 400],
  [820, 1180],
  [390, 844],
];
const LOOKS = ['light', 'dark'];

/** Controls and sentences that stick out of the window where nothing scrolls to them. */
const cutOff = () => {
  const isReached = (element) => {
    for (let one = element.parentElement; one; one = one.parentElement) {
      const scrolls = /auto|scroll/.test(getComputedStyle(one).overflowX);
      if ((scrolls && one.scrollWidth > one.clientWidth + 1) || one.classList.contains('sr-only'))
        return true;
    }
    return false;
  };
  return [...document.querySelectorAll('button, a, input, select, h1, h2, p, label')]
    .filter((element) => {
      const { left, right, width, height } = element.getBoundingClientRect();
      return width > 2 && height > 2 && (right > innerWidth + 2 || left < -2) && !isReached(element);
    })
    .map((element) => `${element.tagName.toLowerCase()} “${element.textContent.trim().slice(0, 40)}”`);
};

/**
 * Every screen and every tab of it, at four sizes, by day and in the dark: what an audit of accessibility finds of whatever impact, what is wider than the
 * window, and what sticks out of it. Prints each, and how many pages were looked at.
 */
await run(async () => {
  needDebian(...DATABASE_PACKAGE);
  needDebian('chromium', 'chromium');
  needPackages();
  needBuild();
  const { AxeBuilder } = await import('@axe-core/playwright');
  const { openBrowser } = await import('./lib/browser.mjs');
  const database = await startTestDatabase();
  let server = null;
  let browser = null;
  let pages = 0;
  let found = 0;
  try {
    server = await startServer({ databaseUrl: database.url, port: await freePort() });
    browser = await openBrowser();
    const { newJob, standardStock } = await import('@amber/core');
    await fetch(`${server.address}/api/jobs`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ saveId: 'empty', document: newJob('empty', 'Empty', standardStock()) }),
    });
    for (const look of LOOKS)
      for (const [width, height] of SIZES) {
        const context = await browser.newContext({
          viewport: { width, height },
          reducedMotion: 'reduce',
          colorScheme: look,
          serviceWorkers: 'block',
        });
        const page = await context.newPage();
        const inspect = async (what) => {
          pages += 1;
          // Charts bring their own drawing, with a table beside them.
          const { violations } = await new AxeBuilder({ page }).exclude('.recharts-wrapper').analyze();
          const wide = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
          const told = [
            ...violations.map(({ id, impact, nodes }) => `${id} (${impact}): ${nodes[0].html.slice(0, 160)}`),
            ...(wide > 0 ? [`${wide} px wider than the window`] : []),
            ...(await page.evaluate(cutOff)).slice(0, 5).map((one) => `sticks out: ${one}`),
          ];
          found += told.length;
          for (const one of told) say(`${width} by ${height}, ${look}, ${what}: ${one}`);
        };
        page.on('pageerror', (error) => {
          found += 1;
          say(`${width} by ${height}, ${look}: ${error.message}`);
        });
        for (const [view, path] of Object.entries(VIEWS)) {
          await page.goto(server.address + path);
          await page.getByRole('heading', { level: 1 }).first().waitFor({ state: 'attached' });
          await page.waitForTimeout(1_000);
          await inspect(view);
          const tabs = page.getByRole('tab');
          for (let i = 1; i < (await tabs.count()); i++) {
            await tabs.nth(i).click();
            await page.waitForTimeout(300);
            await inspect(`${view}, ${(await tabs.nth(i).textContent()).trim()}`);
          }
        }
        await context.close();
      }
  } finally {
    await browser?.close();
    await server?.stop();
    await database.stop();
  }
  say(`${pages} pages looked at, ${found} things found`);
  if (found > 0) process.exitCode = 1;
});
