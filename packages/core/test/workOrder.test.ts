import { compile, makeUpSteps, type Job } from '../src/index.js';
import { jobOf, planned } from './support/jobs.js';
import { holding } from './support/told.js';
import { editBoxes, editCircuits, editLuminaires, withReceptacle } from './support/ruleCases/builders.js';

const stepsAt = (asked: Job, box: string) => {
  const { job, wiring } = planned(asked);
  return makeUpSteps(job, wiring, compile(wiring, job), box as never).steps;
};
const textsOf = (asked: Job, box: string) => stepsAt(asked, box).map(({ text }) => text);
const single = jobOf({ runs: ['F-S1', 'S1-L'] });

test('a new box is marked out, roughed in and checked before it is made up; an old-work box goes in with its cable in it', () => {
  const phases = stepsAt(single, 'S1').map(({ phase }) => phase);
  expect([...new Set(phases)]).toEqual([
    ...['mark', 'rough', 'roughCheck', 'dead', 'proof', 'prepare', 'grounds', 'neutrals'],
    ...['devices', 'check', 'close', 'prove'],
  ]);
  const rough = (work: 'new' | 'old') =>
    stepsAt(
      editBoxes(single, () => ({ work, article: null })),
      'S1',
    )
      .filter(({ phase }) => phase === 'rough')
      .map(({ text }) => text.split(' ')[0]);
  expect(rough('new')).toEqual(['Set', 'Pull', 'Pull']);
  expect(rough('old')).toEqual(['Pull', 'Pull', 'Set']);
  const [marked] = stepsAt(
    editBoxes(single, () => ({ work: 'old', article: null })),
    'S1',
  );
  expect(marked?.caution).toContain('cut shallow');
});

test('a cable is held within 8 in of a single-gang plastic box, within 12 in of any other; fished cable not at all', () => {
  const pulled = (asked: Job, box: string) => textsOf(asked, box).find((text) => text.startsWith('Pull'));
  expect(pulled(single, 'S1')).toContain('within 8 in of the box');
  expect(pulled(single, 'L')).toContain('within 12 in of the box');
  const steel = editBoxes(single, () => ({ article: null, material: 'metal' }));
  expect(pulled(steel, 'S1')).toContain('within 12 in of the box');
  expect(pulled(steel, 'S1')).toContain('Fit a clamp in a knockout');
  const fished: Job = { ...single, routing: { ...single.routing, access: 'fished' } };
  expect(pulled(fished, 'S1')).toContain('needs no staples');
});

test('where a new cable comes into what may be live, that is said before it is pulled', () => {
  const pulls = (asked: Job, box: string) =>
    stepsAt(asked, box)
      .filter(({ id }) => id.includes('/pull/'))
      .map(({ caution }) => caution);
  expect(pulls(single, 'S1')).toEqual([expect.stringContaining('The panel is live at its supply'), null]);
  const old = holding(
    editBoxes(single, ({ id }) => (id === 'L' ? { work: 'existing' } : {})),
    { L: {} },
  );
  expect(pulls(old, 'S1')[1]).toContain('L is there already and may be live: prove it dead');
});

test('a ground that goes straight to the screw of a steel box is a step of its own', () => {
  const plastic = editLuminaires(
    editBoxes(single, () => ({ article: null, material: 'metal' })),
    () => ({ metal: false, terminals: 'screws' }),
  );
  const bond = stepsAt(plastic, 'L').find(({ id }) => id.includes('/bond/'));
  expect(bond).toMatchObject({ phase: 'grounds', section: '250.148(C)' });
  expect(bond?.text).toMatch(/^The bare of the 14\/2 to S1 to the green screw of the box/);
});

test('a luminaire is held first, then its ground is joined, then its neutral, then its hot', () => {
  const hung = stepsAt(single, 'L').filter(({ phase }) => phase === 'luminaire');
  expect(hung.map(({ text }) => text.split(',')[0])).toEqual([
    expect.stringMatching(/^Hold /),
    expect.stringMatching(/^Join the grounds/),
    expect.stringMatching(/^Join the neutrals/),
    expect.stringMatching(/^Join the switch legs/),
  ]);
});

