import {
  findPlans,
  findPlansExpecting,
  laterTable,
  planAll,
  leastChange,
  leastCostOf,
  newDraft,
  newJob,
  remediesFor,
  outcomeOfChange,
  smallerBox,
  boxOrWay,
  beforePower,
  bitesOf,
  reviewJob,
  reviewWiring,
  createFinder,
  tellDiagnosis,
  notToHave,
  replaced,
  pricedRemedies,
  takeTogether,
  tryAnswers,
  standardStock,
  withDraft,
  type ArticleId,
  type Asking,
  type BeforePower,
  type NotBeforePower,
  type DiagnosisTold,
  type Finder,
  type Observation,
  type ReviewedWiring,
  type BoxId,
  type Change,
  type Finding,
  type CircuitId,
  type Job,
  type JobId,
  type Choice,
  type FoundPlans,
  type Later,
  type LaterRow,
  type PlannedAll,
  type Remedy,
  type Edition,
  type Outcome,
  type SmallerBox,
  type Bite,
  type BoxAlternative,
  type PricedRemedy,
  type TakenTogether,
} from '@amber/core';
import { fresh } from '../parts/fresh.js';

/** A pair of three-ways in nowhere. */
const practice = (): Job => {
  let count = 0;
  const freshBox = () => `box-${++count}` as BoxId;
  const asked = {
    circuit: 'practice' as CircuitId,
    name: 'Practice',
    switches: 2,
    powerAt: 'switch',
  } as const;
  return withDraft(
    newJob('practice' as JobId, 'Practice', standardStock()),
    newDraft({ ...asked, freshBox }),
  );
};

/** What is asked of a fault: where it is looked for, what was seen, and by whom. */
export interface AskedDiagnosis {
  job: Job;
  circuit: CircuitId;
  /** The wiring by its id; null for the planned one. */
  wiring: string | null;
  observations: readonly Observation[];
  asking: Asking;
}

/** The finder of the fault that is looked for now: what it reckoned out serves the next question. */
let held: { key: string; review: ReviewedWiring; finder: Finder } | null = null;

/** Searching takes the processor for seconds; the page stays free meanwhile. It is stopped by ending the worker. */
export const planner = {
  find: (job: Job, circuit: CircuitId, onProgress: (soFar: FoundPlans) => void): FoundPlans =>
    findPlansExpecting(job, circuit, { onProgress }),
  /** What may come later, priced under each of some ways of a circuit. */
  later: (
    job: Job,
    circuit: CircuitId,
    choices: readonly Choice[],
    laters: readonly Later[],
    onProgress: (soFar: LaterRow[]) => void,
  ): LaterRow[] => laterTable(job, circuit, choices, laters, onProgress),
  /** A search of something small, so that the code is compiled when a real one is asked for. */
  warmUp: (): void => void findPlans(practice(), 'practice' as CircuitId, { mostSteps: 2_000 }),
  /** Circuits planned together where their boxes touch; what is planned so far after each part. */
  together: (job: Job, circuits: readonly CircuitId[], onProgress: (soFar: PlannedAll) => void): PlannedAll =>
    planAll(job, circuits, { onProgress }),
  leastCost: (job: Job, circuit: CircuitId): number | null => leastCostOf(job, circuit),
  /** What the program can do about some findings of the planned wiring; each is planned and inspected again to see whether it helps. */
  remedies: (job: Job, findings: readonly Finding[]): Remedy[][] =>
    findings.map((finding) => remediesFor(job, null, finding)),
  /** The remedies of a finding of the planned wiring, each with what it comes to. */
  priced: (job: Job, finding: Finding): PricedRemedy[] => pricedRemedies(job, finding),
  /** What each of some answers to some questions would change. */
  tryAnswers: (
    job: Job,
    questions: Parameters<typeof tryAnswers>[1],
    values: readonly (string | number)[],
  ): Outcome[] => tryAnswers(job, questions, values),
  /** With what a box that is too small would do at a place. */
  smaller: (job: Job, box: BoxId, articles: readonly ArticleId[]): SmallerBox =>
    smallerBox(job, box, articles),
  /** What a planned box could be instead: another box, another way, other gangs. */
  boxOrWay: (job: Job, box: BoxId): BoxAlternative[] => boxOrWay(job, box, () => fresh<BoxId>('box')),
  /** A job planned without an article that is not to be had. */
  notToHave: (job: Job, article: ArticleId): ReturnType<typeof notToHave> => notToHave(job, article),
  /** A job planned with another article wherever one goes. */
  replaced: (job: Job, article: ArticleId, by: ArticleId): ReturnType<typeof replaced> =>
    replaced(job, article, by),
  /** Dangers that single mistakes in a box bring while every handle does what it should; null where not all is known. */
  /** How it stands with a fault after what was seen; null where there is no such wiring. */
  diagnose: (asked: AskedDiagnosis): DiagnosisTold | null => {
    const { job, circuit, wiring, observations, asking } = asked;
    const key = JSON.stringify([job, circuit, wiring]);
    if (held?.key !== key) {
      const review = wiring === null ? reviewJob(job) : reviewWiring(job, wiring);
      if (!review) return null;
      held = { key, review, finder: createFinder(review, circuit) };
    }
    return tellDiagnosis(held.review, held.finder, observations, asking);
  },
  bites: (job: Job, box: BoxId): Bite[] | null => bitesOf(reviewJob(job), box),
  /** The dead readings that prove the make-up of a circuit before there is power, or why there are none. */
  beforePower: (job: Job, circuit: CircuitId): BeforePower | NotBeforePower =>
    beforePower(reviewJob(job), circuit),
  underEdition: (job: Job, edition: Edition): Outcome => outcomeOfChange(job, { ...job, edition }),
  /** Every remedy below a price, one after the other; what is taken so far after each. */
  takeTogether: (
    job: Job,
    most: number,
    onProgress: (soFar: TakenTogether['taken']) => void,
  ): TakenTogether => takeTogether(job, most, { onProgress: (taken) => onProgress([...taken]) }),
  leastChange: (job: Job, change: Change): ReturnType<typeof leastChange> => leastChange(job, change),
};
export type Planner = typeof planner;
