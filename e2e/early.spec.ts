import { expect, test, type Page } from '@playwright/test';
import { plannedYard } from './support.js';

/** What the page asks for before the program itself has come. */
const askedEarly = async (page: Page, path: string): Promise<string[]> => {
  await page.route(/\/assets\/index-[^/]+\.js$/, (route) => route.abort());
  await page.goto(path);
  const asked = await page.evaluate(() =>
    [...document.querySelectorAll<HTMLLinkElement>('link[rel=modulepreload], link[rel=preload]')].map(
      ({ href }) => href.slice(location.origin.length),
    ),
  );
  await page.unroute(/\/assets\/index-[^/]+\.js$/);
  return asked;
};

test('each address asks at once for the files of its screen and for the job, and nothing comes twice', async ({
  page,
  request,
}) => {
  const job = await plannedYard(request);
  const ropewalk = `${job}/circuits/ropewalk-lights`;
  const screens: [path: string, file: string, heading: RegExp, answer: string | null][] = [
    ['/', 'JobsScreen', /^Jobs$/, '/api/jobs?search=&from=0&count=30'],
    [`${ropewalk}/runs`, 'RunsScreen', /^Runs/, `/api${job}`],
    [ropewalk, 'BenchScreen', /Ropewalk/, `/api${job}`],
    [`${job}/order`, 'OrderScreen', /^Order/, `/api${job}`],
    ['/practice', 'PracticeScreen', /^Practice/, null],
  ];
  for (const [path, file, heading, answer] of screens)
    await test.step(path, async () => {
      const early = await askedEarly(page, path);
      const has = (name: string) => early.some((one) => one.startsWith(`/assets/${name}-`));
      expect(has(file)).toBe(true);
      expect(has('JobShell')).toBe(path.startsWith(job));
      expect(early.filter((one) => one.startsWith('/api'))).toEqual(answer === null ? [] : [answer]);

      const told: string[] = [];
      const sent: string[] = [];
      page.on('console', (message) => told.push(message.text()));
      page.on('request', (one) => sent.push(one.url().slice(new URL(one.url()).origin.length)));
      const failed: string[] = [];
      page.on('response', (one) => {
        if (one.status() >= 400) failed.push(one.url());
      });
      await page.goto(path);
      await expect(page.getByRole('heading', { name: heading }).first()).toBeVisible();
      // The browser tells after some seconds of an answer that was asked for early and never used.
      if (answer !== null && ['/', ropewalk].includes(path)) await page.waitForTimeout(4_500);
      page.removeAllListeners();
      expect(told.filter((text) => text.includes('preload'))).toEqual([]);
      expect(failed).toEqual([]);
      if (answer !== null) expect(sent.filter((one) => one === answer)).toHaveLength(1);
      // Every file that was asked for early is one of this build.
      for (const one of early.filter((each) => each.startsWith('/assets'))) expect(sent).toContain(one);
    });
});
