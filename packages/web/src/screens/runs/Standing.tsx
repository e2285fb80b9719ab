import { useMemo } from 'react';
import { Link } from 'react-router';
import {
  emptyGroups,
  laidRuns,
  listed,
  reviewCircuit,
  standingCircuits,
  type Circuit,
  type Job,
} from '@amber/core';
import { hasExisting } from '../../panels/change/draft.js';
import { benchPath, layoutPath } from '../../parts/paths.js';
import { Button } from '../../parts/ui.js';
import { reviewOf } from '../../store/review.js';
import type { Drawn } from './PlanOverlay.js';

/** What lies there of a circuit that stands as it was found, to be drawn; null of one of which something is to be planned. */
export const useStanding = (job: Job, circuit: Circuit): Drawn | null =>
  useMemo(() => {
    if (!standingCircuits(job).has(circuit.id)) return null;
    const review = reviewOf(job);
    const cables = new Set(reviewCircuit(review, circuit.id).cables);
    const runs = laidRuns(job, review.wiring, cables);
    return { label: 'What lies there', entry: null, choice: undefined, runs };
  }, [job, circuit]);

/** Nobody changes anything of the circuit, so nothing is planned of it: ways to wire it anew are sought when somebody wants them. */
export const StandingPanel = ({
  job,
  circuit,
  onSeek,
}: {
  job: Job;
  circuit: Circuit;
  onSeek: () => void;
}) => {
  const empty = emptyGroups(job, circuit.id).map(({ name }) => name);
  return (
    <section aria-label="It stands as it was found" className="flex flex-col gap-3 p-4">
      <h2 className="text-[16px] font-bold">{circuit.name} stands as it was found</h2>
      {empty.length > 0 ? (
        <p className="border-l-3 border-ink pl-3 text-[14px]">
          {listed(empty)} {empty.length > 1 ? 'have' : 'has'} no switch and no luminaire yet: place them on{' '}
          <Link to={layoutPath(job.id, circuit.id)} className="font-semibold underline">
            Layout
          </Link>
          , and the ways to wire them are sought here.
        </p>
      ) : null}
      <p className="text-[14px]">
        {empty.length > 0 ? 'Nothing else of it' : 'Nothing of it'} is to be changed, so it stays as it is.
        The bench tells what was seen, what is only assumed and what nobody has looked at; Check tells what
        the code says of it.
      </p>
      <Link
        to={benchPath(job.id, circuit.id)}
        className="inline-flex min-h-10 items-center self-start rounded-md bg-ink px-4 font-semibold text-sheet"
      >
        See it on the bench
      </Link>
      <p className="mt-2 text-[14px]">
        {hasExisting(job, circuit) ? (
          <>
            To change a part of it, use <strong>Change what is there</strong>.{' '}
          </>
        ) : null}
        To wire all of it anew, with the old cables where they serve, as the {job.edition} code asks today:
      </p>
      <Button className="self-start" onClick={onSeek}>
        Seek ways to wire it anew
      </Button>
      <p className="text-[13px] text-quiet">Nothing changes until one of them is chosen.</p>
      <p className="border-l-3 border-caution pl-3 text-[13.5px]">
        The plan draws old cables from box to box as cables are usually run. Where they lie in the walls
        nobody has seen: look before you cut or drill.
      </p>
    </section>
  );
};
