import {
  expectedOf,
  expectLater,
  findPlans,
  findPlansExpecting,
  isExpected,
  latersOf,
  leastChange,
  newRunFact,
  planJob,
  plannedWiring,
  existingDocument,
  reviewJob,
  sayLater,
  saySaved,
  wireAll,
  withChoice,
  type Job,
  type Later,
} from '../src/index.js';
import { asBuilt } from '../src/plans/later/asBuilt.js';
import { laterPricesOf } from '../src/plans/later/laterPrices.js';
import { changeOf } from '../src/plans/later/laters.js';
import { EVERYDAY } from './support/everyday.js';
import { jobOf } from './support/jobs.js';
import { naming } from './support/samples.js';
import { yard } from './support/yard.js';

const circuitIn = (job: Job) => {
  const [circuit] = job.circuits;
  if (!circuit) throw new Error('no circuit');
  return circuit.id;
};

test('what is built stands: it is the planned wiring, wire for wire, works, and violates no more than the plan', () => {
  for (const [name, job] of Object.entries({ ...EVERYDAY, yard: yard() }))
    naming(name, () => {
      const { job: wired, findings, proofs } = reviewJob(wireAll(job));
      const built = asBuilt(wired);
      const planned = plannedWiring(wired);
      const there = existingDocument(built)?.wiring;
      expect(there?.joints).toEqual(planned?.joints);
      expect(there?.landings).toEqual(planned?.landings);
      const again = reviewJob(built);
      expect(again.plans.filter(({ outcome }) => outcome.ok)).toEqual([]);
      expect(again.wiring.landings.length).toBe(planned?.landings.length);
      const violations = (all: typeof findings) =>
        new Set(all.filter(({ severity }) => severity === 'violation').map(({ rule }) => rule));
      for (const rule of violations(again.findings)) expect(violations(findings)).toContain(rule);
      expect(again.proofs.map(({ working }) => working)).toEqual(proofs.map(({ working }) => working));
    });
});

/** Power at the light and a loop of two wires, or of three. */
const loop = (neutralAt: string[]): Job => ({
  ...jobOf({ runs: ['F-L', 'L-S1'], neutralAt, accessible: 'yes' }),
  runFacts: [newRunFact({ between: ['L', 'S1'], length: 144 })],
});
const priceOf = (job: Job, what: 'dimmer' | 'sensor' | 'receptacle' | 'anotherSwitch') => {
  const [choice] = job.choices;
  const [slot] = job.slots;
  if (!choice || !slot) throw new Error('nothing chosen');
  return laterPricesOf(job, choice.circuit, choice)({ what, slot: slot.id });
};

test('a sensor that comes to a loop without a neutral costs a cable more than one where the neutral waits', () => {
  const [two, three] = [priceOf(loop([]), 'sensor'), priceOf(loop(['S1']), 'sensor')];
  if (!two.ok || !three.ok) throw new Error('no price');
  expect(three).toMatchObject({ feet: 0, opened: 1 });
  expect(two.feet).toBeGreaterThan(0);
  expect(two.cost).toBeGreaterThan(three.cost);
  // A dimmer that needs none takes no cable in either.
  for (const neutralAt of [[], ['S1']])
    expect(priceOf(loop(neutralAt), 'dimmer')).toMatchObject({ ok: true, feet: 0, opened: 1 });
});

test('the price is that of the plan of least change on what was built, and no other', () => {
  const job = loop(['S1']);
  const [choice] = job.choices;
  if (!choice) throw new Error('nothing chosen');
  const built = asBuilt(withChoice(job, choice.circuit, choice));
  for (const later of latersOf(job, choice.circuit)) {
    if (later.what === 'fan') continue;
    const change = changeOf(built, later);
    const outcome = change && leastChange(built, change);
    const price = laterPricesOf(job, choice.circuit, choice)(later);
    if (outcome?.ok && price.ok) expect(price.cost).toBe(outcome.value.cost.cost);
    else expect(price.ok).toBe(false);
  }
});

test('a fan takes a box for it in the finished ceiling, unless one hangs there already', () => {
  const job = loop(['S1']);
  const [lamp] = job.luminaires;
  const [choice] = job.choices;
  if (!lamp || !choice) throw new Error('no lamp');
  const later: Later = { what: 'fan', luminaire: lamp.id };
  const plain = laterPricesOf(job, choice.circuit, choice)(later);
  const ready = {
    ...job,
    boxes: job.boxes.map((box) => (box.id === 'L' ? { ...box, article: 'ceiling-fan-20.5' as never } : box)),
  };
  const fitted = laterPricesOf(ready, choice.circuit, choice)(later);
  if (!plain.ok || !fitted.ok) throw new Error('no price');
  expect(plain.cost).toBeGreaterThan(fitted.cost + 150_000);
  const none = { ...job, stock: job.stock.filter(({ id }) => id !== 'brace-fan-old-15.5') };
  expect(laterPricesOf(none, choice.circuit, choice)(later)).toMatchObject({ ok: false });
});

test('what is expected is said, taken back, and counts in the order of the plans by what they come to with it', () => {
  const job: Job = EVERYDAY.garage;
  const id = circuitIn(job);
  const later: Later = { what: 'sensor', slot: 'side-door:garage' as never };
  const expecting = expectLater(job, later, true);
  expect(expectedOf(expecting, id)).toEqual([later]);
  expect(isExpected(expectLater(expecting, later, false), later)).toBe(false);
  const plain = findPlans(job, id);
  const found = findPlansExpecting(expecting, id);
  const { expecting: told, candidates } = found;
  if (!told) throw new Error('nothing is told');
  const [row] = told.rows;
  const totals = candidates.slice(0, told.letters.length).map(({ letter, measures }) => {
    const price = row?.prices[told.letters.indexOf(letter)];
    const judged = measures.judged.reduce((sum, { count, each }) => sum + count * each, 0);
    return measures.cost + judged + (price?.ok ? price.cost : Infinity);
  });
  expect(totals).toEqual([...totals].sort((a, b) => a - b));
  expect(told.sentence).toContain(sayLater(job, later));
  // The letters, and what is proved of them, are those without it.
  expect(new Set(candidates.map(({ letter }) => letter))).toEqual(
    new Set(plain.candidates.map(({ letter }) => letter)),
  );
  expect(found.profiles.map(({ letter, proved }) => [letter, proved])).toEqual(
    plain.profiles.map(({ letter, proved }) => [letter, proved]),
  );
  expect(findPlansExpecting(job, id).expecting).toBeNull();
});

test('what is paid now and saved later is told with both figures', () => {
  const job = yard();
  const slot = job.slots.find(({ box }) => box === 'tar-door');
  if (!slot) throw new Error('no door');
  const later: Later = { what: 'sensor', slot: slot.id };
  const price = (cost: number) => ({ ok: true as const, cost, minutes: 0, feet: 0, opened: 1, asks: [] });
  const more = { more: 120_000, other: 'D' };
  expect(saySaved(job, more, later, [price(500_000), price(2_600_000)])).toBe(
    '$12.00 more than D now saves $210.00 when a sensor at Tar store door comes.',
  );
  expect(saySaved(job, { more: 0, other: 'D' }, later, [price(500_000), price(400_000)])).toBe(
    'For the same money as D now costs $10.00 more when a sensor at Tar store door comes.',
  );
  expect(saySaved(job, more, later, [price(500_000), price(500_000)])).toBeNull();
  expect(saySaved(job, more, later, [price(500_000), { ok: false, why: '' }])).toContain('with D not');
  expect(planJob(job).circuits.length).toBeGreaterThan(0);
});
