import fc from 'fast-check';
import {
  type BoxId,
  compile,
  dollars,
  estimate,
  findPlans,
  proveGroup,
  reviewJob,
  wiringOrEmpty,
  newRunFact,
  type ArticleOf,
  type Candidate,
  type Job,
  type PlanSet,
  priceOfPlan,
} from '../src/index.js';
import { leastCost } from '../src/search/prices/weights.js';
import { NO_CONSTRAINTS } from '../src/search/orders.js';
import { choiceOf, createSearch } from '../src/search/search.js';
import { withChoice } from '../src/plans/withChoice.js';
import { baselineOf } from '../src/plans/baseline.js';
import { jobOf } from './support/jobs.js';
import { LAWS } from './support/laws.js';
import { objectiveOf } from '../src/plans/together/worth.js';
import { naming } from './support/samples.js';
import { anySearchJob } from './support/searchJobs.js';
import { inWords, TEXTBOOK } from './support/textbookCases.js';

const sizes = [
  { places: 4, groups: 1, switches: 3 },
  { places: 5, groups: 1, switches: 3 },
  { places: 4, groups: 2, switches: 2 },
  { places: 6, groups: 2, switches: 2 },
];

/** Random jobs with all that is found for them. */
const found = sizes.flatMap((size, i) =>
  fc.sample(anySearchJob(size), { seed: 500 + i, numRuns: 4 }).map((job, at) => {
    const circuit = job.circuits[0]?.id;
    if (!circuit) throw new Error('no circuit');
    return { name: `size ${i}, case ${at}`, job, circuit, set: findPlans(job, circuit) };
  }),
);
const each = (check: (job: Job, set: PlanSet) => void) => {
  for (const { name, job, set } of found) naming(name, () => check(job, set));
};
const chosen = (job: Job, candidate: Candidate) =>
  reviewJob(withChoice(job, candidate.choice.circuit, candidate.choice));

test('most random briefs have plans, several of them, and some have none', () => {
  const counts = found.map(({ set }) => set.candidates.length);
  expect(counts.filter((count) => count > 1).length).toBeGreaterThan(12);
  each((_, set) => expect(set.candidates.length > 0 || set.refusals.length > 0).toBe(true));
});

test('every plan can be made up, works in every position, and keeps all laws of a wiring', () => {
  each((job, set) => {
    for (const candidate of set.candidates) {
      const review = chosen(job, candidate);
      const compiled = compile(review.wiring, review.job);
      for (const group of job.groups.filter(
        (one) => one.circuit === set.circuit && one.control === 'switched',
      )) {
        const { positions, working } = proveGroup(review.job, review.wiring, compiled, group);
        expect(working).toBe(positions);
      }
      // A familiar way may have a violation, and says so; that is the next test.
      if (review.findings.some((one) => one.severity === 'violation')) continue;
      for (const check of Object.values(LAWS)) check(review.job, review.wiring);
    }
  });
});

test('a plan tells every violation that inspecting it finds', () => {
  each((job, set) => {
    for (const candidate of set.candidates) {
      const { findings } = chosen(job, candidate);
      const ends = candidate.choice.runs.flatMap(({ from, to }) => [from, to.split('~')[0] ?? to]);
      const grave = findings.filter(
        ({ severity, at }) =>
          severity === 'violation' &&
          (at.circuit === undefined
            ? at.box !== undefined && ends.includes(at.box)
            : at.circuit === set.circuit),
      );
      const told = candidate.findings.filter((one) => one.severity === 'violation');
      expect(told).toEqual(expect.arrayContaining(grave));
      expect(candidate.measures.violations).toBe(told.length);
    }
  });
});

test('the cost of a plan is what the job takes with it beyond what it takes without it', () => {
  each((job, set) => {
    const total = (asked: Job) => {
      const { job: made, wiring, compiled } = reviewJob(asked);
      return estimate(made, wiring, compiled);
    };
    const free = {
      ...withChoice(job, set.circuit, null),
      runFacts: job.runFacts.map((fact) => ({ ...fact, rule: fact.rule === 'forced' ? null : fact.rule })),
    };
    const without = total(free);
    for (const candidate of set.candidates) {
      const withIt = total(withChoice(job, set.circuit, candidate.choice));
      expect(candidate.measures.cost).toBe(withIt.cost - without.cost);
      expect(candidate.measures.minutes).toBeCloseTo(withIt.labour.minutes - without.labour.minutes, 6);
      const cables = withIt.takeOff.lines.filter((line) => line.kind === 'cable');
      const others = without.takeOff.lines.filter((line) => line.kind === 'cable');
      const feet = (lines: typeof cables) => lines.reduce((sum, line) => sum + line.quantity, 0);
      expect(candidate.measures.feet).toBeCloseTo(feet(cables) - feet(others), 6);
    }
  });
});

