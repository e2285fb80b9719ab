import fc from 'fast-check';
import {
  setCableCircuit,
  assumeUsual,
  existingDocument,
  planJob,
  signSeen,
  staysShut,
  usualWiring,
  wiringOrEmpty,
  withDocument,
  newWiringDoc,
  proveGroup,
  compile,
  type Job,
} from '../src/index.js';
import { choiceThere } from '../src/planning/choiceThere.js';
import { jobOf, planned, type Shorthand } from './support/jobs.js';
import { TEXTBOOK } from './support/textbookCases.js';

/** What the textbook has, as old work that somebody has seen; the way it lies is chosen again. */
const old = (short: Shorthand): Job => {
  const { job, wiring } = planned(jobOf(short));
  const bare: Job = {
    ...job,
    existingEdition: 2008,
    boxes: job.boxes.map((box) => ({ ...box, work: 'existing' as const })),
    wirings: [],
  };
  const cables = wiring.cables.map((cable) => ({ ...cable, existing: true }));
  const { job: assumed } = assumeUsual(bare, { circuit: 'c1' as never, cables });
  const seen = assumed.boxes.reduce((one, { id }) => signSeen(one, 'existing', id), assumed);
  return cables.reduce((one, { id }) => setCableCircuit(one, id, 'c1' as never), seen);
};

test.each(TEXTBOOK)('%s: planned again on what is there, no box is opened', (_name, short) => {
  const there = old({ ...short, neutralAt: short.neutralAt ?? [] });
  // Of cables that two arrangements share, either may lie there: what is chosen again is what does.
  const { job } = planJob({
    ...there,
    choices: there.choices.map((choice) => ({
      ...choice,
      chains: choiceThere(there, 'c1' as never)?.chains,
    })),
  });
  const wiring = wiringOrEmpty(job);
  const opened = job.boxes.filter(({ id }) => !staysShut(job, wiring, id)).map(({ id }) => id);
  const compiled = compile(wiring, job);
  const works = job.groups.every((group) => {
    const proof = proveGroup(job, wiring, compiled, group);
    return proof.working === proof.positions;
  });
  expect(works).toBe(true);
  expect(opened).toEqual([]);
});

test('screws that make no difference are left as they are: plain ones, travelers, pairs of a four-way', () => {
  const job = old({ runs: ['F-S1', 'S1-S2', 'S2-S3', 'S3-L'], neutralAt: ['S1', 'S2', 'S3'].map(String) });
  const document = existingDocument(job);
  if (!document) throw new Error('no document');
  const swaps: [string, string, string][] = [
    ['device:slot:S1', 'traveler 1', 'traveler 2'],
    ['device:slot:S2', 'in 1', 'in 2'],
    ['device:slot:S2', 'out 1', 'out 2'],
  ];
  const landings = document.wiring.landings.map((one) => {
    const { terminal } = one;
    if (!('device' in terminal)) return one;
    const swap = swaps.find(([device, a, b]) => device === terminal.device && [a, b].includes(terminal.name));
    if (!swap) return one;
    const [, a, b] = swap;
    return { ...one, terminal: { ...terminal, name: terminal.name === a ? b : a } };
  });
  const turned = withDocument(job, { ...document, wiring: { ...document.wiring, landings } });
  const wiring = wiringOrEmpty(planJob(turned).job);
  expect(turned.boxes.filter(({ id }) => !staysShut(turned, wiring, id)).map(({ id }) => id)).toEqual([]);
});

test('a wire on the wrong screw opens its box, and no other', () => {
  const job = old({ runs: ['F-S1', 'S1-S2', 'S2-L'], neutralAt: ['S1', 'S2'] });
  const document = existingDocument(job);
  if (!document) throw new Error('no document');
  const at = (name: string) => ({ device: 'device:slot:S2' as never, name });
  const landings = document.wiring.landings.map((one) =>
    'device' in one.terminal && one.terminal.device === 'device:slot:S2' && one.terminal.name !== 'ground'
      ? {
          ...one,
          terminal: at(
            one.terminal.name === 'common'
              ? 'traveler 1'
              : one.terminal.name === 'traveler 1'
                ? 'common'
                : one.terminal.name,
          ),
        }
      : one,
  );
  const crossed = withDocument(job, { ...document, wiring: { ...document.wiring, landings } });
  const wiring = wiringOrEmpty(planJob(crossed).job);
  const opened = crossed.boxes.filter(({ id }) => !staysShut(crossed, wiring, id)).map(({ id }) => id);
  expect(opened).toEqual(['S2']);
});

test('what a plan puts back into a box that stays shut is what was there, whatever was told of it', () => {
  const cases = fc.sample(fc.constantFrom(...TEXTBOOK), { seed: 77, numRuns: 12 });
  for (const [, short] of cases) {
    const job = old(short);
    const document = existingDocument(job);
    const made = usualWiring(job, { circuit: 'c1' as never, cables: document?.wiring.cables ?? [] });
    if (!document || !made.ok) throw new Error('nothing usual');
    const [first] = document.wiring.cables.filter(({ from }) => from !== 'panel');
    if (!first) continue;
    // Nobody has looked at one ground: it stays not looked at where the box is not opened.
    const end = { cable: first.id, side: 'from' as const, colour: 'bare' as const };
    const isIt = (one: { cable: string; side: string; colour: string }) =>
      one.cable === end.cable && one.side === end.side && one.colour === end.colour;
    const wiring = {
      ...document.wiring,
      marks: document.wiring.marks.filter((mark) => mark.end.cable !== first.id),
    };
    const told = withDocument(job, {
      ...newWiringDoc('existing', 'existing', wiring),
      certainty: document.certainty,
    });
    const now = wiringOrEmpty(planJob(told).job);
    for (const { id: box } of told.boxes)
      if (staysShut(told, now, box))
        expect(now.marks.filter((mark) => isIt(mark.end))).toEqual(
          wiring.marks.filter((mark) => isIt(mark.end)),
        );
  }
});