test('a home run is landed at the panel last, ground first, its neutral where the breaker wants it', () => {
  const last = (afci: 'yes' | 'no' | 'unknown') =>
    stepsAt(
      editCircuits(single, () => ({ afci, gfci: 'no' })),
      'S1',
    ).find(({ id }) => id.includes('/panel/'));
  expect(last('no')?.text).toMatch(
    /last of all, at the panel: the bare .* to the ground bar, the white .* to the neutral bar and the black .* to the breaker of .*, 15 A and off\.$/,
  );
  expect(last('yes')?.text).toContain('the neutral terminal of that breaker');
  expect(last('unknown')?.text).toContain('or the neutral terminal of the breaker where it has one');
  expect(last('no')?.caution).toContain('the supply terminals stay live');
  // Where no home run ends nothing is landed at the panel.
  expect(stepsAt(single, 'L').some(({ id }) => id.includes('/panel/'))).toBe(false);
});

test('from each box the circuit is tried with the other handles moved, and a new receptacle by its tester', () => {
  const pair = jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'] });
  const tried = (asked: Job, box: string) =>
    stepsAt(asked, box)
      .filter(({ phase, id }) => phase === 'prove' && id.includes('/try'))
      .map(({ text }) => text);
  expect(tried(pair, 'S2')).toEqual([
    expect.stringContaining('then the same with the other handle moved first'),
  ]);
  expect(tried(single, 'S1')).toEqual([expect.stringContaining('on and off from here')]);
  expect(tried(pair, 'L')).toEqual([]);
  expect(tried(withReceptacle(true).job, 'S2')).toEqual([expect.stringContaining('receptacle tester')]);
});

test('what is free is said where a wire is landed: like screws of a plain switch, the pairs of a four-way', () => {
  const whys = (asked: Job, box: string) =>
    stepsAt(asked, box)
      .filter(({ id }) => id.includes('/land/') && !id.endsWith('/ground'))
      .map(({ why }) => why);
  for (const why of whys(single, 'S1')) expect(why).toContain('either takes either wire');
  const four = jobOf({ runs: ['F-S1', 'S1-S2', 'S2-S3', 'S3-L'] });
  for (const why of whys(four, 'S2')) expect(why).toContain('so is which pair is for the line');
});

describe('habits of the job are told where they count', () => {
  const by = (more: Partial<Job['preferences']>, asked: Job = single): Job => ({
    ...asked,
    preferences: { ...asked.preferences, ...more },
  });
  const said = (job: Job, box: string) => textsOf(job, box).join(' ');
  const pair = jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'] });
  test('twist-ons are twisted first, or as their instructions say; levers are not', () => {
    expect(said(by({ connectors: 'twistOn', preTwist: 'always' }), 'S1')).toContain(
      'Twist them together clockwise first',
    );
    expect(said(by({ connectors: 'twistOn' }), 'S1')).toContain('as its instructions say');
    expect(said(by({ connectors: 'lever' }), 'S1')).not.toContain('Twist');
  });
  test('the tag stays on a switch leg', () => {
    expect(said(by({ switchLegs: 'tagged' }), 'L')).toContain('Leave it on the switch leg');
    expect(said(single, 'L')).not.toContain('Leave it on the switch leg');
  });
  test('the load on the upper of two like screws, where it sits there', () => {
    const why = (job: Job) => stepsAt(job, 'S1').find(({ id }) => id.endsWith('/load'))?.why;
    expect(why(single)).toContain('by your habit the load is on the upper one');
    expect(why(by({ singlePoleLanding: 'any' }))).not.toContain('by your habit');
  });
  test('three-ways sit alike; a single-pole says on and off itself', () => {
    expect(said(pair, 'S1')).toContain('The same way up as the others of its group');
    expect(said(by({ switchUp: 'any' }, pair), 'S1')).not.toContain('The same way up');
    expect(said(single, 'S1')).not.toContain('The same way up');
  });
  test('tape goes round the screws before the device goes in', () => {
    expect(said(by({ deviceTape: 'wrapped' }), 'S1')).toMatch(/Wrap its screws .* Fold the wires/);
  });
});
