import {
  createFinder,
  mendTrouble,
  placeKey,
  questionKey,
  reviewJob,
  sayObservation,
  sayPlace,
  sayQuestion,
  sayTrouble,
  type Asking,
  type CircuitId,
  type FaultQuestion,
  type Finder,
  type LuminaireId,
  type Observation,
  type SeenLight,
  type Trouble,
} from '../src/index.js';
import { withFault, type Fault } from '../src/faults/fault.js';
import { houseWith } from './support/house.js';
import { yard } from './support/yard.js';

const review = reviewJob(yard());
const finderOf = (circuit: string) => createFinder(review, circuit as CircuitId);
const NEW: Asking = { positions: {}, history: 'new', isElectrician: false };

/** The landing on a terminal of a device, as a wire. */
const wireOn = (device: string, name: string) => {
  const found = review.wiring.landings.find(
    ({ terminal }) => 'device' in terminal && terminal.device === device && terminal.name === name,
  );
  if (!found) throw new Error(`nothing on ${name} of ${device}`);
  return found.wire;
};
const wires = (box: string, fault: Fault): Trouble => ({ kind: 'wires', fault, at: { box: box as never } });
const flipsOf = (finder: Finder): FaultQuestion[] =>
  finder.at([], NEW).questions.flatMap(({ question }) => (question.kind === 'flip' ? [question] : []));

/** Flips as the finder asks for them, until it would open a box. */
const flipped = (finder: Finder, troubles: readonly Trouble[]): Observation[] => {
  const house = houseWith(finder.scope, troubles);
  if (!house) throw new Error('no such house');
  const seen: Observation[] = [];
  for (let k = 0; k < 20; k++) {
    const question = finder
      .at(seen, NEW)
      .questions.map((one) => one.question)
      .find(({ kind }) => kind === 'flip');
    if (!question) break;
    seen.push({ question, answer: house.answer(question) });
  }
  return seen;
};

test('a common and a traveler exchanged at one three-way: four flips leave it and its like at the other', () => {
  const finder = finderOf('ropewalk-lights');
  const fault = wires('yard-end', {
    ...{ kind: 'exchanged', a: wireOn('device:yard-switch', 'common') },
    b: wireOn('device:yard-switch', 'traveler 1'),
  });
  const seen = flipped(finder, [fault]);
  expect(seen).toHaveLength(4);
  const { suspects, places, questions, fits } = finder.at(seen, NEW);
  expect(fits).toBe(true);
  // The same is seen where it is done at the other switch: nothing is likelier than these.
  const likeliest = suspects.filter(({ share }) => share > 0.99 * (suspects[0]?.share ?? 1));
  expect(likeliest.map(({ hypothesis }) => hypothesis.troubles)).toContainEqual([fault]);
  expect(likeliest.length).toBeLessThan(6);
  expect(new Set(places.slice(0, 2).map(({ place }) => placeKey(place)))).toEqual(
    new Set(['box|creek-end', 'box|yard-end']),
  );
  expect(questions[0]?.question.kind).toBe('look');
  expect(sayTrouble(review.job, review.wiring, fault)).toMatch(
    /^the black of the 14\/3 to Last bay.* and the .* are each under the other’s screw$/,
  );
  // Who mends as it says has the wiring that was planned.
  const broken = withFault(review.wiring, fault.kind === 'wires' ? fault.fault : (null as never));
  const [first, second] = mendTrouble(review.job, review.wiring, fault);
  expect(broken.ok).toBe(true);
  expect(first).toMatch(/^Put the black of the 14\/3 to Last bay.* under the dark screw, .*common/);
  expect(second).toMatch(/^Put the .* under the brass screw/);
});

