import { expect, test, type Page } from '@playwright/test';
import { copyOfYard, saved } from './support.js';

const tab = (page: Page, name: string) => page.getByRole('tab', { name });
const box = (page: Page, name: string) => page.getByRole('article', { name: `Box ${name}` });
const there = (page: Page, name: string) => page.getByRole('region', { name: `What is in ${name}` });
const wire = (page: Page, at: string, key: string) => box(page, at).locator(`[data-wire="${key}"]`).first();
const screw = (page: Page, at: string, key: string) => box(page, at).locator(`[data-screw="${key}"]`);
const whereIs = (page: Page, words: string) =>
  page.getByRole('combobox', { name: `The ${words} is`, exact: true });

/** To the box of the list at the side. */
const toBox = async (page: Page, name: string) => {
  for (let i = 0; i < 6 && (await there(page, name).count()) === 0; i++)
    await page.getByRole('button', { name: 'Next box', exact: true }).last().click();
  await expect(there(page, name)).toBeVisible();
};

test('old work is begun from what is usual, looked at box by box, and signed', async ({ page, request }) => {
  const job = await copyOfYard(request, 'begin-old');
  await page.goto(`${job}/circuits/winch-lights`);
  await page.getByRole('navigation', { name: 'Which wiring is shown' }).getByText('As it is').click();
  const begin = page.getByRole('region', { name: 'Begin with what is usual' });
  await expect(begin.getByRole('list', { name: 'Cables that lie there' }).getByRole('listitem')).toHaveCount(
    2,
  );
  // The new switch of this circuit is not there yet.
  await expect(begin.getByRole('checkbox', { name: 'Slip door' })).not.toBeChecked();
  await begin.getByLabel('Built by').selectOption('before 1999');
  await begin.getByRole('button', { name: 'Draw what is usual' }).click();

  // Nothing of it is known before somebody has looked: no lamp is dark, no wire dead.
  await expect(box(page, 'Winch door')).toContainText('nobody has looked into this box');
  const loop = wire(page, 'Winch door', 'conductor|winch-loop|black');
  await expect(loop).toHaveAttribute('data-unknown', 'true');
  await tab(page, 'Check').click();
  const check = page.getByRole('tabpanel');
  await expect(check).toContainText('If it is as drawn: 2 of 2 positions work');
  await expect(check).toContainText('There are 2 boxes nobody has looked into.');
  await expect(check.getByText(/^\d+ violation/)).toHaveCount(0);

  await tab(page, 'What is there').click();
  for (const name of ['Winch ceiling', 'Winch door']) {
    await toBox(page, name);
    await there(page, name).getByLabel('Initials').fill('K.T.');
    await there(page, name).getByRole('button', { name: 'I looked: it is as drawn' }).click();
    await expect(there(page, name)).toContainText('K.T. looked at it');
  }
  await expect(loop).not.toHaveAttribute('data-unknown', 'true');
  await saved(page);
  await page.reload();
  await expect(there(page, 'Winch ceiling')).toContainText('K.T. looked at it');

  // The unmarked white was lawful in its day, and is no violation.
  await tab(page, 'Check').click();
  await expect(page.getByRole('tabpanel')).toContainText(
    'As built it met the editions before 1999 and may stay',
  );

  // Told otherwise, what was signed is open again; undo closes it.
  await tab(page, 'What is there').click();
  await toBox(page, 'Winch door');
  await whereIs(page, 'black of the 14/2 to Winch ceiling').selectOption('loose, in the air');
  await expect(there(page, 'Winch door')).toContainText('It has been told otherwise since: look again.');
  await page.keyboard.press('Control+z');
  await expect(there(page, 'Winch door')).not.toContainText('look again');
});

