import fc from 'fast-check';
import { compile, existingDocument, leastChange, makeUpSteps, reviewJob, staysShut } from '../src/index.js';
import { anyChange, anyOldWork } from './support/oldJobs.js';
import { picking } from './support/picks.js';
import { TEXTBOOK } from './support/textbookCases.js';

/** `npm run prove` tries more. */
const RUNS = Number(process.env['CHANGE_RUNS'] ?? 11);

test('no change plans a cable that is not there or not bought, makes again what it leaves alone, or leaves anything that does not work', () => {
  const cases = fc.sample(fc.constantFrom(...TEXTBOOK.filter(([, short]) => short.runs.length < 5)), {
    seed: 1616,
    numRuns: RUNS,
  });
  let [made, refused] = [0, 0];
  cases.forEach(([name, short], i) => {
    const pick = picking(1600 + i);
    const job = anyOldWork(short, pick);
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
      // What comes out is in the steps of its box, at both ends of a cable.
      const outs = way.opened.flatMap((box) =>
        makeUpSteps(after, wiring, compile(wiring, after), box).steps.map((step) => step.id),
      );
      for (const { id, box } of way.devicesOut)
        expect([said, outs.includes(`${box}/out/${id}`)]).toEqual([said, true]);
      for (const { id, from, to } of way.drawnOut)
        for (const [box, side] of [
          [from, 'from'],
          [to, 'to'],
        ])
          if (box !== 'panel')
            expect([said, box, outs.includes(`${box}/out/${id}/${side}`)]).toEqual([said, box, true]);
      // A wire that is told as moved is in an opened box, and goes somewhere.
      for (const { box, wire, from, to } of way.moved)
        expect([said, way.opened.includes(box), [wire, from, to].every((word) => word !== '')]).toEqual([
          ...[said, true, true],
        ]);
    });
  });
  expect(made).toBeGreaterThan(RUNS / 4);
  expect(refused).toBeGreaterThan(0);
});
