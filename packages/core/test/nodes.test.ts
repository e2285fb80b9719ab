import {
  cutList,
  compile,
  findPlans,
  makeUpSteps,
  newSlot,
  planJob,
  readJob,
  reviewJob,
  wireAll,
  withChoice,
  wiringOrEmpty,
  withoutBox,
  withoutFeed,
  withoutSlot,
  writeJobFile,
  type BoxId,
  type Choice,
  type GroupId,
  type Job,
  type PlanProblem,
  type SlotId,
} from '../src/index.js';
import { createTreeSearch } from '../src/search/exact/treeSearch.js';
import { boundingOf } from '../src/search/bounds/bounding.js';
import { weighedOf } from '../src/search/bounds/weighed.js';
import { NO_CONSTRAINTS } from '../src/search/orders.js';
import { priceTablesOf } from '../src/search/prices/priceTables.js';
import { leastCost, mastersChoice } from '../src/search/prices/weights.js';
import { choiceOf, createSearch } from '../src/search/search.js';
import { TOP } from '../src/search/tree.js';
import { SHARED } from './support/everyday.js';
import { jobOf } from './support/jobs.js';
import { inWords } from './support/textbookCases.js';

const circuitOf = (job: Job) => {
  const [circuit] = job.circuits;
  if (!circuit) throw new Error('no circuit');
  return circuit;
};

const best = (job: Job, weights = mastersChoice(job)) => {
  const search = createSearch(job, circuitOf(job), {
    weights,
    constraints: NO_CONSTRAINTS,
  });
  const { best: found, proved } = search.least({ mostSteps: 30_000_000 });
  if (!found) throw new Error('nothing found');
  return { found, proved, choice: choiceOf(found) };
};

const chosen = (job: Job, choice: Choice): Job => withChoice(job, circuitOf(job).id, choice);

/** What each run carries where the first room is wired by this choice. */
const carried = (job: Job, choice: Partial<Choice>) =>
  inWords(chosen(job, { circuit: circuitOf(job).id, feed: 'feed' as Choice['feed'], runs: [], ...choice }));

const at = (box: string, group: string) => `${box}~node.${group}` as Choice['runs'][number]['to'];
const run = (from: string, to: string) => ({ from, to }) as Choice['runs'][number];
const apart = (box: string, ...groups: string[]) => ({ box, groups }) as NonNullable<Choice['apart']>[number];

describe('the arrangements of several groups, by what each run carries', () => {
  test('two pairs at the same two doors: two cables of three side by side, each with its own neutral', () => {
    const runs = [
      run('panel', 'front-door'),
      run('front-door', 'back-door'),
      run('front-door', at('back-door', 'wall')),
      run('back-door', 'ceiling'),
      run(at('back-door', 'wall'), 'sconce'),
    ];
    expect(carried(SHARED.hall, { runs, apart: [apart('back-door', 'wall')], neutralAt: [] })).toEqual({
      'F-front-door': 'H N',
      'front-door-back-door': 'N T T',
      'front-door-back-door~node.wall': 'N T T',
      'back-door-ceiling': 'N SL',
      'back-door~node.wall-sconce': 'N SL',
    });
  });
  test('the same with the lights at the door that power enters: each pair is fed at its far end, by the marked white of its own cable', () => {
    const runs = [
      run('panel', 'front-door'),
      run('front-door', 'back-door'),
      run('front-door', at('back-door', 'wall')),
      run('front-door', 'ceiling'),
      run('front-door', 'sconce'),
    ];
    expect(carried(SHARED.hall, { runs, apart: [apart('back-door', 'wall')], neutralAt: [] })).toMatchObject({
      'front-door-back-door': 'T T re H',
      'front-door-back-door~node.wall': 'T T re H',
    });
  });
  test('a fan and a light from two doors, fed onward: what one cable carries does not come back by the other', () => {
    const { choice, proved } = best(SHARED.den);
    expect(proved).toBe(true);
    const { wiring, proofs } = reviewJob(chosen(SHARED.den, choice));
    expect(proofs.map(({ working, positions }) => working === positions)).toEqual([true, true]);
    expect(wiring.cables.length).toBe(7 - 1);
  });
});