test('a crossed pair that is entered wire by wire is found, named by its screws, and mended', async ({
  page,
  request,
}) => {
  const job = await copyOfYard(request, 'crossed-old');
  await page.goto(`${job}/circuits/rope-stair-light?wiring=existing`);
  await toBox(page, 'Stair head');
  await there(page, 'Stair head').getByLabel('Initials').fill('K.T.');
  await there(page, 'Stair head').getByRole('button', { name: 'I looked: it is as drawn' }).click();
  await tab(page, 'Check').click();
  const check = page.getByRole('tabpanel');
  await expect(check).toContainText('4 of 4 positions work');
  await expect(check).toContainText('the white is the switch leg');

  // The wires are taken by taps: the black on the common, the red on the traveler screw.
  const hand = page.getByRole('status', { name: 'Wire in hand' });
  await wire(page, 'Stair head', 'conductor|stair-travelers|black').dispatchEvent('click');
  await expect(hand).toContainText('black of the 14/3 two blacks to Stair foot');
  await screw(page, 'Stair head', 'device|device:stair-head-slot|common').dispatchEvent('click');
  await expect(hand).toHaveCount(0);
  await expect(check).toContainText('2 wires under one screw');
  await wire(page, 'Stair head', 'conductor|stair-travelers|red').dispatchEvent('click');
  await screw(page, 'Stair head', 'device|device:stair-head-slot|traveler 1').dispatchEvent('click');
  await expect(check).toContainText(/works in \d of 4 positions/);
  await expect(check).not.toContainText('4 of 4 positions work');
  // One box was told otherwise; the others are as they were signed.
  await tab(page, 'What is there').click();
  await toBox(page, 'Stair foot');
  await expect(there(page, 'Stair foot')).toContainText('Seen: all of it was looked at.');

  // What is crossed is mended in its own box: each of its wires from the screw that it is on to its own.
  await page.getByRole('link', { name: 'Change what is there …' }).click();
  const panel = page.getByRole('complementary', { name: 'Change what is there' });
  await panel.getByLabel('What is to be done').selectOption('Mend what the check finds');
  const crossed = panel.getByRole('table', { name: 'Wires in Stair head' }).getByRole('row');
  await expect(crossed.filter({ hasText: 'red of the 14/3' })).toContainText(
    /brass screw, high at the left \(traveler\).*dark screw, low at the right \(common\)/,
    { timeout: 40_000 },
  );
  await panel.getByRole('button', { name: 'Plan it this way' }).click();
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await expect(page.getByText('4 of 4 positions work')).toBeVisible();
  await tab(page, 'Change').click();
  await expect(page.getByRole('table', { name: 'Wires in Stair head' })).toContainText('red of the 14/3');
  await expect(page.getByRole('region', { name: 'Then to be tried again' })).toContainText('Rope stair');
  await page.keyboard.press('Control+z');
  await expect(tab(page, 'Change')).toHaveCount(0);
  await page.getByRole('link', { name: 'As it is' }).click();
  // The planned wiring has a Check and works too: wait for the panel of this one.
  await expect(tab(page, 'What is there')).toHaveAttribute('aria-selected', 'true');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await tab(page, 'Check').click();
  await expect(check).toContainText('4 of 4 positions work');

  // A tap on a screw of another box takes nothing there.
  await wire(page, 'Stair foot', 'conductor|stair-travelers|black').dispatchEvent('click');
  await expect(hand).toContainText('black of the 14/3 two blacks to Stair head');
  await hand.getByRole('button', { name: 'Leave it' }).click();
  await expect(hand).toHaveCount(0);
});