test('each figure of a reason is that of the two plans it compares', () => {
  each((job, { candidates, comparisons }) => {
    expect(comparisons.length).toBe(Math.max(0, candidates.length - 1));
    for (const { better, other, saves, differences, sentence } of comparisons) {
      const [a, b] = [better, other].map((letter) => candidates.find((one) => one.letter === letter));
      if (!a || !b) throw new Error('a comparison of no plans');
      const [ours, theirs] = [chosen(job, a), chosen(job, b)];
      const cost = (of: typeof ours) => estimate(of.job, of.wiring, of.compiled);
      expect(saves).toBe(cost(theirs).cost - cost(ours).cost);
      if (Math.abs(saves) >= 50) expect(sentence).toContain(dollars(Math.abs(saves)));
      const minutes = differences.find((one) => one.what === 'minutes');
      const apart = cost(theirs).labour.minutes - cost(ours).labour.minutes;
      expect((minutes?.theirs ?? 0) - (minutes?.ours ?? 0)).toBeCloseTo(apart, 6);
      const runs = differences.find((one) => one.what === 'runs');
      expect((runs?.theirs ?? 0) - (runs?.ours ?? 0)).toBe(b.choice.runs.length - a.choice.runs.length);
    }
  });
});

test('the first plan is what a master would choose of those without violations, and what is best at something is best at it', () => {
  each((_, { candidates, profiles }) => {
    const lawful = candidates.filter((one) => one.measures.violations === 0);
    const best = (of: (one: Candidate) => number) => Math.min(...lawful.map(of));
    const by = (id: string) => {
      const profile = profiles.find((one) => one.id === id);
      return profile?.proved ? lawful.find((one) => one.letter === profile.letter) : undefined;
    };
    const worth = ({ measures }: Candidate) => measures.cost + priceOfPlan(measures.judged);
    const [first] = candidates;
    if (first && lawful.length > 0) expect(worth(first)).toBe(best(worth));
    const chosen = by('mastersChoice');
    // What nobody tries, as a return run where an old cable ends, is told beside the proof.
    if (chosen && profiles[0]?.notTried.length === 0)
      expect(worth(chosen)).toBeLessThanOrEqual(best(worth) + 30_000);
    const cable = by('leastCable');
    if (cable)
      expect(cable.measures.feet).toBeCloseTo(
        best((one) => one.measures.feet),
        6,
      );
    const labour = by('leastLabour');
    // A box without room may be quicker to make up, as one of plastic has no ground.
    if (labour)
      expect(labour.measures.minutes).toBeLessThanOrEqual(
        Math.min(
          ...lawful.filter(({ choice }) => choice.room === undefined).map((one) => one.measures.minutes),
        ) + 1e-6,
      );
    const neutrals = by('neutrals');
    if (neutrals) expect(neutrals.measures.neutrals.present).toBe(neutrals.measures.neutrals.all);
    const roomy = by('roomiest');
    if (roomy)
      expect(roomy.measures.tightest?.left).toBe(-best((one) => -(one.measures.tightest?.left ?? 0)));
    // Tape, staples and tails are no part of the objective.
    const least = by('leastCost');
    if (least) expect(least.measures.cost).toBeLessThanOrEqual(best((one) => one.measures.cost) + 30_000);
  });
});

/** The cheapest of those that violate nothing. */
const cheapest = (candidates: readonly Candidate[]): Candidate | undefined =>
  candidates
    .filter((one) => one.measures.violations === 0)
    .sort((a, b) => a.measures.cost - b.measures.cost)[0];