describe('rooms in which groups share their boxes', () => {
  test.each(['hall', 'pantry', 'den', 'studio'] as const)('%s is planned, proved and works', (name) => {
    const job: Job = SHARED[name];
    for (const weights of [leastCost(job), mastersChoice(job)]) {
      const { proved, choice } = best(job, weights);
      expect(proved).toBe(true);
      const { proofs, findings } = reviewJob(chosen(job, choice));
      expect(proofs.length).toBe(job.groups.length);
      for (const proof of proofs) expect(proof.working).toBe(proof.positions);
      expect(findings.filter(({ severity }) => severity === 'violation')).toEqual([]);
    }
  });
  test('two pairs at the same two doors: what comes first is two cables of three, as in the trade', () => {
    const { candidates, profiles } = findPlans(SHARED.hall, circuitOf(SHARED.hall).id);
    expect(profiles.find(({ id }) => id === 'mastersChoice')).toMatchObject({ letter: 'A', proved: true });
    const doors = candidates[0]?.runs.filter(
      ({ from, to }) => [from, to].sort().join() === 'back-door,front-door',
    );
    expect(doors?.map(({ cable, told }) => [cable, told])).toEqual([
      ['14/3', 'Ceiling'],
      ['14/3', 'Wall'],
    ]);
  });
  test('where one cable serves both groups more cheaply, the search finds that too', () => {
    // A pair and a single-pole: nothing has to stay apart.
    expect(best(SHARED.pantry, leastCost(SHARED.pantry)).choice.apart).toBeUndefined();
  });
});

