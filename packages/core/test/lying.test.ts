import {
  addExistingCable,
  boxContentsSchema,
  cablesThere,
  compile,
  evaluate,
  editDocument,
  existingDocument,
  lyingCables,
  othersIn,
  planJob,
  readJob,
  removeExistingCable,
  setCableCircuit,
  signSeen,
  standardStock,
  withDocument,
  withoutBox,
  withOthersIn,
  hasDevice,
  hasLuminaire,
  isDeviceKept,
  isLuminaireKept,
  newWiringDoc,
  wiringOrEmpty,
  type Job,
} from '../src/index.js';
import { conductorKey } from '../src/circuit/keys.js';
import { emptyWiring } from '../src/model/wiring.js';
import { jobOf } from './support/jobs.js';
import { lying } from './support/told.js';

const there = (job: Job) => {
  const document = existingDocument(job);
  if (!document) throw new Error('nothing is told of what is there');
  return document;
};
const pair = () => jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'] });
const between = { from: 'S1', to: 'S2' } as { from: never; to: never };
const laid = (job: Job, circuit: string | null = 'c1') =>
  addExistingCable(job, {
    id: 'old' as never,
    article: '14-3' as never,
    circuit: circuit as never,
    ...between,
  });

test('a cable that lies there is one of the existing wiring, with every end not looked at', () => {
  const job = laid(pair());
  const { wiring, carries, certainty } = there(job);
  expect(wiring.cables.map(({ id, existing }) => [id, existing])).toEqual([['old', true]]);
  expect(wiring.unseen).toHaveLength(8);
  expect([carries, certainty]).toEqual([{ old: 'c1' }, {}]);
  expect(cablesThere(job)).toEqual([
    { id: 'old', article: '14-3', circuit: 'c1', between: ['S1', 'S2'], length: null, via: [] },
  ]);
});

test('of one from the panel nothing is drawn dead: it is not known', () => {
  const job = lying(pair(), [{ id: 'old', article: '14-2', circuit: 'c1', between: ['L', 'panel'] }]);
  expect(there(job).wiring.cables[0]).toMatchObject({ from: 'panel', to: 'L' });
  const { wiring } = there(job);
  const compiled = compile(wiring, job);
  const { nets } = evaluate(compiled, {});
  for (const colour of ['black', 'white'] as const)
    expect(nets[compiled.netOf(conductorKey('old' as never, colour)) ?? -1]).toBe('unknown');
  expect(there(job).wiring.unseen.filter(({ side }) => side === 'from')).toHaveLength(3);
});

test('whose power is on it stays as it was told, until the wiring shows it', () => {
  const told = setCableCircuit(laid(pair(), null), 'old' as never, 'c1' as never);
  expect(there(told).carries).toEqual({ old: 'c1' });
  expect(there(setCableCircuit(told, 'old' as never, null)).carries).toEqual({});
  // Told otherwise and not about this: it stays.
  expect(there(withDocument(told, there(told))).carries).toEqual({ old: 'c1' });
});

test('a box that was seen is not all seen any more where another cable is told to come in', () => {
  const seen = signSeen(laid(pair()), there(laid(pair())).id, 'S1' as never);
  const document = { ...there(seen), certainty: { S1: 'seen' as const } as never };
  const more = lying(withDocument(seen, document), [
    ...cablesThere(seen),
    { id: 'more', article: '14-2', between: ['S1', 'L'] },
  ]);
  expect(there(more).certainty).toEqual({ S1: 'partlySeen' });
});

test('a cable goes with its box, and with it what a chosen way says of it', () => {
  const job: Job = { ...laid(pair()), choices: [{ ...pair().choices[0]!, givenUp: ['old' as never] }] };
  expect(lyingCables(job)).toEqual([]);
  expect(cablesThere(job)).toHaveLength(1);
  expect(wiringOrEmpty(planJob(job).job).cables.some(({ id }) => id === 'old')).toBe(false);
  const left = withoutBox(job, 'S2' as never);
  expect(cablesThere(left)).toEqual([]);
  expect(there(left).wiring.unseen).toEqual([]);
  expect(there(left).carries).toEqual({});
  expect(left.choices.flatMap(({ givenUp }) => givenUp ?? [])).toEqual([]);
});

test('what else is in a box is told, taken back, and goes with the box', () => {
  const held = boxContentsSchema.parse({ conductors: [14, 14] });
  const job = withOthersIn(pair(), 'S1' as never, held);
  expect(othersIn(job, 'S1')).toEqual(held);
  expect(othersIn(job, 'constructor')).toBeNull();
  expect(othersIn(withOthersIn(job, 'S1' as never, null), 'S1')).toBeNull();
  expect(othersIn(withoutBox(job, 'S1' as never), 'S1')).toBeNull();
});

