import { JOB_FORMAT } from '../src/model/job.js';
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import {
  cablesThere,
  othersIn,
  articleOf,
  compile,
  conductorKey,
  evaluate,
  findPlans,
  jobShape,
  leastChange,
  makeUpSteps,
  newCircuit,
  newJob,
  newRunFact,
  planJob,
  readJob,
  reviewJob,
  standardStock,
  wiringOrEmpty,
  type Job,
  type JobId,
  type Wiring,
} from '../src/index.js';
import { anyFullJob } from './support/fullJobs.js';
import { jobOf } from './support/jobs.js';
import { twoCircuits, withOldHomeRun } from './support/ruleCases/builders.js';
import { naming } from './support/samples.js';
import { holding, lying, standing, type Lies } from './support/told.js';

const lies = (
  id: string,
  article: string,
  between: [string, string],
  circuit: string | null = 'c1',
): Lies => ({ id, article, circuit, between });

const stateOf = (job: Job) => {
  const planned = planJob(job).job;
  const wiring = wiringOrEmpty(planned);
  const compiled = compile(wiring, planned);
  const { nets } = evaluate(compiled, {});
  return {
    job: planned,
    wiring,
    compiled,
    of: (cable: string, colour: 'black' | 'white' | 'red') =>
      nets[compiled.netOf(conductorKey(cable as never, colour)) ?? -1],
  };
};

describe('an old cable from the panel that nothing uses', () => {
  test.each(['c1', null])('is live from its breaker, or from one that nobody has named (%s)', (circuit) => {
    const { job, wiring, compiled, of } = stateOf(withOldHomeRun(circuit));
    expect(of('old', 'black')).toBe('live');
    expect(of('old', 'white')).toBe('neutral');
    const finding = reviewJob(job).findings.find((one) => one.rule === 'cable-left-live');
    expect(finding).toMatchObject({ severity: 'caution', at: { box: 'L', cable: 'old' } });
    const { steps, cautions } = makeUpSteps(job, wiring, compiled, 'L' as never);
    const step = steps.find((one) => one.id === 'L/live/old/whole');
    expect(step?.phase).toBe('dead');
    expect(step?.text).toContain(circuit === null ? 'a breaker that nobody has named' : 'live from Lights');
    expect(step?.caution).toContain('the supply terminals stay live with the main off');
    expect(cautions.join()).toContain('live from');
    const cap = steps.find((one) => one.text.startsWith('Cap the black of the 14/2 to panel'));
    expect(cap?.caution).toContain('It is live until its breaker is off');
  });
  test('a spare hot of one that is in use may be live too', () => {
    const { of } = stateOf(lying(jobOf({ runs: ['F-S1', 'S1-L'] }), [lies('old', '14-3', ['panel', 'S1'])]));
    expect(of('old', 'black')).toBe('live');
    expect(of('old', 'red')).toBe('live');
  });
  test('of a new cable the spare is dead', () => {
    const job = jobOf({ runs: ['F-S1', 'S1-L'] });
    const wide = { ...job, stock: job.stock.filter((one) => one.id !== '14-2') };
    expect(stateOf(wide).of('cable:c1:panel>S1', 'red')).toBe('floating');
  });
});

