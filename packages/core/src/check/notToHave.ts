import type { ArticleId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { setAbsent } from '../edits/orderEdits.js';
import { wireAll } from '../plans/wireAll.js';
import { reviewJob, type JobReview } from '../review/reviewJob.js';
import { outcomeOf, type Outcome } from './outcome.js';

const unplanned = ({ plans }: JobReview): Set<string> =>
  new Set(plans.flatMap(({ circuit, outcome }) => (outcome.ok ? [] : [circuit.id])));

/**
 * A job planned without an article that is not to be had, and what that changes. A circuit that cannot be wired the way that was chosen for it, as
 * no cable that is left carries a run of it, is wired anew as a master would; where no way is left it stays as it is, and its refusal is among what comes.
 */
export const notToHave = (job: Job, article: ArticleId): { job: Job; outcome: Outcome } => {
  const before = reviewJob(job);
  const absent = setAbsent(job, article, true);
  const asChosen = reviewJob(absent);
  const was = unplanned(before);
  const lost = new Set([...unplanned(asChosen)].filter((id) => !was.has(id)));
  if (lost.size === 0) return { job: asChosen.job, outcome: outcomeOf(before, asChosen) };
  const after = reviewJob(
    wireAll({ ...absent, choices: absent.choices.filter(({ circuit }) => !lost.has(circuit)) }),
  );
  return { job: after.job, outcome: outcomeOf(before, after) };
};
