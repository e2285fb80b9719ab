import { readFileSync } from 'node:fs';
import { expect, test, type APIRequestContext } from '@playwright/test';
import { copyOfYard, saved, theRun, accessFaults } from './support.js';

interface Layout {
  boxes: { id: string }[];
  slots: { id: string }[];
  wirings: { stands: { slots: string[] } }[];
}

/** The winch room as it was found: one old switch, a loop to the ceiling box, and nothing new. */
const foundWinchRoom = async (request: APIRequestContext, id: string) => {
  const { articles, labour } = (await (await request.get('/api/catalog')).json()) as Record<string, unknown>;
  const layout = JSON.parse(
    readFileSync(new URL('../demo/heron-yard.json', import.meta.url), 'utf8'),
  ) as Layout;
  const document = {
    ...{ stock: articles, labour, ...layout, id, name: 'Old winch room' },
    boxes: layout.boxes.filter((box) => box.id !== 'slip-door-switch'),
    wirings: layout.wirings.map((one) => ({
      ...one,
      stands: { ...one.stands, slots: [...one.stands.slots, 'winch-slot'] },
    })),
    slots: layout.slots
      .filter((slot) => slot.id !== 'slip-door-slot')
      .map((slot) => (slot.id === 'winch-slot' ? { ...slot, article: 'single-pole-15' } : slot)),
  };
  expect((await request.post('/api/jobs', { data: { saveId: id, document } })).ok()).toBe(true);
  return `/jobs/${id}/circuits/winch-lights`;
};

test('a change of old work says what is opened and what moves; another switch is planned and undone', async ({
  page,
  request,
}) => {
  const address = await foundWinchRoom(request, 'old-winch');
  await page.goto(`${address}/runs`);
  await page.getByRole('button', { name: 'Change what is there …' }).click();
  const panel = page.getByRole('complementary', { name: 'Change what is there' });
  const part = (name: string) => panel.getByRole('region', { name });

  // A dimmer for the old switch: one box, each wire by its screw.
  await expect(part('Comes new')).toContainText('Dimmer');
  await expect(part('Has to be opened')).toContainText('Winch door');
  await expect(part('Stays as it is')).toContainText('Winch ceiling');
  await expect(part('Wires, from the old place to the new').getByRole('row')).toHaveCount(4);
  expect(await accessFaults(page)).toEqual([]);

  // A second switch: nothing is worked out before it is known how far it is.
  await panel.getByLabel('What is to be done').selectOption('Add a switch to a group');
  await expect(panel.getByText(/^Measure the run to the new box/)).toBeVisible();
  await panel.getByLabel('Name of the new box').fill('Slip door');
  await panel.getByLabel('from Winch door').fill('far');
  await panel.getByLabel('from Winch door').press('Enter');
  await expect(panel.getByRole('alert')).toContainText('Write feet and inches');
  await panel.getByLabel('from Winch door').fill('21-6');
  await panel.getByLabel('from Winch door').press('Enter');
  await expect(part('Comes new')).toContainText('Three-way switch, 15 A at Slip door');
  await expect(part('Comes new')).toContainText('Three-way switch, 15 A at Winch door');
  await expect(part('Comes new')).toContainText('Box: Slip door');
  await panel.getByRole('button', { name: 'Plan it this way' }).click();
  await expect(page.getByRole('complementary', { name: 'Plans' })).toBeVisible();
  await saved(page);

  await page.goto(address);
  await expect(theRun(page)).toBeVisible();
  await expect(page.getByText('4 of 4 positions work')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Slip door, S3: .*Flip/ })).toBeVisible();
});

test('a change that was planned can be undone, and a feed goes on from a box', async ({ page, request }) => {
  const address = await foundWinchRoom(request, 'winch-onward');
  await page.goto(`${address}/runs`);
  await page.getByRole('button', { name: 'Change what is there …' }).click();
  const panel = page.getByRole('complementary', { name: 'Change what is there' });
  await panel.getByLabel('What is to be done').selectOption('Take a receptacle or feed off a box');
  await panel.getByLabel('What comes').selectOption('an onward feed');
  await panel.getByLabel('From which box').selectOption('Winch ceiling');
  await panel.getByLabel('What it feeds').fill('Chain locker');
  await panel.getByLabel('from Winch ceiling').fill('30');
  await panel.getByLabel('from Winch ceiling').press('Enter');
  const comes = panel.getByRole('region', { name: 'Comes new' });
  await expect(comes).toContainText(/14\/2, .*Winch ceiling to Chain locker/);
  await expect(panel.getByRole('region', { name: 'Stays as it is' })).toContainText('Winch door');
  await panel.getByRole('button', { name: 'Plan it this way' }).click();
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await expect(page.getByText('Chain locker').first()).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('Chain locker')).toHaveCount(0);
});

