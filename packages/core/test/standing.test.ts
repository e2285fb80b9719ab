import {
  assumeUsual,
  compile,
  conductorKey,
  evaluate,
  existingDocument,
  makeUpSteps,
  newWiringDoc,
  planJob,
  reviewJob,
  signSeen,
  standingCircuits,
  summariseJob,
  takeOff,
  tapOf,
  tapTold,
  wireAll,
  wiringOrEmpty,
  withDocument,
  type Job,
  type Wiring,
} from '../src/index.js';
import { jobOf, planned } from './support/jobs.js';
import { twoCircuits } from './support/ruleCases/builders.js';
import { cableEnds } from '../src/model/lying.js';
import { emptyWiring, endKey, placeOfEnd } from '../src/model/wiring.js';

/** A pair that somebody wired before, with two blacks for travelers, told but for one box. */
const withOldPair = (): Job => {
  const { job, wiring } = planned(jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'] }));
  const bare: Job = {
    ...job,
    boxes: job.boxes.map((box) => ({ ...box, work: 'existing' as const })),
    choices: [],
    wirings: [],
  };
  const cables = wiring.cables.map((cable) => ({ ...cable, existing: true }));
  const { job: assumed } = assumeUsual(bare, { circuit: 'c1' as never, cables });
  return ['S1', 'L'].reduce((one, box) => signSeen(one, 'existing', box as never), assumed);
};

/** What of a wiring is about cables of the other. */
const partOf = (whole: Wiring, part: Wiring) => {
  const ids = new Set<string>(part.cables.map(({ id }) => id));
  const boxes = new Set(part.joints.map(({ box }) => box));
  return {
    cables: whole.cables.filter(({ id }) => ids.has(id)),
    joints: whole.joints.filter(({ box }) => boxes.has(box)),
    unseen: whole.unseen,
    marks: whole.marks,
  };
};

test('a circuit that stands is copied as it was told, wire for wire, and never planned', () => {
  const job = withOldPair();
  expect([...standingCircuits(job)]).toEqual(['c1']);
  const { job: done, circuits, standing } = planJob(job);
  const told = existingDocument(job)?.wiring ?? emptyWiring();
  const copy = wiringOrEmpty(done);
  expect([circuits, standing]).toEqual([[], ['c1']]);
  expect(partOf(copy, told)).toEqual(partOf(told, told));
  expect(copy.landings).toEqual(told.landings);
  expect(copy.devices).toEqual(told.devices);
  expect(planJob(wireAll(done)).job.wirings).toEqual(done.wirings);
  expect(existingDocument(done)).toEqual(existingDocument(job));
});

test('what nobody has seen of it is asked for and is no violation; the list of jobs says how many boxes are to be looked into', () => {
  const job = withOldPair();
  const { findings, standing } = reviewJob(job);
  expect(standing).toEqual(['c1']);
  expect(findings.filter(({ severity }) => severity === 'unfinished')).toEqual([]);
  expect(findings.filter(({ severity, at }) => severity === 'violation' && at.box === 'S2')).toEqual([]);
  expect(summariseJob(job).circuits.map(({ unseenBoxes }) => unseenBoxes)).toEqual([1]);
  const seen = signSeen(job, 'existing', 'S2' as never);
  expect(
    summariseJob(seen).circuits.map(({ unseenBoxes, working, positions }) => [
      unseenBoxes,
      working,
      positions,
    ]),
  ).toEqual([[0, 4, 4]]);
});

test('a circuit for which another way is chosen does not stand, and one with a box that nobody told of does not', () => {
  const job = withOldPair();
  const chosen = jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'] }).choices;
  expect([...standingCircuits({ ...job, choices: chosen })]).toEqual([]);
  const document = existingDocument(job);
  if (!document) throw new Error('no document');
  const { S2, ...certainty } = document.certainty as Record<string, 'seen'>;
  void S2;
  expect([...standingCircuits(withDocument(job, { ...document, certainty }))]).toEqual([]);
});

test('a circuit with a switch or a luminaire that comes new does not stand: old wiring is never said to work in its place', () => {
  const job = withOldPair();
  const [slot] = job.slots;
  const [lamp] = job.luminaires;
  if (!slot || !lamp) throw new Error('the pair has no switch or no light');
  const others: Job[] = [
    { ...job, slots: [...job.slots, { ...slot, id: 'third' as never, gang: 1 }] },
    { ...job, slots: job.slots.map((one) => (one === slot ? { ...one, comesNew: true } : one)) },
    { ...job, slots: job.slots.map((one) => (one === slot ? { ...one, leaves: true } : one)) },
    { ...job, luminaires: [...job.luminaires, { ...lamp, id: 'second' as never }] },
    { ...job, luminaires: job.luminaires.map((one) => ({ ...one, comesNew: true })) },
  ];
  const says = (one: Job) => reviewJob(one).proofs.map(({ working, of }) => [working, of]);
  expect(says(job)).toEqual([[4, 4]]);
  for (const other of others) {
    expect([...standingCircuits(other)]).toEqual([]);
    const { job: planned, plans, wiring, compiled, proofs } = reviewJob(other);
    expect(plans.map(({ outcome }) => (outcome.ok ? [] : outcome.problems.map(({ code }) => code)))).toEqual([
      ['NoChoice'],
    ]);
    // Until a way is chosen everything stays on its wires: nobody opens a box, caps what serves, or buys a thing.
    expect(proofs).toEqual([]);
    expect(partOf(wiring, wiring)).toEqual(partOf(existingDocument(job)?.wiring ?? wiring, wiring));
    expect(takeOff(planned, wiring).lines).toEqual([]);
    for (const { id } of planned.boxes)
      expect(makeUpSteps(planned, wiring, compiled, id).steps.map(({ text }) => text)).toEqual([
        'Nothing is to be done in this box yet: it stays shut, as it was found, until a way is chosen for Lights.',
      ]);
  }
});

test('a way that cannot be planned any more leaves what is told of its circuit on its wires', () => {
  const job = withOldPair();
  const [choice] = jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'] }).choices;
  if (!choice) throw new Error('no choice');
  // It does not reach the light.
  const broken = { ...job, choices: [{ ...choice, runs: choice.runs.slice(0, 1) }] };
  const { plans, wiring, proofs } = reviewJob(broken);
  expect(plans.map(({ outcome }) => outcome.ok)).toEqual([false]);
  expect(proofs).toEqual([]);
  const told = existingDocument(job)?.wiring ?? emptyWiring();
  expect(partOf(wiring, told)).toEqual(partOf(told, told));
  expect(wiring.devices).toEqual(told.devices);
});

test('in a box that it shares with what is planned, the grounds are one splice and everything else stays apart', () => {
  // One circuit of two that share the box S1 was there before.
  const { job, wiring } = twoCircuits();
  const mine = wiring.cables.filter(({ id }) => id.startsWith('cable:c1'));
  const ids = new Set<string>(mine.map(({ id }) => id));
  const old: Wiring = {
    ...wiring,
    cables: mine.map((cable) => ({ ...cable, existing: true })),
    devices: wiring.devices.filter(({ slot }) => slot === 'slot:S1'),
    joints: wiring.joints.flatMap((joint) => {
      const members = joint.members.filter(
        (member) =>
          ('end' in member && ids.has(member.end.cable)) ||
          ('lead' in member && 'luminaire' in member.lead && member.lead.luminaire === 'lamp:L') ||
          ('pigtail' in member && member.pigtail.id.includes('slot:S1')),
      );
      return members.length > 0 ? [{ ...joint, members, connectors: [] }] : [];
    }),
    landings: wiring.landings.filter(
      ({ wire, terminal }) =>
        ('end' in wire ? ids.has(wire.end.cable) : wire.pigtail.includes('slot:S1')) && !('box' in terminal),
    ),
  };
  const standingJob = withDocument(
    { ...job, choices: job.choices.filter(({ circuit }) => circuit !== 'c1'), wirings: [] },
    {
      ...newWiringDoc('existing', 'existing', old),
      certainty: { ['S1' as never]: 'seen', ['L' as never]: 'seen' },
    },
  );
  const { wiring: merged, findings } = reviewJob(standingJob);
  const grounds = merged.joints.filter(
    ({ box, members }) => box === 'S1' && members.some((one) => 'end' in one && one.end.colour === 'bare'),
  );
  expect(grounds).toHaveLength(1);
  expect(grounds[0]?.members.filter((one) => 'end' in one)).toHaveLength(4);
  expect(grounds[0]?.connectors.length).toBeGreaterThan(0);
  expect(findings.filter(({ rule }) => ['grounds-joined', 'neutral-one-circuit'].includes(rule))).toEqual([]);
});

test('what is tapped is what the existing wiring tells of the box, whatever the feed says', () => {
  const job = withOldPair();
  const fed = (at: string) => ({ at: at as never, tap: 'receptacle' as const });
  expect(['S1', 'L'].map((at) => tapOf(job, fed(at)))).toEqual(['switch', 'luminaire']);
  // Where its device comes out of the record, splices are left; a box that nobody has told of is as the feed says.
  const emptied = {
    ...job,
    wirings: job.wirings.map((one) => ({
      ...one,
      wiring: { ...one.wiring, devices: one.wiring.devices.filter(({ box }) => box !== 'S1') },
    })),
  };
  expect(tapOf(emptied, fed('S1'))).toBe('junction');
  expect(tapOf({ ...job, wirings: [] }, fed('S1'))).toBe('receptacle');
  expect(tapTold(job, { at: 'panel' })).toBeNull();
});

describe('a box of two circuits, of which one is planned', () => {
  /** Both are there and told in these boxes; for the first the way that it has is chosen, or one by a new cable. */
  const shared = (told: readonly string[], isNew = false): Job => {
    const made = twoCircuits().job;
    const { job } = planJob({ ...made, wirings: [] });
    const whole = wiringOrEmpty(job);
    const seen = new Set(told);
    const cables = whole.cables
      .filter(({ to }) => !isNew || to !== 'L')
      .map((cable) => ({ ...cable, existing: true }));
    const lies = new Set<string>(cables.map(({ id }) => id));
    const here = (cable: Wiring['cables'][number], side: 'from' | 'to') => seen.has(placeOfEnd(cable, side));
    const lamps = new Set<string>(job.luminaires.filter(({ box }) => seen.has(box)).map(({ id }) => id));
    const wiring: Wiring = {
      ...whole,
      cables,
      joints: whole.joints
        .filter(({ box }) => seen.has(box))
        .map((joint) => ({
          ...joint,
          members: joint.members.filter((one) => !('end' in one) || lies.has(one.end.cable)),
        })),
      landings: whole.landings.filter(
        ({ wire, terminal }) =>
          (!('luminaire' in terminal) || lamps.has(terminal.luminaire)) &&
          (!('end' in wire) || lies.has(wire.end.cable)),
      ),
      unseen: cables.flatMap((cable) =>
        cableEnds(job, cable).filter(({ side }) => !here(cable, side) && placeOfEnd(cable, side) !== 'panel'),
      ),
    };
    const certainty = Object.fromEntries(told.map((box) => [box, 'seen' as const]));
    const carries = Object.fromEntries(cables.map(({ id }) => [id, id.includes('c2') ? 'c2' : 'c1']));
    const there = { ...newWiringDoc('existing', 'existing', wiring), certainty, carries };
    return {
      ...made,
      boxes: made.boxes.map((box) => ({ ...box, work: box.id === 'L' ? 'old' : 'existing' })),
      choices: made.choices.filter(({ circuit }) => circuit === 'c1'),
      wirings: [there as Job['wirings'][number]],
    };
  };
  const look = (asked: Job) => {
    const { job } = planJob(asked);
    const wiring = wiringOrEmpty(job);
    const texts = makeUpSteps(job, wiring, compile(wiring, job), 'S1' as never).steps.map(({ text }) => text);
    const ends = wiring.joints.flatMap(({ members }) =>
      members.flatMap((one) => ('end' in one ? [endKey(one.end)] : [])),
    );
    return { job, wiring, texts, twice: ends.filter((end, i) => ends.indexOf(end) !== i) };
  };
  const TOLD = [
    ['told wholly', ['S1', 'L2'], ['c2']],
    ['told in part', ['S1'], []],
  ] as const;

  test.each(TOLD)('stays shut where nothing of it changes, the other being %s', (_how, told, standing) => {
    const asked = shared(told);
    expect([...standingCircuits(asked)]).toEqual(standing);
    const { wiring, texts, twice } = look(asked);
    expect(twice).toEqual([]);
    expect(texts).toEqual([
      standing.length > 0
        ? 'Nothing is to be done in this box: it stays shut, as it was found.'
        : 'Nothing is to be done in this box yet: it stays shut, as it was found, until a way is chosen for Other.',
    ]);
    expect(reviewJob(asked).findings.filter(({ severity }) => severity === 'violation')).toEqual([]);
    const landed = (one: Wiring) =>
      one.landings
        .filter(({ wire }) => 'end' in wire && wire.end.cable.includes('c2'))
        .map((landing) => JSON.stringify(landing))
        .sort();
    expect(landed(wiring)).toEqual(landed(existingDocument(asked)?.wiring ?? emptyWiring()));
  });

  test('of what is only assumed of the other nothing is drawn as a fact', () => {
    const asked = shared(['S1']);
    const assumed: Job = {
      ...asked,
      wirings: asked.wirings.map((one) => ({ ...one, certainty: { ['S1' as never]: 'assumed' } })),
    };
    const leadingOn = ({ compiled }: ReturnType<typeof reviewJob>) =>
      evaluate(compiled, {}).nets[compiled.netOf(conductorKey('cable:c2:S1>L2' as never, 'black')) ?? -1];
    expect(leadingOn(reviewJob(assumed))).toBe('unknown');
    const home = ({ compiled }: ReturnType<typeof reviewJob>) =>
      evaluate(compiled, {}).nets[compiled.netOf(conductorKey('cable:c2:panel>S1' as never, 'black')) ?? -1];
    expect(home(reviewJob(assumed))).toBe('live');
  });

  test.each(TOLD)('is opened for the one alone, the other being %s', (_how, told, standing) => {
    const { job, wiring, texts, twice } = look(shared(told, true));
    expect(twice).toEqual([]);
    expect(texts.length).toBeGreaterThan(5);
    // Nobody takes the other out, caps it, or is told that nothing uses it.
    expect(texts.filter((text) => /^Cap|Nothing uses|of Other that is there out/.test(text))).toEqual([]);
    expect(texts.filter((text) => text.startsWith('Leave the splice of neutrals of Other'))).toHaveLength(1);
    expect(texts.filter((text) => text.startsWith('Leave every wire of Other'))).toHaveLength(
      standing.length > 0 ? 0 : 1,
    );
    const grounds = wiring.joints.filter(
      ({ box, members }) => box === 'S1' && members.some((one) => 'end' in one && one.end.colour === 'bare'),
    );
    expect(grounds.map(({ members }) => members.filter((one) => 'end' in one).length)).toEqual([4]);
    const devices = wiring.devices.filter(({ box }) => box === 'S1').map(({ slot }) => slot);
    expect([...devices].sort()).toEqual(job.slots.map(({ id }) => id).sort());
    expect(reviewJob(job).findings.filter(({ severity }) => severity === 'violation')).toEqual([]);
  });

  test('a splice of which the planned one takes its wires is made up again, with what holds the rest', () => {
    const asked = shared(['S1', 'L2'], true);
    const isWhite = (member: Wiring['joints'][number]['members'][number]) =>
      'end' in member && member.end.colour === 'white';
    const inOneSplice = ({ joints, ...wiring }: Wiring): Wiring => {
      const whites = joints.filter(({ box, members }) => box === 'S1' && members.some(isWhite));
      const [first] = whites;
      if (!first || whites.length < 2) throw new Error('the neutrals were not in two splices');
      const one = { ...first, members: whites.flatMap(({ members }) => members), connectors: [] };
      return { ...wiring, joints: [...joints.filter((joint) => !whites.includes(joint)), one] };
    };
    const { job, wiring } = look({
      ...asked,
      wirings: asked.wirings.map((one) => ({ ...one, wiring: inOneSplice(one.wiring) })),
    });
    const whites = wiring.joints.filter(({ box, members }) => box === 'S1' && members.some(isWhite));
    expect(whites).toHaveLength(2);
    expect(whites.every(({ connectors }) => connectors.length > 0)).toBe(true);
    const untold = reviewJob(job).findings.filter(({ rule, at }) => rule === 'splices' && at.box === 'S1');
    expect(untold).toEqual([]);
  });
});
