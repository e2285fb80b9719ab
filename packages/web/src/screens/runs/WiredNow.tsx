import { useMemo } from 'react';
import {
  dollars,
  isChosen,
  measureWired,
  wiredChoice,
  type Candidate,
  type Circuit,
  type Job,
  type PlanSet,
} from '@amber/core';
import { reviewOf } from '../../store/review.js';

/** Staples, tape and tail wire, which the proof leaves out, make no more difference than this, ten-thousandths of a dollar. */
const LEFT_OUT_AT_MOST = 50_000;

interface Found {
  job: Job;
  circuit: Circuit;
  found: PlanSet;
}

/** What a change of the layout has done to the way that was chosen: whether it still is one, and what it costs beside the best. */
export const WiredNow = ({ settled, ...known }: Found & { settled: boolean }) => {
  const { job, circuit, found } = known;
  const chosen = job.choices.some((one) => one.circuit === circuit.id);
  const wired = wiredChoice(reviewOf(job).plans, circuit.id);
  const [first] = found.candidates;
  const isAmong = found.candidates.some((one) => isChosen(wired, one));
  // It is measured where it is none of those that were: that takes its time.
  return settled && chosen && first && !isAmong ? <WiredOtherwise {...known} first={first} /> : null;
};

const WiredOtherwise = ({ job, circuit, found, first }: Found & { first: Candidate }) => {
  const measures = useMemo(() => measureWired(job, circuit.id), [job, circuit.id]);
  const more = measures === null ? null : measures.cost - first.measures.cost;
  const least = found.profiles.find((one) => one.id === 'leastCost' && one.proved)?.letter;
  const cheapest = found.candidates.find(({ letter }) => letter === least);
  // Nothing that meets what is asked costs less than that.
  const lacks =
    measures !== null && cheapest !== undefined && measures.cost - cheapest.measures.cost < -LEFT_OUT_AT_MOST;
  return (
    <p className="mx-4 mb-3 border-l-3 border-ink pl-3 text-[13.5px]" role="status">
      {measures === null || more === null
        ? 'The way that was chosen no longer meets what is asked, or leaves something out. Wire it by one of these, or keep it and mend the runs on the bench.'
        : lacks
          ? `It is wired another way, for ${dollars(-more)} less than ${first.letter}, and so lacks something that is asked now. Wire it by one of these, or keep it.`
          : Math.abs(more) < 50
            ? `It is wired another way, at the same cost as ${first.letter}.`
            : `It is wired another way, at ${dollars(measures.cost)}: ${dollars(Math.abs(more))} ${more > 0 ? 'more' : 'less'} than ${first.letter}. Keep it, or wire it by one of these.`}
    </p>
  );
};
