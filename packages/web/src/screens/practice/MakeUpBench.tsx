import { ChevronLeft, Gauge, Redo2, Undo2 } from 'lucide-react';
import { useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { BUILT, habitsOf, landedSince, type BoxId, type Job, type Wiring } from '@amber/core';
import { MetersPanel } from '../../panels/meters/MetersPanel.js';
import { Button, SafetyLine } from '../../parts/ui.js';
import { placeName } from '../../parts/words.js';
import { useNarrow } from '../../parts/useNarrow.js';
import { redone, undone } from '../../store/jobSlice.js';
import { useAppDispatch, useAppSelector } from '../../store/store.js';
import { wireFollowed } from '../../store/wiringSlice.js';
import { BoxCard } from '../../wiring/BoxCard.js';
import { HandleBar } from '../../wiring/HandleBar.js';
import { InHandBar } from '../../wiring/InHandBar.js';
import { lookThrough } from '../../wiring/lenses.js';
import { RunStrips } from '../../wiring/RunStrips.js';
import { useFlip } from '../../wiring/useFlip.js';
import { useInHand } from '../../wiring/useInHand.js';
import { useSubject } from '../../wiring/useSubject.js';
import { BoardSays } from './BoardSays.js';
import { ClosedBox } from './ClosedBox.js';
import { BreakerSwitch, DeadTestAsk } from './Dead.js';
import { deadOf } from './deadOf.js';
import { madeWiring } from './kept.js';
import { MakeUpPanel } from './MakeUpPanel.js';
import { useReach } from './useReach.js';
import type { HiddenBy, Ways } from './ways.js';
import { wholeOf } from './wholeOf.js';

interface Made extends Ways {
  title: string;
  /** Where leaving leads, in a word or two. */
  back: string;
  /** Who has hidden a mistake; null where the wires hang loose. */
  hiddenBy: HiddenBy | null;
  /** What its maker says; may be empty. */
  note?: string;
  /** What stands under the wires, as the way to share it. */
  under?: ReactNode;
  /** What is made up has changed. */
  onMade: (wiring: Wiring) => void;
}

const Bench = ({
  job,
  title,
  back,
  hiddenBy,
  note = '',
  under,
  onMade,
  onStopped,
  ...ways
}: Made & { job: Job }) => {
  const dispatch = useAppDispatch();
  const { positions } = useAppSelector((state) => state.wiring);
  const { past, future } = useAppSelector(
    (state) => ({
      past: (state.job.open?.history.past.length ?? 0) > 0,
      future: (state.job.open?.history.future.length ?? 0) > 0,
    }),
    (a, b) => a.past === b.past && a.future === b.future,
  );
  const hides = hiddenBy !== null;
  // A fault is looked for with the power on, at the handles; nothing is made up that way.
  const reach = useReach(hides, onStopped);
  const { on } = reach;
  const [took, setTook] = useState({ began: Date.now(), readings: 0, live: 0 });
  const [opened, setOpened] = useState<readonly BoxId[]>([]);
  const [metering, setMetering] = useState(false);
  const told = useSubject(job, BUILT, null);
  const whole = useMemo(() => wholeOf(told), [told]);
  const subject = useMemo(() => (on ? whole : deadOf(whole, positions)), [on, whole, positions]);
  const flip = useFlip(subject);
  const hand = useInHand(subject);
  const seen = useMemo(() => lookThrough('live', subject, positions), [subject, positions]);
  const wiring = madeWiring(job);
  useEffect(() => {
    if (wiring) onMade(wiring);
  }, [wiring, onMade]);
  /** Terminals as they were landed on, one after the other. */
  const order = useRef<{ last: Wiring | null; keys: string[] }>({ last: wiring, keys: [] });
  useEffect(() => {
    const { last, keys } = order.current;
    if (wiring && last) order.current = { last: wiring, keys: [...keys, ...landedSince(last, wiring)] };
  }, [wiring]);
  useHotkeys('mod+z', () => void dispatch(undone()));
  useHotkeys('mod+shift+z', () => void dispatch(redone()));
  useHotkeys('escape', hand.leave);
  const onRead = useCallback(
    () =>
      setTook((before) => ({
        ...before,
        readings: before.readings + 1,
        live: before.live + (on ? 1 : 0),
      })),
    [on],
  );
  const tap = (box: Parameters<typeof hand.tap>[0], key: string) => {
    // A probe is put on with the power on or off; the reading is counted as what it is.
    if (metering) return void dispatch(wireFollowed(key));
    if (on) hand.leave();
    reach.into(() => hand.tap(box, key));
  };
  const narrow = useNarrow();
  const inView = useAppSelector((state) => state.wiring.box);
  const numbered = subject.drawings.map((drawing, i) => ({ drawing, number: i + 1 }));
  // On a telephone one box is as wide as the screen; which one, the list under it says.
  const one = numbered.find(({ drawing }) => drawing.box === inView) ?? numbered[0];
  const shown = narrow && one ? [one] : numbered;
  const isShut = (box: BoxId) => hides && !opened.includes(box);
  return (
    <div className="flex min-h-0 flex-1 flex-col overflow-y-auto lg:flex-row lg:overflow-hidden">
      <main className="flex min-w-0 flex-col lg:min-h-0 lg:flex-1">
        <header className="flex shrink-0 flex-wrap items-center gap-x-3 gap-y-1 border-b border-line bg-sheet px-3 py-1.5">
          <Button look="bare" onClick={ways.onLeave}>
            <ChevronLeft size={18} /> {back}
          </Button>
          <h1 className="min-w-48 flex-1 text-[17px] font-bold">{title}</h1>
          {hides ? (
            <Button
              aria-pressed={metering}
              className="aria-pressed:bg-ink aria-pressed:text-sheet"
              onClick={() => {
                hand.leave();
                setMetering(!metering);
              }}
            >
              <Gauge size={17} /> Meters
            </Button>
          ) : null}
          <Button disabled={!past} aria-label="Undo" onClick={() => dispatch(undone())}>
            <Undo2 size={17} />
          </Button>
          <Button disabled={!future} aria-label="Redo" onClick={() => dispatch(redone())}>
            <Redo2 size={17} />
          </Button>
          <BreakerSwitch
            on={on}
            count={job.circuits.length}
            onSwitch={(next) => {
              hand.leave();
              reach.setOn(next);
            }}
          />
        </header>
        {hides || job.circuits.length > 1 ? (
          <HandleBar subject={subject} positions={positions} onFlip={flip} />
        ) : null}
        {hides ? null : job.circuits.length > 1 ? (
          // Two runs would leave no room for the boxes.
          <details className="shrink-0 border-b border-line bg-sheet text-[13.5px]">
            <summary className="min-h-10 cursor-pointer px-3 py-2 font-semibold">
              The runs: where the cables lie
            </summary>
            <RunStrips subject={subject} positions={positions} onFlip={flip} />
          </details>
        ) : (
          <RunStrips subject={subject} positions={positions} onFlip={flip} />
        )}
        <section aria-label="Opened boxes" className="bg-board p-2 lg:min-h-0 lg:flex-1 lg:overflow-y-auto">
          {hand.wire ? (
            <InHandBar hand={hand} mayBeUnseen={false} />
          ) : reach.asking ? (
            <DeadTestAsk onProved={reach.proved} onStopped={onStopped} />
          ) : (
            <BoardSays
              reach={reach}
              hides={hides}
              metering={metering}
              trips={subject.state.shorts.length > 0}
            />
          )}
          <div className="flex flex-wrap items-start gap-x-3 gap-y-4">
            {shown.map(({ drawing, number }) =>
              isShut(drawing.box) ? (
                <ClosedBox
                  key={drawing.box}
                  name={`${number} · ${placeName(job, drawing.box)}`}
                  isSwitch={subject.devices.some(({ box }) => box === drawing.box)}
                  onOpen={() => reach.into(() => setOpened((before) => [...before, drawing.box]))}
                />
              ) : (
                <BoxCard
                  key={drawing.box}
                  subject={subject}
                  drawing={drawing}
                  number={number}
                  large={false}
                  hasSteps={false}
                  positions={positions}
                  seen={seen}
                  followed={null}
                  inHand={hand.at?.box === drawing.box ? hand.at.key : null}
                  onFlip={flip}
                  onFollow={(key) => tap(drawing.box, key)}
                />
              ),
            )}
          </div>
        </section>
      </main>
      <aside
        aria-label="What is asked"
        className="flex shrink-0 flex-col border-line bg-sheet max-lg:border-t lg:min-h-0 lg:w-92 lg:border-l"
      >
        <div className="flex min-h-0 flex-1 flex-col gap-4 p-4 lg:overflow-y-auto">
          {metering ? (
            <MetersPanel subject={whole} positions={positions} breaker={on ? 'on' : 'off'} onRead={onRead} />
          ) : null}
          <MakeUpPanel
            {...ways}
            job={job}
            subject={subject}
            note={note}
            on={on}
            hidden={hiddenBy === null ? null : { by: hiddenBy, opened: opened.length, ...took }}
            isShut={isShut}
            habits={() => (hides ? [] : habitsOf(job, order.current.keys))}
          />
          {under}
        </div>
        <SafetyLine className="shrink-0 border-t border-line px-4 py-1" />
      </aside>
    </div>
  );
};

/** A circuit made up on the bench: what it says is that of the store that it is in, and of nobody else's job. */
export const MakeUpBench = (made: Made) => {
  const job = useAppSelector((state) => state.job.open?.document ?? null);
  return job ? <Bench job={job} {...made} /> : null;
};
