import { expect, test, type Page } from '@playwright/test';
import { openBench, plannedYard, saved, accessFaults } from './support.js';

/** Clicks as a user makes them, counted. */
const counting = (page: Page) => {
  const counter = { clicks: 0 };
  const click = async (name: string | RegExp, role: 'button' | 'radio' | 'link' = 'button') => {
    counter.clicks++;
    await page.getByRole(role, { name }).first().click();
  };
  return { counter, click };
};

/** Nothing stands out of the screen, and no control is cut by its edge. */
const nothingClipped = async (page: Page) => {
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
};

test('from the list of jobs to the proved bench of an everyday circuit in a few clicks, and on to its ways and its place', async ({
  page,
}) => {
  const { counter, click } = counting(page);
  await page.goto('/');
  const began = Date.now();
  await click('New job');
  await page.getByLabel('Name of the job').fill('First house');
  await click('Make the job');
  await click('A hall with two ways in', 'radio');
  await page.getByLabel('Room', { exact: true }).fill('Long hall');
  await page.getByLabel('Left to right').fill('20-0');
  await page.getByLabel('Left to right').press('Enter');
  await expect(page.getByText(/a master would choose/)).toBeVisible({
    timeout: 30_000,
  });
  await click('Plan it');
  await expect(page.getByText('4 of 4 positions work').first()).toBeVisible();
  const seconds = (Date.now() - began) / 1000;
  console.log(`An everyday circuit: ${counter.clicks} clicks, ${seconds.toFixed(1)} s by script`);
  expect(counter.clicks).toBeLessThanOrEqual(6);
  await saved(page);
  // What was begun stands on the layout as it was measured, and Runs knows what is wired.
  await click('Layout', 'link');
  await expect(page.getByRole('group', { name: 'Plan', exact: true })).toContainText('Long hall');
  await click('Runs', 'link');
  const first = page.getByRole('list', { name: 'Plans' }).locator('> li').first();
  await expect(first).toContainText('Wired this way', { timeout: 60_000 });
});

test('the first job of somebody new: four rooms, five doors, a dozen boxes and one that is there, in few clicks and no dead end', async ({
  page,
}) => {
  const { counter, click } = counting(page);
  const began = Date.now();
  await page.goto('/');
  await click('New job');
  await page.getByLabel('Name of the job').fill('Three rooms');
  await click('Make the job');
  const begin = async (place: string, more: () => Promise<unknown> = () => Promise.resolve()) => {
    await click(place, 'radio');
    await more();
    await expect(page.getByText(/a master would choose/)).toBeVisible({ timeout: 60_000 });
    await click('Plan it');
    await expect(page.getByText(/^(\d+) of \1 positions work/).first()).toBeVisible();
  };
  const another = async (name: RegExp) => {
    counter.clicks += 2;
    await page.getByRole('button', { name }).first().click();
    await page.getByRole('menuitem', { name: 'New circuit' }).click();
  };
  await begin('A hall with two ways in');
  await another(/^Hall/);
  await begin('A bedroom with a closet', () =>
    page.getByLabel('Power comes from').selectOption('A receptacle that is there'),
  );
  // What feeds it is there, and is not called as the room is.
  await another(/^Existing circuit at a receptacle/);
  await begin('A bath with a fan and a vanity');
  await click('Layout', 'link');
  const plan = page.getByRole('group', { name: 'Plan', exact: true });
  await expect(plan.getByRole('button', { name: /^Room / })).toHaveCount(4);
  await expect(plan.getByRole('button', { name: /^Door / })).toHaveCount(5);
  await expect(plan.getByRole('button', { name: 'Bath door, switch S S S' })).toBeVisible();
  await expect(plan.getByRole('button', { name: /, (switch|luminaire|existing)/ })).toHaveCount(13);
  await expect(page.getByRole('region', { name: 'What cannot be so' })).toHaveCount(0);
  await saved(page);
  const seconds = (Date.now() - began) / 1000;
  console.log(`Three rooms and a closet: ${counter.clicks} clicks, ${seconds.toFixed(1)} s by script`);
  expect(counter.clicks).toBeLessThanOrEqual(40);
});

test('what nobody has wired by plan: a circuit of the job leads to the finder, and to which wire is which', async ({
  page,
}) => {
  await openBench(page, 'ropewalk-lights');
  await page.getByRole('button', { name: /^Ropewalk/ }).click();
  await page.getByRole('menuitem', { name: 'New circuit' }).click();
  await page.getByRole('radio', { name: 'Something does not work' }).click();
  await page
    .getByRole('list', { name: 'Circuits of this job' })
    .getByRole('link', { name: /^Tar store/ })
    .click();
  await expect(page.getByRole('tab', { name: 'Find the fault' })).toHaveAttribute('aria-selected', 'true');
  await page.goBack();
  await page.getByRole('radio', { name: 'Wires nobody knows' }).click();
  await page
    .getByRole('list', { name: 'Circuits of this job' })
    .getByRole('link', { name: /^Tar store/ })
    .click();
  await expect(page.getByRole('tab', { name: 'Which wire is which' })).toHaveAttribute(
    'aria-selected',
    'true',
  );
});

