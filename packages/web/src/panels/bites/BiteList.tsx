import { bitesTogether, findBox, type Bite, type BoxId, type Job } from '@amber/core';
import { SeverityMark } from '../../parts/ui.js';
import { NotYet } from '../../worker/NotYet.js';
import { useBites } from '../../worker/useChecked.js';

const Row = ({ bite, live }: { bite: Bite; live: boolean }) => (
  <li className="py-2.5 text-[14px]">
    <p className="flex gap-2 font-semibold">
      <SeverityMark severity="caution" />
      <span className="first-letter:uppercase">{bite.what}</span>
    </p>
    <p className="mt-0.5 ml-6 text-[13.5px] text-quiet">
      {bite.mistakes === 1
        ? 'One mistake here would do it: when '
        : `Any of ${bite.mistakes} mistakes here would do it, as when `}
      {bite.example}.
    </p>
    <p className="mt-0.5 ml-6">
      {bite.live && !live ? 'What shows it is a live reading, for an electrician.' : bite.reading}
    </p>
  </li>
);

/** Dangers that no handle shows, of one box, each with the least reading that does; a live one is told to electricians alone. */
export const BiteList = ({ job, box, live }: { job: Job; box: BoxId; live: boolean }) => {
  const found = useBites(job, box);
  const name = findBox(job, box)?.name ?? box;
  if (found?.kind !== 'known') return <NotYet asked={found} words="Each mistake is tried …" />;
  const { bites } = found.answer;
  if (bites === null)
    return (
      <p className="rounded-md border border-caution p-3 text-[14px]">
        Not all of its circuits is known, so nothing is told of it. Look into what is there first, and take
        every wire for live.
      </p>
    );
  if (bites.length === 0)
    return (
      <p className="text-[15px]">
        None of the single mistakes that were tried at {name} hides so. Others may.
      </p>
    );
  return (
    <ul aria-label={`Where ${name} bites`} className="divide-y divide-line border-y border-line">
      {bitesTogether(bites).map((bite) => (
        <Row key={`${bite.kind} ${bite.what}`} bite={bite} live={live} />
      ))}
    </ul>
  );
};
