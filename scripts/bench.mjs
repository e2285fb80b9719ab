import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { DATABASE_PACKAGE } from './lib/database.mjs';
import { needBuild, needDebian, needPackages } from './lib/needs.mjs';
import { root } from './lib/paths.mjs';
import { freePort } from './lib/process.mjs';
import { run, say } from './lib/say.mjs';
import { startServer } from './lib/server.mjs';
import { startTestDatabase } from './lib/testDatabase.mjs';

const median = (times) => [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)];
const worst = (times) => Math.max(...times);
const show = (name, times, aim) =>
  say(
    `${name.padEnd(52)} median ${median(times).toFixed(1).padStart(7)} ms   worst ${worst(times).toFixed(1).padStart(7)} ms   aim ${aim}`,
  );

const timed = (times, work) =>
  Array.from({ length: times }, () => {
    const began = performance.now();
    work();
    return performance.now() - began;
  });

const perSecond = async (name, job) => {
  const { compile, createSweep, wiringOrEmpty } = await import('@amber/core');
  const compiled = compile(wiringOrEmpty(job), job);
  const sweep = createSweep(compiled);
  const lights = new Uint8Array(compiled.luminaires.length);
  const positions = new Uint8Array(compiled.devices.length);
  const began = performance.now();
  let swept = 0;
  let lit = 0;
  while (performance.now() - began < 1000)
    for (let i = 0; i < 4096; i++, swept++) {
      for (let d = 0; d < positions.length; d++) positions[d] = (i >> d) & 1;
      sweep(positions, lights);
      lit += lights[0];
    }
  if (lit * 2 !== swept) throw new Error('In a sound circuit half of all positions are lit.');
  say(`${name.padEnd(52)} ${swept.toLocaleString('en')} a second   aim 1,000,000`);
};

/** The job with the chains and neutrals that the planner settled on, so that only the make-up is left to do. */
const withArrangement = (job, plans) => ({
  ...job,
  choices: plans.map(({ outcome }) => {
    if (!outcome.ok) throw new Error('The job of the figures cannot be planned.');
    const { choice, arrangement } = outcome.value;
    return { ...choice, chains: arrangement.chains, neutralAt: arrangement.neutralAt };
  }),
});

const core = async (job, sixBoxes) => {
  const {
    compile,
    createCableCurrents,
    drawBox,
    estimate,
    evaluate,
    fillOf,
    inspect,
    planJob,
    reviewJob,
    wiringOrEmpty,
  } = await import('@amber/core');
  show(
    'core: plan, prove and inspect 12 boxes',
    timed(30, () => reviewJob(job).findings),
    '-',
  );
  const pinned = withArrangement(job, planJob(job).circuits);
  show(
    'core: make-up, fill and take-off of 12 boxes',
    timed(100, () => {
      const made = planJob(pinned).job;
      const wired = wiringOrEmpty(made);
      for (const box of made.boxes) fillOf(made, wired, box.id);
      estimate(made, wired, compile(wired, made));
    }),
    'under 20 ms',
  );
  const wiring = wiringOrEmpty(job);
  show(
    'core: compile 12 boxes',
    timed(100, () => compile(wiring, job)),
    'under 2 ms',
  );
  const compiled = compile(wiring, job);
  show(
    'core: inspect 12 boxes in all positions',
    timed(60, () => inspect(job, wiring)),
    'under 50 ms',
  );
  const currentsIn = createCableCurrents(wiring, job);
  show(
    'core: currents of every conductor, one position',
    timed(100, () => currentsIn({}, evaluate(compiled, {}))),
    '-',
  );
  await perSecond('core: handle positions swept, 12 boxes', job);
  await perSecond('core: handle positions swept, 6 boxes', sixBoxes);
  show(
    'core: draw 12 opened boxes',
    timed(20, () => job.boxes.forEach((box) => drawBox(job, wiring, box.id, { compiled }))),
    'under 60 ms',
  );
};

