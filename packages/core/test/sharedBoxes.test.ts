import fc from 'fast-check';
import {
  compile,
  drawBox,
  endKey,
  evaluate,
  everyPosition,
  fillOf,
  inspect,
  planJob,
  proveGroup,
  readJob,
  solveCurrents,
  terminalKey,
  wiringOrEmpty,
  type Job,
  type Wiring,
} from '../src/index.js';
import { anyBigJob } from './support/bigJobs.js';
import { countedFill } from './support/fillTwin.js';

const planned = fc
  .sample(anyBigJob, { seed: 909, numRuns: 600 })
  .map((asked) => planJob(asked))
  .filter(({ circuits }) => circuits.every(({ outcome }) => outcome.ok))
  .map(({ job }) => ({ job, wiring: wiringOrEmpty(job) }));

const forEach = (check: (job: Job, wiring: Wiring) => void) => {
  for (const { job, wiring } of planned) check(job, wiring);
};

test('enough of the random jobs can be planned, and they share what they are to share', () => {
  expect(planned.length).toBeGreaterThan(150);
  const withTwo = planned.filter(({ job }) => job.circuits.length === 2);
  expect(withTwo.length).toBeGreaterThan(30);
  const shared = planned.filter(
    ({ job }) => new Set(job.slots.map((slot) => slot.box)).size < job.slots.length,
  );
  expect(shared.length).toBeGreaterThan(30);
});

test('every group of every circuit works from every position', () =>
  forEach((job, wiring) => {
    const compiled = compile(wiring, job);
    for (const group of job.groups) {
      const { working, positions } = proveGroup(job, wiring, compiled, group);
      expect([group.name, working]).toEqual([group.name, positions]);
    }
  }));

test('neutrals of two circuits are never joined, nothing is shorted, whatever the handles do', () =>
  forEach((job, wiring) => {
    const compiled = compile(wiring, job);
    for (const positions of everyPosition(
      compiled,
      wiring.devices.map((device) => device.id),
    ).slice(0, 64)) {
      const { shorts, neutralsJoined, neutralsGrounded } = evaluate(compiled, positions);
      expect({ shorts, neutralsJoined, neutralsGrounded }).toEqual({
        shorts: [],
        neutralsJoined: [],
        neutralsGrounded: [],
      });
    }
  }));

test('grounds of all circuits in a box are one splice', () =>
  forEach((job, wiring) => {
    const compiled = compile(wiring, job);
    for (const box of job.boxes) {
      const nets = wiring.cables
        .filter((cable) => cable.from === box.id || cable.to === box.id)
        .map((cable) => compiled.netOf(`conductor|${cable.id}|bare`));
      expect(new Set(nets).size).toBeLessThanOrEqual(1);
    }
  }));

test('the currents of each cable sum to zero', () =>
  forEach((job, wiring) => {
    for (const positions of [{}, Object.fromEntries(wiring.devices.map((device) => [device.id, 1]))]) {
      for (const [cable, currents] of solveCurrents(wiring, job, positions).amperes) {
        const sum = [...currents.values()].reduce((total, current) => total + current, 0);
        expect({ cable, sum: Math.abs(sum) < 1e-3 }).toEqual({ cable, sum: true });
      }
    }
  }));

test('one wire a screw, no end left over, and the file is valid', () =>
  forEach((job, wiring) => {
    const screws = wiring.landings
      .map(({ terminal }) => terminalKey(terminal))
      .filter((key) => !key.startsWith('circuit'));
    expect(new Set(screws).size).toBe(screws.length);
    const ends = [
      ...wiring.joints.flatMap((joint) => joint.members.flatMap((m) => ('end' in m ? [endKey(m.end)] : []))),
      ...wiring.landings.flatMap(({ wire }) => ('end' in wire ? [endKey(wire.end)] : [])),
    ];
    expect(new Set(ends).size).toBe(ends.length);
    const read = readJob(JSON.parse(JSON.stringify(job)));
    expect(read.ok ? [] : read.faults).toEqual([]);
  }));

test('no violation but a box that is too small', () =>
  forEach((job, wiring) => {
    const rules = inspect(job, wiring)
      .filter((one) => one.severity === 'violation')
      .map((one) => one.rule);
    expect(rules.filter((rule) => rule !== 'box-volume')).toEqual([]);
  }));

test('box fill equals the independent count where sizes do not mix', () =>
  forEach((job, wiring) => {
    if (new Set(job.circuits.map((circuit) => circuit.awg)).size > 1) return;
    for (const box of job.boxes)
      expect(fillOf(job, wiring, box.id, 2020).needed).toBe(countedFill(job, wiring, box.id, 2020));
  }));

test('every box can be drawn, with each wire once', () => {
  for (const { job, wiring } of planned.slice(0, 60)) {
    const compiled = compile(wiring, job);
    for (const box of job.boxes) {
      const { wires } = drawBox(wiring, job, box.id, compiled);
      expect(new Set(wires.map((wire) => wire.id)).size).toBe(wires.length);
    }
  }
});