describe('a file of format 5', () => {
  const fifth = (more: object): object => {
    const { wirings: _none, ...job } = pair();
    return { ...job, wirings: [], format: 5, ...more };
  };
  const lies = (id: string, more: object) => ({ id, article: '14-2', between: ['S1', 'L'], ...more });
  const read = (document: object): Job => {
    const result = readJob({ stock: standardStock(), ...document });
    if (!result.ok) throw new Error(JSON.stringify(result.faults));
    return result.job;
  };
  test('keeps every cable, whose power it carries, and what else is in a box; nothing counts as looked at', () => {
    const boxes = pair().boxes.map((box) => ({
      ...box,
      existingFill: box.id === 'S1' ? { conductors: [12] } : null,
    }));
    const job = read(
      fifth({
        boxes,
        existingCables: [
          lies('a', { circuit: 'c1', length: 90 }),
          lies('b', { circuit: null, between: ['L', 'panel'] }),
        ],
      }),
    );
    expect(
      cablesThere(job).map(({ id, circuit, between: ends, length }) => [id, circuit, ends, length]),
    ).toEqual([
      ['a', 'c1', ['S1', 'L'], 90],
      ['b', null, ['panel', 'L'], null],
    ]);
    expect(there(job).wiring.unseen).toHaveLength(12);
    expect(there(job).certainty).toEqual({});
    expect(othersIn(job, 'S1')?.conductors).toEqual([12]);
    expect(othersIn(job, 'L')).toBeNull();
  });
  test('says of devices and luminaires whether they are there, and whether others come in their place', () => {
    const old = jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'] });
    const { wirings: _none, ...rest } = old;
    const there = newWiringDoc('existing', 'existing', {
      ...emptyWiring(),
      devices: old.slots.map(({ id, box }) => ({
        ...{ id: `device:${box}` as never, slot: id, box },
        article: 'three-way-15' as never,
      })),
    });
    const { carries: _c, others: _o, stands: _s, ...document } = there;
    const told = read({
      ...rest,
      format: 5,
      slots: old.slots.map(({ comesNew: _n, ...slot }, i) => ({ ...slot, existing: i === 0 })),
      luminaires: old.luminaires.map(({ comesNew: _n, ...one }) => ({ ...one, existing: true })),
      wirings: [document],
    });
    expect(told.slots.map((slot) => [hasDevice(told, slot.id), isDeviceKept(told, slot)])).toEqual([
      [true, true],
      [true, false],
    ]);
    expect(told.luminaires.map((one) => isLuminaireKept(told, one))).toEqual([true]);
    const bare = read({
      ...rest,
      format: 5,
      slots: old.slots.map(({ comesNew: _n, ...slot }, i) => ({ ...slot, existing: i === 0 })),
      luminaires: old.luminaires.map(({ comesNew: _n, ...one }) => one),
      wirings: [],
    });
    expect(bare.slots.map((slot) => [hasDevice(bare, slot.id), slot.comesNew])).toEqual([
      [true, false],
      [false, false],
    ]);
    expect(bare.luminaires.map((one) => hasLuminaire(bare, one.id))).toEqual([false]);
  });
  test('that has an existing wiring keeps it, and a cable that both told of is there once', () => {
    const told = there(laid(pair(), null));
    const { carries: _c, others: _o, ...before } = told;
    const job = read(
      fifth({
        wirings: [before],
        existingCables: [
          lies('old', { article: '14-3', circuit: 'c1', between: ['S1', 'S2'] }),
          lies('a', {}),
        ],
      }),
    );
    expect(there(job).id).toBe(told.id);
    expect(there(job).wiring.cables.map(({ id }) => id)).toEqual(['old', 'a']);
    expect(there(job).carries).toEqual({ old: 'c1' });
  });
  test('in which another wiring is called as the existing one keeps both', () => {
    const found = { id: 'existing', kind: 'found', wiring: there(laid(pair())).wiring };
    const job = read(fifth({ wirings: [found], existingCables: [lies('a', {})] }));
    expect(job.wirings.map(({ id, kind }) => [id, kind])).toEqual([
      ['existing', 'found'],
      ['existing~', 'existing'],
    ]);
  });
  test('with a cable to a box that it does not have is refused with its place', () => {
    const result = readJob(fifth({ existingCables: [lies('a', { between: ['S1', 'nowhere'] })] }));
    expect(result.ok ? [] : result.faults.map(({ path }) => path)).toContain('wirings.0.wiring.cables.0.to');
  });
});

test('one that somebody has looked at is not taken for the one that comes in its place', () => {
  const job = laid(pair());
  const { id } = there(job);
  const put = { wire: { end: { cable: 'old', side: 'from', colour: 'black' } }, to: 'loose' } as never;
  const told = editDocument(job, id, { do: 'put', ...(put as object) } as never, 'S1' as never);
  if (!told.ok) throw new Error(told.refusal.why);
  const more = (to: Job) =>
    addExistingCable(to, {
      id: 'new' as never,
      article: '14-2' as never,
      circuit: 'c1' as never,
      ...between,
    });
  expect(cablesThere(more(job)).map((one) => one.id)).toEqual(['new']);
  expect(cablesThere(more(told.job)).map((one) => one.id)).toEqual(['old', 'new']);
});

test('a cable that does not lie there opens a box that was seen with it, and stays in what was built', () => {
  const job = laid(pair());
  const built = newWiringDoc('built', 'built', there(job).wiring);
  const seen: Job = { ...job, wirings: [{ ...there(job), certainty: { S1: 'seen' } as never }, built] };
  const left = removeExistingCable(seen, 'old' as never);
  expect(there(left).certainty).toEqual({ S1: 'partlySeen' });
  expect(left.wirings.find(({ kind }) => kind === 'built')?.wiring.cables).toHaveLength(1);
});
