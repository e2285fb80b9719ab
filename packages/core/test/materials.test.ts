import fc from 'fast-check';
import {
  compile,
  cutLength,
  estimate,
  estimateRun,
  packCoils,
  planJob,
  takeOff,
  type Job,
  type Place,
} from '../src/index.js';
import { jobOf, planned } from './support/jobs.js';
import { lying, standing } from './support/told.js';

const B = (name: string) => name as Place;

/** Two switches and a luminaire with positions, on one floor. */
const placed = (more: Partial<Job> = {}): Job => {
  const job = jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'] });
  const at: Record<string, Job['boxes'][number]['at']> = {
    S1: { x: 0, y: 0, z: 48 },
    S2: { x: 120, y: 60, z: 48 },
    L: { x: 60, y: 30, z: 96 },
  };
  return {
    ...job,
    boxes: job.boxes.map((box) => ({ ...box, at: at[box.name] ?? null })),
    routing: { ...job.routing, panel: { level: null, at: { x: -100, y: 0, z: 60 } } },
    ...more,
  };
};

const routed = (route: 'over' | 'through' | 'under') => {
  const job = placed();
  return { ...job, routing: { ...job.routing, route } };
};

describe('lengths', () => {
  test('over the ceiling: up, across along the axes, down', () =>
    expect(estimateRun(routed('over'), B('S1'), B('S2'))).toBe(48 + 120 + 60 + 48));
  test('through the studs: level, and up or down by the difference', () => {
    expect(estimateRun(routed('through'), B('S1'), B('S2'))).toBe(180);
    expect(estimateRun(routed('through'), B('S1'), B('L'))).toBe(60 + 30 + 48);
  });
  test('under the floor: down, across, up', () =>
    expect(estimateRun(routed('under'), B('S1'), B('S2'))).toBe(48 + 180 + 48));
  test('from floor to floor the run passes the floor between once', () => {
    const job = placed();
    const levels = [
      { id: 'low' as never, name: 'Ground', elevation: 0, ceiling: 96 },
      { id: 'up' as never, name: 'Loft', elevation: 108, ceiling: 84 },
    ];
    const two = {
      ...job,
      levels,
      boxes: job.boxes.map((box) => ({ ...box, level: levels[box.name === 'S2' ? 1 : 0]?.id ?? null })),
    };
    expect(estimateRun(two, B('S1'), B('S2'))).toBe(180 + 108);
  });
  test('a measured length replaces the estimate and takes no allowance', () => {
    const facts: Job['runFacts'] = [
      {
        between: [B('S2'), B('S1')],
        length: 200,
        rule: null,
        route: null,
        access: null,
        openings: 0,
        closeHoles: 0,
      },
    ];
    const { job, wiring } = planned(placed({ runFacts: facts }));
    const cuts = wiring.cables.map((cable) => ({ cable, cut: cutLength(job, cable) }));
    expect(cuts[1]).toMatchObject({ cable: { lengthSource: 'measured' }, cut: { run: 200, allowance: 0 } });
    // 200 + 13 at the ends is cut at 18 feet.
    expect(cuts[1]?.cut?.cut).toBe(216);
    expect(cuts[2]).toMatchObject({ cable: { lengthSource: 'estimated' } });
    expect(cuts[2]?.cut?.allowance).toBeCloseTo((cuts[2]?.cut?.run ?? 0) / 10);
  });
  test('without positions a run counts at a guess, and says so', () => {
    const { job, wiring } = planned(jobOf({ runs: ['F-S1', 'S1-L'] }));
    expect(wiring.cables.map((one) => [one.length, one.lengthSource])).toEqual([
      // A home run is never free: it is counted at a guess, and says so.
      [600, 'guessed'],
      [240, 'guessed'],
    ]);
    expect(takeOff(job, wiring).unmeasured).toEqual([]);
  });
});

