import {
  articleOf,
  compile,
  fillOf,
  findPlans,
  isolated,
  makeUpSteps,
  newCircuit,
  newRunFact,
  planJob,
  readJob,
  remediesFor,
  reviewJob,
  sayFirst,
  setEntry,
  takeOff,
  wiringOrEmpty,
  answerQuestion,
  type Box,
  type Job,
} from '../src/index.js';
import { suitingBoxes } from '../src/materials/boxChoice.js';
import { jobOf } from './support/jobs.js';
import { holding, lying } from './support/told.js';

const withBox = (job: Job, id: string, more: Partial<Box>): Job => ({
  ...job,
  boxes: job.boxes.map((box) => (box.id === id ? { ...box, ...more } : box)),
});
const planned = (asked: Job) => {
  const { job, circuits } = planJob(asked);
  const wiring = wiringOrEmpty(job);
  return { job, circuits, wiring, compiled: compile(wiring, job) };
};
const between = (pairs: [string, string][], length = 120) =>
  pairs.map((pair) => newRunFact({ between: pair, length }));
/** Every run of these places is measured. */
const measured = (places: string[]) =>
  between(places.flatMap((a, i) => places.slice(i + 1).map((b): [string, string] => [a, b])));

describe('an existing box', () => {
  const unnamed = (): Job => ({
    ...withBox(jobOf({ runs: ['F-S1', 'S1-L'] }), 'S1', { work: 'existing', article: null }),
    runFacts: measured(['panel', 'S1', 'L']),
    choices: [],
  });
  test('that nobody has named drops no plan; its fill is unknown, nothing is called proved, and it is asked', () => {
    const job = holding(unnamed(), { S1: {} });
    const found = findPlans(job, 'c1' as never);
    const [first] = found.candidates;
    expect(first?.measures.unknownFill).toEqual(['S1']);
    expect(found.refusals).toEqual([]);
    for (const profile of found.profiles) expect([profile.id, profile.proved]).toEqual([profile.id, false]);
    expect(found.profiles[0]?.unproved.join()).toContain('Nobody can say how full S1 is');
    const questions = reviewJob({ ...job, choices: first ? [first.choice] : [] }).findings.flatMap(
      (one) => one.questions,
    );
    expect(questions.map(({ kind, of }) => [kind, of])).toContainEqual(['box.article', 'S1']);
    // Named, the same plan costs the same, is proved, and full or not.
    const named = answerQuestion(job, { kind: 'box.article', of: 'S1' }, 'wall-1-18');
    const again = findPlans(named, 'c1' as never);
    expect(again.candidates[0]?.measures).toMatchObject({ cost: first?.measures.cost, unknownFill: [] });
    expect(again.profiles[0]).toMatchObject({ letter: 'A', proved: true });
  });
  test('whose contents are not told is not counted as empty, and no make-up is given for it', () => {
    const job = withBox({ ...unnamed(), choices: jobOf({ runs: ['F-S1', 'S1-L'] }).choices }, 'S1', {
      article: 'wall-1-18' as never,
    });
    const { job: made, wiring, compiled } = planned(job);
    expect(fillOf(made, wiring, 'S1' as never)).toMatchObject({ verdict: 'unknown', unknown: ['contents'] });
    const { steps, cautions } = makeUpSteps(made, wiring, compiled, 'S1' as never);
    expect(steps.map((one) => one.id)).toContain('S1/tell');
    expect(steps.filter((one) => one.id.includes('/splice/') || one.id.includes('/land/'))).toEqual([]);
    expect(cautions).toEqual(['What else is in this box is not told: what is drawn is not all of it.']);
    const told = answerQuestion(made, { kind: 'box.contents', of: 'S1' }, 'nothing');
    expect(fillOf(told, wiring, 'S1' as never).verdict).toBe('fits');
    // What is too much already stays a violation, whatever else is in it.
    const tiny = withBox(job, 'S1', { article: 'steel-1-7.5' as never });
    const small = planned(tiny);
    expect(fillOf(small.job, small.wiring, 'S1' as never).verdict).toBe('over');
    const over = reviewJob(tiny).findings.find(
      (one) => one.rule === 'box-volume' && one.severity === 'violation',
    );
    expect(over?.title).toMatch(/^S1: at least .* needed, 7\.5 in³ there$/);
    // What stands in the wall is not made larger by calling it another.
    expect(over?.remedy).toContain('have it replaced');
    expect(over && remediesFor(small.job, null, over)).toEqual([]);
  });
  test('a tapped receptacle stays on tails of its own', () => {
    const job = jobOf({ runs: ['J1-S1', 'S1-L'], feedAt: 'J1' });
    const tapped: Job = {
      ...holding(withBox(job, 'J1', { work: 'existing' }), { J1: { yokes: [{ gangs: 1, awg: 14 }] } }),
      feeds: job.feeds.map((feed) => ({ ...feed, tap: 'receptacle' })),
    };
    const { job: made, wiring, compiled } = planned(tapped);
    const { steps, cautions } = makeUpSteps(made, wiring, compiled, 'J1' as never);
    expect(cautions.join()).toContain('The receptacle that is tapped here: Nobody has tested what it is.');
    const tested = { ...made, feeds: made.feeds.map((feed) => ({ ...feed, source: 'live' as const })) };
    expect(makeUpSteps(tested, wiring, compiled, 'J1' as never).cautions.join()).not.toContain('tapped here');
    expect(steps.find((one) => one.id === 'J1/tapped')?.text).toContain('The receptacle that is there stays');
    expect(steps.at(-1)?.text).toBe('Put the receptacle back with its plate or canopy.');
    // Nobody has told by which cable the power comes: none is named as leading to the panel.
    expect(steps.map((one) => one.text).join()).not.toContain('to panel');
    expect(steps.map((one) => one.text).join()).toContain('supply cable as found');
    expect(fillOf(made, wiring, 'J1' as never).lines.some((line) => line.what === 'devices')).toBe(true);
  });
});

