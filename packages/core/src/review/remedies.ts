import type { Job } from '../model/job.js';
import type { Wiring } from '../model/wiring.js';
import { inspect, judge } from '../code/inspect.js';
import { findingKey, isGrave, type Finding, type Fix, type Judged } from '../code/rule.js';
import { reviewJob, type JobReview } from './reviewJob.js';

/** Something the program can do about a finding, and the job after it. */
export interface Remedy {
  words: string;
  job: Job;
  /** What it takes beside what is priced, where it does. */
  unpriced?: 'breaker';
}

const grave = (findings: readonly Finding[]): Map<string, number> => {
  const counts = new Map<string, number>();
  for (const one of findings)
    if (isGrave(one)) counts.set(findingKey(one), (counts.get(findingKey(one)) ?? 0) + 1);
  return counts;
};

/** Is nothing grave found after a change that was not found before, nor any of it more often? */
export const bringsNothingGrave = (before: readonly Finding[], after: readonly Finding[]): boolean => {
  const was = grave(before);
  return [...grave(after)].every(([key, count]) => count <= (was.get(key) ?? 0));
};

/** Is the finding gone, and nothing graver come in its place? */
const helps = (finding: Finding, before: readonly Finding[], after: readonly Finding[]): boolean =>
  !after.some((one) => findingKey(one) === findingKey(finding)) && bringsNothingGrave(before, after);

const saidOf = ({ words, unpriced }: Fix): Omit<Remedy, 'job'> => ({
  words,
  ...(unpriced === undefined ? {} : { unpriced }),
});

/** What could be done about a finding among all that was judged. */
const fixesOf = (all: readonly Judged[], finding: Finding): Fix[] =>
  all.find((one) => findingKey(one.finding) === findingKey(finding))?.fixes ?? [];

const asIs = (job: Job, id: string, wiring: Wiring, fix: Fix): { job: Job; wiring: Wiring } => {
  if ('job' in fix) return { job: fix.job(job), wiring };
  const mended = fix.wiring(wiring);
  const wirings = job.wirings.map((document) =>
    document.id === id ? { ...document, wiring: mended } : document,
  );
  return { job: { ...job, wirings }, wiring: mended };
};

/** A remedy of the planned wiring, with the review of the job after it. */
export interface PlannedRemedy extends Remedy {
  after: JobReview;
}

/**
 * What the program can do about a finding of the planned wiring: the job is changed and planned again. Each is tried, and given only if
 * inspecting again does not find it and finds no violation that was not there.
 */
export const plannedRemedies = (before: JobReview, finding: Finding): PlannedRemedy[] =>
  fixesOf(judge(before.job, before.wiring), finding).flatMap((fix): PlannedRemedy[] => {
    // The planned wiring is made anew; a mend of it would not last.
    if (!('job' in fix)) return [];
    const after = reviewJob(fix.job(before.job));
    return helps(finding, before.findings, after.findings) ? [{ ...saidOf(fix), job: after.job, after }] : [];
  });

/** The same of a finding on the planned wiring (`id` null), or on a wiring as it stands, which is mended itself. */
export const remediesFor = (job: Job, id: string | null, finding: Finding): Remedy[] => {
  if (id === null)
    return plannedRemedies(reviewJob(job), finding).map(({ after: _after, ...remedy }) => remedy);
  const wiring = job.wirings.find((document) => document.id === id)?.wiring;
  if (!wiring) return [];
  const all = judge(job, wiring);
  const before = all.map((one) => one.finding);
  return fixesOf(all, finding).flatMap((fix): Remedy[] => {
    const changed = asIs(job, id, wiring, fix);
    return helps(finding, before, inspect(changed.job, changed.wiring))
      ? [{ ...saidOf(fix), job: changed.job }]
      : [];
  });
};
