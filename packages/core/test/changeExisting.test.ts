import {
  cablesThere,
  compile,
  existingDocument,
  findPlans,
  leastChange,
  makeUpSteps,
  newRunFact,
  readJob,
  reviewJob,
  withoutBox,
  withoutCircuit,
  withoutSlot,
  wiringOrEmpty,
  type Job,
} from '../src/index.js';
import { done, old, place } from './support/oldWork.js';
import { lying } from './support/told.js';

const inLine = { runs: ['F-S1', 'S1-S2', 'S2-L'], neutralAt: ['S1', 'S2'] };

test('a device swapped for its like is one device and one opened box, and no wire moves', () => {
  const change = done(old(inLine), {
    kind: 'replaceDevice',
    slot: 'slot:S2' as never,
    role: 'switch',
    article: null,
  });
  expect([change.opened, change.fresh, change.devices.map(({ box }) => box)]).toEqual([['S2'], [], ['S2']]);
  expect(change.moved.every(({ from, to }) => from === to)).toBe(true);
  expect(change.cost.material).toBeGreaterThan(0);
  expect(change.cost.cost).toBeLessThan(40_0000);
});

test('a dimmer for a three-way: what was on its screws goes on its leads, the common told as the common', () => {
  const change = done(old(inLine), {
    kind: 'replaceDevice',
    slot: 'slot:S1' as never,
    role: 'dimmer',
    article: null,
  });
  expect(change.opened).toEqual(['S1']);
  const common = change.moved.find(({ from }) => from.includes('common'));
  expect(common?.to).toContain('common');
});

test('a four-way in an old pair opens two boxes and leaves every good cable but the middle one', () => {
  for (const box of ['wall-1-18', 'wall-1-20']) {
    const change = done(old(inLine, box), {
      kind: 'addSwitch',
      group: 'g1' as never,
      place: place('S3', { S1: 120, S2: 120, L: 400 }),
    });
    // What stays: the feed, the leg to the light; the old travelers at the most are given up.
    expect(change.stay).toEqual(expect.arrayContaining(['cable:c1:panel>S1', 'cable:c1:S2>L']));
    expect(change.drawnOut.length + change.idle.length).toBeLessThanOrEqual(1);
    expect(change.opened.filter((id) => id !== 'S3').length).toBeLessThanOrEqual(2);
    expect(change.closed).toContain('L');
    expect(change.others.length).toBeGreaterThan(0);
    for (const other of change.others) expect(other.cost.cost).toBeGreaterThanOrEqual(0);
  }
});

test('a second switch for an old loop, and what today asks of it', () => {
  const change = done(old({ runs: ['F-L', 'L-S1'], neutralAt: [] }), {
    kind: 'addSwitch',
    group: 'g1' as never,
    place: place('S2', { S1: 100, L: 200 }),
  });
  expect(change.opened).toContain('S2');
  expect(change.devices.map(({ box }) => box).sort()).toEqual(['S1', 'S2']);
});

test('a neutral for an old loop is one new cable', () => {
  const job = old({ runs: ['F-L', 'L-S1'], neutralAt: [] }, 'wall-1-22.5');
  const measured = { ...job, runFacts: [newRunFact({ between: ['L', 'S1'], length: 120 })] };
  const change = done(measured, { kind: 'bringNeutral', slot: 'slot:S1' as never });
  expect(change.fresh.map(({ from, to }) => [from, to].sort().join('-'))).toEqual(['L-S1']);
  expect(change.opened.sort()).toEqual(['L', 'S1']);
});

