import fc from 'fast-check';
import {
  articleOf,
  compile,
  endKey,
  evaluate,
  everyPosition,
  inspect,
  jobSchema,
  planJob,
  proveGroup,
  solveCurrents,
  terminalKey,
  wiringOrEmpty,
  type Awg,
  type Job,
  type Wiring,
} from '../src/index.js';
import { takes } from '../src/materials/connectors.js';
import { anyJob } from './support/arbitrary.js';
import { countedFill } from './support/fillTwin.js';
import { fillOf } from '../src/index.js';

const RUNS = { seed: 20_261, numRuns: 400 };

/** Random jobs, planned once for all that is asked of them. */
const outcomes = fc.sample(anyJob, RUNS).map((asked) => ({ asked, ...planJob(asked) }));
const planned = outcomes
  .filter(({ circuits }) => circuits.every(({ outcome }) => outcome.ok))
  .map(({ job }) => ({ job, wiring: wiringOrEmpty(job) }));
const forEveryWiring = (check: (job: Job, wiring: Wiring) => void) => {
  for (const { job, wiring } of planned) check(job, wiring);
};

const positionsOf = (job: Job, wiring: Wiring) =>
  everyPosition(
    compile(wiring, job),
    wiring.devices.map((device) => device.id),
  );

test('most random jobs can be planned, and some have a run too wide', () => {
  expect(planned.length).toBeGreaterThan(150);
  const refused = outcomes.flatMap(({ circuits }) =>
    circuits.flatMap(({ outcome }) => (outcome.ok ? [] : [outcome.problems.map((one) => one.code)])),
  );
  expect(refused.length).toBeGreaterThan(10);
  for (const codes of refused) expect(new Set(codes)).toEqual(new Set(['RunTooWide']));
});

test('every handle changes the light from every position', () =>
  forEveryWiring((job, wiring) => {
    const compiled = compile(wiring, job);
    for (const group of job.groups) {
      const proof = proveGroup(job, wiring, compiled, group);
      expect(proof.working).toBe(proof.positions);
      expect(proof.positions).toBe(2 ** job.slots.length);
    }
  }));

test('nothing is shorted, no shell is live, and no neutral meets a ground', () =>
  forEveryWiring((job, wiring) => {
    const compiled = compile(wiring, job);
    for (const positions of positionsOf(job, wiring)) {
      const state = evaluate(compiled, positions);
      expect(state.shorts).toEqual([]);
      expect(state.neutralsGrounded).toEqual([]);
      expect(state.luminaires.filter((one) => one.shellLive || one.light === 'dim')).toEqual([]);
    }
  }));

test('all up is on, as the same traveler keeps its screw along the chain', () =>
  forEveryWiring((job, wiring) => {
    const { luminaires } = evaluate(compile(wiring, job), {});
    expect(luminaires.map((one) => one.light)).toEqual(luminaires.map(() => 'lit'));
  }));

test('the currents of each cable sum to zero, and nodal analysis agrees on every luminaire', () =>
  forEveryWiring((job, wiring) => {
    const compiled = compile(wiring, job);
    for (const positions of positionsOf(job, wiring)) {
      const { amperes, luminaireVolts } = solveCurrents(wiring, job, positions);
      for (const [cable, currents] of amperes) {
        const sum = [...currents.values()].reduce((total, current) => total + current, 0);
        // The cable from the panel carries the leak of the analysis itself.
        expect({ cable, sum: Math.abs(sum) < 1e-3 }).toEqual({ cable, sum: true });
        expect(Math.abs(currents.get('bare') ?? 0)).toBeLessThan(1e-3);
      }
      for (const { id, volts } of evaluate(compiled, positions).luminaires)
        expect(Math.abs((luminaireVolts.get(id) ?? 0) - volts)).toBeLessThan(1);
    }
  }));

