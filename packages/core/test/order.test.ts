import fc from 'fast-check';
import {
  addExtra,
  csvOf,
  customerSum,
  cutHash,
  cutSheet,
  cutStates,
  estimate,
  feetInches,
  labourShare,
  materialUsed,
  notToHave,
  orderLines,
  partOf,
  pullingOrder,
  removeExtra,
  replaced,
  replacementsOf,
  reviewCircuit,
  reviewJob,
  setAbsent,
  setFromTruck,
  setLuminairePrice,
  setTerms,
  tagNumbers,
  tagsOf,
  takeOffSheet,
  withNumbers,
  drawBox,
  makeUpSteps,
  type ArticleId,
  type BoxId,
  type CableId,
  type ExtraLine,
  type Job,
  type SiteRecord,
} from '../src/index.js';
import { hasLuminaire, luminairesIn } from '../src/model/there.js';
import { boughtOf } from '../src/order/packs.js';
import { anyFullJob } from './support/fullJobs.js';
import { naming } from './support/samples.js';
import { yard } from './support/yard.js';

const looked = (asked: Job) => {
  const review = reviewJob(asked);
  return { ...review, all: estimate(review.job, review.wiring, review.drawn), review };
};
const theYard = looked(yard());

test('what is bought in packs costs no more than any other number of packs, and is enough', () => {
  const any = fc.record({
    need: fc.integer({ min: 1, max: 400 }),
    price: fc.integer({ min: 1, max: 20_000 }),
    count: fc.integer({ min: 2, max: 120 }),
    packPrice: fc.integer({ min: 1, max: 900_000 }),
    singly: fc.boolean(),
  });
  fc.assert(
    fc.property(any, ({ need, price, count, packPrice, singly }) => {
      const got = boughtOf({ price, pack: { count, price: packPrice, singly } }, need);
      expect(got.packs * count + got.singles).toBeGreaterThanOrEqual(need);
      expect(got.over).toBe(got.packs * count + got.singles - need);
      expect(got.price).toBe(got.packs * packPrice + got.singles * price);
      if (!singly) expect(got.singles).toBe(0);
      for (let packs = 0; packs <= Math.ceil(need / count); packs++) {
        const singles = Math.max(0, need - packs * count);
        if (singly || singles === 0)
          expect(got.price).toBeLessThanOrEqual(packs * packPrice + singles * price);
      }
    }),
    { seed: 501 },
  );
});

test('the order asks for exactly what the wiring takes, aisle by aisle, and a part of it for no more', () => {
  for (const [at, asked] of [yard(), ...fc.sample(anyFullJob, { seed: 77, numRuns: 8 })].entries())
    naming(`job ${at}`, () => {
      const { job, all, review } = looked(asked);
      const { lines, total } = orderLines(job, all);
      const wired = lines.filter(({ aisle }) => aisle !== 'luminaires');
      expect(wired.map(({ name, need }) => [name, need]).sort()).toEqual(
        all.takeOff.lines.map(({ name, quantity }) => [name, quantity]).sort(),
      );
      // Every luminaire that hangs on a planned wire and was not there, once; a light under a fan comes with the fan.
      const hung = job.luminaires.filter(
        (one) =>
          one.partOf === null &&
          one.unit !== 'onward' &&
          !hasLuminaire(job, one.id) &&
          luminairesIn(review.wiring).has(one.id),
      );
      expect(lines.flatMap(({ luminaires }) => luminaires).sort()).toEqual(hung.map(({ id }) => id).sort());
      expect(total).toBe(lines.reduce((sum, { price }) => sum + (price ?? 0), 0));
      expect(materialUsed(job, { lines })).toBe(all.takeOff.total);
      // All circuits together are the whole job; each alone is not more of anything.
      const parts = job.circuits.map(({ id }) => partOf([reviewCircuit(review, id)]));
      const whole = new Map(lines.map(({ key, need }) => [key, need]));
      for (const part of parts)
        for (const { key, need, uses } of orderLines(job, all, part).lines) {
          expect(need).toBeLessThanOrEqual((whole.get(key) ?? 0) + 1e-9);
          expect(uses.every(({ at: place }) => part.boxes.has(place) || part.cables.has(place))).toBe(true);
        }
    });
});

