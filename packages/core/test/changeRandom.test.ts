import fc from 'fast-check';
import {
  assumeUsual,
  existingDocument,
  leastChange,
  newBox,
  newRunFact,
  reviewJob,
  signSeen,
  staysShut,
  type Change,
  type Job,
} from '../src/index.js';
import { jobOf, planned, type Shorthand } from './support/jobs.js';
import { oneOf, picking, type Pick } from './support/picks.js';
import { TEXTBOOK } from './support/textbookCases.js';

/** Old work of the textbook, in boxes of any size, some of them seen and some assumed. */
const old = (short: Shorthand, pick: Pick): Job => {
  const { job, wiring } = planned(jobOf(short));
  const bare: Job = {
    ...job,
    existingEdition: oneOf(pick, [1996, 2008, 2017, null] as const),
    boxes: job.boxes.map((one) => ({
      ...one,
      work: 'existing' as const,
      article: (one.id.startsWith('S')
        ? oneOf(pick, ['wall-1-18', 'wall-1-20', 'wall-1-22.5'])
        : oneOf(pick, ['ceiling-20', 'ceiling-22.5'])) as never,
    })),
    choices: [],
    wirings: [],
  };
  const lies = { existing: true, lengthSource: 'measured' as const };
  const cables = wiring.cables.map((cable) => ({ ...cable, ...lies, length: 60 + 12 * pick(20) }));
  const { job: assumed } = assumeUsual(bare, { circuit: 'c1' as never, cables });
  return assumed.boxes.reduce((one, { id }) => (pick(4) > 0 ? signSeen(one, 'existing', id) : one), assumed);
};

const hung = { terminals: 'leads', leadAwg: 18, metal: true, pounds: 4 } as const;

const anyChange = (job: Job, pick: Pick): Change => {
  const slot = oneOf(pick, job.slots);
  const boxes = job.boxes.filter(() => pick(3) > 0);
  const runsTo = (id: string) =>
    (boxes.length > 0 ? boxes : job.boxes).map((one) =>
      newRunFact({ between: [id, one.id], length: 48 + 12 * pick(30) }),
    );
  const placeAt = (id: string, mount: 'wall' | 'ceiling') => ({
    box: newBox({ id, name: id, article: null, work: 'old', mount, accessible: 'no', room: 'r1' }),
    runs: runsTo(id),
  });
  const place = placeAt('new', 'wall');
  const lightAt = placeAt('newlight', 'ceiling');
  const circuit = 'c1' as never;
  const group = 'g1' as never;
  const light = { ...hung, name: 'New light', unit: 'luminaire', va: 15 } as const;
  switch (pick(10)) {
    case 0:
    case 1:
      return {
        kind: 'replaceDevice',
        slot: slot.id,
        role: oneOf(pick, ['switch', 'dimmer', 'timer', 'occupancySensor']),
        article: null,
      };
    case 2:
      return { kind: 'addSwitch', group, place };
    case 3:
      return { kind: 'bringNeutral', slot: slot.id };
    case 4:
      return { kind: 'addLight', group, place: lightAt, hung: light };
    case 5:
      return { kind: 'moveSwitch', slot: slot.id, place };
    case 6:
      return { kind: 'removeSwitch', slot: slot.id };
    case 7:
      return {
        ...{ kind: 'replaceLuminaire', luminaire: oneOf(pick, job.luminaires).id },
        hung: { ...light, metal: pick(2) > 0, unit: oneOf(pick, ['luminaire', 'fan'] as const) },
      };
    case 8:
      return {
        ...{ kind: 'branch', from: oneOf(pick, job.boxes).id, circuit, hung: light, switchAt: place },
        lightAt: {
          ...lightAt,
          runs: [...lightAt.runs, newRunFact({ between: ['new', 'newlight'], length: 96 })],
        },
      };
    default:
      return {
        ...{ kind: 'takeOff', from: oneOf(pick, job.boxes).id, circuit, place },
        ...{ what: oneOf(pick, ['receptacle', 'onward'] as const), va: 60 },
      };
  }
};

/** `npm run prove` tries more. */
const RUNS = Number(process.env['CHANGE_RUNS'] ?? 30);

test('no change plans a cable that is not there or not bought, makes again what it leaves alone, or leaves anything that does not work', () => {
  const cases = fc.sample(fc.constantFrom(...TEXTBOOK.filter(([, short]) => short.runs.length < 5)), {
    seed: 1616,
    numRuns: RUNS,
  });
  let [made, refused] = [0, 0];
  cases.forEach(([name, short], i) => {
    const pick = picking(1600 + i);
    const job = old(short, pick);
    const there = existingDocument(job);
    const change = anyChange(job, pick);
    const outcome = leastChange(job, change);
    const said = `${name}, seed ${1600 + i}, ${change.kind}`;
    if (!outcome.ok) {
      refused += 1;
      expect([said, outcome.refusal.remedy.length > 20]).toEqual([said, true]);
      return;
    }
    made += 1;
    const ways = [outcome.value, ...outcome.others];
    ways.forEach((way) => {
      const { job: after, wiring, proofs } = reviewJob(way.job);
      expect([said, existingDocument(after)]).toEqual([said, there]);
      const lying = new Set<string>(there?.wiring.cables.map(({ id }) => id));
      const fresh = new Set<string>(way.fresh.map(({ id }) => id));
      for (const { id } of wiring.cables)
        expect([said, id, lying.has(id) || fresh.has(id)]).toEqual([said, id, true]);
      for (const proof of proofs) expect([said, proof.working]).toEqual([said, proof.positions]);
      const touched = new Set<string>(
        wiring.cables.filter(({ existing }) => !existing).flatMap(({ from, to }) => [from, to]),
      );
      for (const { id } of job.boxes) {
        const shut = staysShut(after, wiring, id);
        expect([said, id, way.opened.includes(id)]).toEqual([said, id, !shut]);
        if (touched.has(id)) expect([said, id, shut]).toEqual([said, id, false]);
      }
      // What nobody has seen is told before anything else.
      for (const box of way.opened)
        if (there?.certainty[box] === 'assumed')
          expect([said, way.lookFirst.includes(box)]).toEqual([said, true]);
      expect([said, way.cost.cost >= 0]).toEqual([said, true]);
      // No old cable is lost but those that the way says it takes out.
      const held = new Set<string>(wiring.cables.map(({ id }) => id));
      const out = way.drawnOut.map(({ id }) => id as string);
      for (const id of lying) expect([said, id, held.has(id) !== out.includes(id)]).toEqual([said, id, true]);
      // A wire that is told as moved is in an opened box, and goes somewhere.
      for (const { box, wire, from, to } of way.moved)
        expect([said, way.opened.includes(box), [wire, from, to].every((word) => word !== '')]).toEqual([
          ...[said, true, true],
        ]);
    });
  });
  expect(made).toBeGreaterThan(10);
  expect(refused).toBeGreaterThan(0);
});
