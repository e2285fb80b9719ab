import fc from 'fast-check';
import {
  compile,
  createSearch,
  inspect,
  isGroundColour,
  makeUpSteps,
  newRunFact,
  planJob,
  reviewJob,
  takeOff,
  wiringOrEmpty,
  type Job,
  type Wiring,
} from '../src/index.js';
import { leastCost } from '../src/search/prices/weights.js';
import { loadCodesOf, MOST_CLASSES } from '../src/search/prices/loadCodes.js';
import { NO_CONSTRAINTS } from '../src/search/orders.js';
import { anyFault, withFault } from './support/faults.js';
import { anyFullJob } from './support/fullJobs.js';
import { jobOf } from './support/jobs.js';
import { bareForRed } from './support/ruleCases/builders.js';
import { naming } from './support/samples.js';
import { holding, standing } from './support/told.js';

const planned = (asked: Job) => {
  const { job } = planJob(asked);
  const wiring = wiringOrEmpty(job);
  return { job, wiring, compiled: compile(wiring, job) };
};
const stepsAt = (asked: Job, box: string) => {
  const { job, wiring, compiled } = planned(asked);
  return makeUpSteps(job, wiring, compiled, box as never);
};

/** Every conductor, tail and jumper is as thick as its circuit asks; the own leads of luminaires are another matter. */
const thinnest = (job: Job, wiring: Wiring): string[] => {
  const sizeOf = (box: string) =>
    Math.max(
      ...job.slots
        .filter((slot) => slot.box === box)
        .map(
          ({ group }) =>
            job.circuits.find(({ id }) => id === job.groups.find((one) => one.id === group)?.circuit)?.awg ??
            14,
        ),
    );
  const [only, ...others] = job.circuits;
  return wiring.joints.flatMap((joint) =>
    joint.members.flatMap((member) => {
      if (!('pigtail' in member) || isGroundColour(member.pigtail.colour) || !only || others.length > 0)
        return [];
      return member.pigtail.awg > only.awg
        ? [`${member.pigtail.id}: ${member.pigtail.awg} of ${sizeOf(joint.box)}`]
        : [];
    }),
  );
};

describe('a net that stays inside one box', () => {
  /** A switch and the receptacle that it switches, in one two-gang box on 20 A. */
  const job = (): Job => {
    const one = jobOf({ runs: ['F-S1', 'S1-L'], breaker: 20, awg: 12 });
    return {
      ...one,
      boxes: one.boxes.map((box) => ({ ...box, article: null })),
      slots: [...one.slots, { ...one.slots[0]!, id: 'outlet' as never, gang: 1, role: 'receptacle' }],
      luminaires: [],
      choices: [{ ...one.choices[0]!, runs: [{ from: 'panel', to: 'S1' as never }] }],
    };
  };
  test('is a jumper in the size of the circuit, bought so, and landed at both ends without being capped first', () => {
    const { job: made, wiring } = planned(job());
    const jumper = wiring.joints.find(
      ({ members: [only, ...more] }) => more.length === 0 && only && 'pigtail' in only,
    );
    expect(jumper?.members[0]).toMatchObject({ pigtail: { awg: 12, colour: 'red' } });
    expect(takeOff(made, wiring).lines.map((line) => line.name)).toContain('12 AWG solid wire, red');
    expect(
      takeOff(made, wiring)
        .lines.map((line) => line.name)
        .join(),
    ).not.toContain('14 AWG solid');
    const { steps } = stepsAt(job(), 'S1');
    const about = steps.filter((step) => step.text.includes('red 12 AWG jumper'));
    expect(about.map((step) => step.phase)).toEqual(['devices', 'devices']);
    expect(steps.filter((step) => step.text.startsWith('Cap'))).toEqual([]);
    // A thinner one is a violation, wherever it is.
    const thin: Wiring = {
      ...wiring,
      joints: wiring.joints.map((joint) => ({
        ...joint,
        members: joint.members.map((member) =>
          'pigtail' in member ? { pigtail: { ...member.pigtail, awg: 14 as const } } : member,
        ),
      })),
    };
    expect(inspect(made, wiring).filter((one) => one.rule === 'conductor-to-breaker')).toEqual([]);
    const found = inspect(made, thin).find((one) => one.rule === 'conductor-to-breaker');
    expect(found).toMatchObject({ severity: 'violation', title: 'S1, a tail: 14 AWG on a 20 A breaker' });
  });
  test('no tail or jumper of any job is thinner than its circuit', () => {
    fc.sample(anyFullJob, { seed: 1313, numRuns: 150 }).forEach((asked, at) =>
      naming(`case ${at}`, () => {
        const { job: made, wiring } = planned(asked);
        expect(thinnest(made, wiring)).toEqual([]);
      }),
    );
  });
});