test('each thing said of a changed brief holds when it is planned again', () => {
  let told = 0;
  each((job, { circuit, candidates, relaxed }) => {
    for (const one of relaxed) {
      told += 1;
      const again = findPlans({ ...one.job, choices: job.choices }, circuit);
      const best = cheapest(again.candidates);
      if (!best) throw new Error('no plan after all');
      const others = baselineOf(one.job, circuit).cost - baselineOf(job, circuit).cost;
      expect(best.measures.violations).toBe(0);
      expect(best.measures.cost + others).toBeLessThanOrEqual(one.cost);
      expect(one.sentence).toContain(dollars(one.cost));
      const now = cheapest(candidates)?.measures.cost;
      expect(one.saves).toBe(now === undefined ? null : now - one.cost);
      expect(wiringOrEmpty(reviewJob(one.job).job).cables.length).toBeGreaterThan(0);
    }
  });
  expect(told).toBeGreaterThan(5);
});

const brief = (change: (job: Job) => Job): PlanSet => {
  const job = change({ ...jobOf({ runs: ['F-S1', 'S1-L', 'L-S2'] }), choices: [] });
  const circuit = job.circuits[0]?.id;
  if (!circuit) throw new Error('no circuit');
  return findPlans(job, circuit);
};
const ruled = (rule: 'forced' | 'forbidden', ...pairs: [string, string][]) =>
  pairs.map((between) => newRunFact({ between, rule }));

test('runs that are forbidden until a place is cut off are refused, and the run that would do is named', () => {
  const { candidates, refusals, relaxed } = brief((job) => ({
    ...job,
    runFacts: ruled('forbidden', ['S1', 'S2'], ['L', 'S2'], ['panel', 'S2']),
  }));
  expect(candidates).toEqual([]);
  expect(refusals).toMatchObject([{ title: 'Forbidden runs cut S2 off from the panel' }]);
  expect(relaxed.map((one) => one.sentence)).toContainEqual(
    expect.stringMatching(/^If a run from S1 to S2 were allowed, there would be a plan, for \$/),
  );
});

test('a box that holds too little in every plan is refused, and a larger one is offered', () => {
  const { candidates, refusals, relaxed } = brief((job) => ({
    ...job,
    stock: [
      ...job.stock,
      {
        ...(job.stock.find((one) => one.id === 'wall-1-22.5') as ArticleOf<'box'>),
        id: 'tiny' as ArticleOf<'box'>['id'],
        name: 'Tiny',
        volume: 80_000,
      },
    ],
    boxes: job.boxes.map((box) => ({
      ...box,
      article: box.id === 'S1' ? ('tiny' as ArticleOf<'box'>['id']) : null,
    })),
  }));
  expect(candidates.filter((one) => one.measures.violations === 0)).toEqual([]);
  expect(refusals).toMatchObject([{ title: 'No way of wiring Lights meets all that is asked' }]);
  expect(relaxed).toMatchObject([{ relaxation: { what: 'box', box: 'S1' }, saves: null }]);
});

test('power that is at the luminaire already is no familiar way with power at a switch', () => {
  const at = (box: string) =>
    brief((job) => ({
      ...job,
      feeds: job.feeds.map((feed) => ({ ...feed, at: box as BoxId })),
    })).candidates.flatMap((one) => one.familiar);
  expect(at('L')).toContain('atLight');
  expect(at('L')).not.toContain('atSwitch');
  expect(at('L')).not.toContain('between');
  expect(at('S1')).toContain('atSwitch');
  expect(at('S1')).not.toContain('atLight');
});

test('a circuit that may not serve lighting is refused with the section that says so', () => {
  const { candidates, refusals } = brief((job) => ({
    ...job,
    circuits: job.circuits.map((one) => ({ ...one, breaker: 20, awg: 12, purpose: 'smallAppliance' })),
  }));
  expect(candidates).toEqual([]);
  expect(refusals).toMatchObject([{ rule: 'small-appliance-circuit', section: '210.52(B)(2)' }]);
});

