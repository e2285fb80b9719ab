import { openBrowser } from './browser.mjs';

const TAPS = 40;

/** How long it takes from a tap on a wire, and from putting it elsewhere, to the repainted bench; two circuits in a four-gang box. */
export const practicePaint = async (address, show) => {
  const browser = await openBrowser();
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/practice`);
    await page.getByRole('button', { name: /^10 Two circuits/ }).click();
    await page.locator('[data-wire^="conductor"]').first().waitFor();
    const times = await page.evaluate(async (taps) => {
      const painted = async (work) => {
        await new Promise((resolve) => setTimeout(resolve, 40));
        const began = performance.now();
        work();
        // The frame after the one that holds the change has been painted with it.
        await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 0)));
        return performance.now() - began;
      };
      const seen = { tap: [], put: [] };
      for (let i = 0; i < taps; i++) {
        const wires = document.querySelectorAll('[data-wire^="conductor"] text');
        const wire = wires[i % wires.length];
        seen.tap.push(
          await painted(() =>
            wire.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true })),
          ),
        );
        await painted(() =>
          document.dispatchEvent(
            new KeyboardEvent('keydown', { key: 'Escape', code: 'Escape', bubbles: true }),
          ),
        );
        const places = [...document.querySelectorAll('[aria-label="Wires in words"] select')].filter(
          (select) => [...select.options].some(({ value }) => value === 'alone'),
        );
        const select = places[i % places.length];
        const to = select.value === 'loose' ? 'alone' : 'loose';
        const set = Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value').set;
        seen.put.push(
          await painted(() => {
            set.call(select, to);
            select.dispatchEvent(new Event('change', { bubbles: true }));
          }),
        );
      }
      return seen;
    }, TAPS);
    show('Practice: tap on a wire to repainted bench', times.tap, '50 ms');
    show('Practice: a wire put elsewhere to repainted bench', times.put, '50 ms');
  } finally {
    await browser.close();
  }
};
