import {
  answerAlike,
  answerQuestion,
  articleOf,
  boxCandidates,
  estimate,
  findingKey,
  openQuestions,
  outcomeOfChange,
  pricedRemedies,
  questionTables,
  reviewJob,
  setBoxArticles,
  fillOf,
  smallerBox,
  smallestBox,
  takeTogether,
  tryAnswers,
  withoutCircuit,
  type BoxId,
  type Job,
} from '../src/index.js';
import { yard } from './support/yard.js';

/** Planned once; the same with three of its circuits, for what is planned again many times. */
const whole = yard();
const FEW = ['landing-lights', 'slip-light', 'ropewalk-lights'];
const few = whole.circuits
  .filter(({ id }) => !FEW.includes(id))
  .reduce((job, { id }) => withoutCircuit(job, id), whole);

const pancakes = (job: Job, ...ids: string[]): Job =>
  ids.reduce((one, id) => setBoxArticles(one, id as BoxId, ['pancake-4' as never]), job);

test('a change costs what the two jobs cost, and nothing where nothing changes', () => {
  const job = few;
  expect(outcomeOfChange(job, job)).toMatchObject({
    gone: [],
    come: [],
    cost: 0,
    minutes: 0,
    takeOff: [],
    boxes: [],
  });
  const cost = (one: Job) => {
    const review = reviewJob(one);
    return estimate(review.job, review.wiring, review.drawn).cost;
  };
  const changed = { ...job, preferences: { ...job.preferences, neutral: 'everySwitch' as const } };
  const outcome = outcomeOfChange(job, changed);
  if (outcome.cost !== null) expect(outcome.cost).toBe(cost(changed) - cost(job));
  const back = outcomeOfChange(changed, job);
  expect(back.gone.map(findingKey)).toEqual(outcome.come.map(findingKey));
  expect(back.takeOff.map(({ name, quantity }) => [name, -quantity]).sort()).toEqual(
    outcome.takeOff.map(({ name, quantity }) => [name, quantity]).sort(),
  );
});

test('a price that rests on a run of unknown length, or on a breaker, is not told', () => {
  const job = few;
  const unarmed = { ...job, circuits: job.circuits.map((one) => ({ ...one, afci: 'no' as const })) };
  const violations = reviewJob(unarmed).findings.filter(
    ({ rule, severity }) => rule === 'arc-fault' && severity === 'violation',
  );
  expect(violations.length).toBeGreaterThan(0);
  expect(takeTogether(unarmed, 1e9).taken.map(({ words }) => words)).not.toContain(
    'Fit an arc-fault breaker',
  );
  for (const one of violations)
    expect(pricedRemedies(unarmed, one).every(({ outcome }) => outcome.cost === null)).toBe(true);
});

test('remedies under a price are taken together: the crowded boxes fit, and no more than asked is spent', () => {
  const crowded = pancakes(few, 'slip', 'landing-light');
  const before = reviewJob(crowded);
  const full = before.findings.filter(({ rule }) => rule === 'box-volume');
  expect(full.length).toBeGreaterThan(0);
  const { taken, job, outcome } = takeTogether(crowded, 50_000);
  expect(taken.length).toBeGreaterThanOrEqual(full.length);
  for (const { cost } of taken) expect(cost).toBeLessThan(50_000);
  const after = reviewJob(job);
  expect(after.findings.filter(({ rule }) => rule === 'box-volume')).toEqual([]);
  expect(outcome.gone.map(findingKey)).toEqual(expect.arrayContaining(full.map(findingKey)));
  expect(outcome.cost).toBe(taken.reduce((sum, { cost }) => sum + cost, 0));
  // Nothing is taken where everything costs more than is to be spent.
  expect(takeTogether(crowded, -1e9)).toMatchObject({ taken: [], outcome: { cost: 0 } });
});