test('on a telephone: the form, what it comes to, and a refusal fit the screen; the plans come back', async ({
  page,
  request,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${await foundWinchRoom(request, 'winch-telephone')}/runs`);
  await page.getByRole('button', { name: 'Change what is there …' }).click();
  const panel = page.getByRole('complementary', { name: 'Change what is there' });
  await panel.getByLabel('What is to be done').selectOption('Bring a neutral to a switch');
  await expect(panel.getByRole('region', { name: 'Comes out' })).toContainText('14/2');
  await expect(panel.getByText(/^\d+ things to verify on site$/)).toBeVisible();

  // A receptacle at the end of a run that no coil is long enough for.
  await panel.getByLabel('What is to be done').selectOption('Take a receptacle or feed off a box');
  await panel.getByLabel('From which box').selectOption('Winch ceiling');
  await panel.getByLabel('from Winch ceiling').fill('900');
  await panel.getByLabel('from Winch ceiling').press('Enter');
  await expect(panel.getByText('Nothing can be taken off this box')).toBeVisible();
  await expect(panel.getByText('Remedy:')).toBeVisible();
  await expect(panel.getByRole('button', { name: 'Plan it this way' })).toBeHidden();
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
  expect(await accessFaults(page)).toEqual([]);

  await panel.getByRole('button', { name: 'Back to the plans' }).click();
  await expect(page.getByRole('complementary', { name: 'Plans' })).toBeVisible();
});

test('by the keyboard alone, on a telephone: a light with its switch goes on from an old receptacle', async ({
  page,
  request,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const job = await copyOfYard(request, 'branch-yard');
  await page.goto(`${job}/circuits/net-store-outlet/runs?change`);
  const panel = page.getByRole('complementary', { name: 'Change what is there' });
  const tabTo = async (field: ReturnType<typeof panel.getByLabel>) => {
    await field.waitFor();
    for (let i = 0; i < 60; i++) {
      if (await field.evaluate((one) => one === document.activeElement)) return;
      await page.keyboard.press('Tab');
    }
    throw new Error('the field is not reached');
  };
  // There is no switch to replace: what is offered first is what can be done here.
  await expect(panel.getByLabel('What is to be done')).toHaveValue('branch');
  await expect(panel.getByRole('note')).toContainText('test both halves with every handle near it');
  await tabTo(panel.getByLabel('The receptacle in it is'));
  await page.keyboard.press('b');
  await expect(panel.getByRole('note')).toContainText(
    'goes dark when the ground-fault device ahead of it trips',
  );
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowUp');
  await expect(panel.getByRole('note')).toHaveCount(0);
  const theSwitch = panel.getByRole('group', { name: 'The switch' });
  const theLight = panel.getByRole('group', { name: 'The light' });
  await tabTo(theSwitch.getByLabel('from Net outlet'));
  await page.keyboard.type('9-6');
  await page.keyboard.press('Enter');
  await expect(panel.getByText('Measure the run from the box to the switch or to the light')).toBeVisible();
  await tabTo(theLight.getByLabel('from New box (the switch)'));
  await page.keyboard.type('11');
  await page.keyboard.press('Enter');
  const comes = panel.getByRole('region', { name: 'Comes new' });
  await expect(comes).toContainText('Net outlet to New box');
  await expect(comes).toContainText('New box to New light');
  await expect(panel.getByRole('region', { name: 'Has to be opened' })).toHaveText(/Net outlet$/);
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
  expect(await accessFaults(page)).toEqual([]);
  await tabTo(panel.getByRole('button', { name: 'Plan it this way' }));
  await page.keyboard.press('Enter');
  await saved(page);
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await page.getByRole('group', { name: 'What is shown' }).getByRole('button', { name: 'More' }).click();
  // The receptacle, and the light with its switch on and off.
  await expect(page.getByText('3 of 3 positions work')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('3 of 3 positions work')).toHaveCount(0);
});

test('a switch location taken away: before and after on plan and bench, its box closed with a blank, its file read back', async ({
  page,
  request,
}) => {
  const job = await copyOfYard(request, 'away-yard');
  // It is reached from the jobs and from the layout.
  await page.goto(`${job}/circuits/rope-stair-light/layout`);
  await page
    .getByRole('region', { name: 'Rope stair' })
    .getByRole('link', { name: 'Change what is there …' })
    .click();
  const panel = page.getByRole('complementary', { name: 'Change what is there' });
  await panel.getByLabel('What is to be done').selectOption('Take a switch location away');
  await panel.getByLabel('Which switch').selectOption('Stair head, S3');
  await expect(panel.getByRole('note')).toContainText('Look first into Stair head.');
  await expect(panel.getByRole('region', { name: 'Comes out' })).toContainText('Stair foot to Stair head');
  await expect(panel.getByRole('region', { name: 'Comes new' })).toContainText('Blank cover at Stair head');
  await expect(panel.getByRole('table', { name: 'Wires in Stair head' })).toContainText(
    'Is usually on; look',
  );
  await expect(page.getByText('comes out', { exact: true })).toBeVisible();
  await panel.getByRole('button', { name: 'Plan it this way' }).click();
  await saved(page);

  await page.goto(`${job}/circuits/rope-stair-light`);
  await expect(page.getByText('2 of 2 positions work')).toBeVisible();
  const head = page.getByRole('article', { name: 'Box Stair head' });
  await expect(head).toBeVisible();
  await page.getByRole('tab', { name: 'Steps' }).click();
  const steps = page.getByRole('region', { name: 'Steps at Stair head' });
  await head
    .getByRole('button', { name: /Stair head/ })
    .first()
    .click();
  await expect(steps).toContainText('Switch off the breaker of Rope stair');
  await expect(steps).toContainText('Take the three-way that is there out');
  await expect(steps).toContainText('Close the box with a blank cover');
  // What is there is told with both switches, as before.
  await page.getByRole('link', { name: 'As it is' }).click();
  await expect(page.getByRole('tab', { name: 'What is there' })).toHaveAttribute('aria-selected', 'true');
  await page.getByRole('tab', { name: 'Check' }).click();
  await expect(page.getByRole('tabpanel')).toContainText('4 of 4 positions work');

  const file = await (await request.get(`/api/jobs/away-yard/file`)).text();
  await page.goto('/');
  await page.getByLabel('Job file').setInputFiles({
    name: 'away.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify({ ...(JSON.parse(file) as object), id: 'away-again' })),
  });
  await expect(page).toHaveURL(/away-again/);
  await page.goto('/jobs/away-again/circuits/rope-stair-light');
  await page.getByRole('tab', { name: 'Change' }).click();
  await expect(page.getByRole('region', { name: 'Comes out' })).toContainText('Three-way switch');
});
