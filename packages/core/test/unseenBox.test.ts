import {
  articleOf,
  conductorsOf,
  inspect,
  planJob,
  wiringOrEmpty,
  type BoxId,
  type Finding,
  type Job,
} from '../src/index.js';
import { endKey, placeOfEnd, type End, type Wiring } from '../src/model/wiring.js';
import { anyFullJob } from './support/fullJobs.js';
import { forSamples } from './support/samples.js';

/** The ends of wires in a box; what holds a raceway is seen from outside. */
const endsIn = (job: Job, wiring: Wiring, box: BoxId): End[] =>
  wiring.cables.flatMap((cable) =>
    (['from', 'to'] as const)
      .filter((side) => placeOfEnd(cable, side) === box)
      .flatMap((side) =>
        conductorsOf(articleOf(job.stock, 'cable', cable.article))
          .filter((colour) => colour !== 'raceway')
          .map((colour) => ({ cable: cable.id, side, colour })),
      ),
  );

/** The wiring of which nobody has looked into one box. */
const notLookedInto = (job: Job, wiring: Wiring, box: BoxId): Wiring => {
  const ends = endsIn(job, wiring, box);
  const keys = new Set(ends.map(endKey));
  const tails = new Set(
    wiring.joints
      .filter((joint) => joint.box === box)
      .flatMap(({ members }) =>
        members.flatMap((one) => ('pigtail' in one ? [one.pigtail.id as string] : [])),
      ),
  );
  return {
    ...wiring,
    joints: wiring.joints.filter((joint) => joint.box !== box),
    landings: wiring.landings.filter(({ wire }) =>
      'end' in wire ? !keys.has(endKey(wire.end)) : !tails.has(wire.pigtail),
    ),
    unseen: [...wiring.unseen, ...ends],
  };
};

const violations = (findings: readonly Finding[]): string[] =>
  findings
    .filter(({ severity }) => severity === 'violation')
    .map(({ rule, at }) => `${rule} ${JSON.stringify(at)}`);

test('where nobody has looked into a box nothing is called violated that was not, anywhere', () => {
  const looked = new Map<string, number>();
  forSamples(anyFullJob, { seed: 4242, numRuns: 210 }, (asked) => {
    const { job } = planJob(asked);
    const wiring = wiringOrEmpty(job);
    const before = new Set(violations(inspect(job, wiring)));
    const boxes = new Set(wiring.joints.map(({ box }) => box));
    for (const box of [...boxes].slice(0, 3)) {
      const found = inspect(job, notLookedInto(job, wiring, box));
      expect(violations(found).filter((one) => !before.has(one))).toEqual([]);
      for (const { rule, severity, title, what } of found)
        if (severity === 'verify' && /not known|(was|that was|not) seen/.test(title + what))
          looked.set(rule, (looked.get(rule) ?? 0) + 1);
    }
  });
  // What is open by that is told as such, and not passed over.
  expect([...looked.keys()].sort()).toEqual(
    expect.arrayContaining(['group-works', 'metal-box-bonded', 'neutral-at-switch', 'yoke-grounded']),
  );
});