test.describe('on a telephone, with one thumb', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test('a box with its steps stands on the first screen; steps, boxes, handles and the picture are within reach', async ({
    page,
  }) => {
    await page.goto(`${await plannedYard(page.request)}/circuits/ropewalk-lights`);
    const steps = page.getByRole('region', { name: /^Steps at / });
    const first = steps.getByRole('checkbox').first();
    await expect(first).toBeInViewport();
    await expect(
      page
        .getByText(/Work dead/)
        .filter({ visible: true })
        .first(),
    ).toBeInViewport();
    await first.tap();
    await expect(first).toBeChecked();
    // Everything that is turned to or flipped is below the middle of the screen.
    const handles = page.getByRole('region', { name: 'Handles' });
    const lower = async (one: ReturnType<Page['getByRole']>) =>
      expect((await one.boundingBox())?.y ?? 0).toBeGreaterThan(844 / 2);
    await lower(handles);
    await lower(page.getByRole('group', { name: 'What is shown' }));
    await expect(handles.getByRole('list', { name: 'What is lit' })).toHaveText('lit');
    await handles.getByRole('button', { name: 'Yard end, S3: up. Flip.' }).tap();
    await expect(handles.getByRole('list', { name: 'What is lit' })).toHaveText('dark');
    await steps.getByRole('button', { name: 'Next box' }).tap();
    await expect(page.getByRole('region', { name: 'Steps at First bay' })).toBeVisible();
    // A wire of a step is shown in the picture, where nothing is cut.
    await page
      .getByRole('button', { name: /^Show: / })
      .first()
      .tap();
    await expect(page.getByRole('article', { name: 'Box First bay' })).toBeVisible();
    await nothingClipped(page);
    for (const pane of ['Run', 'More', 'Steps']) {
      await page.getByRole('group', { name: 'What is shown' }).getByRole('button', { name: pane }).tap();
      await nothingClipped(page);
    }
    const head = await page.getByRole('banner').boundingBox();
    expect(head?.height).toBeLessThanOrEqual(48);
  });

  test('a circuit is begun, corrected and planned in one hand', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('button', { name: 'New job' }).first().tap();
    await page.getByLabel('Name of the job').fill('By the way');
    await page.getByRole('button', { name: 'Make the job' }).tap();
    await page.getByRole('radio', { name: 'A room with one door' }).tap();
    await expect(page.getByLabel('Room', { exact: true })).toBeInViewport();
    await nothingClipped(page);
    await page.getByLabel('Power comes from').selectOption('A receptacle that is there');
    await page.getByRole('button', { name: 'Plan it' }).tap();
    await expect(page.getByRole('region', { name: /^Steps at / })).toBeVisible();
    await saved(page);
  });
});

test('a walk through the demo points at five things, can be left, and is found again', async ({ page }) => {
  const begin = async (words: string) => {
    await page.keyboard.press('?');
    await page.getByRole('link', { name: words }).click();
  };
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible();
  await begin('Five stops, in the order of the work');
  const walk = page.getByRole('status', { name: 'The walk' });
  for (let stop = 1; stop <= 5; stop++) {
    await expect(walk).toContainText(`${stop} of 5`);
    await expect(page.locator('[data-pointed-at]').first()).toBeVisible();
    if (stop === 3) {
      // Somebody goes elsewhere in the midst of it, and comes back to where it was.
      await page.getByRole('link', { name: 'Boxes' }).click();
      await expect(walk).toBeHidden();
      await begin('Go on at stop 3');
      await expect(walk).toContainText('3 of 5');
    }
    if (stop < 5) await walk.getByRole('link', { name: 'Next' }).click();
  }
  await walk.getByRole('button', { name: 'Done' }).click();
  await expect(walk).toBeHidden();
  await begin('Five stops, in the order of the work');
  await expect(walk).toContainText('1 of 5');
});

test('help is one key away, with keys, reasons and words, and goes with Escape', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible();
  await page.keyboard.press('?');
  const help = page.getByRole('dialog');
  await expect(help.getByRole('rowheader', { name: 'Ctrl Z', exact: true })).toBeVisible();
  await help.getByLabel('Find a word').fill('two-way');
  await expect(help.getByText('single-pole (S)', { exact: true })).toBeVisible();
  expect(await accessFaults(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(help).toBeHidden();
});
