import type * as z from 'zod';
import {
  makeUpSteps,
  articleOf,
  jobShape,
  leastChange,
  newBox,
  newJob,
  newRunFact,
  reviewJob,
  standardStock,
  type Change,
  type Job,
  type JobId,
  type LeastChange,
} from '../src/index.js';
import { holding, lying, standing } from './support/told.js';

const STOCK = standardStock();
type Input = z.input<typeof jobShape>;
type Cable = Extract<Input['stock'][number], { kind: 'cable' }>;

const found = (id: string, insulated: Cable['insulated']): Cable => ({
  kind: 'cable',
  id,
  name: `Old ${insulated.length}-wire`,
  awg: 14,
  insulated,
  ground: 'bare',
  found: true,
});

/** Old work: power in the ceiling box L, and switches on cables of two or three wires. */
const oldWork = (switches: string[], runs: [string, string, 2 | 3][]): Job => {
  const base = newJob('old' as JobId, 'Old', STOCK);
  const boxes = ['L', ...switches];
  const job = jobShape.parse({
    ...base,
    stock: [...STOCK, found('old-2', ['black', 'white']), found('old-3', ['black', 'red', 'white'])],
    rooms: [{ id: 'r', name: 'Winch room', kind: 'habitable', wholeFloorVisible: 'no' }],
    circuits: [{ id: 'c', name: 'Winch room', breaker: 15, awg: 14, afci: 'yes' }],
    feeds: [{ id: 'f', circuit: 'c', at: 'L', tap: 'luminaire' }],
    boxes: boxes.map((id) => ({
      id,
      name: id,
      article: id === 'L' ? 'ceiling-22.5' : 'wall-1-22.5',
      work: 'existing',
      accessible: 'no',
    })),
    groups: [{ id: 'g', name: 'Winch room', circuit: 'c', room: 'r' }],
    slots: switches.map((box) => ({
      id: `s.${box}`,
      box,
      gang: 0,
      group: 'g',
      article: switches.length === 1 ? 'single-pole-15' : 'three-way-15',
    })),
    luminaires: [
      {
        ...{ id: 'lamp', name: 'Winch room light', box: 'L', group: 'g', va: 60 },
        ...{ terminals: 'leads', leadAwg: 18, metal: true },
      },
    ],
    runFacts: [],
    choices: [{ circuit: 'c', feed: 'f', runs: runs.map(([from, to]) => ({ from, to })), neutralAt: [] }],
  } satisfies Input);
  return lying(standing(job), [
    { id: 'old.feed', article: 'old-2', circuit: 'c', between: ['panel', 'L'] },
    ...runs.map(([a, b, wires]) => ({
      ...{ id: `old.${a}-${b}`, article: `old-${wires}`, circuit: 'c' },
      between: [a, b] as const,
      length: 120,
    })),
  ]);
};

const loop = () => oldWork(['S'], [['L', 'S', 2]]);
const pair = () =>
  oldWork(
    ['S1', 'S2'],
    [
      ['L', 'S1', 2],
      ['S1', 'S2', 3],
    ],
  );

const newPlace = (id: string, lengths: Record<string, number>, work: 'old' | 'beyond' = 'old') => ({
  box: newBox({ id, name: id, article: null, work, accessible: 'no' }),
  runs: Object.entries(lengths).map(([to, length]) => newRunFact({ between: [id, to], length })),
});

/** Carries a change out: it can be planned and works in every position. */
const done = (job: Job, change: Change): LeastChange & { wires: Record<string, number> } => {
  const outcome = leastChange(job, change);
  if (!outcome.ok) throw new Error(outcome.refusal.title);
  const { plans, proofs } = reviewJob(outcome.value.job);
  expect(plans.map((plan) => plan.outcome.ok)).toEqual([true]);
  for (const proof of proofs) expect(proof.working).toBe(proof.positions);
  const { stay, fresh, job: after } = outcome.value;
  // The feed is no run of the choice.
  expect(stay.length + fresh.length).toBe((after.choices[0]?.runs.length ?? 0) + 1);
  return {
    ...outcome.value,
    wires: Object.fromEntries(
      fresh.map(({ from, to, article }) => [
        [from, to].sort().join('-'),
        articleOf(after.stock, 'cable', article).insulated.length,
      ]),
    ),
  };
};
const names = ({ devices }: LeastChange) => devices.map((one) => `${one.box} ${one.article}`).sort();

test('a dimmer for an old switch: nothing new but the dimmer, one box opened, each wire told by its old screw', () => {
  const change = done(loop(), {
    kind: 'replaceDevice',
    slot: 's.S' as never,
    role: 'dimmer',
    article: null,
  });
  expect(change).toMatchObject({ fresh: [], drawnOut: [], opened: ['S'], closed: ['L'] });
  expect(change.stay).toEqual(expect.arrayContaining(['old.feed', 'old.L-S']));
  expect(change.devices).toHaveLength(1);
  // Of the old switch nobody has told the kind; it is to be taken out all the same.
  const told = holding(change.job, { S: {} });
  const { wiring, compiled } = reviewJob(told);
  const { steps } = makeUpSteps(told, wiring, compiled, 'S' as never);
  expect(steps.find(({ id }) => id === 'S/out/s.S')?.text).toContain('mark each wire by the screw');
  const moved = change.moved.filter((one) => !one.wire.startsWith('bare'));
  expect(moved.map((one) => one.wire).sort()).toEqual([
    'black of the Old 2-wire to L',
    'white (marked black) of the Old 2-wire to L',
  ]);
  for (const { from, to } of moved)
    expect([from, to]).toEqual([expect.stringMatching(/screw/), expect.stringMatching(/lead/)]);
  // The ceiling box stays closed: its minutes are not paid, nor are its connectors. The leads of the dimmer are spliced.
  const { labour } = change.job;
  expect(change.cost.minutes).toBeCloseTo(
    labour.box.existing + labour.device + 3 * labour.splice[change.job.preferences.connectors],
    9,
  );
  const prices = new Map(change.job.stock.map((one) => [one.id as string, 'price' in one ? one.price : 0]));
  const plate = change.job.stock.find(
    (one) => one.kind === 'sundry' && one.use === 'plate' && one.gangs === 1,
  );
  expect(change.cost.material).toBe(
    (prices.get(change.devices[0]?.article ?? '') ?? NaN) +
      (prices.get(plate?.id ?? '') ?? NaN) +
      3 * (prices.get('lever-2') ?? NaN),
  );
});

