import fc from 'fast-check';
import {
  articlesOf,
  makeUpSteps,
  planJob,
  reviewJob,
  standardStock,
  wiringOrEmpty,
  type BoxId,
  type CircuitId,
  type GroupId,
  type Place,
  type SlotId,
} from '../src/index.js';
import { chooseConnectors, takes } from '../src/materials/connectors.js';
import { assignColours } from '../src/planning/colours.js';
import type { Net } from '../src/planning/nets.js';
import { orientTree } from '../src/planning/tree.js';
import { anyJob } from './support/arbitrary.js';
import { jobOf } from './support/jobs.js';
import { articleOf, type Awg, type Job } from '../src/index.js';

const STOCK = standardStock();

describe('colours', () => {
  const group = 'g' as GroupId;
  const nets: Net[] = [
    { id: 'H', kind: 'hot', circuit: null, group: null, lane: null },
    { id: 'N', kind: 'neutral', circuit: null, group: null, lane: null },
    { id: 'SL', kind: 'switchLeg', circuit: null, group, lane: null },
    { id: 'SL2', kind: 'switchLeg', circuit: null, group, lane: null },
    { id: 'Ta', kind: 'traveler', circuit: null, group, lane: 'a' },
    { id: 'Tb', kind: 'traveler', circuit: null, group, lane: 'b' },
  ];
  const subsets = Array.from({ length: 2 ** nets.length }, (_, bits) =>
    nets.filter((_net, i) => (bits >> i) & 1),
  );

  test('every choice of nets on every cable: lawful or refused, each net once', () => {
    const whites = { neutral: 0, hot: 0 };
    for (const crossing of subsets)
      for (const cable of articlesOf(STOCK, 'cable').filter(({ found }) => !found)) {
        const colouring = assignColours(crossing, cable);
        const hotsForColours = crossing.filter((net) => net.kind === 'switchLeg').length;
        const lawful =
          crossing.length <= cable.insulated.length &&
          // Switch legs never take the white, so they need that many colours.
          hotsForColours <= cable.insulated.length - 1;
        expect([crossing.map((net) => net.id), cable.name, colouring !== null]).toEqual([
          crossing.map((net) => net.id),
          cable.name,
          lawful,
        ]);
        if (!colouring) continue;
        expect(colouring.map(({ colour }) => colour)).toEqual(cable.insulated);
        const carried = colouring.flatMap(({ net }) => (net ? [net.id] : []));
        expect([...carried].sort()).toEqual(crossing.map((net) => net.id).sort());
        const white = colouring.find(({ colour }) => colour === 'white')?.net;
        expect(white?.kind).not.toBe('switchLeg');
        const kinds = crossing.map((net) => net.kind);
        // The white goes to the neutral, or to the hot where there is none.
        const wanted = (['neutral', 'hot'] as const).find((kind) => kinds.includes(kind));
        if (wanted === undefined) continue;
        whites[wanted] += 1;
        expect(white?.kind).toBe(wanted);
      }
    expect(Math.min(whites.neutral, whites.hot)).toBeGreaterThan(5);
  });
});

describe('the cabling tree', () => {
  /** Places behind a run, found by walking with the run taken away. */
  const behindSlowly = (
    runs: readonly (readonly [string, string])[],
    cut: readonly [string, string],
    far: string,
  ) => {
    const left = runs.filter((run) => run !== cut);
    const seen = new Set([far]);
    for (let grew = true; grew;) {
      grew = false;
      for (const [a, b] of left)
        if (seen.has(a) !== seen.has(b)) {
          seen.add(a).add(b);
          grew = true;
        }
    }
    return seen;
  };

  test('what lies behind each run equals a walk with that run cut, whichever way the runs are written', () =>
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(), fc.boolean()), { minLength: 1, maxLength: 9 }), (drawn) => {
        const runs = drawn.map(([parent, turned], i) => {
          const pair = [`b${parent % (i + 1)}`, `b${i + 1}`] as const;
          return turned ? ([pair[1], pair[0]] as const) : pair;
        });
        const tree = orientTree(
          'c' as CircuitId,
          runs.map(([from, to]) => ({ from: from as Place, to: to as BoxId })),
          'b0' as Place,
          [],
        );
        if (!tree.ok) throw new Error(JSON.stringify(tree.problems));
        expect(tree.value).toHaveLength(runs.length);
        for (const run of tree.value) {
          const cut = runs.find(
            ([a, b]) => (a === run.from && b === run.to) || (b === run.from && a === run.to),
          );
          if (!cut) throw new Error('a run that nobody asked for');
          expect([...run.behind].sort()).toEqual([...behindSlowly(runs, cut, run.to)].sort());
        }
      }),
      { seed: 31, numRuns: 300 },
    ));
});

