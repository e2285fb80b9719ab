import { expect, test, type Browser, type Page } from '@playwright/test';
import { plannedYard } from './support.js';

/** A telephone of somebody: a browser of its own. */
const telephone = async (browser: Browser, address: string, initials: string): Promise<Page> => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const page = await context.newPage();
  await page.goto(address);
  await page.getByLabel('Initials').fill(initials);
  await page.getByRole('button', { name: 'An electrician' }).tap();
  return page;
};

test('one holds the handles and one watches the lamp: both see the next move, and what either answers goes to the sheet and to the finder of both', async ({
  browser,
  request,
}) => {
  const address = `${await plannedYard(request)}/circuits/ropewalk-lights/prove`;
  const hand = await telephone(browser, address, 'JS');
  const eye = await telephone(browser, address, 'QW');
  const tried = (page: Page) => page.getByText(/^\d of 4 tried$/);
  const move = (page: Page) => page.getByText(/^Move (the handle at|nothing)/);
  const same = async () => {
    await expect(move(hand)).toHaveCount(1);
    await expect(move(eye)).toHaveText(await move(hand).innerText());
  };
  await same();
  await eye.getByRole('button', { name: 'As expected' }).tap();
  await expect(tried(hand)).toHaveText('1 of 4 tried');
  await same();
  await hand.getByRole('button', { name: 'As expected' }).tap();
  await expect(tried(eye)).toHaveText('2 of 4 tried');
  // Where the handles stand was said by nobody here: the other moved them.
  await expect(eye.getByText(/^As the last answer left them \(JS,/)).toBeVisible();
  await same();
  await eye.getByRole('button', { name: 'Not so' }).tap();
  await eye
    .getByRole('button', { name: 'dark', exact: true })
    .or(eye.getByRole('button', { name: 'lit', exact: true }))
    .tap();
  await expect(hand.getByText('It does not do what it should: stop here.')).toBeVisible();
  // The finder of either begins from what both saw, and asks on from what the other answers.
  await hand.getByRole('button', { name: 'Find what is wrong' }).tap();
  await eye.getByRole('tab', { name: 'Find the fault' }).tap();
  const seen = (page: Page) => page.getByRole('region', { name: 'What was seen' }).getByRole('listitem');
  await expect(seen(hand)).toHaveCount(3);
  await expect(seen(eye)).toHaveCount(3);
  for (const page of [hand, eye]) await page.getByRole('button', { name: 'A device was changed' }).tap();
  const asks = (page: Page) =>
    page.getByText('What do the loads do?').or(page.getByText(/^Open .* and pull nothing apart yet\.$/));
  const moves = (page: Page) =>
    page.getByText(/^(Move the handle at .* to |Open .* and pull nothing apart yet)/).allTextContents();
  await expect(asks(eye)).toBeVisible();
  await expect(asks(hand)).toHaveText(await asks(eye).innerText());
  await eye
    .getByRole('button', { name: 'All dark', exact: true })
    .or(eye.getByRole('button', { name: 'Something is otherwise' }))
    .tap();
  await expect(seen(hand)).toHaveCount(4);
  // What is asked next goes on from where the other has left the handles.
  await expect(async () => {
    const [one, other] = await Promise.all([eye, hand].map((page) => moves(page)));
    expect(one).not.toEqual([]);
    expect(other).toEqual(one);
  }).toPass();
  await hand.context().close();
  await eye.context().close();
});
