import { readFileSync } from 'node:fs';
import {
  articleOf,
  articlesOf,
  compile,
  editDocument,
  editWiring,
  existingDocument,
  findPlans,
  leastChange,
  makeUpSteps,
  newRunFact,
  parseJobFile,
  planJob,
  plannedChange,
  readJob,
  reviewJob,
  standardStock,
  takeOff,
  UNKNOWN_PLACE,
  wiringOrEmpty,
  withChoice,
  writeJobFile,
  type Cable,
  type Change,
  type Job,
} from '../src/index.js';
import { done, old, place } from './support/oldWork.js';

const inLine = { runs: ['F-S1', 'S1-S2', 'S2-L'], neutralAt: ['S1', 'S2'] };
const loop = { runs: ['F-L', 'L-S1'], neutralAt: [] };
const hung = {
  name: 'New light',
  unit: 'luminaire',
  va: 15,
  terminals: 'leads',
  leadAwg: 18,
  metal: true,
} as const;
const light = { ...hung, pounds: 4 };

const stepsAt = (job: Job, box: string): string[] => {
  const { job: after, wiring } = reviewJob(job);
  return makeUpSteps(after, wiring, compile(wiring, after), box as never).steps.map(({ text }) => text);
};

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
    hung: { ...light, name: 'Fan', unit: 'fan', pounds: 30, va: 80 },
  });
  expect(change.asks.map(({ rule }) => rule)).toContain('fan-support');
});

/** The pair with two wires of one switch exchanged. */
const crossed = (job: Job, box: string, a: string, b: string): Job => {
  const document = existingDocument(job);
  if (!document) throw new Error('no document');
  const device = document.wiring.devices.find((one) => one.box === box)?.id;
  const other = { [a]: b, [b]: a };
  const landings = document.wiring.landings.map((one) =>
    'device' in one.terminal && one.terminal.device === device && one.terminal.name in other
      ? { ...one, terminal: { ...one.terminal, name: other[one.terminal.name] ?? '' } }
      : one,
  );
  return { ...job, wirings: [{ ...document, wiring: { ...document.wiring, landings } }] };
};

test('a common on a traveler screw is mended in its own box, wire by wire, and nothing is bought', () => {
  const job = crossed(old(inLine), 'S2', 'common', 'traveler 1');
  const broken = reviewJob(job);
  expect(broken.proofs.some(({ working, positions }) => working < positions)).toBe(true);
  // No change starts from it; what it says is what there is to do.
  const swap = leastChange(job, { kind: 'bringNeutral', slot: 'slot:S2' as never });
  expect(swap.ok ? '' : swap.refusal.remedy).toContain('Mend what the check finds');
  const change = done(job, { kind: 'mend', circuit: 'c1' as never });
  expect(change.opened).toEqual(['S2']);
  expect([change.fresh, change.devices, change.drawnOut]).toEqual([[], [], []]);
  // Nothing but what a wire is wrapped in.
  expect(change.cost.material).toBeLessThan(1000);
  const [first, second] = change.moved;
  expect(change.moved).toHaveLength(2);
  expect([first?.from, second?.from]).toEqual([second?.to, first?.to]);
});

test('a return on the white is exchanged with the supply at both ends of the loop, and marked', () => {
  const job = old({ runs: ['F-L', 'L-S1'], neutralAt: [] });
  const document = existingDocument(job);
  if (!document) throw new Error('no document');
  // Hot comes down on the black, and back on the white.
  const swap = (colour: string) => (colour === 'black' ? 'white' : colour === 'white' ? 'black' : colour);
  const turned = <T extends { cable: string; colour: string }>(end: T): T =>
    end.cable.includes('L>S1') ? { ...end, colour: swap(end.colour) } : end;
  const wiring = {
    ...document.wiring,
    marks: [],
    joints: document.wiring.joints.map((joint) => ({
      ...joint,
      members: joint.members.map((one) => ('end' in one ? { end: turned(one.end) } : one)),
    })),
    landings: document.wiring.landings.map((one) =>
      'end' in one.wire ? { ...one, wire: { end: turned(one.wire.end) } } : one,
    ),
  };
  const bad: Job = { ...job, wirings: [{ ...document, wiring }] };
  const rules = (one: Job) =>
    reviewJob(one)
      .findings.filter(({ severity }) => severity === 'violation')
      .map(({ rule }) => rule);
  expect(rules(bad)).toContain('reidentified-white');
  const change = done(bad, { kind: 'mend', circuit: 'c1' as never });
  expect(change.opened.sort()).toEqual(['L', 'S1']);
  expect(change.fresh).toEqual([]);
  expect(
    change.moved
      .filter(({ to }) => to.endsWith('mark it black'))
      .map(({ box }) => box)
      .sort(),
  ).toEqual(['L', 'S1']);
  expect(rules(change.job)).not.toContain('reidentified-white');
});

test('where nothing that is joined otherwise helps, mending says so', () => {
  const outcome = leastChange(old(inLine, 'wall-1-22.5'), { kind: 'mend', circuit: 'c1' as never });
  expect(outcome.ok ? '' : outcome.refusal.title).toContain('Nothing that is joined otherwise mends');
});

