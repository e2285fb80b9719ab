import { expect, test, type Page } from '@playwright/test';
import type { Job } from '@amber/core';
import { copyOfYard, handle, saved, theRun } from './support.js';

const CHUNK = (screen: string) => `**/assets/${screen}-*.js`;

test('a screen whose part of the program does not load says so, and the others go on', async ({
  page,
  request,
}) => {
  const job = await copyOfYard(request, 'no-chunk');
  await page.route(CHUNK('BenchScreen'), (route) => route.abort());
  await page.goto(`${job}/circuits/ropewalk-lights`);
  const alert = page.getByRole('alert');
  await expect(alert.getByRole('heading', { name: 'Bench did not load' })).toBeVisible();
  await expect(alert).toContainText('The job is kept as it was');
  await expect(alert.getByRole('button', { name: 'Copy the error' })).toBeVisible();
  // The rail, the bar of the job and the other screens are as before.
  await page.getByRole('link', { name: 'Layout' }).click();
  await expect(page.getByRole('group', { name: 'Plan', exact: true })).toBeVisible();
  await page.unroute(CHUNK('BenchScreen'));
  await page.getByRole('link', { name: 'Bench' }).click();
  await page.getByRole('button', { name: 'Load the page anew' }).click();
  await expect(theRun(page)).toBeVisible();
});

test('a screen that throws is told with its error, and what was changed before is kept', async ({
  page,
  request,
}) => {
  const job = await copyOfYard(request, 'thrown');
  await page.route(CHUNK('RunsScreen'), (route) =>
    route.fulfill({
      contentType: 'text/javascript',
      body: "export const RunsScreen = () => { throw new Error('a fault made for this test'); };",
    }),
  );
  await page.goto(`${job}/circuits/ropewalk-lights`);
  await page.getByLabel('Name of the job').fill('Yard of before');
  await page.getByRole('link', { name: 'Runs' }).click();
  const alert = page.getByRole('alert');
  await expect(alert.getByRole('heading', { name: 'Runs failed' })).toBeVisible();
  await expect(alert.getByLabel('The error')).toContainText('a fault made for this test');
  await saved(page);
  await page.getByRole('link', { name: 'Bench' }).click();
  await expect(theRun(page)).toBeVisible();
  await expect(page.getByLabel('Name of the job')).toHaveValue('Yard of before');
});

/** Every word that an address of the program has, as the id of a circuit. */
const WORDS = ['layout', 'runs', 'new', 'start', 'bench', 'circuits', 'jobs'];

test('an id that is a word of an address, or holds signs of one, leads to its circuit', async ({
  page,
  request,
}) => {
  const { document } = (await (await request.get('/api/jobs/heron-yard')).json()) as { document: Job };
  const [, tar] = document.circuits;
  const ids = [...WORDS, 'a:b~c'];
  const nameOf = (id: string) => `Slip ${ids.indexOf(id) + 1}`;
  const circuits = ids.map((id) => ({ ...tar, id, name: nameOf(id) }));
  const made = await request.post('/api/jobs', {
    data: {
      saveId: 'words',
      document: { ...document, id: 'new', name: 'Words', circuits: [...document.circuits, ...circuits] },
    },
  });
  expect(made.status(), await made.text()).toBe(201);
  for (const id of ids) {
    await page.goto(`/jobs/new/circuits/${encodeURIComponent(id)}`);
    await expect(page.getByRole('button', { name: nameOf(id) })).toBeVisible();
    await expect(page.getByText('This circuit cannot be planned yet')).toBeVisible();
    await page.getByRole('link', { name: 'Layout' }).click();
    await expect(page).toHaveURL(
      new RegExp(`/circuits/${encodeURIComponent(id).replace('.', '\\.')}/layout$`),
    );
    await expect(page.getByRole('button', { name: nameOf(id) })).toBeVisible();
  }
  // The list is another test's too.
  await request.delete('/api/jobs/new');
});

/** The long shed with its pair of travelers crossed at one four-way, as somebody found it. */
const crossed = (job: Job): Job => {
  const planned = job.wirings.find(({ kind }) => kind === 'planned')!;
  const { devices, landings } = planned.wiring;
  const onFourWay = (use: string) =>
    landings.find(
      ({ terminal }) =>
        'device' in terminal &&
        terminal.name === use &&
        devices.find((one) => one.id === terminal.device)?.article.startsWith('four-way'),
    )!;
  const names = [
    ...new Set(landings.flatMap(({ terminal }) => ('device' in terminal ? [terminal.name] : []))),
  ];
  const [a, b] = [
    onFourWay(names.find((one) => /^in/i.test(one))!),
    onFourWay(names.find((one) => /^out/i.test(one))!),
  ];
  const swapped = landings.map((one) =>
    one === a ? { ...one, terminal: b.terminal } : one === b ? { ...one, terminal: a.terminal } : one,
  );
  const found = {
    ...{
      id: 'found-1' as never,
      kind: 'found' as const,
      basedOn: null,
      certainty: {},
      assumedEnds: [],
      sizesFrom: {},
      carries: {},
      others: {},
      stands: { slots: [], luminaires: [] },
    },
    wiring: { ...planned.wiring, landings: swapped },
  };
  return { ...job, wirings: [...job.wirings, found] };
};

const verdict = (page: Page) => page.getByText(/positions? works?/).first();

test('a file that brings a wiring as found says so, and that wiring is judged on the bench', async ({
  page,
  request,
}) => {
  const { document } = (await (await request.get('/api/jobs/heron-yard')).json()) as { document: Job };
  await page.goto('/');
  await page.getByLabel('Job file').setInputFiles({
    name: 'found.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify({ ...crossed(document), id: 'found-yard', name: 'Yard as found' })),
  });
  await page
    .getByRole('button', { name: 'Choose a circuit' })
    .or(page.getByRole('button', { name: /Ropewalk/ }))
    .first()
    .waitFor();
  await page.goto('/jobs/found-yard/circuits/long-shed-lights');
  const bar = page.getByRole('navigation', { name: 'Which wiring is shown' });
  await expect(bar.getByRole('link', { name: 'Planned' })).toHaveAttribute('aria-current', 'page');
  await expect(page.getByText('16 of 16 positions work')).toBeVisible();

  await bar.getByRole('link', { name: 'wiring as found' }).click();
  // The panel of the planned wiring has a Check too: wait for the one of this wiring.
  await expect(page.getByRole('tab', { name: 'What is there' })).toHaveAttribute('aria-selected', 'true');
  await page.getByRole('tab', { name: 'Check' }).click();
  await expect(verdict(page)).not.toContainText('16 of 16');
  // It is narrowed to the circuit, and judged by itself.
  await expect(page).toHaveURL(/circuits\/long-shed-lights\?wiring=found-1$/);
  await expect(page.getByText(/^\d+ of 16 positions work/)).not.toHaveText(/^16/);
  await expect(page.getByText(/works in \d+ of 16 positions/).first()).toBeVisible();
  // It cannot be changed here, and its steps are its own.
  await expect(page.getByRole('tab', { name: 'Circuit' })).toHaveCount(0);
  await page.getByRole('tab', { name: 'Steps' }).click();
  await expect(page.getByText(/\d+ of \d+ done/)).toBeVisible();
  await bar.getByRole('link', { name: 'Planned' }).click();
  await expect(page.getByText('16 of 16 positions work')).toBeVisible();
  await handle(page, 'River door').first().click();
});