test('what nobody has looked into is to be looked at first', () => {
  const job = old(inLine);
  const document = existingDocument(job);
  if (!document) throw new Error('no document');
  const assumed: Job = {
    ...job,
    wirings: [{ ...document, certainty: { ...document.certainty, ['S2' as never]: 'assumed' as const } }],
  };
  const change = done(assumed, {
    kind: 'replaceDevice',
    slot: 'slot:S2' as never,
    role: 'dimmer',
    article: null,
  });
  expect(change.lookFirst).toEqual(['S2']);
  // And so the steps of that box say, before anything is touched.
  const { job: after, wiring } = reviewJob(change.job);
  const { steps } = makeUpSteps(after, wiring, compile(wiring, after), 'S2' as never);
  const at = steps.findIndex(({ id }) => id === 'S2/look');
  expect(steps[at]?.text).toContain('Look where each wire is before any comes off');
  expect(steps.slice(0, at).every(({ phase }) => ['dead', 'proof'].includes(phase))).toBe(true);
  // The splice of neutrals that is there is left, and the box beside it stays shut.
  expect(steps.some(({ text }) => /^Leave the splice of neutrals as it is/.test(text))).toBe(true);
  const beside = makeUpSteps(after, wiring, compile(wiring, after), 'S1' as never).steps;
  expect(beside.map(({ id }) => id)).toEqual(['S1/shut']);
});

test('what is told as no chain of switches is refused with what to do', () => {
  const job = old(inLine);
  const document = existingDocument(job);
  if (!document) throw new Error('no document');
  const landings = document.wiring.landings.filter(
    ({ terminal }) => !('device' in terminal) || terminal.name !== 'common',
  );
  const broken: Job = { ...job, wirings: [{ ...document, wiring: { ...document.wiring, landings } }] };
  const outcome = leastChange(broken, {
    kind: 'replaceDevice',
    slot: 'slot:S2' as never,
    role: 'dimmer',
    article: null,
  });
  expect(outcome.ok ? '' : outcome.refusal.remedy).toContain('mend what the check finds');
});

test('a circuit of one old box is asked for plans to its end', () => {
  const job = old({ runs: ['F-L', 'L-S1'], neutralAt: [] });
  const hot: Job = {
    ...lying(
      { ...job, wirings: [] },
      cablesThere(job).filter(({ between }) => between.includes('panel')),
    ),
    groups: job.groups.map((group) => ({ ...group, control: 'hot' as const })),
    slots: [],
    boxes: job.boxes.filter(({ id }) => id === 'L'),
    feeds: job.feeds.map((feed) => ({ ...feed, at: 'L' as never })),
  };
  expect(findPlans(hot, 'c1' as never).complete).toBe(true);
  expect(wiringOrEmpty(hot).cables).toEqual([]);
});

test('old work is searched as it lies there: what is in its boxes now is not counted beside what is planned', () => {
  const job = old({ runs: ['F-L', 'L-S1'], neutralAt: [] }, 'wall-1-18');
  const small = {
    ...job,
    boxes: job.boxes.map((box) => (box.id === 'L' ? { ...box, article: 'ceiling-20' as never } : box)),
    runFacts: [newRunFact({ between: ['L', 'S1'], length: 120 })],
  };
  const set = findPlans(small, 'c1' as never);
  expect(set.candidates.length).toBeGreaterThan(0);
  // The loop may be given up where a box is too small for both: the old cable out, one with a neutral in its place.
  const change = done(small, {
    kind: 'replaceDevice',
    slot: 'slot:S1' as never,
    role: 'timer',
    article: null,
  });
  const over = change.asks.filter(({ rule, severity }) => rule === 'box-volume' && severity === 'violation');
  expect(over).toEqual([]);
});

test('what is taken away of the layout is taken out of what is told, and the rest of it stays and can be kept', () => {
  const job = old(inLine);
  const gone = withoutBox(job, 'S2' as never);
  const document = existingDocument(gone);
  expect(Object.keys(document?.certainty ?? {}).sort()).toEqual(['L', 'S1']);
  expect(document?.wiring.cables.map(({ id }) => id)).toEqual(['cable:c1:panel>S1']);
  expect(document?.wiring.devices.map(({ box }) => box)).toEqual(['S1']);
  for (const left of [gone, withoutCircuit(job, 'c1' as never), withoutSlot(job, 'slot:S1' as never)]) {
    const read = readJob(JSON.parse(JSON.stringify(left)));
    expect(read.ok ? [] : read.faults).toEqual([]);
  }
});
