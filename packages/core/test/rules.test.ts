import {
  boxContentsSchema,
  boxFill,
  fillOf,
  inspect,
  planJob,
  reviewCircuit,
  reviewJob,
  wiringOrEmpty,
  type BoxContents,
  type Edition,
  type Job,
  type Wiring,
  type BoxId,
  type CableId,
} from '../src/index.js';
import { jobOf, planned, type Shorthand } from './support/jobs.js';

/** What is found without going to the site. */
const judged = (job: Job, wiring: Wiring) =>
  inspect(job, wiring).filter((one) => one.severity !== 'verify' || one.rule === 'neutral-at-switch');
const findings = (job: Job) => {
  const made = planned(job);
  return judged(made.job, made.wiring);
};
const rules = (job: Job) => findings(job).map((one) => `${one.rule} ${one.severity}`);

const contents = (more: Partial<BoxContents>): BoxContents => ({
  ...boxContentsSchema.parse({}),
  ...more,
});

describe('box fill, 314.16(B)', () => {
  const yoke = { gangs: 1, awg: 14 as const };
  test.each([
    [
      'three-way with 14/2 in and 14/3 out',
      contents({ conductors: [14, 14, 14, 14, 14], grounds: [14, 14], yokes: [yoke] }),
      16,
    ],
    [
      'four-way with two 14/3',
      contents({ conductors: [14, 14, 14, 14, 14, 14], grounds: [14, 14], yokes: [yoke] }),
      18,
    ],
    [
      'the same with the feed',
      contents({ conductors: [14, 14, 14, 14, 14, 14, 14, 14], grounds: [14, 14, 14], yokes: [yoke] }),
      22,
    ],
    [
      '12 AWG feed and 14 AWG in one box',
      contents({ conductors: [12, 12, 14, 14], grounds: [12, 14], yokes: [yoke] }),
      4.5 + 4 + 2.25 + 4,
    ],
    [
      'clamps count once, at the largest conductor',
      contents({ conductors: [12, 12, 14], internalClamps: true }),
      6.5 + 2.25,
    ],
    ['a device two gangs wide', contents({ conductors: [14, 14], yokes: [{ gangs: 2, awg: 14 }] }), 12],
  ])('%s', (_name, what, needed) => {
    expect(boxFill(200_000, what, 2023).needed).toBe(Math.round(needed * 10_000));
  });

  test('grounds beyond four count a quarter each from 2020, nothing before', () => {
    const six = contents({ grounds: [14, 14, 14, 14, 14, 14] });
    expect(boxFill(0, six, 2017).needed).toBe(20_000);
    expect(boxFill(0, six, 2020).needed).toBe(30_000);
  });

  test('a box overfilled by a quarter of a cubic inch fails, and one that is just full passes', () => {
    const four = contents({ conductors: [14, 14, 14, 14, 14, 14], grounds: [14, 14], yokes: [yoke] });
    expect(boxFill(180_000, four, 2020).verdict).toBe('fits');
    expect(boxFill(177_500, four, 2020).verdict).toBe('over');
    expect(boxFill(177_500, four, 2020, ['contents']).verdict).toBe('over');
    expect(boxFill(180_000, four, 2020, ['contents']).verdict).toBe('unknown');
    expect(boxFill(null, four, 2020, ['box']).verdict).toBe('unknown');
  });

  test('the finding names the smallest box that passes', () => {
    const job = jobOf({
      runs: ['F-S2', 'S2-S1', 'S2-S3', 'S3-L'],
      neutralAt: ['S2', 'S3'],
      chain: ['S1', 'S2', 'S3'],
    });
    const small = {
      ...job,
      boxes: job.boxes.map((box) => (box.name === 'S2' ? { ...box, article: 'wall-1-20' as never } : box)),
    };
    const [found] = findings(small).filter((one) => one.rule === 'box-volume');
    expect(found).toMatchObject({
      title: 'S2: 22.0 in³ needed, 20.0 in³ there',
      remedy: expect.stringContaining('22.5 in³'),
    });
    expect(rules(job)).not.toContain('box-volume violation');
  });

  test('capped neutrals count, luminaire leads do not', () => {
    const { job, wiring } = planned(jobOf({ runs: ['F-L', 'L-S1'], neutralAt: ['S1'] }));
    expect(fillOf(job, wiring, 'S1' as never).needed).toBe(120_000);
    expect(fillOf(job, wiring, 'L' as never).lines.find((line) => line.what === 'canopyLeads')?.total).toBe(
      0,
    );
  });
});