test('no plan opens a box and leaves out a cable of which nobody knows where it leads', () => {
  const job = old(inLine, 'wall-1-22.5');
  const document = existingDocument(job);
  if (!document) throw new Error('no document');
  const stranger = {
    ...{ id: 'stranger', article: '14-2', from: 'S2', to: UNKNOWN_PLACE, via: [] },
    ...{ length: null, lengthSource: 'unknown', existing: true },
  } as unknown as Cable;
  const brought = editWiring(document.wiring, { do: 'bringIn', cable: stranger }, job);
  if (!brought.ok) throw new Error(JSON.stringify(brought));
  const strange: Job = { ...job, wirings: [{ ...document, wiring: brought.wiring }] };
  const swap = (slot: string) =>
    ({ kind: 'replaceDevice', slot: slot as never, role: 'dimmer', article: null }) as const;
  // Joined with nothing, it stays as it was found, in its box or beside a change of it.
  for (const slot of ['slot:S1', 'slot:S2']) {
    const { job: after, opened } = done(strange, swap(slot));
    const { wiring } = reviewJob(after);
    expect(wiring.cables.map(({ id }) => id)).toContain('stranger');
    expect(opened).toEqual([slot.slice('slot:'.length)]);
  }
  // Joined with the travelers' neighbours, whatever hangs on it hangs on them: its box is not planned.
  const splice = document.wiring.joints.find(
    ({ box, members }) => box === 'S2' && members.some((one) => 'end' in one && one.end.colour === 'white'),
  );
  if (!splice) throw new Error('no splice of neutrals');
  const onNeutral = editWiring(
    brought.wiring,
    {
      do: 'put',
      wire: { end: { cable: 'stranger' as never, side: 'from', colour: 'white' } },
      to: { into: splice.id },
    },
    job,
  );
  if (!onNeutral.ok) throw new Error(JSON.stringify(onNeutral));
  const joined: Job = { ...job, wirings: [{ ...document, wiring: onNeutral.wiring }] };
  const outcome = leastChange(joined, swap('slot:S2'));
  expect(outcome.ok ? '' : outcome.refusal.title).toContain('nobody knows where it leads');
  expect(done(joined, swap('slot:S1')).opened).toEqual(['S1']);
});

test('an old cable that a plan gives up is told as there, and is not taken up again when a wire is corrected', () => {
  const job = old(inLine, 'wall-1-18');
  const change = done(job, {
    ...{ kind: 'addSwitch', group: 'g1' as never },
    place: place('S3', { S1: 120, S2: 120, L: 400 }),
  });
  const [out] = change.drawnOut;
  if (!out) throw new Error('nothing is given up');
  expect(change.job.existingCables.map(({ id }) => id)).toContain(out.id);
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

test('nothing is planned through aluminium or knob-and-tube: another cable, or the caution', () => {
  const job = old(inLine);
  const document = existingDocument(job);
  const copper = articlesOf(job.stock, 'cable').find(({ id }) => id === '14-2');
  if (!document || !copper) throw new Error('no document');
  const withStrange = (how: object, cable: string): Job => {
    const article = { ...copper, ...how, id: 'strange', name: 'Old wire' } as typeof copper;
    const now = <T extends { id: string }>(one: T) =>
      one.id === cable ? { ...one, article: article.id } : one;
    return {
      ...job,
      stock: [...job.stock, article],
      existingCables: job.existingCables.map(now),
      wirings: [{ ...document, wiring: { ...document.wiring, cables: document.wiring.cables.map(now) } }],
    };
  };
  const swap = { kind: 'replaceDevice', slot: 'slot:S2' as never, role: 'dimmer', article: null } as const;
  for (const how of [{ metal: 'aluminium' }, { sheath: 'knobAndTube' }])
    for (const cable of ['cable:c1:panel>S1', 'cable:c1:S2>L']) {
      const outcome = leastChange(withStrange(how, cable), swap);
      expect(outcome.ok ? '' : outcome.refusal.title).toContain('plans nothing through');
    }
  // The leg to the light goes by the new light's cables, and the old wire comes out of its boxes.
  const around = done(withStrange({ metal: 'aluminium' }, 'cable:c1:S2>L'), {
    ...{ kind: 'addLight', group: 'g1' as never, hung: light },
    place: place('L2', { L: 90, S2: 100 }, 'ceiling'),
  });
  expect(around.drawnOut.map(({ id }) => id)).toEqual(['cable:c1:S2>L']);
});

test('off an old receptacle the tails of it are counted in the splices, and both its halves are proved dead', () => {
  const file = new URL('../../../demo/heron-yard.json', import.meta.url);
  const read = readJob({ stock: standardStock(), ...(JSON.parse(readFileSync(file, 'utf8')) as object) });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const outcome = leastChange(read.job, {
    ...{ kind: 'branch', from: 'net-outlet' as never, circuit: 'net-store-outlet' as never, hung: light },
    switchAt: {
      ...place('S9', { 'net-outlet': 114 }),
      box: { ...place('S9', {}).box, room: 'net-store' as never },
    },
    lightAt: {
      ...place('L9', { S9: 132 }, 'ceiling'),
      box: { ...place('L9', {}, 'ceiling').box, room: 'net-store' as never },
    },
  });
  if (!outcome.ok) throw new Error(outcome.refusal.title);
  const steps = stepsAt(outcome.value.job, 'net-outlet');
  expect(steps.some((text) => /both halves of the receptacle/.test(text))).toBe(true);
  const hots = steps.find((text) => text.startsWith('Join the hots')) ?? '';
  expect(hots).toMatch(/3 in a .*tail to the brass screw/);
  expect(steps.join(' ')).not.toContain('a port more');
  expect(stepsAt(outcome.value.job, 'S9').join(' ')).not.toContain('halves');
});
