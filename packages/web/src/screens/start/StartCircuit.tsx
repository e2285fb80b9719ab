import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { EVERYDAY, type Job } from '@amber/core';
import { layoutPath } from '../../parts/paths.js';
import { SafetyNote } from '../../parts/ui.js';
import { BeginningPick, type Beginning } from './BeginningPick.js';
import { OfWhatIsThere } from './OfWhatIsThere.js';
import { PlaceForm } from './PlaceForm.js';
import { WithoutPlan } from './WithoutPlan.js';

/** The one place where a circuit is begun: in an everyday place, in a room that is drawn, without a plan, or with what is there. */
export const StartCircuit = ({ job }: { job: Job }) => {
  const [picked, setPicked] = useState<Beginning | null>(null);
  const [isThere, setIsThere] = useState(false);
  const form = useRef<HTMLDivElement>(null);
  // On a narrow screen what was picked is further down.
  useEffect(() => {
    const top = form.current?.getBoundingClientRect().top ?? 0;
    if (picked !== null && top > innerHeight / 2) form.current?.scrollIntoView({ block: 'start' });
  }, [picked]);
  return (
    <main className="min-h-0 flex-1 overflow-y-auto p-5 sm:px-8 sm:py-6">
      <div className="max-w-6xl">
        <h1 className="text-2xl font-bold">New circuit</h1>
        <p className="mt-1 mb-4 text-quiet">
          Where is it? Pick what comes nearest and correct it, or{' '}
          <Link className="font-semibold text-ink underline" to={layoutPath(job.id)}>
            draw the room
          </Link>{' '}
          by its dimensions.
        </p>
        <div className="grid items-start gap-x-8 gap-y-6 lg:grid-cols-[minmax(0,5fr)_minmax(0,6fr)]">
          <BeginningPick value={picked} onPick={setPicked} />
          <div ref={form} className="scroll-mt-4">
            {picked === null ? (
              <p className="rounded-lg border border-dashed border-quiet/60 p-6 text-[15px]">
                Each comes with its doors, switches and luminaires, roughly measured. Its ways to be wired
                stand here, drawn and priced, as soon as one is picked.
              </p>
            ) : picked === 'withoutPlan' ? (
              <WithoutPlan job={job} />
            ) : picked === 'trouble' || picked === 'unknownWires' ? (
              <OfWhatIsThere
                job={job}
                beginning={picked}
                onPlace={() => {
                  setIsThere(true);
                  setPicked('room');
                }}
              />
            ) : (
              <>
                <h2 className="mb-3 text-[17px] font-bold">{EVERYDAY[picked].title}</h2>
                <PlaceForm key={picked} job={job} place={picked} isThere={isThere} />
              </>
            )}
          </div>
        </div>
        <SafetyNote className="mt-6 border-t border-line pt-4" />
      </div>
    </main>
  );
};
