import { DATABASE_PACKAGE } from './lib/database.mjs';
import { needBuild, needDebian, needPackages } from './lib/needs.mjs';
import { freePort } from './lib/process.mjs';
import { run, say } from './lib/say.mjs';
import { startServer } from './lib/server.mjs';
import { startTestDatabase } from './lib/testDatabase.mjs';

/** Main views of the demo, as they are opened first. */
const VIEWS = {
  Jobs: '/',
  Layout: '/jobs/heron-yard/circuits/ropewalk-lights/layout',
  Runs: '/jobs/heron-yard/circuits/ropewalk-lights/runs',
  Bench: '/jobs/heron-yard/circuits/ropewalk-lights',
};
/** Each is measured so often; the one in the middle counts. */
const TIMES = 3;
const CATEGORIES = ['performance', 'accessibility', 'best-practices'];

const FORMS = {
  desktop: {
    formFactor: 'desktop',
    screenEmulation: { mobile: false, width: 1350, height: 940, deviceScaleFactor: 1, disabled: false },
    throttling: { rttMs: 40, throughputKbps: 10_240, cpuSlowdownMultiplier: 1 },
  },
  mobile: {
    formFactor: 'mobile',
    screenEmulation: { mobile: true, width: 390, height: 844, deviceScaleFactor: 2, disabled: false },
    throttling: { rttMs: 150, throughputKbps: 1638.4, cpuSlowdownMultiplier: 4 },
  },
};

const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];

/** Prints, for each main view on a desk and on a telephone, what an audit of the built program says of it. */
await run(async () => {
  needDebian(...DATABASE_PACKAGE);
  needDebian('chromium', 'chromium');
  needPackages();
  needBuild();
  const { default: lighthouse } = await import('lighthouse');
  const { chromium } = await import('@playwright/test');
  const { default: config } = await import('../playwright.config.mjs');
  const database = await startTestDatabase();
  const server = await startServer({ databaseUrl: database.url, port: await freePort() });
  const port = await freePort();
  const launch = config.use.launchOptions;
  const browser = await chromium.launch({
    ...launch,
    args: [...launch.args, `--remote-debugging-port=${port}`],
  });
  const seen = new Map();
  try {
    say(['view', 'on', ...CATEGORIES, 'LCP s', 'TBT ms', 'CLS', 'machine'].join('\t'));
    for (const [form, settings] of Object.entries(FORMS))
      for (const [view, path] of Object.entries(VIEWS)) {
        const results = [];
        for (let i = 0; i < TIMES; i++) {
          const { lhr } = await lighthouse(
            server.address + path,
            { port, output: 'json', logLevel: 'error', onlyCategories: CATEGORIES },
            { extends: 'lighthouse:default', settings: { ...settings, throttlingMethod: 'simulate' } },
          );
          results.push(lhr);
        }
        const score = (category) =>
          Math.round(100 * median(results.map((one) => one.categories[category].score)));
        const figure = (audit) => median(results.map((one) => one.audits[audit].numericValue));
        say(
          [
            ...[view, form, ...CATEGORIES.map(score)],
            (figure('largest-contentful-paint') / 1000).toFixed(2),
            figure('total-blocking-time').toFixed(0),
            figure('cumulative-layout-shift').toFixed(3),
            // How fast the machine was meanwhile, by the audit's own measure: figures of two moments compare by it.
            median(results.map((one) => one.environment.benchmarkIndex)).toFixed(0),
          ].join('\t'),
        );
        for (const { audits, categories } of results)
          for (const category of CATEGORIES.slice(1))
            for (const { id, weight } of categories[category].auditRefs)
              if (weight > 0 && audits[id].score !== null && audits[id].score < 1)
                seen.set(`${view} on ${form}: ${audits[id].title}`, true);
      }
    for (const what of seen.keys()) say(`  ${what}`);
  } finally {
    await browser.close();
    await server.stop();
    await database.stop();
  }
});