describe('the wires of a cable whose circuit is not planned stay as they are', () => {
  /** One box of two circuits, of which the other has old cables at which nobody has looked, and no way. */
  const shared = (): Job => {
    const { job } = twoCircuits();
    const asked = { ...job, choices: job.choices.filter(({ circuit }) => circuit !== 'c2'), wirings: [] };
    return lying(asked, [
      lies('home', '14-2', ['panel', 'S1'], 'c2'),
      lies('on', '14-2', ['S1', 'L2'], 'c2'),
    ]);
  };
  const capped = (wiring: Wiring, cable: string) =>
    wiring.joints.filter(
      ({ members: [only, ...more] }) =>
        only && more.length === 0 && 'end' in only && only.end.cable === cable,
    );
  test('nobody is told to cap what may serve something, nor that nothing uses it', () => {
    const { job, wiring, compiled, of } = stateOf(shared());
    expect([capped(wiring, 'home'), capped(wiring, 'on')]).toEqual([[], []]);
    expect(of('home', 'black')).toBe('live');
    expect(of('on', 'black')).toBe('unknown');
    const { findings, proofs } = reviewJob(job);
    expect(findings.filter(({ rule }) => rule === 'cable-left-live')).toEqual([]);
    // What is planned in the same box is proved all the same.
    expect(proofs.map(({ group, working, positions }) => [group, working, positions])).toEqual([
      ['g1', 2, 2],
    ]);
    const texts = makeUpSteps(job, wiring, compiled, 'S1' as never).steps.map(({ text }) => text);
    expect(texts.filter((text) => /^Cap|used by nothing|Nothing uses/.test(text))).toEqual([]);
    expect(texts.filter((text) => text.startsWith('Find out where the black'))).toHaveLength(2);
  });
  test('of its luminaire, which is on no wire yet, nothing is told', () => {
    const { findings } = reviewJob(stateOf(shared()).job);
    expect(findings.filter(({ at }) => at.luminaire === 'lamp2')).toEqual([]);
  });
  test('once a way is chosen that leaves one of them unused, it is capped', () => {
    const asked = shared();
    const chosen = twoCircuits().job.choices.filter(({ circuit }) => circuit === 'c2');
    const { wiring } = stateOf(
      lying({ ...asked, choices: [...asked.choices, ...chosen] }, [
        lies('home', '14-2', ['panel', 'S1'], 'c2'),
        lies('spare', '14-2', ['panel', 'S1'], 'c2'),
      ]),
    );
    expect(wiring.unseen).toEqual([]);
    expect(['home', 'spare'].map((id) => capped(wiring, id).length)).toEqual([0, 2]);
  });
});

describe('an existing cable may carry a run only by its size, its ground and its conductors', () => {
  const twenty = (): Job => jobOf({ runs: ['F-S1', 'S1-L'], breaker: 20, awg: 12 });
  test('a 14 AWG cable on 20 A is not offered, and a new one is taken beside it', () => {
    const { job, wiring } = stateOf(lying(twenty(), [lies('old', '14-2', ['S1', 'L'])]));
    const run = wiring.cables.find(({ from, to, existing }) => from === 'S1' && to === 'L' && !existing);
    expect(run && articleOf(job.stock, 'cable', run.article).awg).toBe(12);
    expect(reviewJob(job).findings.filter((one) => one.rule === 'conductor-to-breaker')).toEqual([]);
  });
  test('plans on 20 A with an old 14/2 between two boxes are lawful, and proved', () => {
    const known = [
      ['panel', 'S1'],
      ['S1', 'L'],
      ['panel', 'L'],
    ].map((between) => newRunFact({ between: between as never, length: 120 }));
    const job = lying({ ...twenty(), runFacts: known, choices: [] }, [lies('old', '14-2', ['S1', 'L'])]);
    const { candidates, refusals, profiles, notes } = findPlans(job, 'c1' as never);
    expect(refusals).toEqual([]);
    expect(candidates[0]?.measures.violations).toBe(0);
    expect(profiles[0]).toMatchObject({ letter: 'A', proved: true });
    expect(notes.join()).toContain('14 AWG may not be on 20 A (240.4(D))');
  });
  test('one without a ground is not offered, nor one whose conductors do not serve', () => {
    const pair = jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'] });
    const bare: Job = {
      ...pair,
      stock: [
        ...pair.stock,
        { ...articleOf(pair.stock, 'cable', '14-3'), id: 'no-ground' as never, ground: 'none', found: true },
      ],
    };
    for (const article of ['no-ground', '14-2']) {
      const { wiring, job } = stateOf(lying(bare, [lies('old', article, ['S1', 'S2'])]));
      const between = wiring.cables.filter(({ from, to }) => from === 'S1' && to === 'S2');
      expect(between.map((one) => one.existing).sort()).toEqual([false, true]);
      expect(reviewJob(job).proofs.map((one) => one.working)).toEqual([4]);
    }
    const { wiring } = stateOf(lying(bare, [lies('old', '14-3', ['S1', 'S2'])]));
    expect(wiring.cables.filter(({ from, to }) => from === 'S1' && to === 'S2').map((one) => one.id)).toEqual(
      ['old'],
    );
  });
});

