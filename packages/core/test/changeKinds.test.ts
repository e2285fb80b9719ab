import {
  asksMore,
  cablesThere,
  articleOf,
  editDocument,
  existingDocument,
  findPlans,
  leastChange,
  newRunFact,
  newSlot,
  parseJobFile,
  planJob,
  plannedChange,
  readJob,
  reviewJob,
  setRunFact,
  takeOff,
  wiringOrEmpty,
  withChoice,
  writeJobFile,
  type Change,
} from '../src/index.js';
import { done, inLine, light, old, place, stepsAt } from './support/oldWork.js';

const loop = { runs: ['F-L', 'L-S1'], neutralAt: [] };
test('a light more is two wires on from the light, and no switch box is opened', () => {
  const job = old(inLine);
  const change = done(job, {
    ...{ kind: 'addLight', group: 'g1' as never, hung: light },
    place: place('L2', { L: 96, S1: 300 }, 'ceiling'),
  });
  expect(change.opened.sort()).toEqual(['L', 'L2']);
  expect(change.fresh.map(({ article, from, to }) => [article, from, to])).toEqual([['14-2', 'L', 'L2']]);
  expect(change.luminaires.map(({ box }) => box)).toEqual(['L2']);
  expect([change.devices, change.devicesOut, change.drawnOut]).toEqual([[], [], []]);
  expect(change.retest).toEqual(['g1']);
});

test('a light with its own switch goes on from an old box by the cheaper of its two ways', () => {
  const branch = (toSwitch: number, toLight: number): Change => ({
    ...{ kind: 'branch', from: 'S1' as never, circuit: 'c1' as never, hung: light },
    switchAt: place('S9', { S1: toSwitch }),
    lightAt: {
      box: place('L9', {}, 'ceiling').box,
      runs: [
        newRunFact({ between: ['L9', 'S1'], length: toLight }),
        newRunFact({ between: ['L9', 'S9'], length: 96 }),
      ],
    },
  });
  const job = old(inLine, 'wall-1-22.5');
  const bySwitch = done(job, branch(60, 600));
  expect(bySwitch.opened.sort()).toEqual(['L9', 'S1', 'S9']);
  expect(bySwitch.fresh.map(({ article, from, to }) => `${article} ${from} ${to}`).sort()).toEqual([
    '14-2 S1 S9',
    '14-2 S9 L9',
  ]);
  const byLight = done(job, branch(900, 60));
  expect(byLight.fresh.map(({ from, to }) => [from, to].sort().join('-')).sort()).toEqual(['L9-S1', 'L9-S9']);
  // Both groups on the circuit are tried again.
  expect(byLight.retest.length).toBe(2);
});

test('a switch that is moved leaves its old box, and what is told of that box stays as it was told', () => {
  const job = old(inLine);
  const change = done(job, {
    ...{ kind: 'moveSwitch', slot: 'slot:S2' as never },
    place: place('S9', { S1: 150, S2: 40, L: 200 }),
  });
  expect(change.devices.map(({ box }) => box)).toEqual(['S9']);
  expect(change.devicesOut.map(({ box }) => box)).toContain('S2');
  const { job: after, wiring, proofs } = reviewJob(change.job);
  expect(wiring.devices.map(({ box }) => box).sort()).toEqual(['S1', 'S9']);
  expect(proofs.map(({ positions }) => positions)).toEqual([4]);
  // The old device is in the existing wiring still, and what is there is judged with it.
  expect(
    existingDocument(after)
      ?.wiring.devices.map(({ box }) => box)
      .sort(),
  ).toEqual(['S1', 'S2']);
});

test('a location taken away leaves a single-pole, and its box is closed with a blank or its cables are out', () => {
  const job = old({ runs: ['F-S1', 'S1-L', 'S1-S2'], neutralAt: ['S1'] });
  const change = done(job, { kind: 'removeSwitch', slot: 'slot:S2' as never });
  expect(change.opened).not.toContain('L');
  const { job: after, wiring } = reviewJob(change.job);
  expect(wiring.devices.map(({ article }) => articleOf(after.stock, 'device', article).letter)).toEqual([
    'S',
  ]);
  const blanks = takeOff(after, wiring).lines.filter(({ uses }) => uses.some(({ at }) => at === 'S2'));
  expect(blanks.some(({ name }) => /blank/i.test(name))).toBe(true);
  expect(change.emptied).toEqual(['S2']);
  // Its steps take the device out, and kill the breaker that it is live from now, though the plan has nothing there.
  const steps = stepsAt(change.job, 'S2').join(' ');
  expect(steps).toContain('Switch off the breaker of Lights');
  expect(steps).toMatch(/Take the three-way that is there out.*Close the box with a blank cover/);
  // It reads back the same from a file.
  const written = parseJobFile(writeJobFile(planJob(change.job).job));
  expect(written.ok && reviewJob(written.job).wiring).toEqual(wiring);
});