test('pairs crossed at a four-way, an open neutral, a loose traveler: the place is first, or one of two', () => {
  const shed = finderOf('long-shed-lights');
  const fourWay = 'device:yard-switch-slot';
  const names = ['in 1', 'in 2', 'out 1', 'out 2'].filter((name) =>
    review.wiring.landings.some(
      ({ terminal }) => 'device' in terminal && terminal.device === fourWay && terminal.name === name,
    ),
  );
  expect(names).toHaveLength(4);
  const crossed = wires('yard-switch', {
    ...{ kind: 'exchanged', a: wireOn(fourWay, 'in 2') },
    b: wireOn(fourWay, 'out 1'),
  });
  const found = shed.at(flipped(shed, [crossed]), NEW);
  expect(
    found.suspects.filter(({ against }) => against === 0).map((one) => one.hypothesis.troubles),
  ).toContainEqual([crossed]);
  expect(found.places.slice(0, 2).map(({ place }) => place)).toContainEqual({
    kind: 'box',
    box: 'yard-switch',
  });

  const walk = finderOf('ropewalk-lights');
  const neutrals = review.wiring.joints.find(({ id }) => id === 'first-bay/ropewalk-lights/N');
  const onward = neutrals?.members.findIndex((one) => 'end' in one && one.end.cable.includes('creek-end'));
  if (!neutrals || onward === undefined || onward < 0) throw new Error('no neutral');
  const open = wires('first-bay', { kind: 'open', joint: neutrals.id, member: onward });
  const dark = walk.at(flipped(walk, [open]), NEW);
  expect(
    dark.suspects.filter(({ against }) => against === 0).map((one) => one.hypothesis.troubles),
  ).toContainEqual([open]);

  const loose = wires('creek-end', { kind: 'loose', wire: wireOn('device:creek-switch', 'traveler 2') });
  const half = walk.at(flipped(walk, [loose]), NEW);
  expect(half.places.slice(0, 4).map(({ place }) => place)).toContainEqual({ kind: 'box', box: 'creek-end' });
  expect(
    half.suspects.filter(({ against }) => against === 0).map((one) => one.hypothesis.troubles),
  ).toContainEqual([loose]);
});

test('once a position tripped the breaker, nothing is asked any more that wants power', () => {
  const finder = finderOf('ropewalk-lights');
  const grounds = review.wiring.joints.find(({ id }) => id === 'creek-end/G');
  if (!grounds) throw new Error('no grounds');
  const bare = wires('creek-end', {
    ...{ kind: 'touching', joint: grounds.id },
    terminal: { device: 'device:creek-switch' as never, name: 'traveler 1' },
  });
  const shorted = houseWith(finder.scope, [bare]);
  if (!shorted) throw new Error('no such house');
  const seen: Observation[] = [];
  let tripped = 0;
  for (let k = 0; k < 30; k++) {
    const { questions, state } = finder.at(seen, { ...NEW, isElectrician: true });
    if (state === 'found') break;
    const keys = new Set(
      seen.filter(({ answer }) => answer.kind === 'tripped').map(({ question }) => questionKey(question)),
    );
    expect(questions.some(({ question }) => keys.has(questionKey(question)))).toBe(false);
    if (tripped > 0)
      expect(
        questions.some(({ question: { kind } }) => ['flip', 'lamp', 'volts', 'breaker'].includes(kind)),
      ).toBe(false);
    const question = questions[0]?.question;
    if (!question) break;
    const answer = shorted.answer(question);
    if (answer.kind === 'tripped') tripped++;
    seen.push({ question, answer });
  }
  expect(tripped).toBe(1);
  // Nor is an answer asked once more that would want power, be it at odds with all the rest.
  const house = houseWith(finder.scope, []);
  const flips = flipsOf(finder);
  const odd = flips.map((question): Observation => ({
    question,
    answer: house?.answer(question) ?? { kind: 'cannot' },
  }));
  for (const [i, one] of flips.entries()) {
    const told = [...odd.filter((_, k) => k !== i), { question: one, answer: { kind: 'tripped' as const } }];
    const { again, questions } = finder.at(told, { ...NEW, isElectrician: true });
    expect(again === null || ['look', 'panel', 'continuity'].includes(again.question.kind)).toBe(true);
    expect(questions.every(({ question: { kind } }) => ['look', 'panel', 'continuity'].includes(kind))).toBe(
      true,
    );
  }
  expect(finder.at(seen, NEW).at).toEqual({ kind: 'box', box: 'creek-end' });
});

test('what is mended at the panel begins with what stays live there', () => {
  const finder = finderOf('ropewalk-lights');
  const atPanel = finder
    .at([], { ...NEW, isElectrician: true })
    .suspects.flatMap(({ hypothesis }) => hypothesis.troubles)
    .filter((one) => one.kind === 'wires' && 'circuit' in one.at);
  expect(atPanel.length).toBeGreaterThan(3);
  for (const trouble of atPanel)
    expect(mendTrouble(review.job, review.wiring, trouble)[0]).toMatch(
      /^At the panel: the supply terminals stay live with the main off/,
    );
});

test('a tail is put back by its colour, under the screw that is named once', () => {
  const [device, box] = ['device:winch-slot', 'winch-switch'];
  const exchanged = wires(box, {
    ...{ kind: 'exchanged', a: wireOn(device, 'common') },
    b: wireOn(device, 'ground'),
  });
  expect(mendTrouble(review.job, review.wiring, exchanged)).toEqual([
    'Put the black of the 14/2 to Winch ceiling under the dark screw, low at the right (common), of the three-way.',
    'Put the bare tail under the green screw, low at the left, of the three-way.',
  ]);
});