test('luminaires come from the owner until the shop pays for them; then one more of the kind is paid for alike', () => {
  const { job, all } = theYard;
  const { lines, total, unpriced } = orderLines(job, all);
  const hung = lines.filter(({ aisle }) => aisle === 'luminaires');
  expect(unpriced).toEqual([]);
  expect(hung.length).toBeGreaterThan(1);
  expect(hung.every(({ fromOwner, price }) => fromOwner && price === 0)).toBe(true);
  const [kind] = hung;
  const [first] = kind?.luminaires ?? [];
  if (!kind || !first) throw new Error('nothing is hung');
  expect(kind.need).toBeGreaterThan(1);
  // Told of one of them, it is told of the kind.
  const bought = orderLines(setLuminairePrice(job, [first], 380_000), all);
  expect(bought.lines.find(({ key }) => key === kind.key)).toMatchObject({
    ...{ fromOwner: false, price: kind.need * 380_000, how: String(kind.need) },
  });
  expect(bought.total).toBe(total + kind.need * 380_000);
  const back = setLuminairePrice(setLuminairePrice(job, kind.luminaires, 1), kind.luminaires, null);
  expect(orderLines(back, all)).toEqual(orderLines(job, all));
});

test('what is in the truck is not bought, what is added by hand is, and what came is counted', () => {
  const { job, all } = theYard;
  const { lines } = orderLines(job, all);
  const cable = lines.find(({ aisle }) => aisle === 'cable');
  const lever = lines.find(({ aisle }) => aisle === 'connectors');
  if (!cable?.article || !lever?.article) throw new Error('no such lines');
  const line: ExtraLine = {
    id: 'x',
    aisle: 'other',
    name: 'Anchors',
    quantity: 4,
    unit: 'each',
    price: 2_500,
  };
  const carried = addExtra(
    setFromTruck(setFromTruck(job, cable.article, cable.need - 10), lever.article, 9_999),
    line,
  );
  const record: SiteRecord = {
    ...{ id: 'r1', kind: 'delivered', version: 1, body: { count: 3 }, retracts: null, by: 'JS' },
    about: { kind: 'article', id: 'x', wiring: null, revision: null, hash: null },
    at: '2026-01-05T08:00:00.000Z',
  };
  const order = orderLines(carried, all, null, [record]);
  const of = (key: string) => order.lines.find((one) => one.key === key);
  expect(of(cable.key)).toMatchObject({ inTruck: cable.need - 10, buy: 10, how: '10 ft' });
  expect(of(lever.key)).toMatchObject({ inTruck: lever.need, buy: 0, how: '', price: 0 });
  expect(of('x')).toMatchObject({ buy: 4, price: 10_000, delivered: 3, byHand: true });
  // Of a circuit alone what was added by hand is no part, and the truck is there for all of them.
  const parts = job.circuits.map(({ id }) => partOf([reviewCircuit(theYard.review, id)]));
  for (const part of parts)
    expect(
      orderLines(carried, all, part).lines.every(({ inTruck, byHand }) => inTruck === 0 && !byHand),
    ).toBe(true);
  expect(orderLines(carried, all, { boxes: new Set(), cables: new Set() }).lines).toEqual([]);
  expect(removeExtra(carried, 'x').order.extra).toEqual([]);
  expect(setFromTruck(carried, lever.article, 0).order.fromTruck).not.toHaveProperty(lever.article);
});

