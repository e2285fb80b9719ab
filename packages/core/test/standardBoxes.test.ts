import {
  articlesOf,
  STANDARD_BOXES,
  STANDARD_FORMS,
  standardBoxOf,
  standardStock,
  type Job,
} from '../src/index.js';

test('each standard box measured at its own size is that one, whichever way it is turned', () => {
  expect(STANDARD_BOXES).toHaveLength(20);
  for (const one of STANDARD_BOXES) {
    expect(standardBoxOf(one.form, one)?.volume).toBeLessThanOrEqual(one.volume);
    expect(standardBoxOf(one.form, { ...one, width: one.height, height: one.width })).toEqual(
      standardBoxOf(one.form, one),
    );
  }
  expect(standardBoxOf('device', { width: 2, height: 3, depth: 2.5 })?.volume).toBe(125_000);
  expect(standardBoxOf('square', { width: 4, height: 4, depth: 2.125 })?.volume).toBe(303_000);
});

test('measured between two sizes it is counted as the smaller, and near none as nothing', () => {
  // A depth of 2 1/8 may be 2 or 2 1/4 in: the volume that it surely has is 10.0 in³.
  expect(standardBoxOf('device', { width: 2, height: 3, depth: 2.125 })?.volume).toBe(100_000);
  for (const form of STANDARD_FORMS)
    for (let width = 1; width <= 6; width += 0.125)
      for (let height = width; height <= 6; height += 0.125)
        for (let depth = 1; depth <= 4; depth += 0.125) {
          const found = standardBoxOf(form, { width, height, depth });
          if (!found) continue;
          // No box of the table that is at least as small in every measure, and near, holds less.
          const smaller = STANDARD_BOXES.filter(
            (one) =>
              one.form === form &&
              one.width === found.width &&
              one.height === found.height &&
              one.volume < found.volume,
          );
          for (const one of smaller) expect(Math.abs(one.depth - depth)).toBeGreaterThan(3 / 16);
        }
  expect(standardBoxOf('device', { width: 3, height: 5, depth: 2.5 })).toBeNull();
  expect(standardBoxOf('round', { width: 4, height: 4, depth: 3 })).toBeNull();
});

test('the stock has a box of each standard volume', () => {
  const stock: Pick<Job, 'stock'> = { stock: standardStock() };
  const metal = articlesOf(stock.stock, 'box').filter((one) => one.metal && one.part === 'box');
  for (const { form, volume } of STANDARD_BOXES)
    expect([
      form,
      volume,
      metal.some(
        (one) => one.volume === volume && one.gangs === (form === 'device' || form === 'masonry' ? 1 : 0),
      ),
    ]).toEqual([form, volume, true]);
});
