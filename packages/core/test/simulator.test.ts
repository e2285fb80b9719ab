import {
  compile,
  evaluate,
  inspect,
  proveGroup,
  solveCurrents,
  type Job,
  type Wiring,
} from '../src/index.js';
import type { CableId, DeviceId, JointId } from '../src/index.js';
import { jobOf, planned } from './support/jobs.js';

const line = jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'], chain: ['S1', 'S2'] });
const S1 = 'device:slot:S1' as DeviceId;
const S2 = 'device:slot:S2' as DeviceId;

const light = (job: Job, wiring: Wiring, positions = {}) =>
  evaluate(compile(wiring, job), positions).luminaires.map((one) => one.light);

const proof = (job: Job, wiring: Wiring) => {
  const [group] = job.groups;
  if (!group) throw new Error('no group');
  return proveGroup(job, wiring, compile(wiring, job), group).working;
};

/** The wiring with the wires of two terminals of one device exchanged. */
const exchanged = (wiring: Wiring, device: DeviceId, a: string, b: string): Wiring => ({
  ...wiring,
  landings: wiring.landings.map((landing) => {
    const { terminal } = landing;
    if (!('device' in terminal) || terminal.device !== device) return landing;
    const name = terminal.name === a ? b : terminal.name === b ? a : terminal.name;
    return { ...landing, terminal: { device, name } };
  }),
});

test('changing one landing changes what the circuit does', () => {
  const { job, wiring } = planned(line);
  expect([{}, { [S1]: 1 }, { [S2]: 1 }, { [S1]: 1, [S2]: 1 }].map((at) => light(job, wiring, at)[0])).toEqual(
    ['lit', 'dark', 'dark', 'lit'],
  );
  const wrong = exchanged(wiring, S2, 'common', 'traveler 2');
  expect([{}, { [S1]: 1 }, { [S2]: 1 }, { [S1]: 1, [S2]: 1 }].map((at) => light(job, wrong, at)[0])).toEqual([
    'dark',
    'dark',
    'dark',
    'lit',
  ]);
  expect(proof(job, wrong)).toBeLessThan(4);
  expect(inspect(job, wrong).map((one) => one.rule)).toContain('group-works');
});

test('two travelers exchanged still work, with the habit of both up lost', () => {
  const { job, wiring } = planned(line);
  const swapped = exchanged(wiring, S2, 'traveler 1', 'traveler 2');
  expect(proof(job, swapped)).toBe(4);
  expect(light(job, swapped)).toEqual(['dark']);
});

test('crossed pairs at a four-way fail in some positions', () => {
  const four = jobOf({ runs: ['F-S1', 'S1-S2', 'S2-S3', 'S3-L'], chain: ['S1', 'S2', 'S3'] });
  const { job, wiring } = planned(four);
  expect(proof(job, wiring)).toBe(8);
  expect(proof(job, exchanged(wiring, S2, 'in 2', 'out 1'))).toBeLessThan(8);
});

test('feed reversed at the panel: the light works, its shell is live and the switch breaks the neutral', () => {
  const { job, wiring } = planned(line);
  const reversed: Wiring = {
    ...wiring,
    landings: wiring.landings.map((landing) => {
      const { terminal } = landing;
      if (!('circuit' in terminal) || terminal.name === 'ground') return landing;
      return { ...landing, terminal: { ...terminal, name: terminal.name === 'hot' ? 'neutral' : 'hot' } };
    }),
  };
  const [lamp] = evaluate(compile(reversed, job), {}).luminaires;
  expect(lamp).toMatchObject({ light: 'lit', shellLive: true });
  expect(inspect(job, reversed).map((one) => one.rule)).toEqual(
    expect.arrayContaining(['switch-hot-only', 'group-works']),
  );
});

test('a ground on a hot screw trips the breaker, and everything behind it is dead', () => {
  const { job, wiring } = planned(line);
  const joint = wiring.joints.find((one) => one.members.some((m) => 'end' in m && m.end.colour === 'bare'));
  const hot = wiring.landings.find(({ terminal }) => 'device' in terminal && terminal.name === 'common');
  if (!joint || !hot || !('end' in hot.wire)) throw new Error('unexpected wiring');
  const { end } = hot.wire;
  const shorted: Wiring = {
    ...wiring,
    landings: wiring.landings.filter((one) => one !== hot),
    joints: wiring.joints.map((one) =>
      one === joint ? { ...one, members: [...one.members, { end }] } : one,
    ),
  };
  const state = evaluate(compile(shorted, job), {});
  expect(state.shorts).toEqual([{ circuit: 'c1', to: 'ground' }]);
  expect(state.luminaires[0]?.light).toBe('dark');
  expect(state.nets).not.toContain('live');
});

