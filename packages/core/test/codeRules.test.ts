import {
  EDITIONS,
  faultsOf,
  withFault,
  fillOf,
  inspect,
  planJob,
  RULES,
  smallestForWorksheet,
  standardStock,
  wiringOrEmpty,
  type Finding,
  type JudgedEdition,
} from '../src/index.js';
import { worksheetSchema } from '../src/formats/worksheet.js';
import { inspectedOf } from '../src/code/inspected.js';
import { jobOf } from './support/jobs.js';
import { boxCases } from './support/ruleCases/boxCases.js';
import {
  of,
  single,
  changed,
  asFed,
  withoutGround,
  twoCircuits,
  joinSplices,
  tapped,
  besides,
  strayNeutral,
  editCircuits,
  editBoxes,
  editLuminaires,
  type Case,
  type RuleCases,
} from './support/ruleCases/builders.js';
import { electricalCases } from './support/ruleCases/electricalCases.js';
import { placeCases } from './support/ruleCases/placeCases.js';

const cases: RuleCases = { ...electricalCases, ...boxCases, ...placeCases };

/** The edition is asked of the inspection; the wiring is what it is. */
const found = ({ job, wiring }: Case, edition: JudgedEdition = job.edition): Finding[] =>
  inspect(job, wiring, { edition });
const rulesOf = (one: Case, edition?: JudgedEdition) => found(one, edition).map((finding) => finding.rule);

/** Two rules have tests of their own, with the editions that they turn on. */
const ELSEWHERE = ['neutral-at-switch', 'reidentified-white'];

test('every rule has a case that trips it and one that does not', () => {
  expect([...Object.keys(cases), ...ELSEWHERE].sort()).toEqual(RULES.map((rule) => rule.id).sort());
});

describe.each(Object.entries(cases))('%s', (id, { trips, passes }) => {
  test.each(trips)('%s trips it', (_what, one) => {
    const all = found(one).filter((finding) => finding.rule === id);
    expect(all.length).toBeGreaterThan(0);
    for (const { title, reason, remedy, severity } of all) {
      for (const text of [title, reason, remedy]) expect(text.trim()).not.toBe('');
      expect(RULES.find((rule) => rule.id === id)?.severities).toContain(severity);
    }
  });
  test.each(passes)('%s does not', (_what, one) => {
    expect(rulesOf(one)).not.toContain(id);
  });
});

test('a rule asks for nothing but what it says that it needs', () => {
  for (const { trips, passes } of Object.values(cases))
    for (const [, { job, wiring }] of [...trips, ...passes])
      for (const rule of RULES) {
        const { asks, judged } = rule.judge(inspectedOf(job, wiring, job.edition));
        const wanted = [
          ...asks.map((one) => one.ask),
          ...judged.flatMap(({ finding }) => finding.questions.map((q) => q.kind)),
        ];
        for (const kind of wanted) expect([rule.id, rule.asks.includes(kind)]).toEqual([rule.id, true]);
      }
});