test('a second change leads from what is there to both: a device bought before stays bought, and nothing is opened twice', () => {
  const job = old(inLine, 'wall-1-22.5');
  const first = done(job, { kind: 'replaceDevice', slot: 'slot:S2' as never, role: 'switch', article: null });
  expect([first.together, first.opened]).toEqual([false, ['S2']]);
  const more: Change = {
    ...{ kind: 'addLight', group: 'g1' as never, hung: light },
    place: place('L2', { L: 96, S1: 300 }, 'ceiling'),
  };
  const outcome = leastChange(first.job, more);
  if (!outcome.ok) throw new Error(outcome.refusal.title);
  const both = outcome.value;
  expect(both.together).toBe(true);
  expect(both.opened.sort()).toEqual(['L', 'L2', 'S2']);
  expect(both.devices.map(({ box }) => box)).toEqual(['S2']);
  expect(both.luminaires.map(({ box }) => box)).toEqual(['L2']);
  const alone = leastChange(job, more);
  if (!alone.ok) throw new Error(alone.refusal.title);
  // To a hundredth of a cent, as minutes are rounded to money once for both.
  expect(Math.abs(both.cost.cost - first.cost.cost - alone.value.cost.cost)).toBeLessThanOrEqual(1);
  // What is shown of the chosen way is the same difference.
  const shown = plannedChange(reviewJob(both.job), 'c1' as never);
  expect([shown?.opened.sort(), shown?.devices.map(({ box }) => box)]).toEqual([['L', 'L2', 'S2'], ['S2']]);
});

test('what is asked of old work with no way chosen for it is led to by the next change, and where no other way is found the refusal points there', () => {
  const job = old(inLine, 'wall-1-22.5');
  const asked = {
    ...job,
    slots: job.slots.map((one) => (one.id === 'slot:S1' ? { ...one, comesNew: true } : one)),
  };
  const both = done(asked, {
    kind: 'replaceDevice',
    slot: 'slot:S2' as never,
    role: 'switch',
    article: null,
  });
  expect(both.together).toBe(true);
  expect(both.opened.sort()).toEqual(['S1', 'S2']);
  expect(both.devices.map(({ box }) => box).sort()).toEqual(['S1', 'S2']);
  expect(both.devicesOut.map(({ box }) => box).sort()).toEqual(['S1', 'S2']);

  const alone = done(asked, { kind: 'asAsked', circuit: 'c1' as never });
  expect([alone.opened, alone.devices.map(({ box }) => box)]).toEqual([['S1'], ['S1']]);
  const nothing = leastChange(job, { kind: 'asAsked', circuit: 'c1' as never });
  expect(nothing.ok ? '' : nothing.refusal.title).toBe('Nothing is asked of Lights that is not there');
  expect([asksMore(asked, 'c1' as never), asksMore(job, 'c1' as never)]).toEqual([true, false]);
  expect(asksMore(alone.job, 'c1' as never)).toBe(false);

  const looped = old({ runs: ['F-L', 'L-S1', 'S1-S2'], neutralAt: [] }, 'wall-1-18');
  const { refusals } = findPlans(
    {
      ...looped,
      slots: looped.slots.map((one) => ({ ...one, comesNew: true, neutral: 'brought' as const })),
    },
    'c1' as never,
  );
  expect(refusals[0]?.remedy).toMatch(/^Use “Change what is there”/);
});

test('a third location that was put on the layout is planned by the least change, as if it had been asked for as a change', () => {
  const job = old(inLine, 'wall-1-22.5');
  const where = place('S3', { S1: 120, S2: 120, L: 400 });
  const byChange = done(job, { kind: 'addSwitch', group: 'g1' as never, place: where });
  const asked = where.runs.reduce((one, { between: [a, b], length }) => setRunFact(one, a, b, { length }), {
    ...job,
    boxes: [...job.boxes, where.box],
    slots: [...job.slots, newSlot({ id: 'g1:S3', box: 'S3', gang: 0, group: 'g1' })],
  });
  const byLayout = done(asked, { kind: 'asAsked', circuit: 'c1' as never });
  expect(byLayout.opened).toEqual(byChange.opened);
  expect(byLayout.fresh).toEqual(byChange.fresh);
  expect(byLayout.cost).toEqual(byChange.cost);
  expect(wiringOrEmpty(planJob(byLayout.job).job)).toEqual(wiringOrEmpty(planJob(byChange.job).job));
});

