import { compile, cutLength, makeUpSteps, type Job } from '../src/index.js';
import { jobOf, planned } from './support/jobs.js';
import { holding } from './support/told.js';
import {
  editBoxes,
  editCircuits,
  editLuminaires,
  twoCircuits,
  withReceptacle,
} from './support/ruleCases/builders.js';

const stepsAt = (asked: Job, box: string) => {
  const { job, wiring } = planned(asked);
  return makeUpSteps(job, wiring, compile(wiring, job), box as never).steps;
};
const textsOf = (asked: Job, box: string) => stepsAt(asked, box).map(({ text }) => text);
const single = jobOf({ runs: ['F-S1', 'S1-L'] });
const pair = jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'] });
const byHabit = (job: Job, preferences: Partial<Job['preferences']>): Job => ({
  ...job,
  preferences: { ...job.preferences, ...preferences },
});

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
    /last of all, at the panel: the bare .* to the ground bar; the white .* to the neutral bar; the black .* to the breaker of .*, 15 A and off\.$/,
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

test('by the habit of the job boxes are made up before or after the rough-in check, and never trimmed before it', () => {
  const phases = (madeUp: 'afterCheck' | 'beforeCheck') => [
    ...new Set(stepsAt(byHabit(single, { madeUp }), 'S1').map(({ phase }) => phase)),
  ];
  expect(phases('beforeCheck')).toEqual([
    ...['mark', 'rough', 'dead', 'proof', 'prepare', 'grounds', 'neutrals', 'roughCheck'],
    ...['devices', 'check', 'close', 'prove'],
  ]);
  expect([...phases('afterCheck')].sort()).toEqual([...phases('beforeCheck')].sort());
});

test('tails go on a device before it meets the box where that is the habit, and are spliced all the same', () => {
  const tails = (tailsFirst: 'splice' | 'device') =>
    stepsAt(byHabit(single, { tailsFirst }), 'S1').filter(({ text }) => text.includes('the ground tail to'));
  expect(tails('splice').map(({ phase }) => phase)).toEqual(['devices']);
  expect(tails('device').map(({ phase, id }) => [phase, id])).toEqual([['prepare', tails('splice')[0]?.id]]);
  expect(tails('device')[0]?.text).toContain('before it meets the box');
  const splices = textsOf(byHabit(single, { tailsFirst: 'device' }), 'S1');
  expect(splices.some((text) => text.includes('AWG tail to the green screw'))).toBe(true);
});

test('a neutral kept for later goes into its cap stripped or not, as the habit is; other caps say nothing of it', () => {
  const kept = jobOf({ runs: ['F-L', 'L-S1'], neutralAt: ['S1'] });
  const cap = (unusedNeutral: 'stripped' | 'unstripped', connectors: 'lever' | 'twistOn' = 'twistOn') =>
    textsOf(byHabit(kept, { unusedNeutral, connectors }), 'S1').filter((text) => text.startsWith('Cap '));
  expect(cap('unstripped')).toEqual([expect.stringContaining(', not stripped,')]);
  expect(cap('stripped')).toEqual([expect.stringContaining(', stripped,')]);
  // A lever holds nothing by its insulation.
  expect(cap('unstripped', 'lever')).toEqual([expect.stringContaining(', stripped to its gauge,')]);
});

test('in a steel box one ground may be looped round its screw, and yokes may ground by their screws too', () => {
  const steel = editBoxes(single, () => ({ article: null, material: 'metal' }));
  const looped = textsOf(byHabit(steel, { boxGround: 'looped' }), 'S1');
  expect(looped.filter((text) => text.startsWith('Loop the bare'))).toHaveLength(1);
  expect(looped.some((text) => text.includes('green screw of the box') && text.startsWith('Join'))).toBe(
    false,
  );
  const fixed = (boxBonding: Job['preferences']['boxBonding']) =>
    textsOf(byHabit(steel, { boxBonding }), 'S1').find((text) => text.includes('Fold the wires'));
  expect(fixed('pigtails')).not.toContain('washers');
  expect(fixed('both')).toContain('Take the paper washers off');
  const grounded = (boxBonding: Job['preferences']['boxBonding']) =>
    textsOf(byHabit(steel, { boxBonding }), 'S1').some((text) => text.includes('to the green screw, low'));
  expect([grounded('both'), grounded('pigtails'), grounded('selfGroundingYoke')]).toEqual([
    true,
    true,
    false,
  ]);
});

