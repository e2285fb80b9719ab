import {
  drawPlanIt,
  EVERYDAY,
  findPlans,
  jobSchema,
  judgePlanIt,
  layCables,
  PANEL,
  PLAN_LEVELS,
  reviewJob,
  type Place,
} from '../src/index.js';
import { placeOfNode } from '../src/model/ids.js';

const exercises = PLAN_LEVELS.map((level, i) =>
  drawPlanIt({ level, seed: i + 1, edition: i % 2 === 0 ? 2023 : 2017 }),
);
type Cables = [Place, Place][];
const found = exercises.map(({ job, circuit }) => findPlans(job, circuit));

test('a place is measured, its panel stands beyond its walls, and no cable is laid as it starts', () => {
  for (const exercise of exercises) {
    const { job, asked } = exercise;
    expect(drawPlanIt(asked)).toEqual(exercise);
    expect(jobSchema.safeParse(job).error?.issues).toBeUndefined();
    expect(job.choices.flatMap(({ runs }) => runs)).toEqual([]);
    expect(layCables(exercise, [])).toEqual({ ok: false, why: 'No cable comes from the panel yet.' });
    const [first] = job.boxes;
    const told = layCables(exercise, [[PANEL, first?.id ?? PANEL]]);
    expect(told.ok ? '' : told.why).toMatch(/^No cable comes to .* yet\.$/);
    expect(Object.keys(EVERYDAY)).toContain(asked.level);
  }
  expect(new Set(exercises.map(({ job }) => JSON.stringify(job.routing.panel))).size).toBe(exercises.length);
});

test('laid as the best plan lies it costs what that does, works, and is right; any cable left out is told', () => {
  for (const [i, exercise] of exercises.entries()) {
    const { candidates, profiles } = found[i] as (typeof found)[number];
    const named = (id: string) => {
      const letter = profiles.find((one) => one.id === id)?.letter;
      return candidates.find((one) => one.letter === letter);
    };
    const [least, masters] = [named('leastCost'), named('mastersChoice')];
    if (!least || !masters) throw new Error('no plan');
    expect(profiles.find(({ id }) => id === 'leastCost')?.proved).toBe(true);
    for (const one of [least, masters]) {
      const cables = one.choice.runs.map(({ from, to }): [Place, Place] => [
        placeOfNode(from),
        placeOfNode(to),
      ]);
      // Whichever way it is told.
      const turned = cables.map(([a, b], k): [Place, Place] => (k % 2 === 0 ? [b, a] : [a, b])).reverse();
      const laid = layCables(exercise, turned);
      if (!laid.ok) throw new Error(laid.why);
      expect(laid.measures.cost).toBeLessThanOrEqual(one.measures.cost * 1.02);
      expect(laid.measures.cost).toBeGreaterThanOrEqual(least.measures.cost);
      expect(laid.violations).toEqual([]);
      expect(laid.cables.length).toBe(cables.length);
      const best = { least: least.measures.cost, masters: masters.measures.cost };
      expect(judgePlanIt(laid, best).right).toBe(true);
      // A tree of plain runs: nothing has to be kept apart.
      expect(one.choice.apart).toBeUndefined();
      for (const { working, positions } of reviewJob(laid.job).proofs) expect(working).toBe(positions);
      for (const [left] of cables.entries()) {
        const fewer: Cables = cables.filter((_, j) => j !== left);
        expect(layCables(exercise, fewer).ok).toBe(false);
      }
    }
  }
});

test('laid by way of everything in turn it costs more than need be, or is well laid; how much more is told', () => {
  let dearer = 0;
  for (const [i, exercise] of exercises.entries()) {
    const { job } = exercise;
    const { candidates } = found[i] as (typeof found)[number];
    const least = Math.min(...candidates.map(({ measures }) => measures.cost));
    const ids = [...job.boxes].reverse().map(({ id }) => id);
    const chain = ids.map((id, k): [Place, Place] => [ids[k - 1] ?? PANEL, id]);
    const laid = layCables(exercise, chain);
    if (!laid.ok) {
      expect(laid.why.length).toBeGreaterThan(20);
      continue;
    }
    const { right, more } = judgePlanIt(laid, { least, masters: null });
    expect(more).toBe(laid.measures.cost - least);
    expect(right).toBe(laid.violations.length === 0 && laid.measures.cost <= least * 1.05);
    if (more > 0) dearer += 1;
  }
  expect(dearer).toBeGreaterThan(2);
});
