import { planJob } from '@amber/core';
import { heapOf, metricsOf, openBrowser } from './browser.mjs';
import { randomJob } from './plannerFigures.mjs';
import { say } from './say.mjs';

const line = (name, text) => say(`${name.padEnd(52)} ${text}`);
const RUNS = '/jobs/heron-yard/circuits/long-shed-lights/runs';

/** A floor of 40 boxes in one room. */
const fortyBoxes = () => {
  const job = randomJob(3, { places: 40, groups: 8, switches: 2 });
  const outline = [
    { x: -12, y: -12 },
    { x: 492, y: -12 },
    { x: 492, y: 312 },
    { x: -12, y: 312 },
  ];
  const rooms = job.rooms.map((room) => ({ ...room, outline }));
  return planJob({ ...job, rooms, boxes: job.boxes.map((box) => ({ ...box, room: 'r' })) }).job;
};

/** Script of a drag over many frames, milliseconds for each. */
const dragging = async (browser, address) => {
  const document = fortyBoxes();
  const made = await fetch(`${address}/api/jobs`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ saveId: 'forty', document }),
  });
  if (!made.ok) throw new Error(`The job of 40 boxes was answered ${made.status}.`);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${address}/jobs/${document.id}/layout`);
  const lamp = page.getByRole('button', { name: 'L3, luminaire' });
  await lamp.waitFor();
  const box = await lamp.boundingBox();
  const metric = await metricsOf(page);
  const script = async () => (await metric('ScriptDuration')) * 1000;
  const at = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  await page.mouse.move(at.x + 10, at.y + 10);
  const [before, frames] = [await script(), 120];
  for (let i = 0; i < frames; i++) {
    await page.mouse.move(at.x + 60 * Math.sin(i / 9), at.y + 40 * Math.cos(i / 7));
    await page.evaluate(() => new Promise((resolve) => requestAnimationFrame(resolve)));
  }
  const each = ((await script()) - before) / frames;
  await page.mouse.up();
  const heap = await heapOf(page);
  line('web: script a frame, dragging among 40 boxes', `mean ${each.toFixed(1)} ms   aim under 8 ms`);
  line('web: heap of the page with 40 boxes', `${heap.toFixed(0)} MB   aim under 200 MB`);
  await page.close();
};

/** From an edit of the long shed to the first answer and to the proof of the least cost, in the page with its worker. */
const planning = async (browser, address) => {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${address}${RUNS}`);
  const proved = () =>
    page.getByText('That A is least by cost and judgement is proved').waitFor({ timeout: 120_000 });
  await proved();
  const [first, least] = [[], []];
  for (const edition of ['2011', '2014', '2017', '2020', '2023']) {
    await page.evaluate(() => performance.clearMarks());
    await page.getByLabel('Code edition').selectOption(edition);
    await page.waitForFunction(() => performance.getEntriesByName('plans-proved').length > 0, null, {
      timeout: 120_000,
    });
    const marks = await page.evaluate(() =>
      ['plans-asked', 'plans-first', 'plans-proved'].map(
        (name) => performance.getEntriesByName(name)[0].startTime,
      ),
    );
    first.push(marks[1] - marks[0]);
    least.push(marks[2] - marks[0]);
    await proved();
  }
  const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
  const both = (values) =>
    `median ${median(values).toFixed(0)} ms   worst ${Math.max(...values).toFixed(0)} ms`;
  line('web: edit of the long shed to the first answer', `${both(first)}   aim under 300 ms`);
  line('web: edit of the long shed to the proof', `${both(least)}   aim under 2000 ms`);
  await page.close();
};

/** From the tap on the rail to what a screen shows first of a job, and the script of each frame while that is scrolled. */
const opening = async (browser, address, { job, from, word, label, shown, name }) => {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${address}/jobs/${job}/${from.word}`);
  const before = page.locator(from.shown).first();
  await before.waitFor();
  // Nobody goes on within the first two seconds.
  await page.waitForTimeout(2500);
  const took = [];
  for (let i = 0; i < 5; i++) {
    await page.evaluate(
      ([link, first]) => {
        window.opened = new Promise((resolve) => {
          const began = performance.now();
          const look = () =>
            document.querySelector(first) ? resolve(performance.now() - began) : requestAnimationFrame(look);
          document.querySelector(link).click();
          requestAnimationFrame(look);
        });
      },
      [`nav a[href$="/${word}"]`, shown],
    );
    took.push(await page.evaluate(() => window.opened));
    await page.getByRole('link', { name: from.label }).click();
    await before.waitFor();
  }
  await page.getByRole('link', { name: label }).click();
  const first = page.locator(shown).first();
  await first.waitFor();
  const count = await page.locator(shown).count();
  const metric = await metricsOf(page);
  const script = async () => (await metric('ScriptDuration')) * 1000;
  await first.hover();
  const [began, frames] = [await script(), 60];
  for (let i = 0; i < frames; i++) {
    await page.mouse.wheel(0, i < frames / 2 ? 60 : -60);
    await page.evaluate(() => new Promise((resolve) => requestAnimationFrame(resolve)));
  }
  const each = ((await script()) - began) / frames;
  line(
    `web: ${name} (${count})`,
    `open first in ${took[0].toFixed(0)} ms, then in at most ${Math.max(...took.slice(1)).toFixed(0)} ms   aim under 300 ms; script a frame while scrolling ${each.toFixed(1)} ms   aim under 16 ms`,
  );
  await page.close();
};

const TABLE = { word: 'boxes', label: 'Boxes', shown: 'tbody tr' };
const LAYOUT = { word: 'layout', label: 'Layout', shown: '[aria-label^="L3, luminaire"]' };
const boxes = { job: fortyBoxes().id, from: LAYOUT, ...TABLE, name: 'the boxes of a job with 40' };
const walk = {
  ...{ job: 'heron-yard', from: TABLE, word: 'check', label: 'Check' },
  shown: 'section[id^="stop-"] li',
  name: 'the rough-in walk of the demo, things to see',
};

const order = {
  ...{ job: 'heron-yard', from: TABLE, word: 'order', label: 'Order' },
  shown: '[aria-label^="In the truck"]',
  name: 'the order of the demo, lines of the stock',
};

/** From the tap to the packet of the demo as a file, made by the worker of the page. */
const packet = async (browser, address) => {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${address}/jobs/heron-yard/order`);
  await page.getByRole('tab', { name: 'Packet' }).click();
  const took = [];
  for (let i = 0; i < 3; i++) {
    const made = page.waitForEvent('download', { timeout: 120_000 });
    const began = performance.now();
    await page.getByRole('button', { name: 'Make the packet' }).click();
    await made;
    took.push(((performance.now() - began) / 1000).toFixed(1));
  }
  const size = await page.getByText('It is made').textContent();
  line('web: the packet of the demo', `${took.join(' s, ')} s   aim under 5 s; ${size}   aim under 3 MB`);
  await page.close();
};

export const layoutFigures = async (address) => {
  const browser = await openBrowser();
  try {
    await dragging(browser, address);
    await opening(browser, address, boxes);
    await opening(browser, address, walk);
    await opening(browser, address, order);
    await packet(browser, address);
    await planning(browser, address);
  } finally {
    await browser.close();
  }
};