test('travelers on the same side are said to light with all handles up only where they do', () => {
  const why = (asked: Job, box: string) =>
    stepsAt(asked, box)
      .filter(({ text }) => text.includes('(traveler)'))
      .map((step) => step.why.includes('with all handles up'));
  expect(why(pair, 'S1')).toEqual([true, true]);
  expect(why(byHabit(pair, { travelers: 'any' }), 'S1')).toEqual([false, false]);
});

test('where a luminaire brings its driver box, the cable waits coiled at a measured place and comes in with it', () => {
  const recessed = editLuminaires(
    editBoxes(pair, () => ({ article: null })),
    () => ({ driverBox: 100_000 }),
  );
  const steps = stepsAt(recessed, 'L');
  expect(steps.find(({ phase }) => phase === 'mark')?.text).toContain('measure the place from two walls');
  const pulled = steps.find(({ id }) => id.includes('/pull/'))?.text;
  expect(pulled).toContain('Leave 2 ft of it coiled there, each conductor capped by itself');
  expect(pulled).not.toContain('of the box');
  expect(steps.some(({ text }) => text.startsWith('Set the box'))).toBe(false);
  const hung = steps.filter(({ phase }) => phase === 'luminaire').map(({ text }) => text);
  expect(hung[0]).toMatch(/^Cut the opening at the measured place/);
  expect(hung[1]).toMatch(/^Strip the/);
  // What is coiled there is cut for.
  const cutOf = (asked: Job) => {
    const { job, wiring } = planned(asked);
    const cable = wiring.cables.find(({ to }) => to === 'L')!;
    return cutLength(job, { ...cable, length: 120, lengthSource: 'measured' })?.ends ?? 0;
  };
  const boxed = editBoxes(pair, () => ({ article: null }));
  expect(cutOf(recessed) - cutOf(boxed)).toBeGreaterThan(12);
});

test('of chained connectors it is said which wire is in which, and what ties them', () => {
  const wide = jobOf({ runs: ['F-S1', 'S1-L', 'L-L2', 'L-L3', 'L-L4', 'L-L5', 'L-L6'] });
  const levers: Job = {
    ...editBoxes(wide, () => ({ article: null, material: 'metal' })),
    stock: wide.stock.filter(({ id }) => !id.startsWith('push-in') && !id.startsWith('twist-on')),
  };
  const chained = textsOf(levers, 'L').filter((text) => text.includes('chained'));
  expect(chained).toHaveLength(3);
  const [, neutrals] = chained;
  expect(neutrals).toMatch(
    /7 in 2 chained Lever 5\. In the first the white of .*; and the white of .*\. In the second the white of .*and the neutral lead of L\. From each to the next a 6" white 14 AWG jumper\./,
  );
});

test('the ground that is left long is named, and where it goes on to', () => {
  const texts = textsOf(byHabit(single, { groundTail: 'leftLong' }), 'S1');
  expect(texts.find((text) => text.startsWith('Join the grounds'))).toMatch(
    /Leave the bare of the .* long: it goes on through the connector to the green screw/,
  );
  expect(texts.some((text) => /^Single-pole: the bare of the .* to the green screw/.test(text))).toBe(true);
});

test('where neutrals of two circuits meet each splice is named by its circuit, and each neutral tied to its hot', () => {
  const { job, wiring } = twoCircuits();
  const { steps } = makeUpSteps(job, wiring, compile(wiring, job), 'S1' as never);
  const tied = steps.filter(({ id }) => id.includes('/grouped/'));
  expect(tied.map(({ section, phase }) => [section, phase])).toEqual([
    ['200.4(B)', 'hots'],
    ['200.4(B)', 'hots'],
  ]);
  expect(tied[0]?.text).toMatch(
    /^Keep Lights together: tie or tape the white of .* to the black of .*, and write Lights on it\.$/,
  );
  expect(tied[1]?.text).toMatch(/^Keep Other together/);
  const neutrals = steps.filter(({ text }) => text.startsWith('Join the neutrals')).map(({ text }) => text);
  expect(neutrals.map((text) => text.split(',')[0])).toEqual([
    'Join the neutrals of Lights',
    'Join the neutrals of Other',
  ]);
  // One circuit alone needs no name and no tie.
  const alone = stepsAt(single, 'S1');
  expect(alone.some(({ id }) => id.includes('/grouped/'))).toBe(false);
  expect(alone.some(({ text }) => text.startsWith('Join the neutrals,'))).toBe(true);
});
