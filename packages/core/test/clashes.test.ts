import {
  plannedWiring,
  newCircuit,
  planJob,
  readJob,
  reviewJob,
  type ArticleId,
  type Job,
} from '../src/index.js';
import { jobOf } from './support/jobs.js';
import { lying } from './support/told.js';

/** The refusals of a job, in words. */
const refusals = (job: Job) =>
  reviewJob(job)
    .findings.filter((one) => one.severity === 'unfinished')
    .map(({ rule, title }) => ({ rule, title }));

const pair = jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'] });
const single = jobOf({ runs: ['F-S1', 'S1-L'] });
const [slot] = single.slots;
const [lamp] = single.luminaires;
const [group] = single.groups;
if (!slot || !lamp || !group) throw new Error('the shorthand has changed');

const withArticle = (job: Job, at: string, article: string): Job => ({
  ...job,
  slots: job.slots.map((one) => (one.box === at ? { ...one, article: article as ArticleId } : one)),
});
const withFact = (job: Job, [a, b]: [string, string], rule: 'forced' | 'forbidden'): Job => ({
  ...job,
  runFacts: [
    {
      between: [a as 'panel', b as 'panel'],
      length: null,
      rule,
      route: null,
      access: null,
      openings: 0,
      closeHoles: 0,
    },
  ],
});
const without = (job: Job, ...ids: string[]): Job => ({
  ...job,
  stock: job.stock.filter((article) => !ids.some((id) => article.id.startsWith(id))),
});
/** The cable from the panel to its feed carries the power of another. */
const fedByAnother = (job: Job): Job =>
  lying(
    {
      ...job,
      circuits: [...job.circuits, newCircuit({ id: 'c2', name: 'Sockets', breaker: 15, awg: 14 })],
    },
    [{ id: 'lies', article: '14-2', circuit: 'c2', between: ['panel', 'L'] }],
  );