const save = async (address, job) => {
  const times = [];
  for (let revision = 1; revision <= 40; revision++) {
    const body = JSON.stringify({
      saveId: `save-${revision}`,
      parent: revision,
      document: { ...job, name: `Save ${revision}` },
    });
    const began = performance.now();
    const answer = await fetch(`${address}/api/jobs/${job.id}`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body,
    });
    await answer.json();
    if (!answer.ok) throw new Error(`The save was answered ${answer.status}.`);
    times.push(performance.now() - began);
  }
  show('server: a save of the 12-box job', times, 'under 100 ms');
};

/** What a script in TypeScript prints: the pages and the tests are read by a reader of TypeScript. */
const printed = (script, ...given) => {
  const args = ['--import', 'tsx', join(root, 'scripts/lib', script), ...given];
  const done = spawnSync('node', args, { cwd: root, encoding: 'utf8' });
  if (done.status !== 0) throw new Error(`${script} failed: ${done.stderr}`);
  return done.stdout.trim();
};

const edit = () => {
  const { byReference, byText } = JSON.parse(printed('editFigures.ts', join(root, 'demo/heron-yard.json')));
  say(
    `${'web: an edit of the demo job in the store'.padEnd(52)} median ${byReference.toFixed(1).padStart(7)} ms   by text, as before ${byText.toFixed(1)} ms   aim a quarter of it`,
  );
};

/** What the browser loads of the program for each screen, from an empty cache. */
const loaded = async (address) => {
  const { openBrowser } = await import('./lib/browser.mjs');
  const browser = await openBrowser();
  try {
    const ropewalk = '/jobs/heron-yard/circuits/ropewalk-lights';
    for (const [name, path, ready] of [
      ['jobs', '/', (page) => page.getByRole('heading', { name: 'Heron Yard' })],
      ['layout', `${ropewalk}/layout`, (page) => page.getByRole('group', { name: 'Plan', exact: true })],
      ['runs', `${ropewalk}/runs`, (page) => page.getByRole('list', { name: 'Plans' }).locator('> li')],
      ['bench', ropewalk, (page) => page.getByRole('button', { name: /Flip/ })],
      ['start', '/jobs/heron-yard/start', (page) => page.getByRole('heading', { name: 'New circuit' })],
    ]) {
      const context = await browser.newContext();
      const page = await context.newPage();
      const sizes = new Map();
      page.on('response', (response) => {
        if (!response.url().endsWith('.js') || response.url().includes('Worker')) return;
        sizes.set(
          response.url(),
          response.body().then(
            (body) => body.length,
            () => 0,
          ),
        );
      });
      await page.goto(address + path);
      await ready(page).first().waitFor();
      // What is asked for once the screen stands is counted by itself.
      const first = [...sizes.values()];
      await page.waitForLoadState('networkidle');
      const sum = async (all) => (await Promise.all(all)).reduce((total, one) => total + one, 0) / 1000;
      const [before, all] = [await sum(first), await sum([...sizes.values()])];
      say(
        `${`web: program loaded for ${name}`.padEnd(52)} ${before.toFixed(0)} kB to begin, ${all.toFixed(0)} kB in all`,
      );
      await context.close();
    }
  } finally {
    await browser.close();
  }
};

/** Share of the time that the main thread of a page works while nobody touches it, once the dashes stand. */
const busyAtRest = async (page) => {
  const session = await page.context().newCDPSession(page);
  await session.send('Performance.enable');
  const worked = async () => {
    const { metrics } = await session.send('Performance.getMetrics');
    return metrics.find((one) => one.name === 'TaskDuration')?.value ?? NaN;
  };
  await page.waitForTimeout(3000);
  const [before, began] = [await worked(), performance.now()];
  await page.waitForTimeout(5000);
  return (1000 * ((await worked()) - before)) / (performance.now() - began);
};

