import { expect, test } from '@playwright/test';
import { plannedYard } from './support.js';

/** Across on a letter page between its margins, pixels at 96 to the inch. */
const ACROSS = 720;

test('every screen prints whole: no rails, nothing cut, the job and the safety note over it', async ({
  page,
  request,
}) => {
  const job = await plannedYard(request);
  for (const screen of [
    'layout',
    'circuits/ropewalk-lights',
    'circuits/ropewalk-lights/runs',
    'boxes',
    'check',
    'order',
  ]) {
    await page.emulateMedia({ media: 'screen' });
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto(`${job}/${screen}`);
    await expect(page.getByRole('heading', { level: 1 }).filter({ hasNotText: 'Opening' })).toBeAttached();
    await page.waitForLoadState('networkidle');
    await page.emulateMedia({ media: 'print' });
    // The paper is not asked for its size by a script: it is as wide as it is, and as long as it needs.
    await page.setViewportSize({ width: ACROSS, height: 912 });
    await expect(page.getByText('Printed').first()).toBeVisible();
    await expect(page.getByText('Work dead:').first()).toBeVisible();
    await expect(page.getByRole('navigation', { name: 'Stages' })).toBeHidden();
    const found = await page.evaluate((across) => {
      const cut: string[] = [];
      for (const one of document.querySelectorAll<HTMLElement>(
        '#root :is(div, main, section, aside, ul, table)',
      )) {
        if (one.closest('svg, details:not([open]), .drawn') || one.offsetParent === null) continue;
        const { overflowX, overflowY } = getComputedStyle(one);
        const hides = overflowY !== 'visible' || overflowX !== 'visible';
        if (hides && (one.scrollHeight > one.clientHeight + 2 || one.scrollWidth > one.clientWidth + 2))
          cut.push(one.className);
      }
      const wide = document.documentElement.scrollWidth > across + 1;
      return { cut, wide, pages: document.documentElement.scrollHeight / 912 };
    }, ACROSS);
    expect({ screen, cut: found.cut, wide: found.wide }).toEqual({ screen, cut: [], wide: false });
    expect(found.pages).toBeLessThan(60);
  }
});
