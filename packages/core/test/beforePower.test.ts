import fc from 'fast-check';
import { beforePower, reviewCircuit, reviewJob, type CircuitId, type Wiring } from '../src/index.js';
import { withFault } from '../src/faults/fault.js';
import { faultsIn } from '../src/faults/inBox.js';
import { anyJob } from './support/arbitrary.js';
import { naming } from './support/samples.js';
import { touches, walks } from './support/walk.js';
import { yard } from './support/yard.js';

/** The wiring of some boxes before devices and luminaires are in, taken apart by hand. */
const bare = (wiring: Wiring, boxes: ReadonlySet<string>): Wiring => ({
  ...{ boxes: wiring.boxes, devices: [], luminaires: [], marks: wiring.marks, unseen: [] },
  cables: wiring.cables.filter(({ from, to }) => boxes.has(from) || boxes.has(to)),
  landings: wiring.landings.filter(({ terminal }) => 'box' in terminal && boxes.has(terminal.box)),
  joints: wiring.joints
    .filter(({ box }) => boxes.has(box))
    .map((joint) => ({ ...joint, connectors: [], members: joint.members.filter((one) => !('lead' in one)) }))
    .filter(({ members }) => members.length > 0),
});

/** Does one conductor reach another by copper, with a link wire in or none? */
const reaches = (wiring: Wiring, link: readonly [string, string] | null, from: string, to: string): boolean =>
  walks([...touches(wiring), ...(link ? [link] : [])], from, to);

const reviews = [yard(), ...fc.sample(anyJob, { seed: 31, numRuns: 12 })].map(reviewJob);

test('walking along the copper, every reading comes out as expected on the right make-up, every mistake that is listed shows as it says, and none can be left out', () => {
  let [circuits, mistakes] = [0, 0];
  for (const [j, review] of reviews.entries())
    for (const { id } of review.job.circuits)
      naming(`job ${j}, ${id}`, () => {
        const told = beforePower(review, id);
        if (typeof told === 'string') return;
        circuits++;
        const { boxes } = reviewCircuit(review, id);
        const stage = bare(review.wiring, boxes);
        const come = (wiring: Wiring) =>
          told.readings.map(({ keys: { link, probe, ground } }) =>
            probe.some((one) => reaches(wiring, link, one, ground)),
          );
        const right = come(stage);
        expect(right).toEqual(told.readings.map(({ expect: expected }) => expected === 'continuity'));
        const walked = [...boxes]
          .flatMap((box) => faultsIn(stage, box))
          .flatMap((fault) => {
            const made = withFault(stage, fault);
            return made.ok ? [come(made.value).map((one, i) => one !== right[i])] : [];
          });
        expect(walked).toHaveLength(told.tried);
        expect(walked.filter((shows) => shows.includes(true))).toEqual(
          told.mistakes.map(({ shows }) => shows),
        );
        expect(told.mistakes.length + told.blind.count).toBe(told.tried);
        mistakes += told.mistakes.length;
        for (const [at] of told.readings.entries())
          expect(
            told.mistakes.some(({ shows }) => shows.every((shown, i) => (i === at ? shown : !shown))),
          ).toBe(true);
      });
  expect(circuits).toBeGreaterThan(6);
  expect(mistakes).toBeGreaterThan(800);
});

test('a circuit of which something is there already is not read dead as a whole', () => {
  const [review] = reviews;
  if (!review) throw new Error('no yard');
  expect(beforePower(review, 'rope-stair-light' as CircuitId)).toBe('thereAlready');
  const told = beforePower(review, 'ropewalk-lights' as CircuitId);
  if (typeof told === 'string') throw new Error(told);
  expect(
    told.readings.every(({ link, step }) => !/panel:/.test(link ?? '') && !step.startsWith('At panel')),
  ).toBe(true);
  expect(
    told.mistakes.find(({ where, what }) => where === 'First bay' && /is in the splice of/.test(what)),
  ).toBeTruthy();
});
