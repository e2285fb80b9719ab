import {
  bitesOf,
  compile,
  devicesOfGroup,
  evaluate,
  everyPosition,
  faultsOf,
  reviewJob,
  ungroundedParts,
  withFault,
  type BoxId,
} from '../src/index.js';
import { yard } from './support/yard.js';

const job = yard();
const review = reviewJob(job);
const at = (box: string) => bitesOf(review, box as BoxId);

test('a ground that slips out of its splice leaves metal ungrounded, and no handle shows it', () => {
  const bites = at('creek-end') ?? [];
  const grounds = bites.filter(({ kind }) => kind === 'ungrounded');
  expect(grounds.map(({ what }) => what)).toContain('the three-way at Creek end would not be grounded');
  for (const { reading, live, mistakes, example } of grounds) {
    expect([live, mistakes > 0]).toEqual([false, true]);
    expect(reading).toMatch(/^Dead: .* does not come through this box/);
    expect(example).toMatch(/ground|bare|green|tail/);
  }
});

test('in a box of two circuits their neutrals can be joined, and both breakers are off for the reading', () => {
  const bites = at('landing-switches') ?? [];
  const joined = bites.find(({ kind }) => kind === 'neutralsJoined');
  expect(joined?.what).toMatch(/^the neutrals of .* and .* would be joined$/);
  expect(joined?.reading).toMatch(/both breakers off/);
  // Where one circuit is alone, there is no other neutral to be joined to.
  expect((at('creek-end') ?? []).some(({ kind }) => kind === 'neutralsJoined')).toBe(false);
});

test('whatever bites is a danger that each position hides: the lights are as they should be, one by one', () => {
  // The twin: every open splice of one box, looked at by hand in every position of its group.
  const box = 'creek-end';
  const group = job.groups.find(({ id, circuit }) => circuit === 'ropewalk-lights' && id !== undefined)!;
  const positions = everyPosition(review.drawn, devicesOfGroup(job, review.wiring, group.id));
  const lightsOf = (compiled: typeof review.drawn) =>
    positions.map((one) =>
      evaluate(compiled, one)
        .luminaires.map(({ id, light }) => `${id} ${light}`)
        .join(),
    );
  const joints = new Set(review.wiring.joints.filter((one) => one.box === box).map(({ id }) => id));
  const before = new Set(ungroundedParts(review.wiring, job, review.drawn).map((one) => JSON.stringify(one)));
  const hidden = faultsOf(review.wiring, 'open').filter((fault) => {
    if (fault.kind !== 'open' || !joints.has(fault.joint)) return false;
    const made = withFault(review.wiring, fault);
    if (!made.ok) return false;
    const compiled = compile(made.value, job);
    return (
      lightsOf(compiled).join() === lightsOf(review.drawn).join() &&
      ungroundedParts(made.value, job, compiled).some((one) => !before.has(JSON.stringify(one)))
    );
  });
  expect(hidden.length).toBeGreaterThan(0);
  const told = (at(box) ?? []).filter(({ kind }) => kind === 'ungrounded');
  expect(told.reduce((sum, { mistakes }) => sum + mistakes, 0)).toBeGreaterThanOrEqual(hidden.length);
});

test('of a circuit that nobody has looked into nothing is told', () => {
  expect(at('stair-foot')).toBeNull();
  expect(at('stair-head')).toBeNull();
});

test('each danger comes once, the gravest kinds together, with what shows it', () => {
  for (const { id } of job.boxes.slice(0, 12)) {
    const bites = at(id) ?? [];
    expect(new Set(bites.map(({ what }) => what)).size).toBe(bites.length);
    for (const bite of bites) expect(bite.reading).toMatch(bite.live ? /^Live, by an electrician/ : /^Dead/);
  }
});
