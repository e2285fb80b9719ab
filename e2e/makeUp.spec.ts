import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { compile, evaluate, wiringOrEmpty, type Job } from '@amber/core';
import { openBench, theRun, accessFaults } from './support.js';

const openLongShed = async (page: Page) => {
  await page.goto('/jobs/heron-yard/circuits/long-shed-lights');
  await expect(theRun(page)).toBeVisible();
};

const ribbon = (page: Page) => page.getByRole('region', { name: 'Handle positions' });

test('all 16 positions of the long shed, walked by key, are what the core says', async ({
  page,
  request,
}) => {
  await openLongShed(page);
  const { document } = (await (await request.get('/api/jobs/heron-yard')).json()) as { document: Job };
  await page.getByRole('button', { name: 'Positions' }).click();
  const wiring = wiringOrEmpty(document);
  const compiled = compile(wiring, document);
  const group = document.groups.find((one) => one.circuit === 'long-shed-lights');
  // The run is larger than the strip; the whole of it can be seen at once.
  const farthest = theRun(page).getByText('Ridge 5', { exact: true });
  await page.getByRole('button', { name: 'Whole run' }).click();
  await expect(farthest).toBeInViewport();
  await page.getByRole('button', { name: 'Larger' }).click();
  const cells = ribbon(page).getByRole('button', { name: /^Position \d+: / });
  await expect(cells).toHaveCount(16);
  const met = new Set<string>();
  for (let i = 0; i < 16; i++) {
    // Handles in the order of the run, as the strip shows them with their number keys.
    const handles = await theRun(page)
      .getByRole('button', { name: /Flip\.$/ })
      .all();
    const positions: Record<string, number> = {};
    for (const handle of handles) {
      const label = (await handle.getAttribute('aria-label')) ?? '';
      const [, place = '', word = ''] = /^(.*), S\d?: (\w+)\. Flip\.$/.exec(label) ?? [];
      const box = document.boxes.find((one) => one.name === place);
      const device = wiring.devices.find((one) => one.box === box?.id);
      if (device) positions[device.id] = word.toLowerCase() === 'up' ? 0 : 1;
    }
    met.add(JSON.stringify(Object.entries(positions).sort()));
    const lit = evaluate(compiled, positions)
      .luminaires.filter((one) => document.luminaires.find(({ id }) => id === one.id)?.group === group?.id)
      .every((one) => one.light === 'lit');
    const lights = await page.getByTestId(/^light-/).allTextContents();
    expect(lights.length).toBe(5);
    expect(lights.every((text) => text.endsWith(lit ? 'lit' : 'dark'))).toBe(true);
    await expect(ribbon(page).locator('[aria-pressed="true"]')).toHaveAttribute(
      'aria-label',
      new RegExp(lit ? '; lit$' : '; dark$'),
    );
    await page.keyboard.press('w');
  }
  expect(met.size).toBe(16);
  await expect(ribbon(page)).toContainText('1 of 16');
});

test('a wire is followed across boxes, named in words, and let go', async ({ page }) => {
  await openLongShed(page);
  const wire = page
    .getByRole('article', { name: 'Box River door' })
    .locator('[data-wire^="conductor|"][data-wire$="|black"] path')
    .first();
  await wire.scrollIntoViewIfNeeded();
  // A finger comes down on the copper itself, near to where it leaves the sheath.
  const at = await wire.evaluate((path: SVGPathElement) => {
    const point = path.getPointAtLength(path.getTotalLength() * 0.3);
    const { x, y } = point.matrixTransform(path.getScreenCTM() ?? undefined);
    return { x, y };
  });
  await page.mouse.click(at.x, at.y);
  const said = page.getByRole('region', { name: 'Opened boxes' }).getByRole('status');
  await expect(said).toHaveText(/^(black|white|red|blue|bare)[^,]*, .+ to .+: .+/);
  // What is one piece with it is set off in other boxes too; the rest is faint.
  const boxes = page.getByRole('article').filter({ has: page.locator('[data-followed]') });
  expect(await boxes.count()).toBeGreaterThan(1);
  await expect(page.getByRole('list', { name: 'From the panel' })).toContainText('Panel');
  // By key from one conductor of the box to the next, each another one.
  await page.keyboard.press('n');
  const sentences = new Set<string>();
  for (let i = 0; i < 4; i++) {
    await page.keyboard.press('f');
    sentences.add((await said.textContent()) ?? '');
  }
  expect(sentences.size).toBe(4);
  await page.keyboard.press('Escape');
  await expect(said).toBeHidden();
  await expect(page.locator('[data-followed]')).toHaveCount(0);
});

test('a traveler is live though the luminaires are off, and says so', async ({ page }) => {
  await openLongShed(page);
  await page.keyboard.press('w');
  await page.keyboard.press('n');
  const said = page.getByRole('region', { name: 'Opened boxes' }).getByRole('status');
  const all: string[] = [];
  for (let i = 0; i < 6; i++) {
    await page.keyboard.press('f');
    all.push((await said.textContent()) ?? '');
  }
  expect(all.some((text) => /: traveler, live now though the luminaires are off$/.test(text))).toBe(true);
});