describe('an existing cable is of the circuit whose power is on it', () => {
  test('whatever the order of the circuits, the wiring is the same', () => {
    let compared = 0;
    fc.sample(anyFullJob, { seed: 1515, numRuns: 60 }).forEach((job, at) =>
      naming(`case ${at}`, () => {
        if (job.circuits.length < 2) return;
        // What is joined and landed; which of several grounds is left long or looped is no matter.
        const parts = (one: Job) => {
          const asked = {
            ...one,
            preferences: { ...one.preferences, groundTail: 'pigtail' as const, boxGround: 'tail' as const },
          };
          const { devices, cables, joints, landings } = wiringOrEmpty(planJob(asked).job);
          const spliced = joints.map(({ id, members }) => [
            id,
            ...members.map((one) => JSON.stringify(one)).sort(),
          ]);
          return [...devices, ...cables, ...landings, ...spliced].map((part) => JSON.stringify(part)).sort();
        };
        compared += 1;
        expect(parts({ ...job, circuits: [...job.circuits].reverse() })).toEqual(parts(job));
      }),
    );
    expect(compared).toBeGreaterThan(15);
  });
  test('one of another circuit, or that nobody has told of, carries no run', () => {
    const job = jobOf({ runs: ['F-S1', 'S1-L'] });
    const other = newCircuit({ id: 'c2', name: 'Sockets', breaker: 15, awg: 14 });
    for (const circuit of ['c2', null]) {
      const asked = lying({ ...job, circuits: [...job.circuits, other] }, [
        lies('old', '14-2', ['S1', 'L'], circuit),
      ]);
      const { wiring } = stateOf(asked);
      expect(wiring.cables.some(({ id, existing }) => id === 'cable:c1:S1>L' && !existing)).toBe(true);
    }
    const untold = lying(job, [lies('old', '14-2', ['S1', 'L'], null)]);
    expect(findPlans(untold, 'c1' as never, { mostSteps: 1000 }).notes.join()).toContain(
      'serves no plan until somebody says which circuit it is of',
    );
  });
  test('the frozen file of format 1 is read: cables by their feeds, old boxes as not told', () => {
    const frozen = JSON.parse(
      readFileSync(new URL('./fixtures/job-format-1.json', import.meta.url), 'utf8'),
    ) as object;
    const read = readJob({ stock: standardStock(), ...frozen });
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    const { job } = read;
    expect(job.format).toBe(JOB_FORMAT);
    expect(cablesThere(job).map(({ id, circuit }) => [id, circuit])).toEqual([
      ['winch-loop', 'winch-lights'],
    ]);
    const there = job.boxes.filter((box) => box.work === 'existing');
    expect(there.map((box) => [box.id, othersIn(job, box.id)])).toEqual([
      ['shed-junction', null],
      ['winch-ceiling', null],
      ['winch-switch', null],
    ]);
    expect(planJob(job).circuits.filter(({ outcome }) => outcome.ok).length).toBeGreaterThan(1);
  });
  test('a file of before is told by its feeds, and else it is asked', () => {
    const job = jobOf({ runs: ['L-S1'], feedAt: 'L' });
    const { circuit: _, ...feed } = lies('feed', '14-2', ['panel', 'L']);
    const { circuit: __, ...loop } = lies('loop', '14-2', ['L', 'S1']);
    const { circuit: ___, ...stray } = lies('stray', '14-2', ['panel', 'S1']);
    const read = readJob({ ...job, format: 1, existingCables: [feed, loop] });
    if (!read.ok) throw new Error(read.faults[0]?.message);
    expect(cablesThere(read.job).map((one) => one.circuit)).toEqual(['c1', 'c1']);
    const apart = readJob({
      ...job,
      format: 1,
      feeds: [{ ...job.feeds[0], at: 'panel' }],
      existingCables: [stray],
    });
    expect(apart.ok && cablesThere(apart.job).map((one) => one.circuit)).toEqual([null]);
  });
});

