import { proxy } from 'comlink';
import type {
  ArticleId,
  BeforePower,
  CircuitId,
  NotBeforePower,
  Bite,
  BoxId,
  BoxAlternative,
  SmallerBox,
  Edition,
  Finding,
  Job,
  Outcome,
  PricedRemedy,
  Question,
  TakenTogether,
} from '@amber/core';
import { useAsked, useWork, type Ask, type Asked } from './useWork.js';
import { withoutPlanned } from './withoutPlanned.js';
import type { PlannerWorker } from './workers.js';

type Planner = PlannerWorker['planner'];

/** A question as text, of a job without what follows from it; null where nothing is asked. */
const written = (job: Job, rest: object | null): string | null =>
  rest === null ? null : JSON.stringify({ job: withoutPlanned(job), ...rest });

/** The same of all of a job: what comes back is the job as it would be, with every wiring that it has. */
const writtenWhole = (job: Job, rest: object | null): string | null =>
  rest === null ? null : JSON.stringify({ job, ...rest });

const askPriced = (planner: Planner, question: string): Promise<PricedRemedy[]> => {
  const { job, finding } = JSON.parse(question) as { job: Job; finding: Finding };
  return planner.priced(job, finding);
};

/** The remedies of a finding with what each comes to; null where none is asked about. */
export const usePriced = (job: Job, finding: Finding | null): Asked<PricedRemedy[]> | null =>
  useAsked(writtenWhole(job, finding && { finding }), askPriced);

interface Answers {
  questions: Pick<Question, 'kind' | 'of'>[];
  values: (string | number)[];
}

const askAnswers = (planner: Planner, question: string): Promise<Outcome[]> => {
  const { job, questions, values } = JSON.parse(question) as { job: Job } & Answers;
  return planner.tryAnswers(job, questions, values);
};

/** What each of some answers would change, in their order; null where nothing is asked. */
export const useAnswers = (job: Job, answers: Answers | null): Asked<Outcome[]> | null =>
  useAsked(written(job, answers), askAnswers);

const askBeforePower = async (
  planner: Planner,
  question: string,
): Promise<{ told: BeforePower | NotBeforePower }> => {
  const { job, circuit } = JSON.parse(question) as { job: Job; circuit: CircuitId };
  return { told: await planner.beforePower(job, circuit) };
};

/** The dead readings that prove the make-up of a circuit; null for no circuit. */
export const useBeforePower = (
  job: Job,
  circuit: CircuitId | null,
): Asked<{ told: BeforePower | NotBeforePower }> | null =>
  useAsked(writtenWhole(job, circuit && { circuit }), askBeforePower);

const askSmaller = (planner: Planner, question: string): Promise<SmallerBox> => {
  const { job, box, articles } = JSON.parse(question) as { job: Job; box: BoxId; articles: ArticleId[] };
  return planner.smaller(job, box, articles);
};

/** With what a box of the stock that is too small would do at a place. */
export const useSmaller = (job: Job, box: BoxId, articles: readonly ArticleId[]): Asked<SmallerBox> | null =>
  useAsked(writtenWhole(job, { box, articles }), askSmaller);

const askOrWay = (planner: Planner, question: string): Promise<BoxAlternative[]> => {
  const { job, box } = JSON.parse(question) as { job: Job; box: BoxId };
  return planner.boxOrWay(job, box);
};

/** What a planned box could be instead; null while nobody asks. */
export const useBoxOrWay = (job: Job, box: BoxId | null): Asked<BoxAlternative[]> | null =>
  useAsked(writtenWhole(job, box && { box }), askOrWay);

interface WithoutArticle {
  job: Job;
  outcome: Outcome;
}
const askNotToHave = (planner: Planner, question: string): Promise<WithoutArticle> => {
  const { job, article, by } = JSON.parse(question) as { job: Job; article: ArticleId; by: ArticleId | null };
  return by === null ? planner.notToHave(job, article) : planner.replaced(job, article, by);
};

/** The job planned without an article that is not to be had, or with another one in its place; null while nobody asks. */
export const useNotToHave = (
  job: Job,
  article: ArticleId | null,
  by: ArticleId | null,
): Asked<WithoutArticle> | null => useAsked(writtenWhole(job, article && { article, by }), askNotToHave);

const askBites = (planner: Planner, question: string): Promise<{ bites: Bite[] | null }> => {
  const { job, box } = JSON.parse(question) as { job: Job; box: BoxId };
  return planner.bites(job, box).then((bites) => ({ bites }));
};

/** Where a box bites; null while nobody asks. */
export const useBites = (job: Job, box: BoxId | null): Asked<{ bites: Bite[] | null }> | null =>
  useAsked(writtenWhole(job, box && { box }), askBites);

const askEdition = (planner: Planner, question: string): Promise<Outcome> => {
  const { job, edition } = JSON.parse(question) as { job: Job; edition: Edition };
  return planner.underEdition(job, edition);
};

/** What planning by another edition would change; null where none is asked about. */
export const useEdition = (job: Job, edition: Edition | null): Asked<Outcome> | null =>
  useAsked(written(job, edition && { edition }), askEdition);

const askTaken: Ask<TakenTogether | TakenTogether['taken']> = (planner, question, tell) => {
  const { job, most } = JSON.parse(question) as { job: Job; most: number };
  return planner.takeTogether(job, most, proxy(tell));
};

/** Every remedy below a price (ten-thousandths of a dollar) taken one after the other, told as it goes; null where nothing is asked. */
export const useTaken = (
  job: Job,
  most: number | null,
): {
  done: TakenTogether | null;
  soFar: number;
  failed: string | null;
  stopped: boolean;
  stop: () => void;
  again: () => void;
} | null => {
  const { work, stop, again } = useWork(writtenWhole(job, most === null ? null : { most }), askTaken);
  if (work === null) return null;
  const answer = work.kind === 'done' && 'job' in work.answer ? work.answer : null;
  const soFar = 'soFar' in work && Array.isArray(work.soFar) ? work.soFar.length : 0;
  return {
    ...{ done: answer, soFar, stop, again },
    stopped: work.kind === 'stopped',
    failed: work.kind === 'failed' ? work.message : null,
  };
};
