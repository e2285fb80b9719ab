import fc from 'fast-check';
import {
  newJob,
  planJob,
  standardStock,
  withDraft,
  type BoxId,
  type CircuitDraft,
  type CircuitId,
  type JobId,
} from '../src/index.js';
import {
  addPlace,
  movePlace,
  newDraft,
  newPlace,
  powerEntry,
  removePlace,
  setPowerEntry,
} from '../src/index.js';
import { widths } from './support/jobs.js';

const STOCK = standardStock();
const start = (switches: number, powerAt: 'switch' | 'luminaire'): CircuitDraft => {
  let n = 0;
  return newDraft({
    circuit: 'c1' as CircuitId,
    name: 'Loft',
    switches,
    powerAt,
    freshBox: () => `b${++n}` as BoxId,
  });
};
const jobWith = (draft: CircuitDraft) => withDraft(newJob('j' as JobId, 'J', STOCK), draft);
const plans = (draft: CircuitDraft) => planJob(jobWith(draft)).circuits[0]?.outcome.ok === true;
const shape = (draft: CircuitDraft) => draft.places.map(({ box, from }) => `${from}>${box}`);

test('a new circuit is planned at once, power at a switch or at the light', () => {
  for (const powerAt of ['switch', 'luminaire'] as const)
    for (const switches of [1, 2, 3, 4])
      expect([powerAt, switches, plans(start(switches, powerAt))]).toEqual([powerAt, switches, true]);
  expect(widths(jobWith(start(2, 'switch')))).toEqual({ 'F-b1': 2, 'b1-b2': 3, 'b2-b3': 2 });
});

test('power set at another place turns the runs between', () => {
  const draft = start(2, 'switch');
  expect(shape(draft)).toEqual(['panel>b1', 'b1>b2', 'b2>b3']);
  const atLight = setPowerEntry(draft, 'b3' as BoxId, 'homeRun');
  expect(shape(atLight)).toEqual(['panel>b3', 'b3>b2', 'b2>b1']);
  expect(powerEntry(atLight)).toEqual({ box: 'b3', by: 'homeRun' });
  const existing = setPowerEntry(draft, 'b2' as BoxId, 'existing');
  expect(shape(existing)).toEqual(['panel>b2', 'b2>b1', 'b2>b3']);
  expect(powerEntry(existing)).toEqual({ box: 'b2', by: 'existing' });
  expect(plans(atLight) && plans(existing)).toBe(true);
});

test('turned runs keep the length of their cable', () => {
  const draft = start(2, 'switch');
  const measured = { ...draft, places: draft.places.map((place, i) => ({ ...place, length: (i + 1) * 12 })) };
  const turned = setPowerEntry(measured, 'b3' as BoxId, 'homeRun');
  expect(turned.places.map(({ box, length }) => [box, length])).toEqual([
    ['b3', null],
    ['b2', 36],
    ['b1', 24],
  ]);
});

test('a place taken out leaves what hung on it on the place before', () => {
  expect(shape(removePlace(start(3, 'switch'), 'b2' as BoxId))).toEqual(['panel>b1', 'b1>b3', 'b3>b4']);
});

test('a place moved in a straight run leaves the run straight', () => {
  expect(shape(movePlace(start(3, 'switch'), 'b1' as BoxId, 1))).toEqual([
    'panel>b2',
    'b2>b1',
    'b1>b3',
    'b3>b4',
  ]);
});

test('no sequence of edits makes a ring, loses a place or breaks the tree', () => {
  const edit = fc.record({
    kind: fc.constantFrom('move', 'remove', 'add', 'power', 'existing'),
    at: fc.nat(),
    up: fc.boolean(),
  });
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 4 }), fc.array(edit, { maxLength: 12 }), (switches, edits) => {
      let draft = start(switches, 'switch');
      let n = 90;
      for (const { kind, at, up } of edits) {
        const box = draft.places[at % draft.places.length]?.box as BoxId;
        if (kind === 'move') draft = movePlace(draft, box, up ? -1 : 1);
        if (kind === 'remove' && draft.places.length > 2) draft = removePlace(draft, box);
        if (kind === 'add')
          draft = addPlace(draft, newPlace(`b${++n}` as BoxId, up ? 'switch' : 'luminaire', 'New', null));
        if (kind === 'power') draft = setPowerEntry(draft, box, 'homeRun');
        if (kind === 'existing') draft = setPowerEntry(draft, box, 'existing');
      }
      const { outcome } = planJob(jobWith(draft)).circuits[0] ?? {};
      const codes = outcome?.ok === false ? outcome.problems.map((problem) => problem.code) : [];
      expect(codes.filter((code) => code === 'RingOfCables' || code === 'TreeNotConnected')).toEqual([]);
    }),
    { seed: 23, numRuns: 300 },
  );
});