test('all gangs of a box count, planned or not', () => {
  const job = jobOf({ runs: ['F-S1', 'S1-L'] });
  const shared: Job = {
    ...withBox(job, 'S1', { article: null }),
    circuits: [...job.circuits, newCircuit({ id: 'c2', name: 'Porch', breaker: 15, awg: 14 })],
    groups: [...job.groups, { ...job.groups[0]!, id: 'g2' as never, circuit: 'c2' as never }],
    slots: [
      ...job.slots,
      ...[1, 2, 3].map((gang) => ({
        ...job.slots[0]!,
        id: `other${gang}` as never,
        gang,
        group: 'g2' as never,
      })),
    ],
  };
  const { job: made, wiring } = planned(shared);
  expect(articleOf(made.stock, 'box', wiring.boxes['S1' as never]?.[0] ?? '').gangs).toBe(4);
  expect(fillOf(made, wiring, 'S1' as never)).toMatchObject({ verdict: 'unknown', unknown: ['unplanned'] });
  // A plate for all of them, and no blank where a switch is to come.
  const bought = takeOff(made, wiring).lines.map((line) => line.kind);
  expect(bought).toContain('plate');
  expect(bought).not.toContain('blank');
  const found = findPlans(
    { ...shared, choices: [], runFacts: measured(['panel', 'S1', 'L']) },
    'c1' as never,
  );
  expect(found.profiles.some((one) => one.proved)).toBe(false);
  expect(wiring.boxes).toEqual(
    wiringOrEmpty(planJob({ ...shared, circuits: [...shared.circuits].reverse() }).job).boxes,
  );
});

