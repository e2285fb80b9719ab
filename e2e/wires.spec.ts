import { expect, test } from '@playwright/test';
import { plannedYard, accessFaults } from './support.js';

/** What lies in the walls of the rope stair: the far end of each cable by its tape, the feed at the second of the ceiling. */
const FAR: Record<string, string> = {
  'Stair ceiling 1': 'Stair foot 1',
  'Stair foot 1': 'Stair ceiling 1',
  'Stair foot 2': 'Stair head 1',
  'Stair head 1': 'Stair foot 2',
};

test('three boxes of wires that nobody knows are told on a telephone, kept over a reload, and on file as what is there', async ({
  page,
  request,
}) => {
  const job = await plannedYard(request);
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${job}/circuits/rope-stair-light/prove`);
  await page.getByLabel('Initials').fill('JS');
  await page.getByRole('button', { name: 'An electrician' }).click();
  await page.getByRole('tab', { name: 'Which wire is which' }).click();
  await page.getByRole('button', { name: 'That is what comes in' }).click();
  await expect(page.getByText(/prove every wire dead/)).toBeVisible();
  expect(await accessFaults(page)).toEqual([]);
  await page.getByRole('button', { name: 'Every box is open, dead and parted' }).click();
  const read = page.getByRole('region', { name: 'What was read' }).getByRole('listitem');
  for (let box = 0; box < 3; box++) {
    await expect(page.getByText('Which of these show continuity?')).toBeVisible();
    await page.getByRole('button', { name: 'None does' }).click();
    await expect(read).toHaveCount(box + 1);
  }
  // The person reads what the wires in the wall say: the link at the far end of the cable that is read.
  let links: Record<string, string> = {};
  const reading = page.getByText(/put the tester on/);
  for (let k = 3; (await reading.textContent())?.includes('At Stair'); k++) {
    const linked = await page.getByText(/join .* by a link\.$/i).allTextContents();
    const box = /^At ([\w ]+): join/.exec(linked[0] ?? '')?.[1];
    if (box)
      links = Object.fromEntries(
        linked.map((words) => {
          const [, a, b, number] = /join ([\w ]+) and ([\w ]+) of cable (\d)/i.exec(words) ?? [];
          return [`${box} ${number ?? ''}`, `${a ?? ''} to ${b ?? ''}`];
        }),
      );
    const [, at, number] = /^At ([\w ]+), cable (\d)/.exec((await reading.textContent()) ?? '') ?? [];
    const shown = links[FAR[`${at ?? ''} ${number ?? ''}`] ?? ''];
    const answer = page.getByRole('button', { name: shown ?? /^None/, exact: true });
    const only = page.getByRole('button', { name: 'Continuity', exact: true });
    await (shown !== undefined && (await only.isVisible()) ? only : answer.first()).click();
    await expect(read).toHaveCount(k + 1);
    if (await page.getByText(/supply terminals stay live/).isVisible()) break;
  }
  await page.reload();
  await page.getByRole('tab', { name: 'Which wire is which' }).click();
  await expect(page.getByText(/supply terminals stay live/)).toBeVisible();
  await page.getByRole('button', { name: 'None', exact: true }).click();
  await expect(page.getByText(/At Stair ceiling: join black and bare of cable 2 by a link/)).toBeVisible();
  await page.getByRole('button', { name: 'Continuity', exact: true }).click();
  await expect(page.getByText('Every cable is told, and the feed.')).toBeVisible();
  const told = page.getByRole('region', { name: 'What is told' });
  for (const tag of [
    'To Stair ceiling, 1',
    'To Stair foot, 1',
    'To Stair foot, 2',
    'To Stair head, 1',
    'FEED',
  ])
    await expect(told.getByText(tag, { exact: true })).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
  await page.getByRole('button', { name: 'Put on file' }).click();
  await page.getByRole('link', { name: 'See it on the bench' }).click();
  await page.setViewportSize({ width: 1280, height: 800 });
  await expect(page.getByRole('group', { name: 'Wires in Stair foot' })).toBeVisible();
});