test('an open neutral leaves the luminaire dark and its neutral live through the lamp', () => {
  const { job, wiring } = planned(jobOf({ runs: ['F-S1', 'S1-L'] }));
  const open: Wiring = {
    ...wiring,
    landings: wiring.landings.filter(
      ({ terminal }) => !('circuit' in terminal && terminal.name === 'neutral'),
    ),
  };
  const compiled = compile(open, job);
  const state = evaluate(compiled, {});
  expect(state.luminaires[0]?.light).toBe('dark');
  expect(state.nets[compiled.netOf('conductor|cable:c1:panel>S1|white') ?? -1]).toBe('backfed');
  expect(state.nets[compiled.netOf('conductor|cable:c1:S1>L|white') ?? -1]).toBe('backfed');
});

test('two luminaires in series burn dim', () => {
  const { job, wiring } = planned(jobOf({ runs: ['F-S1', 'S1-L1', 'L1-L2'], neutralAt: ['S1'] }));
  // In the first luminaire box the onward hot is taken from the lamp's neutral lead.
  const cable = 'cable:c1:L1>L2' as CableId;
  const isOnward = (colour: string) => (m: Wiring['joints'][number]['members'][number]) =>
    'end' in m && m.end.cable === cable && m.end.side === 'from' && m.end.colour === colour;
  const joints = wiring.joints.map((joint) => {
    if (joint.box !== 'L1' || joint.members.some((m) => 'end' in m && m.end.colour === 'bare')) return joint;
    const neutral = joint.members.some(isOnward('white'));
    const members = joint.members.filter((m) => !('lead' in m && neutral) && !isOnward('black')(m));
    return { ...joint, members };
  });
  const lead = { lead: { luminaire: job.luminaires[0]!.id, name: 'neutral' as const } };
  const end = { end: { cable, side: 'from' as const, colour: 'black' as const } };
  const series: Wiring = {
    ...wiring,
    joints: [
      ...joints,
      { id: 'L1/series' as JointId, box: 'L1' as never, members: [lead, end], connectors: [] },
    ],
  };
  const { luminaires } = evaluate(compile(series, job), {});
  expect(luminaires.map((one) => one.light)).toEqual(['dim', 'dim']);
  for (const { id, volts } of luminaires)
    expect(solveCurrents(series, job, {}).luminaireVolts.get(id)).toBeCloseTo(volts, 0);
});

test('one traveler of the pair is live while the luminaires are off', () => {
  const { job, wiring } = planned(line);
  const compiled = compile(wiring, job);
  const { nets } = evaluate(compiled, { [S1]: 1 });
  const live = (colour: string) => nets[compiled.netOf(`conductor|cable:c1:S1>S2|${colour}`) ?? -1];
  expect([live('black'), live('red')]).toEqual(['dead', 'live']);
});

test('two circuits in one box keep their neutrals apart and share one ground splice', () => {
  const first = jobOf({ runs: ['F-S1', 'S1-L1'] });
  const again = (id: string) => id.replace(/1$/, '9');
  const two: Job = {
    ...first,
    circuits: [...first.circuits, { ...first.circuits[0]!, id: 'c9' as never, name: 'Other' }],
    feeds: [...first.feeds, { ...first.feeds[0]!, id: 'f9' as never, circuit: 'c9' as never }],
    groups: [...first.groups, { ...first.groups[0]!, id: 'g9' as never, circuit: 'c9' as never }],
    boxes: [
      ...first.boxes.map((box) => (box.id === 'S1' ? { ...box, article: 'wall-2-35' as never } : box)),
      { ...first.boxes.find((box) => box.id === 'L1')!, id: 'L9' as never, name: 'L9' },
    ],
    slots: [...first.slots, { ...first.slots[0]!, id: 'slot:S9' as never, gang: 1, group: 'g9' as never }],
    luminaires: [
      ...first.luminaires,
      { ...first.luminaires[0]!, id: 'lamp:L9' as never, box: 'L9' as never, group: 'g9' as never },
    ],
    choices: [
      ...first.choices,
      {
        circuit: 'c9' as never,
        feed: again('f1') as never,
        runs: [
          { from: 'panel', to: 'S1' as never },
          { from: 'S1' as never, to: 'L9' as never },
        ],
      },
    ],
  };
  const { job, wiring } = planned(two);
  const state = evaluate(compile(wiring, job), {});
  expect(state.neutralsJoined).toEqual([]);
  expect(state.luminaires.map((one) => one.light)).toEqual(['lit', 'lit']);
  const grounds = wiring.joints.filter(
    (one) => one.box === 'S1' && one.members.some((m) => 'end' in m && m.end.colour === 'bare'),
  );
  expect(grounds.map((joint) => joint.members.filter((m) => 'end' in m).length)).toEqual([4]);
  const found = inspect(job, wiring);
  expect(found.filter((one) => one.severity !== 'verify')).toEqual([]);
  // Whether each neutral is grouped with its hot is seen on site.
  expect(found.find((one) => one.rule === 'circuits-in-box')).toMatchObject({
    section: '200.4(B)',
    severity: 'verify',
    at: { box: 'S1' },
    title: 'S1: Lights and Other meet in this box',
    remedy: expect.stringContaining('all of their breakers off'),
  });
  const earlier = inspect({ ...job, edition: 2011 }, wiring);
  expect(earlier.find((one) => one.rule === 'circuits-in-box')).toMatchObject({ section: '' });
});