test('steps are ticked off, kept over a reload, and told at three depths', async ({ page }) => {
  await openLongShed(page);
  await page.getByRole('tab', { name: 'Steps' }).click();
  const steps = page.getByRole('region', { name: /^Steps at / });
  await expect(steps).toContainText('Prove the tester on a source known to be live');
  await page.getByRole('button', { name: 'Next box' }).click();
  await expect(steps).toHaveAttribute('aria-label', 'Steps at River door');
  const boxes = steps.getByRole('checkbox');
  const count = await boxes.count();
  expect(count).toBeGreaterThan(9);
  await boxes.nth(0).check();
  await boxes.nth(1).check();
  await boxes.nth(2).check();
  await boxes.nth(1).uncheck();
  await expect(steps).toContainText(`2 of ${count} done`);
  await page.waitForLoadState('networkidle');
  await page.reload();
  await page.getByRole('tab', { name: 'Steps' }).click();
  await page.getByRole('button', { name: 'Next box' }).click();
  await expect(steps).toContainText(`2 of ${count} done`);
  await expect(boxes.nth(1)).not.toBeChecked();
  await expect(steps).not.toContainText('NEC 110.14');
  await page.getByRole('button', { name: 'The code' }).click();
  await expect(steps).toContainText('NEC 250.148');
  // A step leads to its wire.
  await steps.getByRole('button', { name: /^Show: Join the grounds/ }).click();
  await expect(page.getByRole('region', { name: 'Opened boxes' }).getByRole('status')).toContainText(
    'ground',
  );
  await steps.getByText('What the other ends look like').click();
  await expect(steps).toContainText('in a splice of');
});

/** Every screw that the steps name sits in the drawing where they say, and the wire they name ends on it. */
const samePlaces = async (page: Page, box: string) => {
  const told = await page
    .getByRole('region', { name: `Steps at ${box}` })
    .getByRole('listitem')
    .allTextContents();
  const drawing = page.getByRole('article', { name: `Box ${box}` });
  const drawn = await drawing.locator('[data-screw]').evaluateAll((screws) => {
    const all = screws.map((screw) => {
      const circle = screw.querySelector<SVGCircleElement>('circle:not([data-finger])');
      return {
        marked: screw.querySelector('text')?.textContent ?? '',
        x: circle?.cx.baseVal.value ?? 0,
        y: circle?.cy.baseVal.value ?? 0,
      };
    });
    const [left, top] = [Math.min(...all.map(({ x }) => x)), Math.min(...all.map(({ y }) => y))];
    // By the eye alone: what is written at a screw, and in which corner it is seen.
    return all.map(
      ({ marked, x, y }) =>
        `${marked}, ${y === top ? 'high' : 'low'} at the ${x === left ? 'left' : 'right'}`,
    );
  });
  const screws = told.flatMap((text) =>
    [...text.matchAll(/screw marked ((?:IN|OUT), (?:high|low) at the (?:left|right))/g)].map(
      ([, place]) => place,
    ),
  );
  expect(new Set(screws).size).toBe(4);
  expect(drawn).toEqual(expect.arrayContaining(screws));
};