test('a switch that was planned and is not there yet does not leave: it does not come', () => {
  const job = old(inLine, 'wall-1-22.5');
  const added = done(job, {
    ...{ kind: 'addSwitch', group: 'g1' as never },
    place: place('S3', { S1: 120, S2: 120, L: 400 }),
  });
  const outcome = leastChange(added.job, { kind: 'removeSwitch', slot: 'g1:S3' as never });
  if (!outcome.ok) throw new Error(outcome.refusal.title);
  expect(outcome.value.job.slots.map(({ box, leaves }) => [box, leaves])).toEqual([
    ['S1', false],
    ['S2', false],
  ]);
  const { wiring, proofs } = reviewJob(outcome.value.job);
  expect(wiring.devices.map(({ box }) => box).sort()).toEqual(['S1', 'S2']);
  for (const proof of proofs) expect(proof.working).toBe(proof.positions);
});

test('the only switch of a group is not taken away', () => {
  const outcome = leastChange(old(loop), { kind: 'removeSwitch', slot: 'slot:S1' as never });
  expect(outcome).toMatchObject({ ok: false, refusal: { title: 'It is the only switch of its group' } });
});

test('another luminaire opens its own box alone, and its steps say so', () => {
  const job = old(inLine);
  const [lamp] = job.luminaires;
  const change = done(job, {
    ...{ kind: 'replaceLuminaire', luminaire: lamp!.id },
    hung: { ...light, terminals: 'screws', metal: false },
  });
  expect([change.opened, change.fresh, change.drawnOut]).toEqual([['L'], [], []]);
  expect([change.luminaires, change.luminairesOut].map((all) => all.map(({ id }) => id))).toEqual([
    [lamp!.id],
    [lamp!.id],
  ]);
  expect(change.cost.minutes).toBeGreaterThan(0);
  expect(stepsAt(change.job, 'L').join(' ')).toMatch(/silver screw/);
  expect(stepsAt(change.job, 'S1')).toHaveLength(1);
});

test('a fan asks whether its box may bear it', () => {
  const job = old(inLine);
  const [lamp] = job.luminaires;
  const change = done(job, {
    ...{ kind: 'replaceLuminaire', luminaire: lamp!.id },
    hung: { ...light, name: 'Fan', unit: 'fan', pounds: 30, driverBox: null, va: 80 },
  });
  expect(change.asks.map(({ rule }) => rule)).toContain('fan-support');
});

test('an old cable that a plan gives up is told as there, and is not taken up again when a wire is corrected', () => {
  const job = old(inLine, 'wall-1-18');
  const change = done(job, {
    ...{ kind: 'addSwitch', group: 'g1' as never },
    place: place('S3', { S1: 120, S2: 120, L: 400 }),
  });
  const [out] = change.drawnOut;
  if (!out) throw new Error('nothing is given up');
  expect(cablesThere(change.job).map(({ id }) => id)).toContain(out.id);
  const read = readJob(JSON.parse(JSON.stringify(change.job)));
  expect(read.ok && wiringOrEmpty(planJob(read.job).job).cables.map(({ id }) => id)).not.toContain(out.id);
  // Told otherwise somewhere, and cabled another way, it is not there again.
  const told = existingDocument(change.job);
  if (!told) throw new Error('no document');
  const [white] = told.wiring.joints.flatMap(({ box, members }) =>
    box === 'L'
      ? members.flatMap((one) => ('end' in one && one.end.colour === 'white' ? [one.end] : []))
      : [],
  );
  if (!white) throw new Error('no white');
  const corrected = editDocument(
    change.job,
    'existing',
    { do: 'mark', end: white, colour: 'black' },
    'L' as never,
  );
  if (!corrected.ok) throw new Error(JSON.stringify(corrected.refusal));
  expect(wiringOrEmpty(planJob(corrected.job).job).cables.map(({ id }) => id)).not.toContain(out.id);
  const again = findPlans(change.job, 'c1' as never);
  expect(again.candidates.length).toBeGreaterThan(0);
  for (const { choice } of again.candidates) {
    const cabled = withChoice(change.job, 'c1' as never, choice);
    expect(wiringOrEmpty(planJob(cabled).job).cables.map(({ id }) => id)).not.toContain(out.id);
  }
});
