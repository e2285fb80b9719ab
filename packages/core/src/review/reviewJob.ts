import type { Job } from '../model/job.js';
import { planJob, type CircuitPlan } from '../planning/planJob.js';
import { sayProblem } from '../planning/sayProblem.js';
import { compile } from '../circuit/compile.js';
import { proveGroup, wiringOrEmpty, type GroupProof } from '../proving/works.js';
import { byGravity, inspect } from '../code/inspect.js';
import type { Finding } from '../code/rule.js';

/** One look at a job: planned anew, proved, inspected. */
export interface JobReview {
  job: Job;
  plans: CircuitPlan[];
  findings: Finding[];
  proofs: GroupProof[];
}

/** Plans the job and gives all that follows: refusals to plan stand among the findings as unfinished. */
export const reviewJob = (asked: Job): JobReview => {
  const { job, circuits } = planJob(asked);
  const wiring = wiringOrEmpty(job);
  const compiled = compile(wiring, job);
  const refusals = circuits.flatMap(({ circuit, outcome }): Finding[] =>
    outcome.ok
      ? []
      : outcome.problems.map((problem) => ({
          rule: problem.code,
          severity: 'unfinished',
          section: '',
          at: {
            circuit: circuit.id,
            ...('box' in problem ? { box: problem.box } : {}),
            ...('run' in problem ? { run: problem.run } : {}),
          },
          ...sayProblem(job, problem),
        })),
  );
  const planned = new Set(circuits.filter(({ outcome }) => outcome.ok).map(({ circuit }) => circuit.id));
  return {
    job,
    plans: circuits,
    findings: [...refusals, ...inspect(job, wiring)].sort(byGravity),
    proofs: job.groups
      .filter((group) => planned.has(group.circuit))
      .map((group) => proveGroup(job, wiring, compiled, group)),
  };
};