describe('the make-up, tags and steps of nodes', () => {
  const job = wireAll(SHARED.hall);
  const { job: made, wiring } = reviewJob(job);
  const steps = (box: string) =>
    makeUpSteps(made, wiring, compile(wiring, made), box as never).steps.map(({ text }) => text);
  test('in the box beyond, each neutral is a splice of its own, and one is told never to join the other', () => {
    const neutrals = wiring.joints.filter(({ id, box }) => box === 'back-door' && id.includes('/N'));
    expect(neutrals.map(({ members }) => members.length)).toEqual([2, 2]);
    expect(
      steps('back-door').filter((text) => text.includes('stay apart in this box, never joined')),
    ).toHaveLength(1);
  });
  test('both cables bear the name of their group at both ends', () => {
    for (const box of ['front-door', 'back-door'])
      for (const group of ['Ceiling', 'Wall'])
        expect(
          steps(box).filter((text) => text.startsWith('Pull') && text.endsWith(`door, ${group}.`)),
        ).toHaveLength(1);
    const tags = cutList(made, wiring, compile(wiring, made)).flatMap((cut) => [cut.tags.from, cut.tags.to]);
    expect(new Set(tags.filter((tag) => tag.includes('14/3'))).size).toBe(4);
  });
  test('cables of two kinds between the same boxes are told apart as well: stripped, their tags are all that is left to read', () => {
    // A shelf that is fed at the far door: the hot goes along with the travelers of one pair.
    const [group] = SHARED.hall.groups;
    const [slot] = SHARED.hall.slots;
    const [lamp] = SHARED.hall.luminaires;
    if (!group || !slot || !lamp) throw new Error('no hall');
    const shelf = 'shelf' as GroupId;
    const wider: Job = {
      ...SHARED.hall,
      groups: [...SHARED.hall.groups, { ...group, id: shelf, name: 'Shelf' }],
      slots: [
        ...SHARED.hall.slots,
        { ...slot, id: 'back-door:shelf' as SlotId, box: 'back-door' as BoxId, gang: 2, group: shelf },
      ],
      luminaires: [...SHARED.hall.luminaires, { ...lamp, id: 'shelf-lamp' as typeof lamp.id, group: shelf }],
    };
    const runs = [
      run('panel', 'front-door'),
      run('front-door', 'back-door'),
      run('front-door', at('back-door', 'wall')),
      run('back-door', 'ceiling'),
      run(at('back-door', 'wall'), 'sconce'),
    ];
    const way = { circuit: circuitOf(job).id, feed: 'feed' as Choice['feed'], runs, neutralAt: [] };
    const { job: planned, wiring: wired } = reviewJob(
      chosen(wider, { ...way, apart: [apart('back-door', 'wall')] }),
    );
    const cuts = cutList(planned, wired, compile(wired, planned)).filter(
      ({ from, to }) => [from, to].sort().join() === 'back-door,front-door',
    );
    expect(cuts.map(({ name }) => name).sort()).toEqual(['14/3', '14/4']);
    for (const box of ['front-door', 'back-door'] as BoxId[]) {
      const sheaths = makeUpSteps(planned, wired, compile(wired, planned), box).steps.flatMap(
        ({ text }) => /tag its sheath: (to (?:Back|Front) door.*)\.$/.exec(text)?.[1] ?? [],
      );
      expect(new Set(sheaths).size).toBe(2);
      for (const said of sheaths) expect(said).toMatch(/door, /);
    }
  });
  test('hots of one circuit that come to a box by two cables are told never to be joined, each at its own switch', () => {
    // The lights at the near door, the line end of both groups at the far one: each is fed by the marked white of its own cable.
    const runs = [
      run('panel', 'front-door'),
      run('front-door', 'back-door'),
      run('front-door', at('back-door', 'wall')),
      run('front-door', 'ceiling'),
      run('front-door', 'sconce'),
    ];
    const way = { circuit: circuitOf(job).id, feed: 'feed' as Choice['feed'], runs, neutralAt: [] };
    const turned = reviewJob(chosen(SHARED.hall, { ...way, apart: [apart('back-door', 'wall')] }));
    const said = makeUpSteps(
      turned.job,
      turned.wiring,
      compile(turned.wiring, turned.job),
      'back-door' as BoxId,
    ).steps;
    const hots = said.filter(({ id }) => id.includes('/apart-hot/'));
    expect(hots).toHaveLength(1);
    expect(hots[0]?.text).toMatch(
      /^2 hots of Hall stay apart in this box, never joined: the .* apart from the /,
    );
    expect(said.some(({ text }) => text.startsWith('Join the hots'))).toBe(false);
  });
  test('a job with such a way is written and read again', () => {
    const read = readJob(JSON.parse(writeJobFile(made)) as object);
    expect(read.ok && read.job.choices).toEqual(made.choices);
    expect(read.ok && wiringOrEmpty(planJob(read.job).job)).toEqual(wiring);
  });
});

describe('a choice that does not match what is in the boxes is refused with a reason', () => {
  const { choice } = best(SHARED.hall);
  const problems = (job: Job, change: Partial<Choice>): PlanProblem['code'][] => {
    const [plan] = planJob(chosen(job, { ...choice, ...change })).circuits;
    return plan?.outcome.ok === false ? plan.outcome.problems.map(({ code }) => code) : [];
  };
  test('groups that are not there, groups named twice, a run to a node that is not told of', () => {
    expect(problems(SHARED.hall, { apart: [apart('ceiling', 'wall')] })).toContain('ApartDoesNotMatch');
    expect(
      problems(SHARED.hall, { apart: [apart('back-door', 'wall'), apart('back-door', 'wall')] }),
    ).toContain('ApartDoesNotMatch');
    expect(problems(SHARED.hall, { apart: [] })).toContain('ApartDoesNotMatch');
  });
  test('a light that is part of a fan is never kept apart from it, and no plan does', () => {
    const fan = SHARED.hall.luminaires[0];
    const whole: Job = {
      ...SHARED.hall,
      luminaires: SHARED.hall.luminaires.map((one) =>
        one === fan ? { ...one, unit: 'fan' } : { ...one, box: fan!.box, partOf: fan!.id },
      ),
      boxes: SHARED.hall.boxes.filter(({ id }) => id !== 'sconce'),
    };
    const found = best(whole);
    expect(found.proved).toBe(true);
    expect((found.choice.apart ?? []).map(({ box }) => box)).not.toContain('ceiling');
    const torn = { ...found.choice, apart: [...(found.choice.apart ?? []), apart('ceiling', 'wall')] };
    const [plan] = planJob(chosen(whole, torn)).circuits;
    expect(plan?.outcome.ok === false && plan.outcome.problems.map(({ code }) => code)).toContain(
      'PartApart',
    );
  });
});