describe('conductor to breaker, 240.4(D)', () => {
  const job = (breaker: 15 | 20, awg: 14 | 12) => jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'], breaker, awg });
  test('14 AWG on 20 A is a violation on every run, travelers included', () => {
    expect(rules(job(20, 14)).filter((one) => one === 'conductor-to-breaker violation')).toHaveLength(3);
  });
  test.each([
    [15, 14],
    [15, 12],
    [20, 12],
  ] as const)('%i A with %i AWG passes', (breaker, awg) => {
    expect(rules(job(breaker, awg))).not.toContain('conductor-to-breaker violation');
  });
});

describe('neutral at the switch, 404.2(C)', () => {
  /** Whether a two-wire loop in a room is a violation, by edition. */
  const loop = (edition: Edition, more: Partial<Shorthand> = {}) =>
    rules(jobOf({ runs: ['F-L', 'L-S1'], neutralAt: [], edition, ...more })).includes(
      'neutral-at-switch violation',
    );
  const editions = [2011, 2014, 2017, 2020, 2023] as const;
  const verdicts = (more: Partial<Shorthand>) => editions.map((edition) => loop(edition, more));

  test('a two-wire loop in a habitable room fails in every edition', () => {
    expect(verdicts({})).toEqual([true, true, true, true, true]);
  });
  test('in a hallway 2014 excepts it, 2017 on names hallways', () => {
    expect(verdicts({ roomKind: 'hallway' })).toEqual([true, false, true, true, true]);
  });
  test('in a storage room only 2011 asks for it', () => {
    expect(verdicts({ roomKind: 'storage' })).toEqual([true, false, false, false, false]);
  });
  test('where another cable can be added without removing finish none is asked', () => {
    expect(verdicts({ accessible: 'yes' })).toEqual([false, false, false, false, false]);
  });
  test('an unanswered question is never taken the easy way', () => {
    expect(verdicts({ accessible: 'unknown' })).toEqual([true, true, true, true, true]);
  });

  const pair = (edition: Edition, visible: 'yes' | 'no' | 'unknown', neutralAt: string[]) =>
    rules(jobOf({ runs: ['F-L', 'L-S1', 'S1-S2'], edition, visible, neutralAt })).filter((one) =>
      one.startsWith('neutral'),
    );

  test('two locations that see the whole floor: all in 2011, none read literally in 2014, one from 2017', () => {
    expect(editions.map((edition) => pair(edition, 'yes', [])[0])).toEqual([
      'neutral-at-switch violation',
      'neutral-at-switch caution',
      'neutral-at-switch violation',
      'neutral-at-switch violation',
      'neutral-at-switch violation',
    ]);
    expect(editions.map((edition) => pair(edition, 'yes', ['S1'])[0])).toEqual([
      'neutral-at-switch violation',
      'neutral-at-switch caution',
      undefined,
      undefined,
      undefined,
    ]);
  });
  test('a floor not seen whole asks for a neutral at each', () => {
    expect(pair(2020, 'no', ['S1'])).toEqual(['neutral-at-switch violation']);
    expect(pair(2020, 'no', ['S1', 'S2'])).toEqual([]);
  });
  test('planned strictly for want of an answer, the finding says what to verify', () => {
    const job = jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'], visible: 'unknown', edition: 2020 });
    const [found] = findings(job);
    expect(found).toMatchObject({ rule: 'neutral-at-switch', severity: 'verify' });
    expect(found?.reason).toContain('one location only');
  });
});

describe('re-identified white, 200.7(C)(1)', () => {
  const loop = () => planned(jobOf({ runs: ['F-L', 'L-S1'], neutralAt: [], accessible: 'yes' }));
  test('the planned loop passes', () => {
    const { job, wiring } = loop();
    expect(judged(job, wiring)).toEqual([]);
  });
  test('the familiar wrong habit: the return on the taped white', () => {
    const { job, wiring } = loop();
    // Black and white of the loop exchanged at both ends.
    const swap = <T extends { cable: string; colour: string }>(end: T): T =>
      end.cable === 'cable:c1:L>S1' && end.colour !== 'bare'
        ? { ...end, colour: end.colour === 'white' ? 'black' : 'white' }
        : end;
    const wrong = {
      ...wiring,
      joints: wiring.joints.map((joint) => ({
        ...joint,
        members: joint.members.map((m) => ('end' in m ? { end: swap(m.end) } : m)),
      })),
      landings: wiring.landings.map((landing) =>
        'end' in landing.wire ? { ...landing, wire: { end: swap(landing.wire.end) } } : landing,
      ),
    };
    const found = judged(job, wrong);
    expect(found.map((one) => one.rule)).toEqual(['reidentified-white']);
    expect(found[0]?.title).toContain('the white is the switch leg');
  });
  test('a mark left out at one end is a violation', () => {
    const { job, wiring } = loop();
    expect(judged(job, { ...wiring, marks: wiring.marks.slice(1) }).map((one) => one.severity)).toEqual([
      'violation',
    ]);
  });
  test('a traveler on the white is a caution, not a violation', () => {
    const job = jobOf({
      runs: ['F-S1', 'S1-L', 'L-S2'],
      chain: ['S1', 'S2'],
      neutralAt: ['S1'],
      visible: 'yes',
    });
    expect(rules(job)).toEqual(['reidentified-white caution']);
  });
});