test('nobody but an electrician is sent to the panel or asked for a live reading; what cannot be tried is not asked again', () => {
  const finder = finderOf('ropewalk-lights');
  const look: Observation = {
    ...{ question: { kind: 'look', box: 'creek-end' as never }, answer: { kind: 'is', word: 'asDrawn' } },
  };
  const dark = flipped(finder, [{ kind: 'breakerOff', circuit: 'ropewalk-lights' as never }]);
  for (const isElectrician of [false, true]) {
    const { questions } = finder.at([...dark, look], { ...NEW, isElectrician });
    const kinds = new Set(questions.map(({ question }) => question.kind));
    expect(kinds.has('panel') && !isElectrician).toBe(false);
    expect(kinds.has('volts') && !isElectrician).toBe(false);
  }
  const first = finder.at(dark, NEW).questions[0]?.question;
  if (!first) throw new Error('nothing to ask');
  expect(first.kind).toBe('breaker');
  const after = finder.at([...dark, { question: first, answer: { kind: 'cannot' } }], NEW);
  expect(after.questions.map(({ question }) => questionKey(question))).not.toContain(questionKey(first));
});

test('of a box that nobody has looked into it is likely that it is otherwise, and nothing is expected where nobody knows', () => {
  const finder = finderOf('rope-stair-light');
  const [flip] = flipsOf(finder);
  if (flip?.kind !== 'flip') throw new Error('no handle');
  const lit = finder.scope.luminaires[0] ?? '';
  const { places } = finder.at(
    [
      {
        question: flip,
        answer: { kind: 'lights', seen: { [lit]: 'dim' } as Record<LuminaireId, SeenLight> },
      },
    ],
    {
      ...NEW,
      history: 'old',
    },
  );
  expect(places[0]?.place).toEqual({ kind: 'box', box: 'stair-head' });
});

test('an answer that fits nothing that fits the others is asked once more, and no more than once', () => {
  const finder = finderOf('ropewalk-lights');
  const house = houseWith(finder.scope, []);
  if (!house) throw new Error('no house');
  const [a, b, c, d] = flipsOf(finder);
  if (!a || !b || !c || !d) throw new Error('too few flips');
  const right = [a, b, c].map((question): Observation => ({ question, answer: house.answer(question) }));
  // One lamp dim alone is what no single fault makes of it.
  const odd: Observation = {
    question: d,
    answer: {
      kind: 'lights',
      seen: Object.fromEntries(
        finder.scope.luminaires.map((id, i) => [id, i === 1 ? 'dim' : i === 0 ? 'lit' : 'dark'] as const),
      ),
    },
  };
  const once = finder.at([...right, odd], NEW);
  expect(once.again).toEqual(odd);
  expect(finder.at([...right, odd, odd], NEW).again).toBeNull();
});

test('every question and every answer is put in the words of the trade, with the cautions of its place', () => {
  const finder = finderOf('landing-lights');
  const say = (question: FaultQuestion) => sayQuestion(review, finder.scope, question, {});
  const look = say({ kind: 'look', box: 'landing-switches' as never });
  expect(look.cautions.join(' ')).toMatch(/Prove it dead with a two-pole tester/);
  expect(look.cautions.join(' ')).toMatch(
    /2 circuits come in here, Landing stage and Slip light: all of their breakers off/,
  );
  expect(say({ kind: 'panel', circuit: 'landing-lights' as never }).cautions.join(' ')).toMatch(
    /supply terminals stay live with the main off/,
  );
  const stair = finderOf('rope-stair-light');
  const assumed = sayQuestion(review, stair.scope, { kind: 'look', box: 'stair-head' as never }, {});
  expect(assumed.cautions.join(' ')).toMatch(
    /Nobody has looked into this box: what is drawn is what is usual/,
  );
  const { devices } = finder.scope.groups[0] ?? { devices: [] };
  const [device] = devices;
  if (!device) throw new Error('no handle');
  const flip: FaultQuestion = { kind: 'flip', positions: { [device]: 1 } };
  expect(say(flip).steps).toEqual(['Move the handle at Stage gate, gang 1, Landing stage to off.']);
  const seen = Object.fromEntries(finder.scope.luminaires.map((id) => [id, 'dark' as const]));
  expect(sayObservation(review, finder.scope, { question: flip, answer: { kind: 'lights', seen } })).toBe(
    'Stage gate, gang 1, Landing stage off: all dark.',
  );
  expect(sayPlace(review.job, { kind: 'panel', circuit: 'landing-lights' as never })).toBe(
    'the panel, Landing stage',
  );
});