describe('a square box', () => {
  const steel = (): Job => {
    const job = jobOf({ runs: ['F-S1', 'S1-L', 'L-L2', 'L-L3', 'L-L4', 'L-L5'] });
    return withBox(job, 'L', { article: null, material: 'metal' });
  };
  test('takes a round ring before a luminaire hangs on it, and the step names both', () => {
    const { job, wiring, compiled } = planned(steel());
    const names = (wiring.boxes['L' as never] ?? []).map((id) => articleOf(job.stock, 'box', id).name);
    expect(names).toEqual([expect.stringMatching(/square/), expect.stringMatching(/^Round plaster ring/)]);
    const { steps } = makeUpSteps(job, wiring, compiled, 'L' as never);
    expect(steps.find((one) => one.id === 'L/box')?.text).toContain(names.join(' with '));
  });
  test('is never offered for one without it, and one that somebody chose is a violation', () => {
    const job = steel();
    const [box] = job.boxes.filter((one) => one.id === 'L');
    if (!box) throw new Error();
    const offers = suitingBoxes(job, box, { gangs: 0, luminaires: job.luminaires });
    const square = offers.filter(({ articles }) => articles.some((one) => one.shape === 'square'));
    expect(square.length).toBeGreaterThan(1);
    for (const { articles } of square) expect(articles.some((one) => one.part === 'ring')).toBe(true);
    const chosen = withBox(job, 'L', { article: 'square-42' as never });
    expect(reviewJob(chosen).findings.find((one) => one.rule === 'luminaire-support')?.title).toContain(
      'hangs straight on a square box',
    );
  });
  test('of a job file of before is told so, and the rings come with it', () => {
    const job = jobOf({ runs: ['F-S1', 'S1-L'] });
    const old = {
      ...job,
      format: 1,
      stock: job.stock
        .filter((one) => !one.id.includes('round'))
        .map((one) =>
          one.kind === 'box' && one.shape === 'square' ? { ...one, shape: undefined, supports: 50 } : one,
        ),
    };
    const read = readJob(JSON.parse(JSON.stringify(old)));
    if (!read.ok) throw new Error(read.faults[0]?.message);
    expect(read.job.stock.filter((one) => one.kind === 'box' && one.shape === 'square').length).toBe(8);
    expect(read.job.stock.some((one) => one.id === 'ring-4-round')).toBe(true);
  });
});

describe('what is demanded', () => {
  /** Two ways in: a home run, and power at the light. */
  const two = (): Job => {
    const job = jobOf({ runs: ['F-S1', 'S1-L'] });
    const both: Job = {
      ...job,
      choices: [],
      feeds: [...job.feeds, { ...job.feeds[0]!, id: 'f2' as never, at: 'L' as never }],
      runFacts: measured(['panel', 'S1', 'L']),
    };
    return lying(both, [{ id: 'feed', article: '14-2', circuit: 'c1', between: ['panel', 'L'] }]);
  };
  test.each(['S1', 'L'])('power at %s is met by every plan that is shown', (entry) => {
    const asked = setEntry(two(), new Set(['S1', 'L']), entry as never);
    const { candidates, refusals } = findPlans(asked, 'c1' as never);
    expect(refusals).toEqual([]);
    expect(candidates.length).toBeGreaterThan(0);
    expect(new Set(candidates.map((one) => one.entry))).toEqual(new Set([entry]));
  });
  test('that no plan meets is refused with the facts that clash', () => {
    const at = (feeds: Job['feeds']) => setEntry({ ...two(), feeds }, new Set(['S1', 'L']), 'S1' as never);
    const { candidates, refusals, profiles } = findPlans(at(two().feeds.slice(1)), 'c1' as never);
    expect(candidates).toEqual([]);
    expect(refusals[0]?.reason).toContain('power enters at S1');
    expect(profiles.some((one) => one.proved)).toBe(false);
  });
});

test('names that turn the direction of writing turn themselves alone', () => {
  const named = isolated('\u202Enoitnac');
  expect(named).toBe('\u2068\u202Enoitnac\u2069');
  for (const name of ['Door', '\u202Enoitnac', '\u2069loose', '\u2067open', '\u05d3\u05dc\u05ea', named]) {
    const once = isolated(name);
    expect(isolated(once)).toBe(once);
    let open = 0;
    for (const sign of once) {
      if (sign >= '\u2066' && sign <= '\u2068') open += 1;
      if (sign === '\u2069') open -= 1;
      expect(open).toBeGreaterThanOrEqual(0);
    }
    expect(open).toBe(0);
  }
  expect(isolated('Door')).toBe('Door');
  const job = jobOf({ runs: ['F-S1', 'S1-L'] });
  const read = readJob({ ...job, boxes: job.boxes.map((box) => ({ ...box, name: `\u202E${box.name}` })) });
  expect(read.ok && read.job.boxes[0]?.name).toBe('\u2068\u202ES1\u2069');
});

test('where the cheapest plan violates the code, the best that does not is named', () => {
  const said = { letter: 'C', proved: false, gap: 0, unproved: ['It violates the code.'], notTried: [] };
  expect(sayFirst({ ...said, instead: 'A' }, 'A')).toBe(
    'C is least by cost and judgement of what was found, and violates the code. Of those that do not, A is the best found.',
  );
  expect(sayFirst({ ...said, instead: null }, 'C')).toBe('C is the best found. It violates the code.');
});
