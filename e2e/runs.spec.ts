import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { handle, lights, makeJob, plannedYard, saved, theRun, accessFaults } from './support.js';

const plans = (page: Page) => page.getByRole('list', { name: 'Plans' }).locator('> li');
const searched = (page: Page) =>
  expect(page.getByText(/^\d+ plans\. That A is least by cost and judgement is proved\./)).toBeVisible({
    timeout: 60_000,
  });

/** What rests on a guess is never called proved. */
const guessed = (page: Page) =>
  expect(
    page.getByText(/^\d+ plans\. A is the best found\. The length of .* of its runs is a guess\./),
  ).toBeVisible({
    timeout: 60_000,
  });

test('plans are found, the first is proved, and choosing another wires the circuit that way', async ({
  page,
  request,
}) => {
  const job = await plannedYard(request);
  await page.goto(`${job}/circuits/ropewalk-lights`);
  await page.getByRole('link', { name: 'Runs' }).click();
  await expect(page.getByRole('heading', { name: 'Ways to wire Ropewalk' })).toBeVisible();
  await searched(page);
  const first = plans(page).first();
  await expect(first).toContainText('Master’s choice');
  await expect(first).toContainText(
    /\$21\.31 more than the cheapest, .: no travelers in luminaire or junction boxes/,
  );
  expect(await accessFaults(page)).toEqual([]);

  await page.getByRole('tab', { name: 'Later' }).click();
  await expect(
    page
      .getByRole('row', { name: /A dimmer/ })
      .getByText(/^about \$\d/)
      .first(),
  ).toBeVisible();
  expect(await accessFaults(page)).toEqual([]);

  const quick = plans(page).filter({ hasText: 'Least labour' });
  await quick.getByRole('button', { name: /^Plan / }).click();
  await quick.getByRole('button', { name: 'Wire it this way' }).click();
  await expect(quick.getByText('Wired this way')).toBeVisible();
  await quick.getByRole('link', { name: 'To the bench' }).click();
  await expect(theRun(page)).toBeVisible();
  const before = await lights(page);
  await handle(page, 'Creek end').click();
  expect(await lights(page)).not.toEqual(before);
  await expect(page.getByText('4 of 4 positions work')).toBeVisible();
  await page.keyboard.press('Control+z');
  await saved(page);
});

test('another edition is searched anew, and a circuit without positions says what it takes for granted', async ({
  page,
}) => {
  await makeJob(page, 'Spar shed', 'Spar shed', { switches: '2' });
  await page.getByRole('link', { name: 'Runs' }).click();
  await expect(page.getByText(`each run is counted at a guess of 20'-0"`)).toBeVisible();
  await guessed(page);
  await expect(plans(page).first()).toContainText(/about \$\d/);
  await expect(page.getByText('Nobody has said where the boxes of Spar shed stand.')).toBeVisible();
  await expect(page.getByText('2 of 2, code asks 2')).toBeVisible();
  await page.getByLabel('Code edition').selectOption('2011');
  await guessed(page);
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await expect(theRun(page)).toBeVisible();
});

test('two groups at the same two doors are wired side by side, and a door that goes leads to the nearest ways', async ({
  page,
  request,
}) => {
  const document = JSON.parse(
    readFileSync(new URL('../packages/core/test/fixtures/shapes/hall-9.json', import.meta.url), 'utf8'),
  ) as object;
  const { articles, labour, judgement } = (await (await request.get('/api/catalog')).json()) as Record<
    string,
    unknown
  >;
  const sent = await request.post('/api/jobs', {
    data: {
      saveId: 'two-doors',
      document: { stock: articles, labour, judgement, ...document, id: 'two-doors', name: 'Two doors' },
    },
  });
  expect(sent.status(), await sent.text()).toBe(201);
  await page.goto('/jobs/two-doors/circuits/c/runs');
  await searched(page);
  await expect(plans(page).first()).toContainText('Each group on cables of its own, side by side');
  const overlay = page.getByRole('img', { name: 'Plan A over the layout' });
  await expect(overlay.getByText(/^14\/3 · .* · Ceiling$/)).toBeVisible();
  await expect(overlay.getByText(/^14\/3 · .* · Wall$/)).toBeVisible();
  await page.getByRole('tab', { name: 'Named ways' }).click();
  const named = page.getByRole('list', { name: 'Named ways' }).locator('> li');
  await expect(named.filter({ hasText: 'All groups on the same cables' })).toContainText(
    'needs 5 conductors',
  );
  await named.getByRole('button', { name: 'Wire it this way' }).click();
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await expect(page.getByText('8 of 8 positions work')).toBeVisible();

  // Flipped at either door, each group changes its own light alone.
  for (const [place, light] of [
    ['Front door', 0],
    ['Back door', 1],
  ] as const) {
    const before = await lights(page);
    await handle(page, place).nth(light).click();
    const after = await lights(page);
    expect(after.filter((one, i) => one !== before[i])).toHaveLength(1);
  }

  await page.getByRole('link', { name: 'Layout' }).click();
  await page.getByRole('button', { name: /^Back door, switch/ }).click();
  await page.getByRole('button', { name: 'Remove' }).click();
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  const nearest = page.getByRole('region', { name: 'Nearest ways' });
  await nearest.getByRole('button', { name: 'Wire it this way' }).first().click({ timeout: 60_000 });
  await expect(theRun(page)).toBeVisible();
});