test('a length of cable is bought by the coil where that is less', () => {
  const { job, all } = theYard;
  const [line] = orderLines(job, all).lines;
  const cheap = {
    ...job,
    stock: job.stock.map((one) =>
      one.id === line?.article && one.kind === 'cable' ? { ...one, coilPrice: 10_000 } : one,
    ),
  };
  const coil = orderLines(cheap, all).lines[0];
  expect(coil?.how).toMatch(/^\d+ coils? of 250 ft$/);
  expect((coil?.buy ?? 0) + (coil?.over ?? 0)).toBeCloseTo(250 * Number(coil?.how.split(' ')[0]), 6);
});

test('an article that is not to be had is planned no more: another takes its place, and what was chosen by hand stays', () => {
  const { job, all } = theYard;
  const used = (one: Job, id: string) => looked(one).all.takeOff.lines.some(({ article }) => article === id);
  const byProgram = all.takeOff.lines.find(
    ({ kind, uses }) =>
      kind === 'box' && uses.every(({ at }) => job.boxes.find(({ id }) => id === at)?.article === null),
  );
  const box = byProgram?.article as ArticleId;
  const without = setAbsent(job, box, true);
  expect(used(without, box)).toBe(false);
  expect(looked(without).findings.filter(({ severity }) => severity === 'unfinished')).toEqual([]);
  expect(used(setAbsent(without, box, false), box)).toBe(true);
  const chosen = {
    ...without,
    boxes: without.boxes.map((one) => (one.id === byProgram?.uses[0]?.at ? { ...one, article: box } : one)),
  };
  expect(used(chosen, box)).toBe(true);
  // It is told to be asked for all the same.
  const { job: told, all: kept } = looked(chosen);
  expect(
    orderLines(told, kept)
      .lines.filter(({ absent }) => absent)
      .map(({ article }) => article),
  ).toEqual([box]);
});

test('cables are pulled circuit by circuit from where power enters, and no cable before one that leads to it', () => {
  const { job, wiring, drawn, all } = theYard;
  const order = pullingOrder(job, wiring, drawn, all.cuts);
  expect([...order].map(({ cable }) => cable).sort()).toEqual(all.cuts.map(({ cable }) => cable).sort());
  const reached = new Set<string>(['panel']);
  for (const box of job.boxes) if (box.work === 'existing') reached.add(box.id);
  for (const { from, to } of order) {
    expect(reached.has(from) || reached.has(to)).toBe(true);
    reached.add(from).add(to);
  }
});

test('a number that was printed stays with its cable and is never given again', () => {
  const { job, wiring, drawn, all } = theYard;
  const cuts = pullingOrder(job, wiring, drawn, all.cuts);
  const anyDrop = fc.array(fc.array(fc.nat({ max: cuts.length - 1 }), { maxLength: 6 }), {
    minLength: 1,
    maxLength: 5,
  });
  fc.assert(
    fc.property(anyDrop, (rounds) => {
      let printed = job;
      const given = new Map<number, CableId>();
      for (const dropped of rounds) {
        const here = cuts.filter((_one, i) => !dropped.includes(i));
        const numbers = tagNumbers(printed, here);
        expect(new Set(numbers.values()).size).toBe(here.length);
        for (const [cable, number] of numbers) {
          expect(given.get(number) ?? cable).toBe(cable);
          given.set(number, cable);
        }
        printed = withNumbers(printed, numbers);
      }
    }),
    { seed: 4, numRuns: 60 },
  );
});

