import * as fc from 'fast-check';
import {
  existingDocument,
  findCable,
  identifyWires,
  jobSchema,
  noPowerAt,
  sayEnd,
  sayOpening,
  sayUsual,
  sayWireQuestion,
  sayWireReading,
  tagOfWire,
  usualDuties,
  withWiresTold,
  type BoxId,
  type CircuitId,
  type Stub,
  type WiresFound,
} from '../src/index.js';
import { anyUnknownWires, houseOfWires, type HiddenWires } from './support/unknownWires.js';
import { wiresRead } from './support/wiresRead.js';
import { yard } from './support/yard.js';

const STAIR = 'rope-stair-light' as CircuitId;

/** The three boxes of the rope stair, two cables alike in the ceiling, a cable with two blacks between the switches. */
const stair = (): HiddenWires => {
  const stub = (box: string, number: number, wires: Stub['wires']): Stub => ({
    ...{ box: box as BoxId, number, wires, ground: 'bare', loose: false },
  });
  const two: Stub['wires'] = ['black', 'white'];
  const three: Stub['wires'] = ['black', 'black-2', 'red'];
  const found: WiresFound = {
    stubs: [
      ...[stub('stair-ceiling', 1, two), stub('stair-ceiling', 2, two)],
      ...[stub('stair-foot', 1, three), stub('stair-foot', 2, two), stub('stair-head', 1, three)],
    ],
  };
  const tape = (box: string, number: number) => ({ box: box as BoxId, number });
  const same = (wires: Stub['wires']) => wires.map((wire) => ({ a: wire, b: wire }));
  return {
    found,
    hot: { at: tape('stair-ceiling', 2), wire: 'black' },
    cables: [
      {
        a: tape('stair-ceiling', 1),
        b: tape('stair-foot', 2),
        wires: same(two),
        ground: 'bare',
        loose: false,
      },
      { a: tape('stair-ceiling', 2), b: 'panel', wires: same(two), ground: 'bare', loose: false },
      {
        ...{ a: tape('stair-foot', 1), b: tape('stair-head', 1), ground: 'bare', loose: false },
        wires: [
          { a: 'black', b: 'black-2' },
          { a: 'black-2', b: 'black' },
          { a: 'red', b: 'red' },
        ],
      },
    ],
  };
};

