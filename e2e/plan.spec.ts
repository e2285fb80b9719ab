import { expect, test, type Page } from '@playwright/test';
import { saved } from './support.js';

const plan = (page: Page) => page.getByRole('group', { name: 'Plan', exact: true });
const tool = (page: Page, name: string) =>
  page.getByRole('toolbar', { name: 'Tools' }).getByRole('button', { name, exact: true });

const newRoom = async (page: Page, job: string) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New job' }).first().click();
  await page.getByLabel('Name of the job').fill(job);
  await page.getByRole('button', { name: 'Make the job' }).click();
  await page.getByRole('link', { name: 'Layout' }).click();
  await drawRoom(page, 'Paint store', '16-0', '12-0');
};

const drawRoom = async (page: Page, name: string, width: string, depth: string) => {
  await tool(page, 'Room').click();
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByLabel('Left to right').fill(width);
  await page.getByLabel('Top to bottom').fill(depth);
  await page.getByRole('button', { name: 'Add the room' }).click();
  await expect(plan(page).getByRole('button', { name: `Room ${name}` })).toBeVisible();
  await page.keyboard.press('Escape');
};

const survey = Buffer.from(
  `<svg xmlns="http://www.w3.org/2000/svg" width="800" height="500">
     <rect x="100" y="100" width="600" height="300" fill="none" stroke="#335" stroke-width="6"/>
   </svg>`,
);

test('a picture is laid under the plan, scaled by two points, and is there after a reload', async ({
  page,
}) => {
  await newRoom(page, 'Survey job');
  await tool(page, 'Picture').click();
  const file = page.getByLabel('Picture of the house');
  await file.setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('hello') });
  await expect(page.getByRole('alert')).toHaveText(
    'notes.txt is no SVG, PNG or JPEG. Save it as one of these.',
  );
  await file.setInputFiles({ name: 'broken.png', mimeType: 'image/png', buffer: Buffer.from('hello') });
  await expect(page.getByRole('alert')).toContainText('broken.png cannot be read as a picture');
  await file.setInputFiles({ name: 'survey.svg', mimeType: 'image/svg+xml', buffer: survey });
  const picture = plan(page).locator('image');
  await expect(picture).toBeVisible();
  const before = await picture.boundingBox();
  if (!before) throw new Error('the picture is nowhere');
  // Both ends of the upper wall of the drawing: 600 of its 800 pixels.
  const y = before.y + before.height * 0.2;
  await page.mouse.click(before.x + before.width / 8, y);
  await page.mouse.click(before.x + (before.width * 7) / 8, y);
  await page.getByLabel('Length between the two points').fill('12-0');
  await page.getByLabel('Length between the two points').press('Enter');
  await page.getByRole('button', { name: 'Scale', exact: true }).click();
  await expect(page.getByLabel('It shows, from left to right')).toHaveValue(/^1[56]'/);
  const after = await picture.boundingBox();
  expect(Math.abs((after?.x ?? 0) + (after?.width ?? 0) / 8 - (before.x + before.width / 8))).toBeLessThan(3);
  // By the arrow keys, a foot to the right.
  await page.getByRole('button', { name: 'Picture survey' }).press('Shift+ArrowRight');
  await expect
    .poll(async () => Math.round((await picture.boundingBox())?.x ?? 0))
    .toBeGreaterThan(Math.round(after?.x ?? 0));
  await saved(page);
  await page.reload();
  await expect(picture).toBeVisible();
  await tool(page, 'Picture').click();
  await page.getByRole('button', { name: 'Picture survey' }).press('Enter');
  await page.getByRole('button', { name: 'Remove' }).click();
  await expect(picture).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(picture).toBeVisible();
});

test('a second floor: rooms apart, walls underneath, a box put there without a pointer', async ({ page }) => {
  await newRoom(page, 'Two floors');
  await page.getByText('Levels', { exact: true }).click();
  await page.getByRole('button', { name: 'Level', exact: true }).click();
  const floors = page.getByRole('group', { name: 'Levels' });
  await expect(floors.getByRole('button', { name: 'Upper floor' })).toHaveAttribute('aria-pressed', 'true');
  await expect(plan(page).getByRole('button', { name: 'Room Paint store' })).toBeHidden();
  await drawRoom(page, 'Sail loft', '10-0', '10-0');
  await tool(page, 'Existing box').click();
  await page.getByRole('button', { name: 'Put it in the middle' }).press('Enter');
  await expect(plan(page).getByRole('button', { name: 'Existing box, existing box' })).toBeVisible();
  await floors.getByRole('button', { name: 'Ground floor' }).click();
  await expect(plan(page).getByRole('button', { name: 'Room Paint store' })).toBeVisible();
  await expect(plan(page).getByRole('button', { name: 'Room Sail loft' })).toBeHidden();
  // The only stand of the panel is here; by the keyboard it is hung on a wall.
  await tool(page, 'Panel').click();
  await page.getByRole('button', { name: 'Hang it on a wall' }).press('Enter');
  await expect(plan(page).getByRole('button', { name: 'Panel' })).toBeVisible();
  await floors.getByRole('button', { name: 'Upper floor' }).click();
  await expect(plan(page).getByRole('button', { name: 'Panel' })).toBeHidden();
  await saved(page);
});