test('what is cut or pulled falls open when its length or its places change, and when nothing of it does not', () => {
  const { all, id } = theYard;
  const [cut, other] = all.cuts;
  if (!cut?.length || !other) throw new Error('no cuts');
  const record = (kind: 'cut' | 'pulled'): SiteRecord => ({
    ...{ id: kind, kind, version: 1, body: { length: cut.length?.cut ?? 0 }, retracts: null, by: '' },
    about: { kind: 'cable', id: cut.cable, wiring: id, revision: 3, hash: cutHash(cut) },
    at: '2026-01-05T08:00:00.000Z',
  });
  const stateOf = cutStates([record('cut')], { id, planned: true });
  expect(stateOf(cut)).toMatchObject({ cut: 'done', pulled: 'open' });
  expect(stateOf(other)).toMatchObject({ cut: 'open', pulled: 'open' });
  expect(stateOf({ ...cut, length: { ...cut.length, cut: cut.length.cut + 6 } }).cut).toBe('changed');
  expect(stateOf({ ...cut, tags: { from: 'a', to: 'b' } }).cut).toBe('done');
  expect(cutStates([record('pulled')], { id: 'other', planned: false })(cut).pulled).toBe('open');
});

test('labour by room and by kind is all of it, and a customer is asked for no sum that rests on something unknown', () => {
  const { job, wiring, all } = theYard;
  const labour = labourShare(job, wiring, all.labour);
  const sum = (list: readonly { minutes: number }[]) =>
    list.reduce((total, { minutes }) => total + minutes, 0);
  expect(sum(labour.byKind)).toBeCloseTo(all.labour.minutes, 6);
  expect(sum(labour.byRoom)).toBeCloseTo(all.labour.minutes, 6);
  expect(labour.price).toBe(all.labour.total);
  const order = orderLines(job, all);
  const material = materialUsed(job, order);
  const priced = { ...order, unmeasured: [], unpriced: [], guessed: [] };
  expect(customerSum(job, priced, labour, material).total).toBe(all.cost);
  const terms = setTerms(job, { markup: 20, contingency: 10, tax: 8, taxOn: 'all' });
  const asked = customerSum(terms, priced, { price: 1_000_000 }, 500_000);
  // 50 and 20 % on it, 100 of labour, 10 % on both, 8 % on all of it.
  expect(asked).toMatchObject({ markup: 100_000, contingency: 160_000, tax: 140_800, total: 1_900_800 });
  expect(customerSum(setTerms(terms, { taxOn: 'material' }), priced, { price: 1_000_000 }, 500_000).tax).toBe(
    48_000,
  );
  const unknown = customerSum(
    job,
    { ...priced, unmeasured: ['c' as CableId], unpriced: ['Anchors'] },
    labour,
    material,
  );
  expect(unknown).toMatchObject({ total: null, unknown: ['a run has no length', 'Anchors has no price'] });
  expect(customerSum(job, { ...priced, guessed: ['c' as CableId] }, labour, material)).toMatchObject({
    about: true,
  });
});

test('tables hold what the lists hold, and a text that looks like a formula stays a text', () => {
  const { job, all } = theYard;
  const numbers = tagNumbers(job, all.cuts);
  const rows = cutSheet(job, all.cuts, numbers);
  expect(rows).toHaveLength(all.cuts.length + 1);
  const [first] = all.cuts;
  expect(rows[1]?.slice(0, 6)).toEqual([
    ...[numbers.get(first?.cable as CableId), first?.name],
    ...[expect.any(String), expect.any(String), first?.length?.cut, feetInches(first?.length?.cut ?? 0)],
  ]);
  expect(tagsOf(job, all.cuts, numbers)).toHaveLength(2 * all.cuts.length);
  expect(takeOffSheet(orderLines(job, all).lines)).toHaveLength(orderLines(job, all).lines.length + 1);
  expect(
    csvOf([
      ['a', 'b'],
      ['=1+1', 'says "hi", twice'],
    ]),
  ).toBe('\uFEFFa,b\r\n"\'=1+1","says ""hi"", twice"\r\n');
});

