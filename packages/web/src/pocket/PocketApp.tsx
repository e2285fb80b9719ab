import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useMemo } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { findBox } from '@amber/core';
import { Button, SafetyNote, Select } from '../parts/ui.js';
import { useAppDispatch, useAppSelector } from '../store/store.js';
import { boxChosen, wireFollowed } from '../store/wiringSlice.js';
import { FollowedBar } from '../wiring/FollowedBar.js';
import { LargeBox } from '../wiring/LargeBox.js';
import { lookThrough } from '../wiring/lenses.js';
import { PositionRibbon, useWalk } from '../wiring/PositionRibbon.js';
import { RunStrips } from '../wiring/RunStrips.js';
import { useBoxInView } from '../wiring/useBoxInView.js';
import { useFlip } from '../wiring/useFlip.js';
import { useFollowed } from '../wiring/useFollowed.js';
import { useMoving } from '../wiring/useMoving.js';
import { useSubject } from '../wiring/useSubject.js';
import type { Pocket } from './pocket.js';
import { PocketSteps } from './PocketSteps.js';

/** One circuit in one file: its handles, its boxes with what is live, and its steps. */
export const PocketApp = ({ pocket }: { pocket: Pocket }) => {
  const circuit = pocket.job.circuits.find(({ id }) => id === pocket.circuit) ?? null;
  const subject = useSubject(pocket.job, null, circuit);
  const dispatch = useAppDispatch();
  const { positions } = useAppSelector((state) => state.wiring);
  const followed = useFollowed(subject, positions);
  const walk = useWalk(subject, positions);
  const moving = useMoving(subject.state, followed !== null);
  const { box, at, go } = useBoxInView(subject);
  const seen = useMemo(() => lookThrough('live', subject, positions), [subject, positions]);
  const flip = useFlip(subject);
  useHotkeys('w', () => void walk.step());
  const drawing = subject.drawings[at];
  const isUnknown = subject.compiled.unknown.length > 0;
  return (
    <main className={`mx-auto flex min-h-full max-w-6xl flex-col bg-paper ${moving ? 'moving' : ''}`}>
      <header className="flex flex-col gap-2 px-3 pt-3 pb-2">
        <div>
          <h1 className="text-lg leading-tight font-bold">{subject.name}</h1>
          <p className="text-[13px] text-quiet">
            {pocket.job.name}. A copy of {pocket.made}, {pocket.state}: what is changed in the job after that
            does not reach it.
          </p>
        </div>
        <SafetyNote className="rounded-md border border-caution p-2" />
      </header>
      <RunStrips subject={subject} positions={positions} onFlip={flip} />
      <PositionRibbon walk={walk} />
      {box && drawing ? (
        <div className="lg:grid lg:grid-cols-[minmax(0,1fr)_28rem] lg:items-start">
          <section
            aria-label="Opened box"
            className="flex flex-col bg-board p-2 lg:sticky lg:top-0 lg:h-[min(46rem,100dvh)]"
          >
            <div className="flex items-center gap-1 rounded-md bg-sheet">
              <Button look="bare" aria-label="Box before" onClick={() => go(-1)}>
                <ChevronLeft size={18} />
              </Button>
              <Select
                aria-label="Box"
                value={box}
                onChange={(event) => dispatch(boxChosen(event.target.value as typeof box))}
                className="min-w-0 flex-1"
              >
                {subject.drawings.map((one, i) => (
                  <option key={one.box} value={one.box}>
                    {i + 1} · {findBox(subject.job, one.box)?.name ?? one.box}
                  </option>
                ))}
              </Select>
              <Button look="bare" aria-label="Next box" onClick={() => go(1)}>
                <ChevronRight size={18} />
              </Button>
            </div>
            {followed ? (
              <div className="mt-2">
                <FollowedBar job={subject.job} followed={followed} />
              </div>
            ) : (
              <p className="px-1 py-1 text-[13px]">
                <strong>Amber, dashed = live now.</strong>{' '}
                {isUnknown ? 'Brown, hatched = nobody knows: take it for live. ' : ''}
                Flip a handle; tap a wire to follow it.
              </p>
            )}
            <LargeBox
              key={box}
              subject={subject}
              drawing={drawing}
              positions={positions}
              seen={seen}
              followed={followed?.keys ?? null}
              onFlip={flip}
              onFollow={(key) => dispatch(wireFollowed(key))}
            >
              <span className="flex-1" />
            </LargeBox>
          </section>
          <div className="px-3 py-4">
            <PocketSteps pocket={pocket} subject={subject} box={box} />
          </div>
        </div>
      ) : (
        <p className="p-4">This circuit is not wired. Plan it, and make the pocket circuit again.</p>
      )}
    </main>
  );
};
