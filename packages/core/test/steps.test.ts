import fc from 'fast-check';
import {
  compile,
  createTracer,
  evaluate,
  findTerms,
  makeUpSteps,
  planJob,
  rolesOf,
  sayTrace,
  wiringOrEmpty,
  type Job,
} from '../src/index.js';
import { conductorKey } from '../src/circuit/keys.js';
import { phasesAt } from '../src/steps/step.js';
import { endKey } from '../src/model/wiring.js';
import { anyFullJob } from './support/fullJobs.js';
import { jobOf } from './support/jobs.js';
import { TEXTBOOK } from './support/textbookCases.js';

const planned = (job: Job) => {
  const made = planJob(job).job;
  const wiring = wiringOrEmpty(made);
  return { job: made, wiring, compiled: compile(wiring, made) };
};

test('the work order of every box names each cable, splice, screw and mark of it once, in the order of the trade', () => {
  fc.assert(
    fc.property(anyFullJob, (asked) => {
      const { job, wiring, compiled } = planned(asked);
      const ids = new Set<string>();
      let told = 0;
      for (const { id } of job.boxes) {
        const { steps } = makeUpSteps(job, wiring, compiled, id);
        for (const step of steps) {
          expect(ids.has(step.id)).toBe(false);
          ids.add(step.id);
          // What a step is about is there to be shown.
          if (step.shows !== null) expect(compiled.netOf(step.shows)).not.toBeUndefined();
          expect(step.text).not.toMatch(/undefined|null|\bNaN\b| {2}/);
        }
        // Each part of the work once; dead before anything where something is there.
        const phases = steps.map((step) => step.phase).filter((phase, i, all) => phase !== all[i - 1]);
        expect(new Set(phases).size).toBe(phases.length);
        const isThere =
          job.boxes.some((box) => box.id === id && box.work === 'existing') ||
          wiring.cables.some(({ existing, from, to }) => existing && (from === id || to === id));
        const order = phases.map((phase) => phasesAt(isThere, job.preferences.madeUp).indexOf(phase));
        expect(order).toEqual([...order].sort((a, b) => a - b));
        if (isThere && steps.length > 1) expect(phases[0]).toBe('dead');
        told += steps.length;
      }
      // A piece of wire between two screws is told where it lands.
      for (const joint of wiring.joints)
        expect(ids.has(`${joint.box}/splice/${joint.id}`)).toBe(
          joint.members.some((member) => !('pigtail' in member)),
        );
      for (const { wire, terminal } of wiring.landings) {
        const at =
          'device' in terminal
            ? `/land/${terminal.device}/${terminal.name}`
            : 'luminaire' in terminal
              ? `/luminaire/${terminal.luminaire}/${terminal.name}`
              : 'box' in terminal && 'end' in wire
                ? `/bond/${endKey(wire.end)}`
                : null;
        if (at) expect([...ids].filter((one) => one.endsWith(at))).toHaveLength(1);
      }
      expect([...ids].filter((one) => one.includes('/mark/'))).toHaveLength(wiring.marks.length);
      const ends = wiring.cables.flatMap(({ from, to }) => [from, to]).filter((place) => place !== 'panel');
      expect([...ids].filter((one) => one.includes('/cable/'))).toHaveLength(ends.length);
      expect(told).toBe(ids.size);
    }),
    { seed: 71, numRuns: 60 },
  );
});

test('in a four-way box the pairs are told apart, and all is read back when it is landed, before anything is folded', () => {
  const { job, wiring, compiled } = planned(textbook(/four-way/));
  const four = wiring.devices.find((one) => one.article.includes('4') || one.article.includes('four'));
  if (!four) throw new Error('there is no four-way');
  const { steps, otherEnds, tools } = makeUpSteps(job, wiring, compiled, four.box);
  const landings = steps.filter((step) => step.id.includes('/land/')).map((step) => step.text);
  expect(landings.filter((text) => text.includes('marked IN'))).toHaveLength(2);
  expect(landings.filter((text) => text.includes('marked OUT'))).toHaveLength(2);
  const cablesOf = (screw: string) =>
    new Set(
      landings.filter((text) => text.includes(screw)).map((text) => /of the (.*?) to the/.exec(text)?.[1]),
    );
  // Both wires of one cable on one pair.
  expect(cablesOf('marked IN').size).toBe(1);
  expect(cablesOf('marked OUT').size).toBe(1);
  const at = (phase: string) => steps.findIndex((step) => step.phase === phase);
  expect(at('devices')).toBeLessThan(at('check'));
  expect(at('check')).toBeLessThan(at('close'));
  expect(otherEnds.length).toBe(
    wiring.cables.filter(({ from, to }) => from === four.box || to === four.box).length,
  );
  expect(tools).toContain('torque screwdriver');
});