describe('a small job on an old two-wire loop', () => {
  /** Power in the ceiling, down on the white and back on the black; nothing is known of any length. */
  const both = [lies('feed', '14-2', ['panel', 'L']), lies('loop', '14-2', ['L', 'S'])];
  const loop = (feedAt: 'panel' | 'L', more: Partial<Job> = {}, cables: readonly Lies[] = both): Job => {
    const base = newJob('loop' as JobId, 'Loop', standardStock());
    const job: Job = {
      ...jobShape.parse({
        ...base,
        rooms: [{ id: 'r', name: 'Room', kind: 'habitable', wholeFloorVisible: 'no' }],
        circuits: [{ id: 'c1', name: 'Lights', breaker: 15, awg: 14, afci: 'yes' }],
        feeds: [{ id: 'f', circuit: 'c1', at: feedAt, tap: 'luminaire' }],
        boxes: ['L', 'S'].map((id) => ({
          ...{
            id,
            name: id === 'L' ? 'Ceiling' : 'Door',
            article: id === 'L' ? 'ceiling-22.5' : 'wall-1-22.5',
          },
          ...{ work: 'existing', accessible: 'no' },
        })),
        groups: [{ id: 'g', name: 'Lights', circuit: 'c1', room: 'r' }],
        slots: [{ id: 's', box: 'S', gang: 0, group: 'g', article: 'single-pole-15' }],
        luminaires: [
          {
            ...{ id: 'lamp', name: 'Lamp', box: 'L', group: 'g', va: 60, terminals: 'leads' },
            ...{ leadAwg: 18, metal: true },
          },
        ],
      }),
      ...more,
    };
    return holding(lying(standing(job), cables), { L: {}, S: {} });
  };
  const timer = { kind: 'replaceDevice', slot: 's' as never, role: 'timer', article: null } as const;

  test.each(['panel', 'L'] as const)(
    'a timer is refused while no length of the cable that it needs is known (feed at %s)',
    (at) => {
      const outcome = leastChange(loop(at), timer);
      expect(outcome).toMatchObject({ ok: false });
      if (outcome.ok) throw new Error();
      expect(outcome.refusal.title).toMatch(/a new one would be needed from|No wiring serves the new device/);
      expect(outcome.refusal.remedy).not.toBe('');
    },
  );
  test('with the run measured, the timer gets its neutral by a cable that is bought, and no price is below the device', () => {
    const measured = loop('L', { runFacts: [newRunFact({ between: ['L', 'S'], length: 120 })] });
    const outcome = leastChange(measured, timer);
    if (!outcome.ok) throw new Error(outcome.refusal.title);
    expect(outcome.value.fresh.map(({ from, to, lengthSource }) => [from, to, lengthSource])).toEqual([
      ['L', 'S', 'measured'],
    ]);
    expect(outcome.value.opened.sort()).toEqual(['L', 'S']);
    const inBox = (box: string) => outcome.value.moved.filter((one) => one.box === box);
    expect(
      inBox('S')
        .map((one) => one.wire)
        .join(),
    ).not.toContain('to panel');
    // In the ceiling box the feed leaves the old loop and goes to the new cable.
    expect(inBox('L').find((one) => one.wire.startsWith('black of the 14/2 to panel'))?.to).toContain('14/3');
    const [device] = outcome.value.devices;
    const price = device ? articleOf(outcome.value.job.stock, 'device', device.article).price : Infinity;
    expect(outcome.value.cost.material).toBeGreaterThanOrEqual(price);
    for (const kind of ['dimmer', 'switch'] as const) {
      const swap = leastChange(measured, { ...timer, role: kind });
      if (!swap.ok) throw new Error(swap.refusal.title);
      expect(swap.value.fresh).toEqual([]);
      expect(swap.value.opened).toEqual(['S']);
      expect(swap.value.cost.material).toBeGreaterThanOrEqual(
        articleOf(measured.stock, 'device', swap.value.devices[0]?.article ?? '').price,
      );
    }
    const neutral = leastChange(measured, { kind: 'bringNeutral', slot: 's' as never });
    if (!neutral.ok) throw new Error(neutral.refusal.title);
    expect(neutral.value.cost.material).toBeGreaterThan(0);
  });
  test('what is told does not carry the circuit: refused, and nothing is thought up', () => {
    const [feed, down] = both;
    if (!feed || !down) throw new Error();
    const told = (cables: readonly Lies[]) => leastChange(loop('L', {}, cables), timer);
    expect(told([down])).toMatchObject({
      ok: false,
      refusal: { title: 'Nobody has told by which cable power comes to Ceiling' },
    });
    expect(told([feed])).toMatchObject({
      ok: false,
      refusal: { title: 'The cables that are told do not carry Lights as it stands' },
    });
    expect(told([feed, { ...down, circuit: null }])).toMatchObject({ ok: false });
  });
});