test('a question stands once, and an answer for all alike settles all of them', () => {
  const job = few;
  const { findings } = reviewJob(job);
  const groups = openQuestions(findings);
  const alike = groups.flatMap((group) => group.alike);
  const keys = alike.flatMap(({ asked }) => asked.map(({ question }) => `${question.kind} ${question.of}`));
  expect(new Set(keys).size).toBe(keys.length);
  expect(keys.length).toBeGreaterThan(5);
  for (const { asked, options } of alike) {
    const questions = asked.map(({ question }) => question);
    const [option] = options;
    if (!option) continue;
    const answered = reviewJob(answerAlike(job, questions, option.value));
    const left = openQuestions(answered.findings).flatMap((group) => group.alike);
    for (const { kind, of } of questions)
      expect(
        left.some((one) => one.asked.some(({ question }) => question.kind === kind && question.of === of)),
      ).toBe(false);
  }
  const [first] = alike;
  if (!first) throw new Error('no question');
  const outcomes = tryAnswers(
    job,
    first.asked.map(({ question }) => question),
    first.options.map(({ value }) => value),
  );
  expect(outcomes).toHaveLength(first.options.length);
  for (const { gone } of outcomes) expect(gone.length).toBeGreaterThan(0);
});

test('a table holds a question once for all it is asked of, and keeps the row of what was answered in its place', () => {
  const { findings } = reviewJob(few);
  const tables = questionTables(few, findings).flatMap((group) => group.tables);
  const rows = tables.flatMap((table) => table.rows);
  const open = openQuestions(findings).flatMap(({ alike }) => alike.flatMap(({ asked }) => asked));
  expect(rows.map(({ question }) => question)).toEqual(open.map(({ question }) => question));
  expect(rows.map(({ answer }) => answer)).toEqual(rows.map(() => null));
  for (const { text, rows: of } of tables)
    for (const { question, name } of of)
      expect(question.text).toBe(of.length === 1 ? text : text.replace('…', () => name));
  const seen = rows.map(({ question }) => question);
  const middle = seen[Math.floor(seen.length / 2)];
  const [option] = middle?.options ?? [];
  if (!middle || !option) throw new Error('nothing to answer');
  const answered = answerQuestion(few, middle, option.value);
  const then = questionTables(answered, reviewJob(answered).findings, seen)
    .flatMap((group) => group.tables)
    .flatMap((table) => table.rows);
  const at = (all: typeof rows) =>
    all.findIndex(({ question }) => question.of === middle.of && question.kind === middle.kind);
  expect(then[at(then)]?.answer).toBe(option.value);
  expect(at(then)).toBe(at(rows));
  // Without having been seen open it is not asked again.
  const fresh = questionTables(answered, reviewJob(answered).findings).flatMap((group) => group.tables);
  expect(at(fresh.flatMap((table) => table.rows))).toBe(-1);
});

test('the smallest box of the stock holds what comes there, and no smaller one does', () => {
  const { job, wiring } = reviewJob(few);
  let found = 0;
  for (const { id, work } of job.boxes) {
    const smallest = smallestBox(job, wiring, id);
    if (work === 'existing') expect(smallest).toBeNull();
    if (!smallest) continue;
    found += 1;
    const held = reviewJob(setBoxArticles(job, id, smallest.articles));
    expect(held.findings.some(({ rule, at }) => rule === 'box-volume' && at.box === id)).toBe(false);
    expect(smallest.articles.every((article) => articleOf(job.stock, 'box', article).kind === 'box')).toBe(
      true,
    );
  }
  expect(found).toBeGreaterThan(5);
});

test('a box that is too small would do with another way of its circuit: each that is offered holds all, and is priced as two jobs', () => {
  const box = 'landing-switches' as BoxId;
  const small = boxCandidates(reviewJob(few).job, reviewJob(few).wiring, box).filter(
    ({ verdict }) => verdict === 'tooSmall',
  );
  const largest = small.reduce((a, b) => (a.left > b.left ? a : b));
  const { offers, tried } = smallerBox(few, box, largest.articles);
  expect(tried).toBeGreaterThanOrEqual(offers.length);
  expect(offers.length).toBeGreaterThan(0);
  let last = -Infinity;
  for (const { job, outcome, words } of offers) {
    const after = reviewJob(job);
    expect(after.wiring.boxes[box]).toEqual(largest.articles);
    expect(fillOf(after.job, after.wiring, box).verdict).toBe('fits');
    expect(after.findings.filter(({ severity }) => severity === 'violation')).toEqual([]);
    expect(outcome).toEqual(outcomeOfChange(few, job));
    expect(outcome.cost ?? Infinity).toBeGreaterThanOrEqual(last);
    last = outcome.cost ?? Infinity;
    expect(words).toMatch(/another way: \d cables? here/);
  }
  // One that nothing can make do is offered nothing.
  const tiny = small.reduce((a, b) => (a.left < b.left ? a : b));
  expect(smallerBox(few, box, tiny.articles).offers).toEqual([]);
});