describe('what the planner settles', () => {
  const conductors = (job: Job): number => {
    const outcome = planJob(job).circuits[0]?.outcome;
    return outcome?.ok
      ? outcome.value.runs.reduce((sum, one) => sum + (one.carried?.article.insulated.length ?? 0), 0)
      : Infinity;
  };
  const orders = <T>(items: T[]): T[][] =>
    items.length < 2
      ? [items]
      : items.flatMap((one) => orders(items.filter((x) => x !== one)).map((rest) => [one, ...rest]));

  test('no other order of the switches needs fewer conductors', () =>
    fc.assert(
      fc.property(anyJob, (asked) => {
        const job = {
          ...asked,
          choices: asked.choices.map(({ circuit, feed, runs }) => ({ circuit, feed, runs })),
        };
        const [group] = job.groups;
        const outcome = planJob(job).circuits[0]?.outcome;
        const slots = job.slots.map((slot) => slot.id);
        const neutralAt = outcome?.ok ? outcome.value.arrangement.neutralAt : undefined;
        const best = Math.min(
          ...orders<SlotId>(slots).map((order) =>
            conductors({
              ...job,
              choices: job.choices.map((choice) => ({
                ...choice,
                chains: { [group!.id]: order },
                ...(neutralAt ? { neutralAt } : {}),
              })),
            }),
          ),
        );
        expect(conductors(job)).toBe(best);
      }),
      { seed: 77, numRuns: 60 },
    ));

  test('neutral at every switch is a preference, and costs what it costs', () => {
    const short = { runs: ['F-L', 'L-S1', 'S1-S2'], visible: 'yes' as const };
    const one = conductors(jobOf(short));
    const every = conductors(jobOf({ ...short, preferences: { neutral: 'everySwitch' } }));
    expect([one, every]).toEqual([8, 9]);
  });
});

describe('connectors', () => {
  const liking = (connectors: 'lever' | 'pushIn' | 'twistOn') => ({
    connectors,
    sparePort: false,
    groundConnectors: 'same' as const,
  });
  const sizesOf = fc.array(fc.constantFrom<Awg>(18, 14, 12), { minLength: 1, maxLength: 14 });
  test.each(['lever', 'pushIn', 'twistOn'] as const)(
    '%s: every splice is held, each connector within its range',
    (family) =>
      fc.assert(
        fc.property(sizesOf, (sizes) => {
          const chain = chooseConnectors(STOCK, liking(family), sizes, false);
          if (!chain) throw new Error('no connectors');
          expect(chain.flatMap((one) => one.members).sort((a, b) => a - b)).toEqual(sizes.map((_, i) => i));
          const thickest = Math.min(...sizes) as Awg;
          chain.forEach((one, i) => {
            const held = [
              ...one.members.map((index) => sizes[index] ?? 14),
              ...Array<Awg>(one.jumperEnds).fill(thickest),
            ];
            expect(takes(articleOf(STOCK, 'connector', one.article), held)).toBe(true);
            // A chain is tied end to end: one jumper end at each end of it, two between.
            expect(one.jumperEnds).toBe(chain.length === 1 ? 0 : i === 0 || i === chain.length - 1 ? 1 : 2);
          });
        }),
        { seed: 12, numRuns: 300 },
      ),
  );

  test('the smallest of the preferred family that fits', () => {
    const name = (sizes: Awg[], family: 'lever' | 'pushIn' | 'twistOn') =>
      chooseConnectors(STOCK, liking(family), sizes, false)?.map((one) => one.article);
    expect(name([14, 14], 'lever')).toEqual(['lever-2']);
    expect(name([14, 14, 14], 'lever')).toEqual(['lever-3']);
    expect(name([14, 14, 14, 14], 'lever')).toEqual(['lever-5']);
    expect(name([14, 14, 14, 14], 'pushIn')).toEqual(['push-in-4']);
    expect(name([12, 12, 12], 'twistOn')).toEqual(['twist-on-medium']);
    expect(name([14, 18], 'twistOn')).toEqual(['twist-on-small']);
  });

  test('more than the family holds goes to another family before it is chained', () => {
    expect(
      chooseConnectors(STOCK, liking('lever'), Array<Awg>(7).fill(14), false)?.map((one) => one.article),
    ).toEqual(['push-in-8']);
    const levers = STOCK.filter((one) => one.kind !== 'connector' || one.family === 'lever');
    expect(
      chooseConnectors(levers, liking('lever'), Array<Awg>(7).fill(14), false)?.map((one) => [
        one.article,
        one.members.length,
      ]),
    ).toEqual([
      ['lever-5', 4],
      ['lever-5', 3],
    ]);
    expect(chooseConnectors(levers, liking('lever'), [10, 10], false)).toBeNull();
  });
});

test('a sensor in a pair is the sensor, and the other location its companion; no companion is chosen by itself', () => {
  const pair = jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'] });
  const fittedWith = (...sensors: string[]) => {
    const { job } = planJob({
      ...pair,
      slots: pair.slots.map((slot) =>
        sensors.includes(slot.box) ? { ...slot, role: 'occupancySensor' as const, article: null } : slot,
      ),
    });
    return Object.fromEntries(wiringOrEmpty(job).devices.map((one) => [one.box, one.article]));
  };
  const both = { S1: 'sensor-three-way-15', S2: 'sensor-companion-15' };
  expect(fittedWith('S1')).toEqual(both);
  expect(fittedWith('S1', 'S2')).toEqual(both);
  const { job } = planJob({
    ...pair,
    slots: pair.slots.map((slot) =>
      slot.box === 'S1' ? { ...slot, role: 'occupancySensor' as const, article: null } : slot,
    ),
  });
  const { wiring, compiled, findings } = reviewJob(job);
  const words = (box: string) =>
    makeUpSteps(job, wiring, compiled, box as BoxId)
      .steps.map(({ text }) => text)
      .join(' ');
  // Two devices in one hand are not taken one for the other, and the companion is no error of the layout.
  expect(words('S1')).toContain('fix the three-way occupancy sensor level');
  expect(words('S2')).toContain('fix the companion of the three-way occupancy sensor level');
  expect(findings.filter(({ rule }) => rule === 'as-laid-out')).toEqual([]);
  // It stands at the line end alone, and no cable of the stock brings the line to the far switch of this run.
  expect(fittedWith('S2')).toEqual({});
});
