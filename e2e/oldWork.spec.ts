import { expect, test, type Page } from '@playwright/test';
import { copyOfYard, saved, theRun } from './support.js';

const tab = (page: Page, name: string) => page.getByRole('tab', { name });

test('how full an old box is nobody says before somebody has told what it is and what it holds', async ({
  page,
  request,
}) => {
  const job = await copyOfYard(request, 'untold-box', ({ boxes, wirings }) => ({
    boxes: boxes.map((box) => (box.id === 'winch-ceiling' ? { ...box, article: null } : box)),
    wirings: wirings.map((one) => {
      const { 'winch-ceiling': _told, ...others } = one.others;
      return { ...one, others };
    }),
  }));
  await page.goto(`${job}/circuits/winch-lights/runs`);
  const plans = page.getByRole('list', { name: 'Plans' }).locator('> li');
  await expect(page.getByText('Nobody can say how full Winch ceiling is.', { exact: false })).toBeVisible({
    timeout: 60_000,
  });
  await plans.first().getByRole('button', { name: 'Wire it this way' }).click();
  // The search goes on, and may put another first.
  await plans.getByRole('link', { name: 'To the bench' }).click();
  await expect(theRun(page)).toBeVisible();
  await tab(page, 'Box fill').click();
  const fill = page.getByRole('tabpanel').getByRole('listitem').filter({ hasText: 'Winch ceiling' });
  await expect(fill).toContainText(/at least [\d.]+ in³ needed, volume not known/);
  await expect(fill).toContainText('Not told: which box it is; what is in it beside what is planned here.');

  // Both are asked where they are missed; a box too small for what is certain is a violation at once.
  await tab(page, 'Check').click();
  const check = page.getByRole('tabpanel');
  const which = check.getByRole('combobox', { name: 'Which box is at Winch ceiling?' });
  await which.selectOption({ label: 'Shallow pancake 6 in³' });
  await expect(check.getByText(/^Winch ceiling: at least [\d.]+ in³ needed, 6\.0 in³ there/)).toBeVisible();
  await page.keyboard.press('Control+z');
  await which.selectOption({ label: 'Steel octagon 4 x 2 1/8' });
  const inside = check.getByRole('group', { name: 'What is in Winch ceiling beside what is planned here?' });
  await inside.getByRole('button', { name: 'Nothing else' }).click();
  await expect(inside).toHaveCount(0);
  await tab(page, 'Box fill').click();
  await expect(fill).toContainText(/[\d.]+ of 21\.5 in³/);
  await expect(fill).not.toContainText('at least');

  // What is counted in it on the layout takes room here.
  await saved(page);
  await page.goto(`${job}/layout`);
  await page.getByRole('button', { name: 'Winch ceiling, luminaire' }).press('Enter');
  await page.getByLabel('What else is in Winch ceiling').selectOption('more, counted below');
  await page.getByLabel('Conductors, 14 AWG').fill('12');
  await page.getByLabel('Conductors, 14 AWG').press('Enter');
  await saved(page);
  await page.goto(`${job}/circuits/winch-lights`);
  await tab(page, 'Check').click();
  await expect(page.getByText(/^Winch ceiling: [\d.]+ in³ needed, 21\.5 in³ there/)).toBeVisible();
});

test('a cable of which nobody has told whose power it carries is live until somebody does', async ({
  page,
  request,
}) => {
  const job = await copyOfYard(request, 'untold-cable', ({ wirings }) => ({
    wirings: wirings.map((one) => ({
      ...one,
      wiring: {
        ...one.wiring,
        cables: [
          ...one.wiring.cables,
          {
            ...{ id: 'old-tar', article: '14-2', from: 'panel', to: 'tar-ceiling', via: [] },
            ...{ length: 300, lengthSource: 'measured', existing: true },
          },
        ],
        unseen: [
          ...one.wiring.unseen,
          ...['from', 'to'].flatMap((side) =>
            ['black', 'white', 'bare'].map((colour) => ({ cable: 'old-tar', side, colour })),
          ),
        ],
      },
    })),
  }));
  await page.goto(`${job}/circuits/tar-store-light`);
  await expect(theRun(page)).toBeVisible();
  const box = page.getByRole('article', { name: 'Box Barrel rack' });
  await expect(box).toContainText(
    'Nothing uses the 14/2 to panel, and it is live from a breaker that nobody has named',
  );
  // Its black is drawn live with the handle off as with it on.
  const old = box.locator('[data-wire="conductor|old-tar|black"]');
  await page.keyboard.press('1');
  await expect(old).toHaveAttribute('data-live', 'true');
  await page.keyboard.press('1');
  await expect(old).toHaveAttribute('data-live', 'true');

  await tab(page, 'Steps').click();
  await page.getByRole('button', { name: 'Next box' }).click();
  const steps = page.getByRole('region', { name: 'Steps at Barrel rack' });
  await expect(steps).toContainText('Nobody has named one of them');
  await expect(steps).toContainText('Have it taken off its breaker and bars at the panel');
  await expect(steps).toContainText('The supply terminals stay live with the main off', { ignoreCase: true });

  await tab(page, 'Check').click();
  const whose = page.getByRole('combobox', { name: /^Whose power is on / });
  await whose.selectOption({ label: 'Tar store' });
  await expect(whose).toHaveCount(0);
});

test('power at another place is told on the layout and taken back on the runs', async ({ page, request }) => {
  const job = await copyOfYard(request, 'two-feeds');
  await page.goto(`${job}/layout`);
  await page
    .getByRole('group', { name: 'Plan', exact: true })
    .getByRole('button', { name: 'Panel', exact: true })
    .press('Enter');
  const feeds = page.getByRole('group', { name: 'A home run from here may feed' });
  // The only feed of a circuit may be taken from it; what is missing then is said.
  await feeds.getByRole('checkbox', { name: 'Galley bench its only feed' }).uncheck();
  await saved(page);
  await page.goto(`${job}/circuits/galley-lights/runs`);
  await expect(page.getByText('Nobody has said where power for Galley bench comes from')).toBeVisible();
  await page.goto(`${job}/layout`);
  await page
    .getByRole('group', { name: 'Plan', exact: true })
    .getByRole('button', { name: 'Panel', exact: true })
    .press('Enter');
  await feeds.getByRole('checkbox', { name: 'Long shed' }).check();
  await saved(page);
  await page.goto(`${job}/circuits/long-shed-lights/runs`);
  await tab(page, 'What is asked').click();
  const may = page.getByRole('list', { name: 'Where power may come from' });
  await expect(may.getByRole('listitem')).toHaveCount(2);
  await may
    .getByRole('listitem')
    .filter({ hasText: 'home run from the panel' })
    .getByRole('button', { name: 'Take back' })
    .click();
  await expect(may).toHaveCount(0);
  await expect(page.getByText('Power is at Shed junction.', { exact: false })).toBeVisible();
});
