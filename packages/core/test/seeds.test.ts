import fc from 'fast-check';
import type { Job } from '../src/index.js';
import { orderOfFound } from '../src/search/descent/seeds.js';
import { MOST_APART } from '../src/search/nodes.js';
import { NO_CONSTRAINTS, ordersOf, orderSpaceOf } from '../src/search/orders.js';
import type { Order } from '../src/search/problem.js';
import { leastCable, leastLabour, mastersChoice, type Weights } from '../src/search/prices/weights.js';
import { createSearch } from '../src/search/search.js';
import { naming } from './support/samples.js';
import { anySearchJob } from './support/searchJobs.js';

const all = fc.sample(anySearchJob({ places: 11, groups: 4, switches: 2 }), { seed: 61, numRuns: 24 });
const spaceOf = (job: Job) => {
  const [circuit] = job.circuits;
  if (!circuit) throw new Error('no circuit');
  return { circuit, space: orderSpaceOf(job, circuit, NO_CONSTRAINTS) };
};
/** Of few orders, so that little time goes before the steps are counted. */
const jobs = all.filter((job) => spaceOf(job).space.count <= 40).slice(0, 6);

test('where time is short a search finds no less for what is known by another weighing, and sometimes more', () => {
  let better = 0;
  let cut = 0;
  jobs.forEach((job, at) => {
    const { circuit } = spaceOf(job);
    const by = (weights: Weights) => createSearch(job, circuit, { weights, constraints: NO_CONSTRAINTS });
    const { best } = by(leastLabour(job)).least({ mostSteps: 400_000 });
    if (!best) return;
    const alone = by(leastCable(job)).least({ mostSteps: 1 });
    const sown = by(leastCable(job)).least({ mostSteps: 1, seeds: [best] });
    if (alone.proved) return;
    cut += 1;
    naming(`case ${at}`, () =>
      expect(sown.best?.weight ?? Infinity).toBeLessThanOrEqual(alone.best?.weight ?? Infinity),
    );
    if ((sown.best?.weight ?? Infinity) < (alone.best?.weight ?? Infinity)) better += 1;
  });
  expect(cut).toBeGreaterThan(3);
  expect(better).toBeGreaterThan(0);
});

test('a way is taken over with its order and entry where it is one of these, with the neutrals that are asked for here', () => {
  let taken = 0;
  for (const job of jobs) {
    const { circuit, space } = spaceOf(job);
    const { best } = createSearch(job, circuit, {
      ...{ weights: mastersChoice(job), constraints: NO_CONSTRAINTS },
    }).least({ mostSteps: 20_000 });
    if (!best) continue;
    taken += 1;
    const known = orderOfFound(space, best, () => true);
    expect(known?.order.chains).toEqual(best.settled.arrangement.chains);
    for (const slots of space.oneOf)
      expect(known?.order.neutralAt.some((slot) => slots.includes(slot))).toBe(true);
    expect(known?.order.neutralAt).toEqual(expect.arrayContaining([...space.neutralAt]));
    expect(orderOfFound(space, best, () => false)).toBeNull();
    const feeds = space.feeds.filter(({ id }) => id !== best.settled.feed.id);
    expect(orderOfFound({ ...space, feeds }, best, () => true)).toBeNull();
  }
  expect(taken).toBeGreaterThan(1);
});

test('no order parts more boxes than are held at once, a return run counted; which ways are left out for it is told', () => {
  let full = 0;
  for (const job of all) {
    const { space } = spaceOf(job);
    const parted = (order: Order) =>
      new Set([...order.apart.map(({ box }) => box), ...(order.returnAt === null ? [] : [order.returnAt])]);
    for (const { order } of space.count <= 3000 ? ordersOf(space) : [])
      expect(parted(order).size).toBeLessThanOrEqual(MOST_APART);
    for (const feed of space.feeds) {
      const most = space
        .atNodes(feed)
        .map(({ apart }) => apart)
        .filter((way) => new Set(way.map(({ box }) => box)).size === MOST_APART);
      if (most.length === 0 || space.returnsFor(feed).length === 0) continue;
      full += 1;
      expect(space.barredApart).toEqual(
        expect.arrayContaining(most.flatMap((way) => way.map(({ box }) => box))),
      );
    }
  }
  expect(full).toBeGreaterThan(0);
});