describe('a bare wire that carries something else', () => {
  const job = planJob(jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'], visible: 'yes' })).job;
  const wiring = bareForRed('S1', 'S2')(wiringOrEmpty(job));
  test('is a violation of 250.119, and no remedy joins it to the grounds', () => {
    const findings = inspect(job, wiring);
    const about = findings.filter((one) => one.rule === 'ground-colour');
    expect(about.map((one) => [one.section, one.at.box])).toEqual([
      ['250.119', 'S1'],
      ['250.119', 'S2'],
    ]);
    expect(about[0]?.title).toContain('carries a traveler');
    expect(findings.filter((one) => one.rule === 'grounds-joined')).toEqual([]);
  });
  test('in whatever wiring: where a bare wire is joined to what is no ground, nothing is to be joined to the grounds', () => {
    let seen = 0;
    fc.sample(fc.tuple(anyFullJob, fc.array(anyFault, { minLength: 1, maxLength: 3 })), {
      seed: 404,
      numRuns: 120,
    }).forEach(([asked, faults], at) =>
      naming(`case ${at}`, () => {
        const { job: made, wiring: sound } = planned(asked);
        const findings = inspect(made, faults.reduce(withFault, sound));
        const bad = new Set(findings.filter((one) => one.rule === 'ground-colour').map((one) => one.at.box));
        for (const { at: where, remedy, rule } of findings) {
          if (!bad.has(where.box) || where.box === undefined) continue;
          seen += 1;
          expect([rule, /Join all grounds|splice of grounds|to the grounds of the box/.test(remedy)]).toEqual(
            [rule, false],
          );
        }
      }),
    );
    expect(seen).toBeGreaterThan(20);
  });
});

describe('steps', () => {
  test('of a return run: the two neutrals are named, stay apart, and a caution stands at the box', () => {
    const { steps, cautions } = stepsAt(jobOf({ runs: ['F-L', 'L-S1', 'S1-S2', "S2-L'"] }), 'L');
    const apart = steps.find((step) => step.id === 'L/apart/c1');
    expect(apart?.text).toMatch(
      /the white of the 14\/2 to panel and the white of the 14\/2 to S1; apart from the white of the 14\/2 to S2/,
    );
    expect(apart?.caution).toContain('stay apart');
    expect(cautions).toEqual([apart?.text]);
    const splices = steps.filter((step) => step.text.startsWith('Join the neutrals'));
    expect(splices).toHaveLength(2);
    for (const step of splices) {
      expect(step.text).toContain(' Not with the white of ');
      expect(step.why).not.toContain('stay together');
    }
    // Elsewhere nothing is said of it.
    const plain = stepsAt(jobOf({ runs: ['F-L', 'L-S1'] }), 'L');
    expect([plain.cautions, plain.steps.filter((step) => step.id.includes('/apart/'))]).toEqual([[], []]);
  });
  test('both travelers are tagged, and cables of one name are told by circuit and duty', () => {
    const { steps } = stepsAt(jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'] }), 'S2');
    const texts = steps.filter((step) => step.id.includes('/cable/')).map((step) => step.text);
    expect(texts[0]).toContain('Move the tag from the sheath to both travelers, black and red.');
    expect(texts[1]).toContain('Move the tag from the sheath to its switch leg, the black.');
    // One switch, power at the light and the switch leg back by a cable of its own: two 14/2 to the same box.
    const twice = stepsAt(jobOf({ runs: ['F-L', 'L-S1', "S1-L'"] }), 'S1');
    const named = twice.steps
      .filter((step) => step.id.includes('/cable/'))
      .map((step) => /the (14\/2 to L \([^)]*\))/.exec(step.text)?.[1]);
    expect(named.sort()).toEqual(['14/2 to L (hot)', '14/2 to L (switch leg)']);
  });
  test('dead is proved with the box open and nothing touched, with every handle both ways; new work has nothing to see lit', () => {
    const job = jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'] });
    const old = holding(
      standing({
        ...job,
        boxes: job.boxes.map((box) => ({ ...box, work: 'existing' })),
      }),
      Object.fromEntries(job.boxes.map(({ id }) => [id, {}])),
    );
    const before = (one: Job) =>
      stepsAt(one, 'S1').steps.filter((step) => step.phase === 'dead' || step.phase === 'proof');
    const there = before(old);
    expect(there.map((step) => step.id)).toEqual(['S1/lit', 'S1/dead', 'S1/proof']);
    expect(there[0]?.text).toContain('see it lit');
    expect(there[1]?.text).toContain('See it go dark');
    expect(there[1]?.text).not.toContain('Test every');
    expect(there[2]?.text).toMatch(
      /plate .* off, ease the device out .* whites and travelers too, with every handle of Lights in both positions\. Prove the tester again/,
    );
    expect(there[2]?.caution).toContain('An open or missing ground proves nothing');
    expect(before(job).map((step) => step.id)).toEqual(['S1/dead', 'S1/proof']);
    const { otherEnds } = stepsAt(old, 'S1');
    expect(otherEnds.find((one) => one.place === 'panel')?.caution).toContain(
      'the supply terminals stay live',
    );
    expect(otherEnds.filter((one) => one.place !== 'panel').map((one) => one.caution)).toEqual([null]);
  });
});

describe('a hub', () => {
  /** A switch at a big box, from which six wall lights and the feed go off: seven runs at one place. */
  const star = (lights: number): Job => {
    const names = Array.from({ length: lights }, (_, i) => `L${i + 1}`);
    const job = jobOf({ runs: ['F-J1', 'J1-S1', ...names.map((name) => `J1-${name}`)] });
    const far = (a: string, b: string) =>
      newRunFact({ between: [a, b], length: [a, b].includes('J1') ? 60 : 600 });
    const places = ['panel', 'J1', 'S1', ...names];
    return {
      ...job,
      boxes: job.boxes.map((box) => ({ ...box, article: box.id === 'J1' ? ('square-42' as never) : null })),
      runFacts: places.flatMap((a, i) => places.slice(i + 1).map((b) => far(a, b))),
    };
  };
  test('of eight runs at one box is found and proved', () => {
    const job = star(6);
    const [circuit] = job.circuits;
    if (!circuit) throw new Error();
    const search = createSearch({ ...job, choices: [] }, circuit, {
      weights: leastCost(job),
      constraints: NO_CONSTRAINTS,
    }).least({ mostSteps: 1e8 });
    expect(search.proved).toBe(true);
    const hub = search.best?.settled.nodes.findIndex((node) => node === 'J1') ?? -1;
    const degree = [...(search.best?.tree.parents ?? [])].filter((parent) => parent === hub).length;
    expect(degree).toBe(7);
    expect(reviewJob(job).plans[0]?.outcome.ok).toBe(true);
  });
  test('loads are read as they were written, whatever is summed up at a node', () => {
    fc.assert(
      fc.property(
        fc.record({
          classes: fc.integer({ min: 2, max: MOST_CLASSES }),
          widest: fc.integer({ min: 1, max: 12 }),
          existing: fc.integer({ min: 0, max: 24 }),
          runs: fc.integer({ min: 1, max: 20 }),
        }),
        fc.infiniteStream(fc.nat({ max: 1_000_000 })),
        (size, numbers) => {
          const codes = loadCodesOf(size);
          const next = (count: number) => (numbers.next().value as number) % count;
          const ends = Array<number>(size.classes).fill(0);
          let code = 0;
          const sum = { cables: 0, insulated: 0, spares: next(size.existing + 1) };
          code += codes.trunkOf({ cables: 0, insulated: 0, spares: sum.spares });
          // One run more than a node may have: the sum is made before it is refused.
          for (let run = 0; run <= codes.mostRuns; run++) {
            const crossing = next(2 ** size.classes);
            const trunk = { cables: 1, insulated: size.widest, spares: next(size.widest + 1) };
            for (let i = 0; i < size.classes; i++) if ((crossing >> i) & 1) ends[i] = (ends[i] ?? 0) + 1;
            code += codes.loadOfRun(crossing, trunk);
            sum.cables += 1;
            sum.insulated += trunk.insulated;
            sum.spares += trunk.spares;
          }
          expect(Number.isSafeInteger(code)).toBe(true);
          expect([codes.cablesOf(code), codes.insulatedOf(code), codes.sparesOf(code)]).toEqual([
            sum.cables,
            sum.insulated,
            sum.spares,
          ]);
          // Each table gives the number itself, in a place of its own.
          for (let i = 0; i < size.classes; i++) {
            const tables = Array.from({ length: size.classes }, (_, at) =>
              Float64Array.from({ length: 16 }, (__, count) => (at === i ? count : 0)),
            );
            expect(codes.overEnds(code, tables)).toBe(ends[i]);
          }
        },
      ),
      { seed: 16, numRuns: 400 },
    );
  });
});