const pages = async (address, job) => {
  const { heapOf, openBrowser } = await import('./lib/browser.mjs');
  const browser = await openBrowser();
  try {
    const cold = [];
    for (let i = 0; i < 5; i++) {
      // A new context has an empty cache.
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
      const page = await context.newPage();
      const began = performance.now();
      await page.goto(`${address}/jobs/heron-yard/circuits/ropewalk-lights`);
      await page.getByRole('button', { name: /Flip/ }).first().waitFor();
      cold.push(performance.now() - began);
      await context.close();
    }
    show('web: cold load to a bench that can be used', cold, 'under 1500 ms');

    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/jobs/${job.id}/circuits/circuit:long`);
    await page.getByRole('button', { name: /Flip/ }).first().waitFor();
    const conductors = await page.locator('[data-wire]').count();
    const flips = await page.evaluate(async () => {
      const times = [];
      for (let i = 0; i < 60; i++) {
        await new Promise((resolve) => setTimeout(resolve, 30));
        const began = performance.now();
        document.dispatchEvent(
          new KeyboardEvent('keydown', {
            key: String((i % 4) + 1),
            code: `Digit${(i % 4) + 1}`,
            bubbles: true,
          }),
        );
        document.dispatchEvent(
          new KeyboardEvent('keyup', {
            key: String((i % 4) + 1),
            code: `Digit${(i % 4) + 1}`,
            bubbles: true,
          }),
        );
        // The frame after the one that holds the change has been painted with it.
        await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 0)));
        times.push(performance.now() - began);
      }
      return times;
    });
    show(`web: handle to repainted bench, 12 boxes, ${conductors} wires`, flips, 'under 32 ms');
    const busy = await busyAtRest(page);
    say(`${'web: main thread of the bench at rest'.padEnd(52)} ${(100 * busy).toFixed(1)} %   aim under 3 %`);
    const heap = await heapOf(page);
    say(`${'web: heap of the bench after 60 flips'.padEnd(52)} ${heap.toFixed(0)} MB   aim under 200 MB`);
    const lit = await page.getByTestId(/^light-/).allTextContents();
    if (!lit.every((text) => text === lit[0] || text.includes('lit') || text.includes('dark')))
      throw new Error('The keys did not flip.');
  } finally {
    await browser.close();
  }
};

/** Prints the figures that the design names. It asserts nothing: a figure is not a test. */
await run(async () => {
  needDebian(...DATABASE_PACKAGE);
  needDebian('chromium', 'chromium');
  needPackages();
  needBuild();
  const { boxesJob } = await import('./lib/boxesJob.mjs');
  const job = boxesJob('bench-job', 12);
  await core(job, boxesJob('six', 6));
  const { plannerFigures } = await import('./lib/plannerFigures.mjs');
  say(printed('drawingFigures.ts'));
  say(printed('changeFigures.ts', join(root, 'demo/heron-yard.json')));
  // Jobs, single faults, pairs of faults, single faults with wrong answers.
  say(printed('finderFigures.ts', '6', '60', '15', '15'));
  say(printed('identifyFigures.ts', '500'));
  edit();
  plannerFigures();
  const { practiceFigures } = await import('./lib/practiceFigures.mjs');
  practiceFigures(show);
  const database = await startTestDatabase();
  try {
    const server = await startServer({ databaseUrl: database.url, port: await freePort() });
    const made = await fetch(`${server.address}/api/jobs`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ saveId: 'first', document: job }),
    });
    if (!made.ok) throw new Error(`The job was answered ${made.status}.`);
    await loaded(server.address);
    await pages(server.address, job);
    const { practicePaint } = await import('./lib/practicePaint.mjs');
    await practicePaint(server.address, show);
    const { layoutFigures } = await import('./lib/layoutFigures.mjs');
    await layoutFigures(server.address);
    await save(server.address, job);
    const { manyJobs } = await import('./lib/manyJobs.mjs');
    // The last: it leaves thousands of jobs behind.
    await manyJobs({ address: server.address, databaseUrl: database.url });
    await server.stop();
  } finally {
    await database.stop();
  }
});