test('on a telephone a cable of odd colours with an unknown end is put down by the list alone', async ({
  page,
  request,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const job = await copyOfYard(request, 'odd-old');
  await page.goto(`${job}/circuits/net-store-outlet?wiring=existing`);
  const here = there(page, 'Net outlet');
  await here.getByText('Cables that come in').click();
  await here.getByLabel('What it is').selectOption('something else …');
  const form = here.getByRole('group', { name: 'As it was found' });
  await form.getByLabel('Colour of wire 1').selectOption('purple');
  await form.getByLabel('Colour of wire 2').selectOption('gray');
  await form.getByRole('button', { name: 'One more' }).click();
  await form.getByLabel('Colour of wire 3').selectOption('purple');
  await form.getByLabel('Held in').selectOption('single wires in a raceway');
  await expect(form).toContainText('14 AWG purple, gray, purple 2; no ground, in a raceway');
  await form.getByRole('button', { name: 'So it is' }).click();
  // Nobody knows where it goes, so nobody knows whether it is live.
  await expect(here).toContainText('Partly seen');
  await expect(here).toContainText('3 wires here are not looked at. Take them for live.');
  const purple = whereIs(
    page,
    'purple of the 14 AWG purple, gray, purple 2; no ground, in a raceway to place not known',
  );
  await expect(purple).toHaveValue('unseen');
  await purple.selectOption('under a connector alone');
  await expect(here).toContainText('2 wires here are not looked at.');
  await saved(page);

  // What is beyond this program stops with its caution, and is kept as it was found.
  await here.getByLabel('What it is').selectOption('something else …');
  await form.getByLabel('Made of').selectOption('aluminium');
  await expect(form.getByRole('alert')).toContainText('Stop here: this is beyond this program.');
  await form.getByRole('button', { name: 'So it is' }).click();
  await tab(page, 'Check').click();
  await expect(page.getByRole('tabpanel')).toContainText('aluminium conductors were found');
});

test('what was built otherwise is told on the bench, and the plan stays as it is', async ({
  page,
  request,
}) => {
  const job = await copyOfYard(request, 'built-yard');
  await page.goto(`${job}/circuits/tar-store-light`);
  await page.getByRole('button', { name: 'As built' }).click();
  await expect(page).toHaveURL(/wiring=built$/);
  await toBox(page, 'Tar store door');
  const black = whereIs(page, 'black of the 12/2 to Barrel rack');
  const planned = await black.inputValue();
  await black.selectOption('loose, in the air');
  await tab(page, 'Check').click();
  await expect(page.getByRole('tabpanel')).toContainText('0 of 2 positions work');
  await page.getByRole('link', { name: 'Planned', exact: true }).click();
  await expect(page.getByText('2 of 2 positions work')).toBeVisible();
  await page.getByRole('link', { name: 'As built', exact: true }).click();
  await toBox(page, 'Tar store door');
  await expect(black).toHaveValue('loose');
  await black.selectOption(planned);
  await tab(page, 'Check').click();
  await expect(page.getByRole('tabpanel')).toContainText('2 of 2 positions work');
});

test('old work is changed with the least change: what is opened, what to look into first, and the bench after it', async ({
  page,
  request,
}) => {
  const job = await copyOfYard(request, 'change-old');
  await page.goto(`${job}/circuits/sail-loft-light?wiring=existing`);
  await page.getByRole('link', { name: 'Change what is there …' }).click();
  const panel = page.getByRole('complementary', { name: 'Change what is there' });
  // A switch for its like: one box, no wire moves.
  await panel.getByLabel('What comes in its place').selectOption('Switch');
  await expect(panel.getByRole('region', { name: 'Has to be opened' })).toHaveText(/Loft door$/);
  await expect(panel.getByRole('columnheader', { name: 'Was on' })).toBeVisible();
  // A timer needs a neutral that the loop has not: another cable, and the ceiling is opened, where nobody has looked.
  await panel.getByLabel('What comes in its place').selectOption('Timer');
  await expect(panel.getByRole('note')).toContainText('Look first into Loft ceiling.');
  await expect(panel.getByRole('region', { name: 'Comes new' })).toContainText('14/3');
  await panel.getByLabel('What comes in its place').selectOption('Switch');
  await expect(panel.getByRole('note')).toHaveCount(0);
  await panel.getByRole('button', { name: 'Plan it this way' }).click();
  await page.getByRole('link', { name: 'Bench' }).click();
  await expect(box(page, 'Loft door')).toBeVisible();
  await tab(page, 'Steps').click();
  await expect(page.getByRole('region', { name: 'Steps at Loft ceiling' })).toContainText(
    'Nothing is to be done in this box: it stays shut, as it was found.',
  );
  await page.keyboard.press('Control+z');

  // A third location for the pair: the travelers at one end alone are opened.
  await page.goto(`${job}/circuits/rope-stair-light/runs?change`);
  await panel.getByLabel('What is to be done').selectOption('Add a switch to a group');
  await panel.getByLabel('Name of the new box').fill('Stair landing');
  for (const [from, length] of [
    ['Stair foot', "16'"],
    ['Stair head', "15'"],
  ] as const)
    await panel.getByLabel(`from ${from}`).fill(length);
  await panel.getByLabel('from Stair head').press('Enter');
  await expect(panel.getByRole('group', { name: 'Ways to make it' }).getByRole('button')).toHaveCount(3, {
    timeout: 40_000,
  });
  await expect(panel.getByRole('region', { name: 'Has to be opened' })).toHaveText(/Stair head$/);
  await expect(panel.getByRole('region', { name: 'Stays as it is' })).toContainText('Stair foot');
});