test('words that people use otherwise lead to those of the trade', () => {
  const first = (asked: string) => findTerms(asked)[0]?.word;
  expect(first('Two-way')).toBe('single-pole (S)');
  expect(findTerms('common').map((one) => one.word)).toEqual(expect.arrayContaining(['common', 'neutral']));
  expect(first('switch leg drop')).toBe('switch loop');
  expect(first('fixture')).toBe('luminaire');
  expect(first('three-wire')).toBe('14/2');
  expect(first('four-wire')).toBe('14/3');
  expect(findTerms('zeppelin')).toEqual([]);
  expect(findTerms(' ').length).toBeGreaterThan(15);
});

test('both breakers are named where two circuits come into a box', () => {
  const found = fc.sample(anyFullJob, { seed: 72, numRuns: 80 }).flatMap((asked) => {
    const { job, wiring, compiled } = planned(asked);
    return job.boxes
      .map((box) => makeUpSteps(job, wiring, compiled, box.id))
      .map(({ steps }) => steps.find(({ id }) => id.endsWith('/dead'))?.text ?? '');
  });
  expect(found.some((text) => text.startsWith('Switch off every breaker of this box: '))).toBe(true);
  expect(found.some((text) => text.startsWith('Switch off the breaker of '))).toBe(true);
});

test('a conductor is followed from the panel and named, live though the luminaires are off', () => {
  const { job, wiring, compiled } = planned(textbook(/three-way in line/));
  const said = (key: string, positions = {}) => {
    const tracer = createTracer(wiring, job, positions);
    return sayTrace(
      job,
      wiring,
      compiled,
      rolesOf(compiled),
      evaluate(compiled, positions),
      key,
      tracer(key),
    );
  };
  const roles = rolesOf(compiled);
  const keys = wiring.cables.flatMap((cable) =>
    (['black', 'red', 'white', 'blue'] as const).map((colour) => conductorKey(cable.id, colour)),
  );
  const travelers = keys.filter((key) => roles[compiled.netOf(key) ?? -1] === 'traveler');
  expect(travelers.length).toBeGreaterThanOrEqual(2);
  // With both handles up or one down, one traveler of the two is live; with the luminaires off it says so.
  const switches = wiring.devices.map((one) => one.id);
  const settings = [{}, ...switches.map((one) => ({ [one]: 1 }))];
  const sentences = settings.flatMap((positions) =>
    travelers.map((key) => said(key, positions)?.sentence ?? ''),
  );
  expect(
    sentences.some((text) => / to .*: traveler, live now though the luminaires are off$/.test(text)),
  ).toBe(true);
  expect(sentences.some((text) => /: traveler, live now$/.test(text))).toBe(true);
  const live = settings
    .flatMap((positions) => travelers.map((key) => said(key, positions)))
    .find((one) => one?.sentence.includes('live now'));
  expect(live?.way[0]).toMatchObject({ place: 'panel', what: 'breaker of the panel' });
  expect(live?.way.length).toBeGreaterThan(1);
  expect(said('conductor|nothing|black')).toBeNull();
  // With the circuit on, the live traveler leads to the luminaire; with it off, to none.
  const lit = settings.find((positions) =>
    evaluate(compiled, positions).luminaires.some((one) => one.light === 'lit'),
  );
  if (!lit) throw new Error('it is never lit');
  const leading = travelers.map((key) => said(key, lit)).filter((one) => one?.sentence.includes('live'));
  expect(leading.map((one) => one?.loads)).toEqual([job.luminaires.map((one) => one.name)]);
});

/** The first textbook case of a name. */
const textbook = (name: RegExp): Job => {
  const found = TEXTBOOK.find(([title]) => name.test(title));
  if (!found) throw new Error('no such case');
  return jobOf(found[1]);
};
