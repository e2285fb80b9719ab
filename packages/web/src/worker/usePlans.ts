import { withoutPlanned } from './withoutPlanned.js';
import { copyWithStructuralSharing } from '@reduxjs/toolkit/query';
import { proxy } from 'comlink';
import { useMemo } from 'react';
import type { Candidate, Circuit, CircuitId, FoundPlans, Job } from '@amber/core';
import { useWork, type Ask, type Work } from './useWork.js';

export type Search =
  /** Nobody has asked for plans. */
  | { kind: 'unasked'; found: null }
  | { kind: 'searching'; found: FoundPlans | null }
  | { kind: 'done' | 'stopped'; found: FoundPlans | null }
  | { kind: 'failed'; message: string };

interface Brief {
  job: Job;
  circuit: CircuitId;
}

/** What the search hangs on: the job without what was planned, and without the choice that it is to find. */
const briefOf = (job: Job, circuit: Circuit): string =>
  JSON.stringify({
    job: {
      ...withoutPlanned(job),
      name: '',
      choices: job.choices.filter((one) => one.circuit !== circuit.id),
    },
    circuit: circuit.id,
  } satisfies Brief);

/** With all that is told as before the same as before, so that none of it is drawn anew: a plan keeps its runs when another comes before it. */
export const asBefore = (before: FoundPlans | null, found: FoundPlans): FoundPlans => {
  const known = new Map(before?.candidates.map((one) => [JSON.stringify(one.choice), one]));
  const candidates = found.candidates.map((one): Candidate =>
    copyWithStructuralSharing(known.get(JSON.stringify(one.choice)), one),
  );
  return { ...copyWithStructuralSharing<FoundPlans>(before, found), candidates };
};

const ask: Ask<FoundPlans> = (planner, question, tell) => {
  const { job, circuit } = JSON.parse(question) as Brief;
  performance.mark('plans-asked');
  let answered = false;
  let last: FoundPlans | null = null;
  const show = (found: FoundPlans) => {
    if (!answered && found.candidates.length > 0) performance.mark('plans-first');
    answered ||= found.candidates.length > 0;
    if (found.profiles.some((one) => one.id === 'mastersChoice' && one.proved))
      performance.mark('plans-proved');
    tell((last = asBefore(last, found)));
  };
  return planner.find(job, circuit, proxy(show)).then((found) => asBefore(last, found));
};

const searchOf = (work: Work<FoundPlans> | null): Search => {
  if (work === null) return { kind: 'unasked', found: null };
  switch (work.kind) {
    case 'failed':
      return work;
    case 'done':
      return { kind: 'done', found: work.answer };
    case 'working':
      return { kind: 'searching', found: work.soFar };
    case 'stopped':
      return { kind: 'stopped', found: work.soFar };
  }
};

/** Searches the plans of a circuit in a worker, anew with every change of its brief; of none where no plan is asked for. */
export const usePlans = (job: Job, circuit: Circuit | null) => {
  const brief = useMemo(() => circuit && briefOf(job, circuit), [job, circuit]);
  const { work, stop, again } = useWork(brief, ask);
  return { search: searchOf(work), stop, again };
};
