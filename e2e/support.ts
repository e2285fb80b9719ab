import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { AxeBuilder } from '@axe-core/playwright';
import { expect, type APIRequestContext, type Page } from '@playwright/test';

export const theRun = (page: Page) => page.getByRole('region', { name: 'The run', exact: true });

/** The demo as it is loaded, planned, in a copy of its own: what one test leaves changed, no other meets. Gives the address of the job. */
export const plannedYard = async (
  request: APIRequestContext,
  change: (yard: Yard) => Partial<Yard> = () => ({}),
) => {
  const { document } = (await (await request.get('/api/jobs/heron-yard')).json()) as { document: Yard };
  const id = `yard-${randomUUID()}`;
  const copy = { ...document, ...change(document), id, name: `Yard ${id}` };
  const sent = await request.post('/api/jobs', { data: { saveId: id, document: copy } });
  expect(sent.status(), await sent.text()).toBe(201);
  return `/jobs/${id}`;
};

/** The list of jobs, narrowed to those that hold these words: other tests make jobs of their own meanwhile. */
export const listed = async (page: Page, words: string) => {
  await page.goto('/');
  await page.getByLabel('Search jobs, circuits, rooms and boxes').fill(words);
  // A menu opened on what is about to be replaced would close again.
  await expect(page.getByRole('status').filter({ hasText: `“${words}”` })).toBeVisible();
  await expect(page.getByRole('region', { name: 'The jobs' })).toHaveAttribute('aria-busy', 'false');
};

/** The bench of a circuit of such a copy. */
export const openBench = async (page: Page, circuit: string) => {
  const job = await plannedYard(page.request);
  await page.goto(`${job}/circuits/${circuit}`);
  await expect(theRun(page)).toBeVisible();
  return job;
};

export const handle = (page: Page, place: string) =>
  page.getByRole('button', { name: new RegExp(`^${place}, S\\d?: .*Flip`) });

/** The words under each luminaire of the strip. */
export const lights = async (page: Page) =>
  (await page.getByTestId(/^light-/).allTextContents()).map((text) => text.split(' · ').at(-1));

/** A job with one circuit, made as a user makes it. Gives the address of its bench. */
export const makeJob = async (
  page: Page,
  name: string,
  room: string,
  choose: { switches?: string; way?: string } = {},
) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New job' }).first().click();
  await page.getByLabel('Name of the job').fill(name);
  await page.getByRole('button', { name: 'Make the job' }).click();
  await page.getByRole('radio', { name: 'Without a plan' }).click();
  await page.getByLabel('Room', { exact: true }).fill(room);
  if (choose.switches) await page.getByLabel('Switch locations').selectOption(choose.switches);
  if (choose.way) await page.getByRole('radio', { name: choose.way }).click();
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(theRun(page)).toBeVisible();
  return page.url();
};

export const saved = (page: Page) =>
  expect(page.getByRole('status').filter({ hasText: /^Saved/ })).toBeVisible({ timeout: 30_000 });

interface Yard {
  boxes: { id: string; article: string | null }[];
  wirings: {
    kind: string;
    others: Record<string, object>;
    wiring: { cables: object[]; unseen: object[] };
  }[];
}

/** Heron Yard under another name, so that a test may change it; `change` is what differs. Gives the address of the job. */
export const copyOfYard = async (
  request: APIRequestContext,
  id: string,
  change: (yard: Yard) => Partial<Yard> = () => ({}),
) => {
  const { articles, labour, judgement } = (await (await request.get('/api/catalog')).json()) as Record<
    string,
    unknown
  >;
  const yard = JSON.parse(readFileSync(new URL('../demo/heron-yard.json', import.meta.url), 'utf8')) as Yard;
  const document = { stock: articles, labour, judgement, ...yard, ...change(yard), id, name: `Yard ${id}` };
  const sent = await request.post('/api/jobs', { data: { saveId: id, document } });
  expect(sent.status(), await sent.text()).toBe(201);
  return `/jobs/${id}`;
};

/**
 * What axe has against a page as it is, each fault with its elements. The pages have no frames: run in one go, what it finds need
 * not be carried out and put together in a page of its own, which took most of its time.
 */
export const accessFaults = async (
  page: Page,
  { rules, without }: { rules?: string[]; without?: string } = {},
) => {
  const axe = new AxeBuilder({ page }).setLegacyMode();
  if (without) axe.exclude(without);
  const { violations } = await axe
    .options({ resultTypes: ['violations'], ...(rules ? { runOnly: { type: 'rule', values: rules } } : {}) })
    .analyze();
  return violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html).join(' ')}`);
};