test('what is asked in words offers what the house answers, names the boxes of the reading and each link that is on', () => {
  const job = yard();
  const names = job.boxes.map(({ id }) => id);
  fc.assert(
    fc.property(anyUnknownWires(), (drawn) => {
      // Boxes of the job, so that they have names.
      const named = JSON.parse(
        JSON.stringify(drawn).replace(/"box-(\d)/g, (_, at: string) => `"${names[Number(at)] ?? ''}`),
      ) as HiddenWires;
      const subject = { job, circuit: STAIR, found: named.found };
      const house = houseOfWires(named);
      const { readings } = wiresRead(named);
      for (const [i, { question }] of readings.entries()) {
        const words = sayWireQuestion(subject, question, readings.slice(0, i));
        const text = words.steps.join(' ');
        const answer = house.answer(question);
        if (answer.kind === 'pairs')
          for (const link of answer.shown) expect(words.picks.map((one) => one.link)).toContainEqual(link);
        else if (answer.kind === 'hot')
          expect(words.picks.map(({ link }) => link.pair[0])).toEqual(expect.arrayContaining(answer.wires));
        else expect(words.options.map(({ reply }) => reply)).toContainEqual(answer);
        if (question.kind === 'far') {
          const [from, at] = [question.box, question.at.box].map(
            (id) => job.boxes.find((box) => box.id === id)?.name,
          );
          expect(text).toContain(at);
          expect(text).toContain(from);
          const isNew = !text.includes('stay on as they are');
          if (isNew) expect(text.match(/by a link/g)).toHaveLength(question.links.length);
        }
        expect(sayWireReading(subject, { question, answer })).not.toContain('undefined');
      }
    }),
    { seed: 2120, numRuns: 12 },
  );
});

test('links that are on stay on in words, and are taken off where they were before others are put on', () => {
  const hidden = stair();
  const subject = { job: yard(), circuit: STAIR, found: hidden.found };
  const { readings } = wiresRead(hidden);
  let on: string | null = null;
  for (const [i, { question }] of readings.entries()) {
    const { steps } = sayWireQuestion(subject, question, readings.slice(0, i));
    const off = steps.find((one) => one.startsWith('Take every link off at '));
    const box =
      question.kind === 'far'
        ? question.box
        : question.kind === 'alike' || question.kind === 'panel'
          ? (question.link?.box ?? null)
          : null;
    if (on !== null && on !== box) expect(off).toBeDefined();
    if (on === null) expect(off).toBeUndefined();
    on = box;
  }
});

test('the rope stair is told by readings, tags at both ends agree, and it is on file as seen, with its power where it comes in', () => {
  const job = yard();
  const hidden = stair();
  const { told } = wiresRead(hidden);
  expect(told.state).toBe('told');
  const subject = { job, circuit: STAIR, found: hidden.found };
  const told1 = (box: string, number: number) => {
    const end = told.ends.find(({ stub }) => stub.box === box && stub.number === number);
    if (!end) throw new Error('no such end');
    return {
      tag: tagOfWire(subject, end.told),
      words: sayEnd(subject, end.stub, end.told, told.feed.feed?.hot ?? []),
    };
  };
  expect(told1('stair-ceiling', 1).tag).toBe('To Stair foot, 2');
  expect(told1('stair-foot', 2).tag).toBe('To Stair ceiling, 1');
  expect(told1('stair-ceiling', 2)).toEqual({ tag: 'FEED', words: 'It brings the power; black is hot' });
  expect(told1('stair-head', 1).words).toBe(
    'The other end is cable 1 of Stair foot; black is black 2 there and black 2 is black there: mark it so here too',
  );
  const put = withWiresTold(job, STAIR, hidden.found, told, 'spliced');
  if (!put.ok) throw new Error(JSON.stringify(put.problems));
  const document = existingDocument(put.value);
  const own = document?.wiring.cables.filter(({ id }) => id.startsWith('told:')) ?? [];
  expect(own.map(({ from, to }) => [from, to].sort().join(' ')).sort()).toEqual([
    'panel stair-ceiling',
    'stair-ceiling stair-foot',
    'stair-foot stair-head',
  ]);
  expect(document?.certainty).toMatchObject({
    'stair-ceiling': 'seen',
    'stair-foot': 'seen',
    'stair-head': 'seen',
  });
  // What is fitted stays, with nothing on its screws; grounds are one splice in each box, as somebody looked.
  const before = existingDocument(job);
  expect(document?.wiring.devices).toEqual(before?.wiring.devices);
  for (const box of ['stair-ceiling', 'stair-foot']) {
    const grounds = document?.wiring.joints.filter((one) => one.box === box);
    expect(grounds?.map(({ members }) => members.filter((member) => 'end' in member).length)).toEqual([2]);
  }
  const unlooked = withWiresTold(job, STAIR, hidden.found, told);
  if (!unlooked.ok) throw new Error(JSON.stringify(unlooked.problems));
  expect(existingDocument(unlooked.value)?.certainty).toMatchObject({ 'stair-foot': 'partlySeen' });
  // Other boxes that are there stay as they were.
  expect(document?.wiring.cables.filter(({ to }) => to === 'loft-door')).toEqual(
    before?.wiring.cables.filter(({ to }) => to === 'loft-door'),
  );
  expect(noPowerAt(put.value, 'stair-ceiling' as BoxId, STAIR)).toBeNull();
  expect(noPowerAt(put.value, 'stair-foot' as BoxId, STAIR)?.why).toBe('none');
  expect(jobSchema.safeParse(put.value).success).toBe(true);
  const feed = own.find(({ from }) => from === 'panel');
  expect(document && findCable(document.wiring, feed?.id ?? '')?.lengthSource).toBe('unknown');
});

test('what each wire is as a rule agrees at both ends, names what a white is marked as, and is no part of what is on file', () => {
  const job = yard();
  const hidden = stair();
  const { told, readings } = wiresRead(hidden);
  const usual = usualDuties(job, STAIR, hidden.found, told);
  const at = (key: string) => sayUsual(usual.get(key) ?? []);
  expect(at('stair-ceiling#2')).toBe('black: hot; white: neutral');
  expect(at('stair-ceiling#1')).toBe('black: switch leg; white: hot, re-identified');
  expect(at('stair-foot#2')).toBe(at('stair-ceiling#1'));
  // The two blacks of the cable to the head have changed names on the way.
  const dutyOf = (key: string, wire: string) => usual.get(key)?.find((one) => one.wire === wire)?.duty;
  expect(dutyOf('stair-head#1', 'black-2')).toBe(dutyOf('stair-foot#1', 'black'));
  expect(dutyOf('stair-head#1', 'red')).toBe(dutyOf('stair-foot#1', 'red'));
  // Before the feed is told nothing is usual.
  const early = identifyWires(hidden.found, readings.slice(0, 3), { isElectrician: true });
  expect(usualDuties(job, STAIR, hidden.found, early).size).toBe(0);
});

test('nothing is on file of boxes that are still to come, nor while a cable is not told', () => {
  const job = yard();
  const hidden = stair();
  const { told, readings } = wiresRead(hidden);
  const early = identifyWires(hidden.found, readings.slice(0, 3), { isElectrician: true });
  expect(withWiresTold(job, STAIR, hidden.found, early)).toEqual({
    ok: false,
    problems: [{ why: 'notTold' }],
  });
  const fresh = {
    ...job,
    boxes: job.boxes.map((box) => (box.id === 'stair-head' ? { ...box, work: 'new' as const } : box)),
  };
  expect(withWiresTold(fresh, STAIR, hidden.found, told)).toEqual({
    ok: false,
    problems: [{ why: 'newBoxes', boxes: ['stair-head'] }],
  });
});

test('before the first reading every box is proved dead and each cable gets its number', () => {
  const { cautions, steps, boxes } = sayOpening({ job: yard(), circuit: STAIR, found: stair().found });
  expect(cautions.join(' ')).toMatch(/proved on a live source before and after.*multiwire.*Ladder/);
  expect(steps[0]).toMatch(/touch no wire, and prove every wire dead/);
  expect(boxes[1]).toEqual({
    name: 'Stair foot',
    tape: [
      { number: 1, on: 'cable: black, black 2, red, bare' },
      { number: 2, on: 'cable: black, white, bare' },
    ],
  });
});

test('two hots in one cable are on no breaker that nobody read, and nothing is usual then', () => {
  const job = yard();
  const hidden = stair();
  const { readings } = wiresRead(hidden, { isElectrician: false });
  const live = {
    question: { kind: 'live' as const, at: { box: 'stair-ceiling' as BoxId, number: 2 } },
    answer: { kind: 'hot' as const, wires: ['black' as const, 'white' as const] },
  };
  const told = identifyWires(hidden.found, [...readings, live], { isElectrician: true });
  const put = withWiresTold(job, STAIR, hidden.found, told);
  if (!put.ok) throw new Error(JSON.stringify(put.problems));
  const document = existingDocument(put.value);
  const feed = document?.wiring.cables.find(({ id, from }) => id.startsWith('told:') && from === 'panel');
  const landed = document?.wiring.landings.filter(
    ({ wire, terminal }) => 'end' in wire && wire.end.cable === feed?.id && 'circuit' in terminal,
  );
  expect(landed?.map(({ terminal }) => terminal.name)).toEqual(['ground']);
  expect(document?.carries[feed?.id ?? ('' as never)]).toBeUndefined();
  expect(usualDuties(job, STAIR, hidden.found, told).size).toBe(0);
});

test('what leads elsewhere may bring the power of another circuit: nothing else is said of it', () => {
  const subject = { job: yard(), circuit: STAIR, found: stair().found };
  const [stub] = subject.found.stubs;
  if (!stub) throw new Error('no cable');
  for (const feed of [false, null])
    expect(sayEnd(subject, stub, { state: 'elsewhere', feed }, [])).toMatch(
      /or brings the power of another circuit/,
    );
});

test('at the panel the hot is told by a link to ground alone: of a cable without one only that it brings the power', () => {
  const plain: Stub = {
    box: 'stair-foot' as BoxId,
    number: 1,
    wires: ['black', 'black-2'],
    ground: 'none',
    loose: false,
  };
  const words = (stub: Stub, back: 'black-2' | 'bare') =>
    sayWireQuestion(
      { job: yard(), circuit: STAIR, found: { stubs: [stub] } },
      { kind: 'panel', link: { box: stub.box, number: 1 }, pair: ['black', back] },
      [],
    ).why;
  expect(words(plain, 'black-2')).not.toMatch(/is the hot/);
  expect(words({ ...plain, ground: 'bare' }, 'bare')).toMatch(/its black is the hot/);
});