test('a brief without a feed is asked for; runs of unknown length are counted at a guess, said so, and never called proved', () => {
  expect(brief((job) => ({ ...job, feeds: [] })).refusals).toMatchObject([
    { title: 'Nobody has said where power for Lights comes from' },
  ]);
  const measured = (...pairs: [string, string][]) =>
    pairs.map((between) => newRunFact({ between, length: 120 }));
  const half = brief((job) => ({ ...job, runFacts: measured(['panel', 'S1'], ['S1', 'L']) }));
  expect(half.refusals).toEqual([]);
  expect(half.notes).toContain(
    `Nobody has said where S2 is: each run there is counted at a guess of 20'-0", until the place is set or the run measured.`,
  );
  // A longer run is known: none of which nothing is known is cheaper than that.
  const far = brief((job) => ({
    ...job,
    runFacts: [...measured(['panel', 'S1']), newRunFact({ between: ['S1', 'L'], length: 600 })],
  }));
  expect(far.notes.join(' ')).toContain(`a guess of 50'-0"`);
  const [first] = half.candidates;
  expect(first?.measures.guessed).toBeGreaterThan(0);
  expect(new Set(first?.runs.filter(({ guessed }) => guessed).map(({ feet }) => feet))).toEqual(
    new Set([21.5]),
  );
  expect(half.profiles.map(({ proved }) => proved)).not.toContain(true);
  expect(half.profiles[0]?.unproved.join(' ')).toMatch(/of its runs is a guess/);
  const noPanel = brief((job) => ({ ...job, runFacts: measured(['S1', 'S2'], ['S1', 'L'], ['S2', 'L']) }));
  expect(noPanel.candidates.length).toBeGreaterThan(1);
  expect(noPanel.notes).toEqual([
    `The panel is not on the plan and no home run is measured: each is counted at a guess of 50'-0".`,
  ]);
  const none = brief((job) => job);
  expect(none.candidates.length).toBeGreaterThan(1);
  expect(none.notes).toEqual([
    `No box has a position and no run is measured: each run is counted at a guess of 20'-0".`,
    `The panel is not on the plan and no home run is measured: each is counted at a guess of 50'-0".`,
  ]);
});

test('stopped early, the search tells how far above the bound its best is', () => {
  const shortened = found
    .filter(({ set }) => (set.profiles[0]?.steps ?? 0) > 100)
    .map((one) => ({ ...one, early: findPlans(one.job, one.circuit, { mostSteps: 50 }) }));
  // Where much is forbidden or forced, so few steps may find nothing yet.
  const one = shortened.find(({ early }) => early.candidates.length > 0);
  if (!one) throw new Error('no search was long enough');
  const { profiles } = one.early;
  expect(profiles[0]?.proved).toBe(false);
  expect(profiles[0]?.gap).toBeGreaterThan(0);
  expect(findPlans(one.job, one.circuit, { mostSteps: 50 }).profiles).toEqual(profiles);
});

test('the objective is what the estimate of the planned job comes to, but for what no arrangement changes', () => {
  let compared = 0;
  for (const { name, job } of found)
    naming(name, () => {
      const [circuit] = job.circuits;
      if (!circuit) throw new Error('no circuit');
      const options = { weights: leastCost(job), constraints: NO_CONSTRAINTS };
      const search = createSearch(job, circuit, options);
      const trees = search.entries.flatMap((entry) => search.least({ entry, mostSteps: 1e8 }).best ?? []);
      const [first, ...others] = trees.map((one) => ({
        weight: one.weight,
        real: objectiveOf(withChoice(job, circuit.id, choiceOf(one))),
      }));
      for (const other of others) {
        compared += 1;
        // What is there already is in every estimate: differences are what counts.
        expect(other.real - (first?.real ?? 0)).toBeCloseTo(other.weight - (first?.weight ?? 0), -1);
      }
    });
  expect(compared).toBeGreaterThan(15);
});

test.each(TEXTBOOK)('the search finds it when its constraints are forced: %s', (_name, short, expected) => {
  const base = jobOf(short);
  const [choice] = base.choices;
  const [circuit] = base.circuits;
  if (!choice || !circuit) throw new Error('no circuit');
  const neutralAt = choice.neutralAt ?? [];
  const job: Job = {
    ...base,
    // The program chooses the boxes, and the code asks for a neutral only where the case has one.
    boxes: base.boxes.map((box) => ({ ...box, article: null, accessible: 'yes' })),
    choices: [],
    runFacts: choice.runs.map(({ from, to }) =>
      newRunFact({ between: [from, to.replace('~return', '')], rule: 'forced' }),
    ),
  };
  const { best, proved } = createSearch(job, circuit, {
    weights: leastCost(job),
    constraints: {
      neutralAt,
      chains: choice.chains ?? {},
      feed: null,
      neutrals: 'asAsked',
      returnRuns: choice.runs.some(({ to }) => to.endsWith('~return')),
    },
  }).least({ mostSteps: 1e8 });
  if (!best) throw new Error('nothing was found');
  expect(proved).toBe(true);
  expect(inWords(withChoice(job, circuit.id, choiceOf(best)))).toEqual(expected);
});
