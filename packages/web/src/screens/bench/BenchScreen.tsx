import { useHotkeys } from 'react-hotkeys-hook';
import type { Circuit, Job } from '@amber/core';
import { useAppDispatch, useAppSelector } from '../../store/store.js';
import { useNarrow } from '../../parts/useNarrow.js';
import { Board } from './Board.js';
import { HandBench } from './HandBench.js';
import { HandleBar } from '../../wiring/HandleBar.js';
import { viewed, wireFollowed } from '../../store/wiringSlice.js';
import { PositionRibbon, useWalk } from '../../wiring/PositionRibbon.js';
import { RunStrips } from '../../wiring/RunStrips.js';
import { SidePanel } from './SidePanel.js';
import { useSubject } from '../../wiring/useSubject.js';
import { useBoxInView } from '../../wiring/useBoxInView.js';
import { useMoving } from '../../wiring/useMoving.js';
import { useFlip } from '../../wiring/useFlip.js';
import { useFollowed } from '../../wiring/useFollowed.js';

/** What goes where in each box, and does it work? */
export const BenchScreen = ({
  job,
  circuit,
  wiring,
}: {
  job: Job;
  circuit: Circuit | null;
  wiring: string | null;
}) => {
  const subject = useSubject(job, wiring, circuit);
  const { positions, view, followed: key, folded } = useAppSelector((state) => state.wiring);
  const dispatch = useAppDispatch();
  const followed = useFollowed(subject, positions);
  const walk = useWalk(subject, positions);
  const flip = useFlip(subject);
  const moving = useMoving(subject.state, followed !== null);
  const { at, go } = useBoxInView(subject);
  const narrow = useNarrow();
  /** The next conductor of the box in view; one that is a piece with the last is passed over. */
  const followNext = (by: number) => {
    const drawing = subject.drawings[at];
    const nets = new Map(
      (drawing?.wires ?? []).map((wire) => [subject.compiled.netOf(wire.key) ?? -1, wire.key] as const),
    );
    const keys = [...nets.values()];
    const net = key === null ? undefined : subject.compiled.netOf(key);
    const now = net === undefined ? -1 : [...nets.keys()].indexOf(net);
    const next = now < 0 ? (by > 0 ? 0 : keys.length - 1) : (now + by + keys.length) % keys.length;
    dispatch(wireFollowed(keys[next] ?? null));
  };
  useHotkeys('w', () => void walk.step());
  useHotkeys('n', () => go(1));
  useHotkeys('b', () => go(-1));
  useHotkeys('v', () => void dispatch(viewed(view === 'all' ? 'one' : 'all')));
  useHotkeys('f', () => followNext(1));
  useHotkeys('shift+f', () => followNext(-1));
  useHotkeys('escape', () => void dispatch(wireFollowed(null)));
  const strips = <RunStrips subject={subject} positions={positions} onFlip={flip} />;
  const board = (
    <Board
      subject={subject}
      positions={positions}
      followed={followed}
      hasPositions={walk.table !== null}
      inHand={narrow}
      onFlip={flip}
      onGo={go}
    />
  );
  // Nothing is told yet: what there is to tell takes all of it.
  if (narrow && subject.drawings.length > 0)
    return (
      <main className={`flex min-h-0 min-w-0 flex-1 flex-col ${moving ? 'moving' : ''}`}>
        <h1 className="sr-only">Bench of {subject.name}</h1>
        <HandBench
          key={subject.wiringId}
          subject={subject}
          board={board}
          run={
            <>
              {strips}
              <PositionRibbon walk={walk} />
            </>
          }
          handles={<HandleBar subject={subject} positions={positions} onFlip={flip} />}
        />
      </main>
    );
  return (
    <div className="flex min-h-0 flex-1 flex-col overflow-y-auto lg:flex-row lg:overflow-hidden">
      <main className={`flex min-w-0 flex-col lg:min-h-0 lg:flex-1 ${moving ? 'moving' : ''}`}>
        <h1 className="sr-only">Bench of {subject.name}</h1>
        {view === 'all' && !folded.run ? (
          <div
            className={
              subject.circuit ? 'contents' : 'max-h-80 shrink-0 overflow-y-auto border-b border-line'
            }
          >
            {strips}
          </div>
        ) : null}
        {folded.positions ? null : <PositionRibbon walk={walk} />}
        {board}
      </main>
      <SidePanel subject={subject} />
    </div>
  );
};