test('a wide cable that is not to be had makes the plan change: every circuit is wired without it, and its price is told', () => {
  const { job, wiring } = theYard;
  const wide = '14-4' as ArticleId;
  const used = (one: typeof wiring) =>
    one.cables.some(({ article, existing }) => !existing && article === wide);
  expect(used(wiring)).toBe(true);
  const { job: changed, outcome } = notToHave(job, wide);
  const after = looked(changed);
  expect(used(after.wiring)).toBe(false);
  expect(after.plans.filter(({ outcome: { ok } }) => !ok).map(({ circuit }) => circuit.id)).toEqual(
    theYard.plans.filter(({ outcome: { ok } }) => !ok).map(({ circuit }) => circuit.id),
  );
  expect(after.proofs.every(({ working, positions }) => working === positions)).toBe(true);
  expect(outcome.cost).toBe(after.all.cost - theYard.all.cost);
});

test('another article goes wherever a new one of a line went, and nowhere else', () => {
  const { job, wiring, all } = theYard;
  const three = wiring.devices.find(({ box }) => box === 'creek-end')!.article;
  for (const article of [three, wiring.boxes['creek-end' as BoxId]![0]!]) {
    const line = (from: typeof all) => from.takeOff.lines.find((one) => one.article === article);
    const need = line(all)?.quantity ?? 0;
    expect(need).toBeGreaterThan(0);
    const others = replacementsOf(job, article);
    expect(others.length).toBeGreaterThan(0);
    expect(others.map(({ id }) => id)).not.toContain(article);
    const by = others.at(-1)!;
    const had = all.takeOff.lines.find((one) => one.article === by.id)?.quantity ?? 0;
    const after = looked(replaced(job, article, by.id).job);
    expect(line(after.all)).toBeUndefined();
    expect(after.all.takeOff.lines.find((one) => one.article === by.id)?.quantity).toBe(had + need);
    expect(after.proofs.every(({ working, positions }) => working === positions)).toBe(true);
  }
  // What is chosen by the plan, not by the place, has nothing to be put in its stead.
  expect(replacementsOf(job, job.stock.find(({ kind }) => kind === 'cable')!.id)).toEqual([]);
});

test('a number that was printed stands on the sheath in the picture and in the step that pulls it; before, none does', () => {
  const { job, wiring } = theYard;
  const box = 'creek-end' as BoxId;
  const sheaths = (one: Job) => drawBox(one, wiring, box).cables.map(({ lines }) => lines.join(' '));
  const pulled = (one: Job) =>
    makeUpSteps(one, wiring, theYard.drawn, box)
      .steps.filter(({ text }) => text.startsWith('Pull the'))
      .map(({ text }) => text);
  const said = (one: Job) =>
    [...sheaths(one), ...pulled(one)].filter((text) => /no\. \d+|number \d+, to/.test(text));
  expect(said(job)).toEqual([]);
  const numbered = withNumbers(job, tagNumbers(job, theYard.all.cuts));
  const here = wiring.cables.filter(({ from, to }) => from === box || to === box);
  const numbers = here.map(({ id }) => numbered.order.numbers[id]);
  expect(
    sheaths(numbered)
      .map((text) => Number(/no\. (\d+)/.exec(text)?.[1]))
      .sort((a, b) => a - b),
  ).toEqual([...numbers].sort((a = 0, b = 0) => a - b));
  for (const text of pulled(numbered)) expect(numbers).toContain(Number(/number (\d+), to/.exec(text)?.[1]));
  expect(pulled(numbered).length).toBeGreaterThan(0);
});

test('an id that is a word of the language has no number and nothing in the truck by itself', () => {
  const { job, all } = theYard;
  const [cut] = all.cuts;
  if (!cut) throw new Error('no cuts');
  const strange = { ...cut, cable: 'constructor' as CableId };
  expect(tagNumbers(job, [strange]).get(strange.cable)).toBe(1);
  const takeOff = {
    ...all.takeOff,
    lines: all.takeOff.lines.map((line) => ({ ...line, article: 'toString' as ArticleId })),
  };
  for (const { inTruck } of orderLines(job, { ...all, takeOff }).lines) expect(inTruck).toBe(0);
});