test('no conductor end is left over or used twice, and each screw holds one wire', () =>
  forEveryWiring((job, wiring) => {
    const ends = [
      ...wiring.joints.flatMap((joint) => joint.members.flatMap((m) => ('end' in m ? [endKey(m.end)] : []))),
      ...wiring.landings.flatMap(({ wire }) => ('end' in wire ? [endKey(wire.end)] : [])),
    ];
    const expected = wiring.cables.flatMap((cable) =>
      (['from', 'to'] as const).flatMap((side) =>
        [...articleOf(job.stock, 'cable', cable.article).insulated, 'bare' as const].map((colour) =>
          endKey({ cable: cable.id, side, colour }),
        ),
      ),
    );
    expect(ends.sort()).toEqual(expected.sort());
    const screws = wiring.landings.map(({ terminal }) => terminalKey(terminal));
    expect(new Set(screws).size).toBe(screws.length);
    const pigtails = wiring.joints.flatMap((joint) =>
      joint.members.flatMap((m) => ('pigtail' in m ? [m.pigtail.id] : [])),
    );
    const landed = wiring.landings.flatMap(({ wire }) => ('pigtail' in wire ? [wire.pigtail] : []));
    expect(landed.sort()).toEqual(pigtails.sort());
  }));

test('every terminal of every device and luminaire is reached', () =>
  forEveryWiring((job, wiring) => {
    const reached = new Set([
      ...wiring.landings.map(({ terminal }) => terminalKey(terminal)),
      ...wiring.joints.flatMap((joint) =>
        joint.members.flatMap((m) => ('lead' in m ? [terminalKey(m.lead)] : [])),
      ),
    ]);
    for (const device of wiring.devices)
      for (const { name } of articleOf(job.stock, 'device', device.article).terminals)
        expect(reached).toContain(terminalKey({ device: device.id, name }));
    for (const { id, metal } of job.luminaires)
      for (const name of ['hot', 'neutral', ...(metal ? (['ground'] as const) : [])] as const)
        expect(reached).toContain(terminalKey({ luminaire: id, name }));
  }));

test('each connector is within its range, jumpers counted', () =>
  forEveryWiring((job, wiring) => {
    const awg = new Map(
      wiring.cables.map((cable) => [cable.id, articleOf(job.stock, 'cable', cable.article).awg]),
    );
    for (const joint of wiring.joints) {
      const sizes = joint.members.map((member): Awg => {
        if ('end' in member) return awg.get(member.end.cable) ?? 14;
        return 'pigtail' in member ? member.pigtail.awg : 18;
      });
      const thickest = Math.min(...sizes) as Awg;
      expect(joint.connectors.flatMap((one) => one.members).sort((a, b) => a - b)).toEqual(
        sizes.map((_, i) => i),
      );
      for (const one of joint.connectors) {
        const held = [
          ...one.members.map((i) => sizes[i] ?? 14),
          ...Array<Awg>(one.jumperEnds).fill(thickest),
        ];
        expect(takes(articleOf(job.stock, 'connector', one.article), held)).toBe(true);
      }
    }
  }));

test('the white is never the switch leg, whatever is planned', () =>
  forEveryWiring((job, wiring) => {
    const rules = inspect(job, wiring)
      .filter((one) => one.severity === 'violation')
      .map((one) => one.rule);
    // Fixed neutrals may leave one out, and a box may be too small; nothing else may be wrong.
    expect(rules.filter((rule) => rule !== 'neutral-at-switch' && rule !== 'box-volume')).toEqual([]);
  }));

test('where the planner picks the neutrals, the edition is content', () =>
  forEveryWiring((job, wiring) => {
    if (job.choices[0]?.neutralAt) return;
    expect(
      inspect(job, wiring).filter((one) => one.rule === 'neutral-at-switch' && one.severity === 'violation'),
    ).toEqual([]);
  }));

test('box fill equals a count written differently', () =>
  forEveryWiring((job, wiring) => {
    for (const box of job.boxes)
      for (const edition of [2017, 2020] as const)
        expect(fillOf(job, wiring, box.id, edition).needed).toBe(countedFill(job, wiring, box.id, edition));
  }));

test('a planned job is a valid job file, and planning it again changes nothing', () =>
  forEveryWiring((job) => {
    const read = jobSchema.safeParse(JSON.parse(JSON.stringify(job)));
    expect(read.error?.issues).toBeUndefined();
    expect(planJob(job).job).toEqual(job);
  }));