test('a non-contact tester is a hint: what glows at a dark lamp speaks for the neutral, and settles nothing', () => {
  const finder = finderOf('tar-store-light');
  const [lamp] = finder.scope.luminaires;
  if (lamp === undefined) throw new Error('no lamp');
  const dark = flipsOf(finder).map((question): Observation => ({
    question,
    answer: { kind: 'lights', seen: { [lamp]: 'dark' } as Record<LuminaireId, SeenLight> },
  }));
  const before = finder.at(dark, NEW);
  const hint = before.hints.find(({ question }) => question.kind === 'hint')?.question;
  if (hint?.kind !== 'hint') throw new Error('no hint is offered');
  expect(before.questions.some(({ question }) => question.kind === 'hint')).toBe(false);
  const glows = finder.at([...dark, { question: hint, answer: { kind: 'is', word: 'glows' } }], NEW);
  const stays = finder.at([...dark, { question: hint, answer: { kind: 'is', word: 'dark' } }], NEW);
  /** How likely it is that the breaker is off, or the lamp is gone. */
  const shareOf = ({ suspects }: typeof glows, kind: Trouble['kind']) =>
    suspects.reduce((sum, one) => sum + (one.hypothesis.troubles[0]?.kind === kind ? one.share : 0), 0);
  expect(shareOf(glows, 'breakerOff')).toBeLessThan(shareOf(before, 'breakerOff'));
  expect(shareOf(glows, 'breakerOff')).toBeGreaterThan(0);
  expect(shareOf(stays, 'lampOut')).toBeLessThan(shareOf(before, 'lampOut'));
  expect(shareOf(glows, 'lampOut')).toBeGreaterThan(shareOf(before, 'lampOut'));
});

test('a switch that hums speaks for a bad contact in its box; a breaker that trips after a while for one only where it watches for arcs', () => {
  const finder = finderOf('ropewalk-lights');
  const [first] = flipsOf(finder);
  if (first?.kind !== 'flip') throw new Error('no handle');
  const at = (seen: Observation[], of: Finder = finder) => of.at(seen, { ...NEW, history: 'old' });
  const [device] = finder.scope.groups[0]?.devices ?? [];
  const box = finder.scope.near.devices.find(({ id }) => id === device)?.box ?? '';
  const shareAt = ({ places }: ReturnType<typeof at>) =>
    places.find(({ place }) => placeKey(place) === `box|${box}`)?.share ?? 0;
  const lights = Object.fromEntries(finder.scope.luminaires.map((id) => [id, 'flickers' as const]));
  const flickers: Observation = { question: first, answer: { kind: 'lights', seen: lights } };
  const hums: Observation = {
    question: { kind: 'hums', device: device as never },
    answer: { kind: 'is', word: 'yes' },
  };
  expect(shareAt(at([flickers, hums]))).toBeGreaterThan(shareAt(at([flickers])));
  const badContact = (of: Finder, when: 'atOnce' | 'later') =>
    at([{ question: first, answer: { kind: 'tripped', when } }], of).suspects.some(
      ({ against, hypothesis }) => against === 0 && hypothesis.troubles[0]?.kind === 'worn',
    );
  const watching: Finder = createFinder(
    reviewJob({ ...yard(), circuits: yard().circuits.map((one) => ({ ...one, afci: 'yes' as const })) }),
    'ropewalk-lights' as CircuitId,
  );
  expect(watching.scope.watches).toBe(true);
  expect(badContact(watching, 'later')).toBe(true);
  expect(badContact(watching, 'atOnce')).toBe(false);
  const plain: Finder = createFinder(
    reviewJob({
      ...yard(),
      circuits: yard().circuits.map((one) => ({ ...one, afci: 'no' as const, gfci: 'no' as const })),
    }),
    'ropewalk-lights' as CircuitId,
  );
  expect(badContact(plain, 'later')).toBe(false);
  // A switch that hums or grows warm keeps the power off as well.
  expect(at([flickers, hums]).questions.map(({ question }) => question.kind)).not.toContain('flip');
  // Whenever it tripped, nothing that wants power is asked any more.
  const after = at([{ question: first, answer: { kind: 'tripped', when: 'later' } }], watching);
  expect(
    [...after.questions, ...after.hints].filter(({ question }) =>
      ['flip', 'lamp', 'hint'].includes(question.kind),
    ),
  ).toEqual([]);
});