test('one wall is finished while the others are open, and what the rules ask is answered at the box', async ({
  page,
}) => {
  await newRoom(page, 'Finished wall');
  await plan(page).getByRole('button', { name: 'Room Paint store' }).click();
  await page.getByText('Runs in single walls').click();
  await page.getByLabel('Its framing').selectOption('fished in finished walls');
  await expect(page.getByText('Runs in single walls, 1 set')).toBeVisible();
  await expect(page.locator('option', { hasText: /^upper, .*: fished in finished walls$/ })).toHaveCount(1);
  await page.keyboard.press('Escape');
  await tool(page, 'Existing box').click();
  await page.getByRole('button', { name: 'Put it in the middle' }).click();
  await page.getByText('What the rules ask').click();
  await page.getByLabel(/in a dry, damp or wet place/).selectOption('Dry');
  await expect(page.getByText('What the rules ask, 1 answer missing')).toBeVisible();
});

test.describe('with a finger', () => {
  test.use({ hasTouch: true, viewport: { width: 820, height: 1180 } });

  test('switches are tapped onto walls, dragged along them, and two fingers bring the plan closer', async ({
    page,
  }) => {
    await newRoom(page, 'By finger');
    await page.getByRole('button', { name: 'Circuit', exact: true }).tap();
    await page.getByLabel('Circuit', { exact: true }).fill('Paint store');
    await page.getByRole('button', { name: 'Add', exact: true }).tap();
    const frame = await plan(page).boundingBox();
    if (!frame) throw new Error('the plan is nowhere');
    await page.touchscreen.tap(frame.x + 130, frame.y + frame.height / 2);
    const first = plan(page).getByRole('button', { name: /^Switch, switch S of/ });
    await expect(first).toBeVisible();
    await page.touchscreen.tap(frame.x + frame.width - 130, frame.y + frame.height / 2);
    await expect(plan(page).getByRole('button', { name: /switch S3 of/ })).toHaveCount(2);

    const fingers = await page.context().newCDPSession(page);
    const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', points: { x: number; y: number }[]) =>
      fingers.send('Input.dispatchTouchEvent', {
        type,
        touchPoints: points.map((point, id) => ({ ...point, id })),
      });
    const box = plan(page).getByRole('button', { name: /^Switch, switch S3 of/ });
    // Where its mark stands; its name and its distance from the corner are drawn beside it.
    const spot = async () => {
      const [x = 0, y = 0] =
        ((await box.getAttribute('transform')) ?? '').match(/[\d.]+/g)?.map(Number) ?? [];
      return { x, y };
    };
    const from = await spot();
    const at = { x: frame.x + from.x, y: frame.y + from.y };
    await touch('touchStart', [at]);
    for (let i = 1; i <= 8; i++) await touch('touchMove', [{ x: at.x, y: at.y + 10 * i }]);
    await touch('touchEnd', []);
    await expect.poll(async () => (await spot()).y - from.y).toBeGreaterThan(50);
    expect(Math.abs((await spot()).x - from.x)).toBeLessThan(4);

    const middle = { x: frame.x + frame.width / 2, y: frame.y + frame.height / 2 };
    const apart = (by: number) => [
      { x: middle.x - by, y: middle.y - 40 },
      { x: middle.x + by, y: middle.y - 40 },
    ];
    const wide = async () => (await plan(page).locator('[data-item="box"]').first().boundingBox())?.x ?? 0;
    const before = await wide();
    await touch('touchStart', apart(40));
    for (let by = 50; by <= 120; by += 10) await touch('touchMove', apart(by));
    await touch('touchEnd', []);
    expect(Math.abs((await wide()) - before)).toBeGreaterThan(30);
  });
});