describe('where editions differ', () => {
  const severityBy = (one: Case, rule: string, edition: JudgedEdition) =>
    found(one, edition).find((finding) => finding.rule === rule)?.severity;

  test('a two-wire loop: nothing in 2008, a violation from 2011 on', () => {
    const loop = of({ runs: ['F-L', 'L-S1'], neutralAt: [] });
    expect(severityBy(loop, 'neutral-at-switch', 2008)).toBeUndefined();
    for (const edition of EDITIONS) expect(severityBy(loop, 'neutral-at-switch', edition)).toBe('violation');
  });
  test('a loop for a pair that sees the whole floor: all in 2011, read literally in 2014, one from 2017', () => {
    const loop = of({ runs: ['F-L', 'L-S1', 'S1-S2'], neutralAt: ['S1'], visible: 'yes' });
    const by = EDITIONS.map((edition) => severityBy(loop, 'neutral-at-switch', edition));
    expect(by).toEqual(['violation', 'caution', undefined, undefined, undefined]);
  });
  test('torque from 2017, the garage circuit from 2017, kitchens under arc-fault protection from 2014', () => {
    expect(rulesOf(of(single), 2014)).not.toContain('terminal-torque');
    expect(rulesOf(of(single), 2017)).toContain('terminal-torque');
    expect(rulesOf(tapped('garage'), 2014)).not.toContain('garage-circuit');
    const kitchen = changed(jobOf({ ...single, roomKind: 'kitchen' }), (job) =>
      editCircuits(job, () => ({ afci: 'no' })),
    );
    expect(rulesOf(kitchen, 2011)).not.toContain('arc-fault');
    expect(rulesOf(kitchen, 2014)).toContain('arc-fault');
  });
  test('sections move: one neutral for one circuit, parallel paths, circuits in a box', () => {
    const section = (one: Case, rule: string, edition: JudgedEdition) =>
      found(one, edition).find((finding) => finding.rule === rule)?.section;
    const joined = joinSplices(twoCircuits(), 'S1/c1/N', 'S1/c2/N');
    expect(section(joined, 'neutral-one-circuit', 2011)).toBe('200.4');
    expect(section(joined, 'neutral-one-circuit', 2014)).toBe('200.4(A)');
    expect(section(besides(), 'parallel-paths', 2017)).toBe('310.10(H)');
    expect(section(besides(), 'parallel-paths', 2020)).toBe('310.10(G)');
    expect(section(twoCircuits(), 'circuits-in-box', 2011)).toBe('');
  });
  test('five grounds in a box: a quarter more from 2020', () => {
    const five = changed(jobOf({ runs: ['F-J1', 'J1-S1', 'J1-L1', 'J1-L2', 'J1-L3'] }), (job) => ({
      ...editBoxes(job, (box) =>
        box.id === 'J1' ? { article: 'just' as never, staysAccessible: 'yes' } : {},
      ),
      // 11 conductors and the grounds of five cables: 24.0 in³ until 2017, 24.5 from 2020.
      stock: job.stock.flatMap((one) =>
        one.id === 'ceiling-20' && one.kind === 'box'
          ? [one, { ...one, id: 'just' as never, volume: 240_000 }]
          : [one],
      ),
    }));
    expect(rulesOf(five, 2017)).not.toContain('box-volume');
    expect(rulesOf(five, 2020)).toContain('box-volume');
  });
});

test('a ring by the neutral bar is mended by parting the neutrals, never by capping one', () => {
  const joined = joinSplices(twoCircuits(), 'S1/c1/N', 'S1/c2/N');
  const [ring] = found(joined).filter(({ rule }) => rule === 'parallel-paths');
  expect(ring?.title).toContain('closes a ring by the neutral bar of the panel');
  expect(ring?.remedy).toContain('Part the neutrals');
  const [plain] = found(besides()).filter(({ rule }) => rule === 'parallel-paths');
  expect(plain?.remedy).toContain('cap this conductor');
});

test('a net current is a violation at a steel box and a caution among plastic ones', () => {
  const severity = (one: Case) =>
    found(one)
      .filter((finding) => finding.rule === 'conductors-together')
      .map((finding) => finding.severity);
  expect(new Set(severity(strayNeutral('plastic')))).toEqual(new Set(['caution']));
  expect(new Set(severity(strayNeutral('steel')))).toEqual(new Set(['violation']));
});

test('the voltage drop shows its arithmetic', () => {
  const [, drop] = cases['voltage-drop']?.trips[0] ?? [];
  if (!drop) throw new Error('no case');
  const finding = found(drop).find((one) => one.rule === 'voltage-drop');
  // Out and back over 240 ft of 14 AWG at 10 A: 4 x 120 ft x 3.07 ohm / 1000 ft x 10 A.
  expect(finding?.title).toContain('12.3 %');
  expect(finding?.reason).toContain(`120'-0" of 14 AWG x 3.07 ohm/1000 ft x 10.00 A = 3.68 V`);
  expect(finding?.reason).toContain('together 14.74 V of 120 V');
});

test('a crowded steel box is replaced by a larger one of steel, a plastic one by one of plastic', () => {
  const crowded = (article: string) => {
    const asked = editBoxes(jobOf({ runs: ['F-S1', 'S1-L', 'S1-L2', 'S1-L3'] }), (box) =>
      box.id === 'S1' ? { article: article as never } : {},
    );
    const job = planJob(asked).job;
    const [one] = inspect(job, wiringOrEmpty(job)).filter(({ rule }) => rule === 'box-volume');
    if (!one) throw new Error('it is not crowded');
    return one.remedy;
  };
  expect(crowded('steel-1-10.5')).toMatch(/^Use the (1-gang steel|Steel square)/);
  expect(crowded('wall-1-18')).toMatch(/^Use the 1-gang nonmetallic/);
});