describe('take-off', () => {
  const of = (job: Job) => {
    const made = planned(job);
    return { ...made, ...estimate(made.job, made.wiring, compile(made.wiring, made.job)) };
  };
  const quantity = (job: Job, article: string) =>
    of(job).takeOff.lines.find((line) => line.article === article)?.quantity ?? 0;

  test('a pair of three-ways takes what an electrician would list', () => {
    const job = placed();
    expect(quantity(job, 'three-way-15')).toBe(2);
    expect(quantity(job, 'wall-1-22.5')).toBe(2);
    expect(quantity(job, 'plate-1')).toBe(2);
    expect(quantity(job, '14-3')).toBe(26.5);
    expect(of(job).takeOff.lines.map((line) => line.kind)).not.toContain('tape');
  });
  test('what is there already is not bought', () => {
    const job = placed();
    const old = lying(
      standing(
        {
          ...job,
          boxes: job.boxes.map((box) => (box.name === 'S1' ? { ...box, work: 'existing' } : box)),
        },
        'S1',
      ),
      [{ id: 'lies', article: '14-3', circuit: 'c1', between: ['S1', 'S2'] }],
    );
    expect(quantity(old, 'three-way-15')).toBe(1);
    expect(quantity(old, 'wall-1-22.5')).toBe(1);
    expect(quantity(old, 'plate-1')).toBe(1);
    expect(quantity(old, '14-3')).toBe(0);
  });
  test('an article that the stock lacks is a line without one, not a silent gap', () => {
    const job = placed();
    const bare = { ...job, stock: job.stock.filter((article) => article.id !== 'plate-1') };
    expect(of(bare).takeOff.lines.find((line) => line.kind === 'plate')).toMatchObject({
      article: null,
      name: '1-gang plate',
      quantity: 2,
      total: 0,
    });
  });
  test('fished cables take no staples and more minutes', () => {
    const job = placed();
    const fished = { ...job, routing: { ...job.routing, access: 'fished' as const } };
    expect(quantity(job, 'staple')).toBeGreaterThan(10);
    expect(quantity(fished, 'staple')).toBe(0);
    expect(of(fished).labour.minutes).toBeGreaterThan(of(job).labour.minutes);
  });
  test('the cost is material and minutes at the rate of the job', () => {
    const { takeOff: bought, labour, cost } = of(placed());
    const minutes = labour.lines.reduce((sum, line) => sum + line.quantity * line.each, 0);
    expect(labour.minutes).toBeCloseTo(minutes);
    expect(cost).toBe(bought.total + Math.round((minutes * 700_000) / 60));
  });
  test('tags say where the other end goes, and what each conductor is', () => {
    const { cuts } = of(placed());
    expect(cuts[1]).toMatchObject({
      tags: { from: 'to S2, 14/3, Lights', to: 'to S1, 14/3, Lights' },
      conductors: [
        { colour: 'black', role: 'traveler', groups: ['Lights'], marked: false },
        { colour: 'red', role: 'traveler', groups: ['Lights'] },
        { colour: 'white', role: 'neutral', groups: [] },
        { colour: 'bare', role: 'ground', groups: [] },
      ],
    });
  });
  test('a cable longer than a coil is refused, with both lengths', () => {
    const job = placed();
    const far = {
      ...job,
      routing: { ...job.routing, panel: { level: null, at: { x: -3600, y: 0, z: 60 } } },
    };
    const [plan] = planJob(far).circuits;
    expect(plan?.outcome).toMatchObject({
      ok: false,
      problems: [{ code: 'LongerThanCoil', run: { from: 'panel', to: 'S1' }, coil: 3000 }],
    });
  });
});

test('coils: never fewer than the lengths ask for, and as few as trying every way gives', () => {
  const fewest = (lengths: number[], coil: number): number => {
    let best = lengths.length;
    const bins: number[] = [];
    const go = (i: number) => {
      if (bins.length >= best) return;
      const length = lengths[i];
      if (length === undefined) {
        best = bins.length;
        return;
      }
      for (let b = 0; b < bins.length; b++) {
        if ((bins[b] ?? 0) + length > coil) continue;
        bins[b] = (bins[b] ?? 0) + length;
        go(i + 1);
        bins[b] = (bins[b] ?? 0) - length;
      }
      bins.push(length);
      go(i + 1);
      bins.pop();
    };
    go(0);
    return best;
  };
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 5, max: 60 }), { minLength: 1, maxLength: 9 }), (some) => {
      const lengths = [...some].sort((a, b) => b - a);
      const { coils, proved } = packCoils(lengths, 100);
      expect(coils.flat().sort((a, b) => a - b)).toEqual(lengths.map((_, i) => i));
      for (const cuts of coils)
        expect(cuts.reduce((sum, i) => sum + (lengths[i] ?? 0), 0)).toBeLessThanOrEqual(100);
      expect([coils.length, proved]).toEqual([fewest(lengths, 100), true]);
    }),
    { seed: 88, numRuns: 300 },
  );
});
