import type { Job } from '../model/job.js';
import { plannedWiring } from '../model/job.js';
import type { Wiring } from '../model/wiring.js';
import { inspect, judge } from '../code/inspect.js';
import { findingKey, isGrave, type Finding, type Fix } from '../code/rule.js';
import { reviewJob } from './reviewJob.js';

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

/** Is the finding gone, and nothing graver come in its place? */
const helps = (finding: Finding, before: readonly Finding[], after: readonly Finding[]): boolean => {
  const [was, is] = [grave(before), grave(after)];
  const gone = !after.some((one) => findingKey(one) === findingKey(finding));
  return gone && [...is].every(([key, count]) => count <= (was.get(key) ?? 0));
};

const saidOf = ({ words, unpriced }: Fix): Omit<Remedy, 'job'> => ({
  words,
  ...(unpriced === undefined ? {} : { unpriced }),
});

const asIs = (job: Job, id: string, wiring: Wiring, fix: Fix): { job: Job; wiring: Wiring } => {
  if ('job' in fix) return { job: fix.job(job), wiring };
  const mended = fix.wiring(wiring);
  const wirings = job.wirings.map((document) =>
    document.id === id ? { ...document, wiring: mended } : document,
  );
  return { job: { ...job, wirings }, wiring: mended };
};

/**
 * What the program can do about a finding on the planned wiring (`id` null: the job is changed and planned again), or on
 * a wiring as it stands. Each is tried: it is offered only if inspecting again does not find it and finds no violation
 * that was not there.
 */
export const remediesFor = (job: Job, id: string | null, finding: Finding): Remedy[] => {
  const wiring =
    id === null ? plannedWiring(job) : job.wirings.find((document) => document.id === id)?.wiring;
  if (!wiring) return [];
  const all = judge(job, wiring);
  const fixes = all.find((one) => findingKey(one.finding) === findingKey(finding))?.fixes ?? [];
  if (fixes.length === 0) return [];
  const before = id === null ? reviewJob(job).findings : all.map((one) => one.finding);
  return fixes.flatMap((fix): Remedy[] => {
    if (id === null) {
      // The planned wiring is made anew; a mend of it would not last.
      if (!('job' in fix)) return [];
      const after = reviewJob(fix.job(job));
      return helps(finding, before, after.findings) ? [{ ...saidOf(fix), job: after.job }] : [];
    }
    const changed = asIs(job, id, wiring, fix);
    return helps(finding, before, inspect(changed.job, changed.wiring))
      ? [{ ...saidOf(fix), job: changed.job }]
      : [];
  });
};