test('a bound that is too high drops the best, and the search for it is what notices', () => {
  const job: Job = SHARED.hall;
  const { found } = best(job, leastCost(job));
  const tables = priceTablesOf(job, circuitOf(job), leastCost(job));
  const problem = weighedOf(boundingOf(tables), found.settled);
  const entries = problem.entries.filter(({ root }) => root === found.tree.parents.indexOf(TOP));
  const survives = (bounds: typeof problem.bounds) =>
    createTreeSearch()({ ...problem, entries, bounds }, found.tree.cost + 0.01, 1e9).tree !== null;
  expect(survives(problem.bounds)).toBe(true);
  // The boxes of the apart nodes counted as though each were set by itself.
  const twice = (node: number) =>
    problem.bounds.box(node) + problem.bounds.box(found.settled.boxOf[node] ?? node);
  expect(survives({ ...problem.bounds, box: twice })).toBe(false);
});

test('a switch taken out of its box leaves a way that is refused with the reason, or still is one, and loses nothing else of it', () => {
  const job = wireAll(SHARED.hall);
  expect(job.choices[0]?.apart?.[0]?.groups).toEqual(['wall' as GroupId]);
  const less = withoutSlot(job, 'back-door:wall' as SlotId);
  // What stood apart is no longer there: both cables would end in one box.
  expect(less.choices).toMatchObject([{ circuit: 'c', feed: 'feed' }]);
  expect(less.choices[0]).not.toHaveProperty('apart');
  const [plan] = planJob(less).circuits;
  expect(plan?.outcome.ok === false && plan.outcome.problems.map(({ code }) => code)).toEqual([
    'RingOfCables',
  ]);
  // A luminaire at the end of a run goes, and the rest stays wired.
  const dark = withoutBox(wireAll(SHARED.den), 'north-end' as BoxId);
  expect(planJob(dark).circuits[0]?.outcome.ok).toBe(true);
  expect(planJob(withoutFeed(job, job.feeds[0]!.id)).circuits[0]?.outcome.ok).toBe(false);
});

test('what the two screws of one receptacle join is one part, and nobody is told to keep it apart', () => {
  const base = jobOf({ runs: ['F-S1', 'S1-L'], preferences: { receptacles: 'through' } });
  const [group] = base.groups;
  const [box] = base.boxes;
  const [choice] = base.choices;
  if (!group || !box || !choice) throw new Error('no group');
  const hot = { ...group, id: 'hot' as GroupId, name: 'Receptacles', control: 'hot' as const };
  const at = (id: string) => ({ ...box, id: id as BoxId, name: id });
  const slot = (id: string) => newSlot({ id: `r.${id}`, box: id, gang: 0, group: 'hot', role: 'receptacle' });
  const job: Job = {
    ...base,
    groups: [group, hot],
    boxes: [...base.boxes, at('R1'), at('R2')],
    slots: [...base.slots, slot('R1'), slot('R2')],
    choices: [{ ...choice, runs: [...choice.runs, run('S1', 'R1'), run('R1', 'R2')] }],
  };
  const { job: made, wiring } = reviewJob(job);
  expect(
    wiring.landings.filter(({ terminal }) => 'device' in terminal && terminal.device === 'device:r.R1'),
  ).toHaveLength(5);
  const said = makeUpSteps(made, wiring, compile(wiring, made), 'R1' as BoxId).steps.map(({ text }) => text);
  expect(said.join(' ')).not.toContain('stay apart');
});