describe('what is unsound is kept and shown', () => {
  const refused = (job: Job) =>
    reviewJob(job)
      .findings.filter((one) => one.severity === 'unfinished')
      .map((one) => one.rule);
  test('a tree that does not reach a box', () => {
    const job = jobOf({ runs: ['F-S1', 'S1-L'] });
    const cut = { ...job, choices: job.choices.map((one) => ({ ...one, runs: one.runs.slice(0, 1) })) };
    expect(refused(cut)).toEqual(['TreeNotConnected']);
    expect(reviewJob(cut).findings[0]?.title).toBe('No cable reaches L');
  });
  test('a ring of cables', () => {
    expect(refused(jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L', 'L-S1'] }))).toEqual(['RingOfCables']);
  });
  test('a ring that the feed does not reach is told as unreached', () => {
    expect(refused(jobOf({ runs: ['F-S1', 'S2-L', 'L-J1', 'J1-S2'] }))).toEqual(['TreeNotConnected']);
  });
  test('a group of no switches', () => {
    expect(refused(jobOf({ runs: ['F-L'] }))).toEqual(['GroupWithoutSwitch']);
  });
  test('a group of no luminaires', () => {
    expect(refused(jobOf({ runs: ['F-S1'] }))).toEqual(['GroupWithoutLuminaire']);
  });
  test('a run too wide names its conductors and the widest cable', () => {
    const job = jobOf({ runs: ['F-L', 'L-S1', 'L-S2'], chain: ['S1', 'S2'], neutralAt: ['S1', 'S2'] });
    const [plan] = planJob({ ...job, stock: job.stock.filter((one) => one.id !== '14-4') }).circuits;
    expect(plan?.outcome).toEqual({
      ok: false,
      problems: [
        expect.objectContaining({ code: 'RunTooWide', run: { from: 'L', to: 'S1' }, conductors: 4, most: 3 }),
        expect.objectContaining({ code: 'RunTooWide', run: { from: 'L', to: 'S2' }, conductors: 4, most: 3 }),
      ],
    });
  });
  test('two devices in a box for one', () => {
    const job = jobOf({ runs: ['F-S1', 'S1-L'] });
    const second = { ...job.slots[0]!, id: 'slot:extra' as never, gang: 1 };
    expect(refused({ ...job, slots: [...job.slots, second] })).toEqual(['TooManyDevices']);
  });
  test('one circuit refused leaves the other planned', () => {
    const job = jobOf({ runs: ['F-S1', 'S1-L'] });
    const bare = {
      ...job,
      circuits: [...job.circuits, { ...job.circuits[0]!, id: 'c2' as never, name: 'Second' }],
    };
    expect(refused(bare)).toEqual(['NoChoice']);
    expect(wiringOrEmpty(planJob(bare).job).devices).toHaveLength(1);
  });
});

test('a finding on a run is of the circuit whose conductors run there, wherever the box stands', () => {
  // The return on the white, found at a junction box that holds neither switch nor luminaire.
  const review = reviewJob(jobOf({ runs: ['F-J1', 'J1-S1', 'S1-L'], breaker: 20, awg: 14 }));
  const white = { ...review.findings[0]!, at: { cable: 'cable:c1:panel>J1' as CableId, box: 'J1' as BoxId } };
  const mine = (circuit: string) => reviewCircuit({ ...review, findings: [white] }, circuit as never);
  expect(mine('c1').findings).toHaveLength(1);
  expect([...mine('c1').boxes].sort()).toEqual(['J1', 'L', 'S1']);
  expect(mine('other').findings).toEqual([]);
});