test('the new switch comes into an empty box that the job knows already', () => {
  const job = loop();
  const { box, runs } = newPlace('T', { S: 96, L: 300 });
  const known = { ...job, boxes: [...job.boxes, box], runFacts: runs };
  const change = done(known, { kind: 'addSwitch', group: 'g' as never, place: { box, runs: [] } });
  expect(change.job.boxes.filter((one) => one.id === 'T')).toHaveLength(1);
  expect(names(change)).toEqual(['S three-way-15', 'T three-way-15']);
  expect(change.opened).toContain('T');
});

test('a timer for the switch of an old loop needs a neutral, which the old cable cannot bring', () => {
  const job = { ...loop(), runFacts: [newRunFact({ between: ['L', 'S'], length: 120 })] };
  const change = done(job, { kind: 'replaceDevice', slot: 's.S' as never, role: 'timer', article: null });
  // A new cable beside the old one, which lies there and serves nothing from now on.
  expect([...change.idle, ...change.drawnOut.map((one) => one.id)]).toEqual(['old.L-S']);
  expect(change.wires).toEqual({ 'L-S': 3 });
  // The old wires are capped, and those of the new cable come.
  for (const box of ['L', 'S'])
    expect(change.moved.filter((one) => one.box === box && one.to === 'a cap')).toHaveLength(2);
  expect(change.moved.filter((one) => one.from === 'new').length).toBeGreaterThanOrEqual(3);
});

test('a single-pole becomes a pair: its device gives way, and the old loop stays where it serves', () => {
  const change = done(loop(), {
    kind: 'addSwitch',
    group: 'g' as never,
    place: newPlace('T', { S: 96, L: 300 }),
  });
  expect(names(change)).toEqual(['S three-way-15', 'T three-way-15']);
  expect(change.opened).toEqual(expect.arrayContaining(['S', 'T']));
  // Today's rules ask for a neutral at the new switch and at the one that is changed.
  expect(change.measures.neutrals.present).toBe(2);
  expect(change.measures.violations).toBe(0);
});

test('a four-way comes into a pair, and only what is needed is bought', () => {
  const change = done(pair(), {
    kind: 'addSwitch',
    group: 'g' as never,
    place: newPlace('M', { S1: 60, S2: 60, L: 240 }),
  });
  expect(names(change).filter((one) => one.includes('four-way'))).toHaveLength(1);
  expect(change.fresh.length).toBeGreaterThan(0);
  expect(change.job.slots).toHaveLength(3);
});

test('a neutral comes to an old loop: by a new cable in its place, or by another way that is shorter', () => {
  const far = { ...loop(), runFacts: [newRunFact({ between: ['L', 'S'], length: 120 })] };
  const change = done(far, { kind: 'bringNeutral', slot: 's.S' as never });
  expect(change.wires).toEqual({ 'L-S': 3 });
  expect(change.measures.neutrals).toMatchObject({ present: 1 });
  expect(change.devices).toEqual([]);
});

test('a feed goes on from a switch box: hot and neutral are brought to it', () => {
  const job = { ...loop(), runFacts: [newRunFact({ between: ['L', 'S'], length: 120 })] };
  const change = done(job, {
    kind: 'takeOff',
    from: 'S' as never,
    circuit: 'c' as never,
    place: newPlace('B', { S: 90 }, 'beyond'),
    what: 'onward',
    va: 180,
  });
  expect(change.wires).toMatchObject({ 'B-S': 2 });
  expect(change.opened).toContain('S');
});

test('a receptacle off a switch box lands on hot and neutral, and today asks for its protection', () => {
  const job = { ...loop(), runFacts: [newRunFact({ between: ['L', 'S'], length: 120 })] };
  const change = done(job, {
    kind: 'takeOff',
    from: 'S' as never,
    circuit: 'c' as never,
    place: newPlace('R', { S: 60 }),
    what: 'receptacle',
    va: 180,
  });
  expect(names(change)).toEqual([expect.stringMatching(/^R .*receptacle/)]);
  expect(change.asks.length).toBeGreaterThan(0);
});

test('what cannot be done is refused with a way out', () => {
  const place = newPlace('B', { S: 90 }, 'beyond');
  const job = loop();
  const full = {
    ...job,
    boxes: job.boxes.map((box) => (box.id === 'S' ? { ...box, article: 'steel-1-7.5' as never } : box)),
  };
  expect(
    leastChange(full, {
      kind: 'takeOff',
      from: 'S' as never,
      circuit: 'c' as never,
      place,
      what: 'onward',
      va: 100,
    }),
  ).toMatchObject({ ok: false, refusal: { title: 'Nothing can be taken off this box' } });
  expect(leastChange(job, { kind: 'bringNeutral', slot: 'nowhere' as never })).toMatchObject({
    ok: false,
    refusal: { title: 'There is nothing to change' },
  });
});