test('the device in the hand is picked by its picture, and steps and drawing follow', async ({ page }) => {
  await openBench(page, 'long-shed-lights');
  await page.getByRole('tab', { name: 'Steps' }).click();
  for (let i = 0; i < 2; i++) await page.getByRole('button', { name: 'Next box' }).click();
  const steps = page.getByRole('region', { name: 'Steps at Yard door' });
  await expect(steps).toContainText('dark screw marked IN, high at the right');
  await samePlaces(page, 'Yard door');
  const faces = page.getByRole('group', { name: 'The S4 of Long shed' });
  await expect(faces.getByRole('button')).toHaveCount(4);
  await faces.getByRole('button', { name: /pairs left and right/ }).click();
  await expect(steps).toContainText('dark screw marked IN, low at the left');
  await expect(steps).not.toContainText(/Four-way: [^.]*marked IN, high at the right/);
  await samePlaces(page, 'Yard door');
  await expect(faces.locator('[aria-pressed="true"]')).toHaveAccessibleName(/pairs left and right/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(steps).toContainText('marked IN, high at the right');
});

test('a box in words leads to its steps, and follows its wires', async ({ page }) => {
  await openLongShed(page);
  const box = page.getByRole('article', { name: 'Box Yard door' });
  await box.getByText('In words').click();
  const lines = box.getByRole('listitem');
  await expect(lines.nth(5)).toBeVisible();
  const line = lines.filter({ hasText: 'dark screw marked IN, high at the left' });
  await line.getByRole('button').first().click();
  await expect(page.getByRole('region', { name: 'Opened boxes' }).getByRole('status')).toContainText(
    'traveler',
  );
  await line.getByRole('button', { name: 'Its step' }).click();
  const steps = page.getByRole('region', { name: 'Steps at Yard door' });
  await expect(
    steps.getByRole('listitem').filter({ hasText: 'dark screw marked IN, high at the left' }),
  ).toBeInViewport();
});

test('one box is looked at from nearer by wheel and keys, moved, and seen whole again', async ({ page }) => {
  await openLongShed(page);
  await page.keyboard.press('v');
  const drawing = page.locator('article svg.drawing');
  const seeWhole = () => page.getByRole('button', { name: 'The whole box' }).click();
  await seeWhole();
  const whole = await drawing.getAttribute('viewBox');
  const width = async () => Number((await drawing.getAttribute('viewBox'))?.split(' ')[2]);
  const wide = await width();
  await drawing.hover();
  await page.mouse.wheel(0, -300);
  await expect.poll(width).toBeLessThan(wide * 0.8);
  const before = await drawing.getAttribute('viewBox');
  await page.keyboard.press('ArrowRight');
  await expect(drawing).not.toHaveAttribute('viewBox', before ?? '');
  await seeWhole();
  await expect(drawing).toHaveAttribute('viewBox', whole ?? '');
  // The opened box has two thirds of the height of a desk's screen, and its letters can be read.
  const size = await drawing.boundingBox();
  expect((size?.height ?? 0) / 800).toBeGreaterThan(0.66);
  const letters = await drawing
    .locator('[data-wire] text')
    .evaluateAll((texts) =>
      texts.map(
        (text) =>
          parseFloat(getComputedStyle(text).fontSize) * ((text as SVGTextElement).getScreenCTM()?.a ?? 0),
      ),
    );
  expect(Math.min(...letters)).toBeGreaterThanOrEqual(11);
});

test('a box is seen large, through every lens, and saved as a picture with its name and the safety line', async ({
  page,
}) => {
  await openLongShed(page);
  await page.keyboard.press('v');
  await expect(page.getByRole('article')).toHaveCount(1);
  await page.keyboard.press('n');
  await page.getByRole('button', { name: 'Use', exact: true }).click();
  await expect(page.getByRole('article')).toContainText('Long shed, pair 1');
  await page.getByRole('button', { name: 'Circuit', exact: true }).first().click();
  await expect(page.getByRole('article')).toContainText(/C\d/);
  await page.getByRole('button', { name: 'Current', exact: true }).click();
  await expect(page.getByRole('article')).toContainText(/\d A/);
  const save = async (as: RegExp) => {
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await page.getByRole('menuitem', { name: as }).click();
    return download;
  };
  // What is looked at from nearer is saved whole.
  await page.getByRole('button', { name: 'Nearer' }).click();
  const file = await save(/SVG/);
  expect(file.suggestedFilename()).toMatch(/^Heron Yard Long shed\.svg$/);
  const svg = readFileSync(await file.path(), 'utf8');
  expect(svg).toContain('Heron Yard, Long shed');
  expect(svg).toContain('2 · River door');
  expect(svg).toContain('Work dead, prove it dead');
  expect(svg).not.toContain('var(--');
  expect(svg).toMatch(/viewBox="0 0 \d+ \d+"/);
  const bytes = readFileSync(await (await save(/PNG/)).path());
  expect(bytes.subarray(1, 4).toString()).toBe('PNG');
  expect(bytes.length).toBeGreaterThan(5_000);
  await page.keyboard.press('n');
  await page.keyboard.press('v');
  const boxes = await page.getByRole('article').count();
  expect(boxes).toBeGreaterThan(5);
  const all = readFileSync(await (await save(/SVG/)).path(), 'utf8');
  expect(all.match(/data-wire="conductor/g)?.length).toBeGreaterThan(30);
  expect(all.match(/>\d+ · [^<]+</g)).toHaveLength(boxes);
});

test.describe('where motion is wanted', () => {
  test.use({ contextOptions: { reducedMotion: 'no-preference' } });

  test('the dashes run after a change, and stand at rest', async ({ page }) => {
    await openLongShed(page);
    const running = () =>
      page
        .locator('.wire-core')
        .first()
        .evaluate((path) => getComputedStyle(path).animationName);
    await expect.poll(running, { timeout: 6000 }).toBe('none');
    await page.keyboard.press('1');
    expect(await running()).toBe('current');
    await expect.poll(running, { timeout: 6000 }).toBe('none');
    await page.keyboard.press('f');
    await expect.poll(running).toBe('current');
  });
});

test('every conductor of every box carries a label, and axe finds no fault', async ({ page }) => {
  await openLongShed(page);
  const unlabelled = await page
    .locator('[data-wire]')
    .evaluateAll((wires) => wires.filter((wire) => !wire.querySelector('text')?.textContent?.trim()).length);
  expect(unlabelled).toBe(0);
  await page.getByRole('tab', { name: 'Steps' }).click();
  await page.keyboard.press('f');
  for (const size of [
    { width: 1280, height: 800 },
    { width: 390, height: 844 },
  ]) {
    await page.setViewportSize(size);
    expect(await accessFaults(page)).toEqual([]);
  }
});
