/**
 * A house with a fault in it, in a process of its own: the finder asks and never reads what is hidden. It answers by nodal analysis and by walking
 * along the copper. Spoken to by the finder's figures alone.
 */
import { createFinder, reviewJob, type FaultQuestion, type Finder, type Job } from '@amber/core';
import { hypothesesOf, type Hypothesis } from '../../packages/core/src/faults/hypotheses.js';
import { houseWith } from '../../packages/core/test/support/house.js';
import { finderJobs } from './finderJobs.js';

interface Asked {
  hide?: { job: number; circuit: string; seed: number; faults: number };
  question?: FaultQuestion;
  reveal?: true;
}

const jobs: Job[] = finderJobs(Number(process.argv[2] ?? 1));
const finders = new Map<string, { finder: Finder; singles: Hypothesis[] }>();
const finderAt = (job: number, circuit: string) => {
  const key = `${job} ${circuit}`;
  const known = finders.get(key);
  if (known) return known;
  const asked = jobs[job];
  if (!asked) throw new Error(`There is no job ${job}.`);
  const finder = createFinder(reviewJob(asked), circuit as never);
  const { scope } = finder;
  const singles = hypothesesOf({
    ...{ wiring: scope.near, parts: scope.parts, boxes: scope.boxes, luminaires: scope.luminaires },
    ...{ circuits: [scope.circuit], assumed: new Set<string>(), history: 'new' },
  }).filter(({ troubles }) => troubles[0]?.kind !== 'otherwise');
  const made = { finder, singles };
  finders.set(key, made);
  return made;
};

let house: ReturnType<typeof houseWith> = null;
let hidden: Hypothesis[] = [];

process.on('message', ({ hide, question, reveal }: Asked) => {
  if (hide) {
    const { finder, singles } = finderAt(hide.job, hide.circuit);
    let at = hide.seed;
    const next = () => (at = (at * 16_807) % 2_147_483_647) / 2_147_483_647;
    next();
    hidden = Array.from({ length: hide.faults }, () => {
      let left = next() * singles.reduce((sum, { weight }) => sum + weight, 0);
      return singles.find(({ weight }) => (left -= weight) < 0) ?? singles[0];
    }).flatMap((one) => one ?? []);
    house = houseWith(
      finder.scope,
      hidden.flatMap(({ troubles }) => troubles),
    );
    process.send?.({ hidden: house !== null });
  } else if (question) process.send?.({ answer: house?.answer(question) ?? { kind: 'cannot' } });
  else if (reveal) process.send?.({ troubles: hidden.flatMap(({ troubles }) => troubles) });
});