const clashes: [what: string, job: Job, rule: string, title: string][] = [
  [
    'two feeds on one group',
    {
      ...single,
      feeds: [...single.feeds, { ...single.feeds[0]!, id: 'f2' as never, at: 'L' as never }],
      choices: [...single.choices, { ...single.choices[0]!, feed: 'f2' as never }],
    },
    'TwoFeeds',
    'Two feeds are chosen for one circuit: the panel and L',
  ],
  [
    'a device with more terminals than conductors that reach it',
    withArticle(single, 'S1', 'four-way-15'),
    'DeviceDoesNotSuit',
    'S1: Four-way switch, 15 A does not suit',
  ],
  [
    'a single-pole where a three-way belongs',
    withArticle(pair, 'S2', 'single-pole-15'),
    'DeviceDoesNotSuit',
    'S2: Single-pole switch, 15 A does not suit',
  ],
  [
    'a sensor without its companion',
    {
      ...withArticle(withArticle(pair, 'S1', 'sensor-three-way-15'), 'S2', 'three-way-15'),
      slots: withArticle(withArticle(pair, 'S1', 'sensor-three-way-15'), 'S2', 'three-way-15').slots.map(
        (one) => (one.box === 'S1' ? { ...one, role: 'occupancySensor' as const } : one),
      ),
    },
    'DeviceDoesNotSuit',
    'S2: Three-way switch, 15 A does not suit',
  ],
  [
    'a companion without the sensor that it belongs to',
    {
      ...pair,
      slots: withArticle(pair, 'S1', 'sensor-companion-15').slots.map((one) =>
        one.box === 'S1' ? { ...one, role: 'occupancySensor' as const } : one,
      ),
    },
    'DeviceDoesNotSuit',
    'S1: Companion of the three-way sensor, 15 A does not suit',
  ],
  [
    'a box that no article fits',
    {
      ...single,
      stock: single.stock.filter((one) => one.kind !== 'box' || one.gangs === 0 || one.metal),
      boxes: single.boxes.map((box) => ({ ...box, article: null, material: 'nonmetallic' })),
    },
    'NoBoxFits',
    'No box of the stock fits S1',
  ],
  [
    'a device that the stock lacks',
    without(single, 'single-pole-15', 'single-pole-20'),
    'NoDeviceInStock',
    'The stock has no S switch of 15 A',
  ],
  [
    'a splice that no connector takes',
    { ...single, stock: single.stock.filter((article) => article.kind !== 'connector') },
    'NoConnectorInStock',
    'No connector joins 2 conductors in S1',
  ],
  [
    'a forbidden run taken',
    withFact(pair, ['S2', 'S1'], 'forbidden'),
    'ForbiddenRun',
    'The run S1 to S2 is forbidden',
  ],
  [
    'a forced run not taken',
    withFact(pair, ['S1', 'L'], 'forced'),
    'ForcedRunMissing',
    'The run S1 to L is forced and not taken',
  ],
  [
    'a return run to where no luminaire hangs',
    jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L', "L-S1'"] }),
    'ReturnWithoutLuminaire',
    'A return run leads to S1, where no switched luminaire of the circuit hangs',
  ],
  [
    'a run within one box',
    jobOf({ runs: ['F-L', 'L-S1', "L-L'"] }),
    'RunWithinBox',
    'A run begins and ends in L',
  ],
  [
    'two home runs',
    jobOf({ runs: ['F-S1', 'S1-L', 'F-S2'] }),
    'TwoHomeRuns',
    'Two cables of one circuit leave the panel, to S1 and S2',
  ],
  [
    'a switch on what is never switched',
    { ...single, groups: [{ ...group, control: 'hot' }] },
    'SwitchOnHotGroup',
    'Lights is never switched, but S1 has a switch of it',
  ],
  [
    'a light of a fan that hangs elsewhere',
    {
      ...jobOf({ runs: ['F-S1', 'S1-L1', 'L1-L2'] }),
      luminaires: [
        { ...lamp, id: 'fan' as never, box: 'L1' as never, unit: 'fan' },
        { ...lamp, id: 'light' as never, name: 'Fan light', box: 'L2' as never, partOf: 'fan' as never },
      ],
    },
    'PartElsewhere',
    'Fan light is part of a fan that is not in L2',
  ],
  [
    'a feed where the cable from the panel is of another circuit',
    fedByAnother(jobOf({ runs: ['L-S1'], feedAt: 'L' })),
    'FedByAnotherCircuit',
    'Power of this circuit does not arrive at L',
  ],
];

test.each(clashes)('%s is named with its places', (_what, job, rule, title) => {
  expect(refusals(job)).toContainEqual({ rule, title });
});

test('every refusal has a reason and a way out, and the other circuits of the job are planned', () => {
  for (const [what, job] of clashes) {
    for (const { reason, remedy } of reviewJob(job).findings)
      expect([what, reason.length > 10, remedy.length > 10]).toEqual([what, true, true]);
    expect(plannedWiring(planJob(job).job)).not.toBeNull();
  }
});

test.each([
  [
    'a luminaire on an unknown group',
    { ...single, luminaires: [{ ...lamp, group: 'nowhere' }] },
    { path: 'luminaires.0.group', message: 'there is no group "nowhere"' },
  ],
  [
    'a device article that the stock lacks',
    { ...single, slots: [{ ...slot, article: 'no-such-switch' }] },
    { path: 'slots.0.article', message: 'there is no device in the stock called "no-such-switch"' },
  ],
  [
    'a misspelled field',
    { ...single, luminaires: [{ ...lamp, watts: 60 }] },
    { path: 'luminaires.0.watts', message: 'the format has no field "watts" here; check the spelling' },
  ],
  [
    'a cable with a green conductor beside a green ground',
    {
      ...single,
      stock: [
        ...single.stock,
        { kind: 'cable', id: 'odd', name: 'Odd', awg: 14, insulated: ['black', 'green'], ground: 'green' },
      ],
    },
    {
      path: `stock.${single.stock.length}`,
      message: 'green is both an insulated conductor and the ground; number the conductor, as in green-2',
    },
  ],
])('%s is refused at the door', (_what, file, fault) => {
  const read = readJob(JSON.parse(JSON.stringify(file)));
  expect(read.ok ? [] : read.faults).toContainEqual(fault);
});
