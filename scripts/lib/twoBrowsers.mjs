import { randomUUID } from 'node:crypto';
import { openBrowser } from './browser.mjs';
import { freePort } from './process.mjs';
import { startServer } from './server.mjs';
import { startTestDatabase } from './testDatabase.mjs';

/** Numbers from 0 to 1 that a seed settles, so that a run can be had again. */
const drawing = (seed) => () => {
  seed = (seed * 1_664_525 + 1_013_904_223) % 2 ** 32;
  return seed / 2 ** 32;
};

/** Milliseconds for which both may take to come to one state. */
const PATIENCE = 30_000;
const EDITIONS = ['2014', '2017', '2020', '2023'];

/** What somebody changes by hand, each a thing of its own; it gives what the job says of it afterwards. */
const CHANGES = {
  name: async (page, value) => {
    const field = page.getByLabel('Name of the job');
    await field.fill(value);
    // While somebody types nothing is taken in.
    await field.blur();
  },
  edition: (page, value) => page.getByLabel('Code edition').selectOption(value),
};

/**
 * Two people with the same job open change different things at the same moment, again and again; what both did has to be in it, in both browsers
 * and on the server, and neither may be asked. Gives how often that was, how often a save had lost and was put together, and what went wrong.
 */
export const twoBrowsers = async (times, seed = 1, onRound = () => undefined) => {
  const drawn = drawing(seed);
  const database = await startTestDatabase();
  const wrong = [];
  let lost = 0;
  let server = null;
  let browser = null;
  try {
    server = await startServer({ databaseUrl: database.url, port: await freePort() });
    browser = await openBrowser();
    const get = async (path) => (await fetch(`${server.address}/api${path}`)).json();
    const { document } = await get('/jobs/heron-yard');
    const id = `two-${randomUUID()}`;
    await fetch(`${server.address}/api/jobs`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ saveId: id, document: { ...document, id } }),
    });
    const pages = await Promise.all(
      [0, 1].map(async () => {
        const page = await (await browser.newContext()).newPage();
        page.on('response', (response) => {
          if (response.request().method() === 'PUT' && response.status() === 409) lost += 1;
        });
        await page.goto(`${server.address}/jobs/${id}/circuits/tar-store-light`);
        await page.getByLabel('Name of the job').waitFor();
        return page;
      }),
    );
    const expected = { name: document.name, edition: document.edition };
    for (let round = 1; round <= times; round++) {
      const swap = drawn() < 0.5;
      const name = `Yard ${round}`;
      const edition = EDITIONS.filter((one) => one !== String(expected.edition))[Math.floor(drawn() * 3)];
      Object.assign(expected, { name, edition: Number(edition) });
      const [a, b] = swap ? [pages[1], pages[0]] : pages;
      await Promise.all([
        CHANGES.name(a, name),
        b.waitForTimeout(drawn() * 1_500).then(() => CHANGES.edition(b, edition)),
      ]);
      const until = Date.now() + PATIENCE;
      let state = null;
      for (;;) {
        const { document: now } = await get(`/jobs/${id}`);
        const shown = await Promise.all(
          pages.map(async (page) => [
            await page.getByLabel('Name of the job').inputValue(),
            Number(await page.getByLabel('Code edition').inputValue()),
            await page.getByText('This job was saved elsewhere meanwhile').count(),
          ]),
        );
        state = { server: [now.name, now.edition, 0], pages: shown };
        const want = JSON.stringify([name, Number(edition), 0]);
        if ([state.server, ...shown].every((one) => JSON.stringify(one) === want)) break;
        if (Date.now() > until) {
          wrong.push({ round, seed, want, ...state });
          break;
        }
        await pages[0].waitForTimeout(100);
      }
      if (wrong.length > 0) break;
      onRound(round, lost);
    }
  } finally {
    await browser?.close();
    await server?.stop();
    await database.stop();
  }
  return { lost, wrong };
};