test('the ground lead of a luminaire with a flat canopy counts with the grounds: beyond four from 2020', () => {
  const lamps = { runs: ['F-L', 'L-S1', 'L-A', 'L-B'] };
  const fill = (domedCanopy: boolean, edition: JudgedEdition) => {
    const job = planJob(editLuminaires(jobOf(lamps), ({ box }) => (box === 'L' ? { domedCanopy } : {}))).job;
    const { lines } = fillOf(job, wiringOrEmpty(job), 'L' as never, edition);
    return lines.find(({ what }) => what === 'extraGrounds')?.count ?? 0;
  };
  expect([fill(true, 2020), fill(false, 2020), fill(false, 2017)]).toEqual([0, 1, 0]);
});

describe('the smallest box of the stock for a worksheet', () => {
  const sheet = (conductors: number, yokes: number, edition: JudgedEdition = 2023) =>
    worksheetSchema.parse({
      ...{ worksheet: 1, name: 'Sail locker', edition, sections: [{ name: 'as found', volume: 100_000 }] },
      contents: {
        conductors: Array.from({ length: conductors }, () => 14),
        grounds: [14, 14],
        yokes: Array.from({ length: yokes }, () => ({ gangs: 1, awg: 14 })),
      },
    });
  const found = (...asked: Parameters<typeof sheet>) => {
    const { nonmetallic, steel } = smallestForWorksheet(sheet(...asked), standardStock());
    return [nonmetallic, steel].map((offer) => offer?.volume ?? null);
  };
  test('is the smallest of its kind that holds what is counted, its clamps among it', () => {
    // Four conductors, a ground and a yoke: 14 in³. The plastic one of 14 has clamps and would need 2 more, the one for masonry has none.
    expect(found(4, 1)).toEqual([160_000, 140_000]);
    expect(found(4, 1, 2008)).toEqual([160_000, 140_000]);
  });
  test('is none where none does', () => {
    expect(found(60, 1)).toEqual([null, null]);
  });
});

test('where the grounds of a box lead to no ground, no remedy joins anything to them', () => {
  const { job, wiring } = withoutGround(of(single));
  const told = inspect(job, asFed(wiring)).filter(({ rule }) => /grounded$/.test(rule));
  expect(told.map(({ rule }) => rule).sort()).toEqual(['luminaire-grounded', 'yoke-grounded']);
  for (const { remedy } of told) expect(remedy).toContain('mend that first, where they come from');
});

test('hot and neutral are exchanged at a luminaire only where what comes to it is right', () => {
  const remedies = (one: Case) =>
    found(one)
      .filter(({ rule }) => rule === 'shell-on-neutral')
      .map(({ remedy }) => remedy);
  const here = cases['shell-on-neutral']?.trips[0]?.[1];
  expect(here && remedies(here)).toEqual([expect.stringMatching(/^Exchange the two:/)]);
  const row = of({ runs: ['F-S1', 'S1-L', 'L-L2'] });
  // White and black of the cable that comes from the switch have changed splices in the first ceiling box.
  const exchanged = faultsOf(row.wiring, 'mixed').find(
    (one) =>
      one.kind === 'mixed' &&
      one.member === 0 &&
      one.other === 0 &&
      one.a === 'L/g1/SL' &&
      one.b === 'L/c1/N',
  );
  const wrong = exchanged && withFault(row.wiring, exchanged);
  if (!wrong?.ok) throw new Error('nothing to exchange');
  const upstream = remedies({ job: row.job, wiring: wrong.value });
  expect(upstream.length).toBeGreaterThan(0);
  for (const remedy of upstream) expect(remedy).toMatch(/^Do not exchange the two here/);
});

test('what switches and leaves a shell live says that; what does not switch says in how many positions it works', () => {
  const titleOf = (id: string) => {
    const [, one] = cases[id]?.trips[0] ?? [];
    return one && found(one).find(({ rule }) => rule === 'group-works')?.title;
  };
  expect(titleOf('switch-hot-only')).toContain(
    'it switches, and is dangerous: the shell of a luminaire is live',
  );
  expect(titleOf('group-works')).toMatch(/works in \d of 4 positions/);
});
