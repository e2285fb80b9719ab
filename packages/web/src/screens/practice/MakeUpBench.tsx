import { ChevronLeft, Redo2, Undo2 } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { BUILT, drawStrip, findCircuit, type BoxId, type Circuit, type Job, type Wiring } from '@amber/core';
import { Button, SafetyLine } from '../../parts/ui.js';
import { placeName } from '../../parts/words.js';
import { useNarrow } from '../../parts/useNarrow.js';
import { redone, undone } from '../../store/jobSlice.js';
import { useAppDispatch, useAppSelector } from '../../store/store.js';
import { BoxCard } from '../../wiring/BoxCard.js';
import { HandleBar } from '../../wiring/HandleBar.js';
import { InHandBar } from '../../wiring/InHandBar.js';
import { lookThrough } from '../../wiring/lenses.js';
import { RunStrips } from '../../wiring/RunStrips.js';
import { useFlip } from '../../wiring/useFlip.js';
import { useInHand } from '../../wiring/useInHand.js';
import { useSubject, type Subject } from '../../wiring/useSubject.js';
import { ClosedBox } from './ClosedBox.js';
import { deadOf } from './dead.js';
import { madeWiring, type PracticeAsked } from './kept.js';
import { MakeUpPanel } from './MakeUpPanel.js';

/** All of the board is one circuit, whatever is joined by now: its cables lie where they were pulled. */
const wholeOf = (subject: Subject, circuit: Circuit | null): Subject => ({
  ...subject,
  circuit,
  strips: circuit
    ? [
        {
          circuit,
          strip: drawStrip(
            subject.wiring,
            subject.job,
            subject.wiring.cables.map(({ id }) => id),
          ),
        },
      ]
    : [],
});

interface Made {
  title: string;
  /** Where leaving leads, in a word or two. */
  back: string;
  /** Which fault is hidden; null where the wires hang loose. */
  fault: PracticeAsked | null;
  /** What is made up has changed. */
  onMade: (wiring: Wiring) => void;
  onRight: () => void;
  /** Another of the kind; null where there is only this one. */
  onAnother: (() => void) | null;
  onLeave: () => void;
}

const Bench = ({ job, title, back, fault, onMade, onRight, onAnother, onLeave }: Made & { job: Job }) => {
  const dispatch = useAppDispatch();
  const circuit = findCircuit(job, job.circuits[0]?.id ?? null) ?? null;
  const { positions } = useAppSelector((state) => state.wiring);
  const { past, future } = useAppSelector(
    (state) => ({
      past: (state.job.open?.history.past.length ?? 0) > 0,
      future: (state.job.open?.history.future.length ?? 0) > 0,
    }),
    (a, b) => a.past === b.past && a.future === b.future,
  );
  const hides = fault !== null;
  // A fault is looked for with the power on, at the handles; nothing is made up that way.
  const [on, setOn] = useState(hides);
  const [began] = useState(() => Date.now());
  const [opened, setOpened] = useState<readonly BoxId[]>([]);
  /** How often somebody reached into a live box; each time it was stopped. */
  const [stopped, setStopped] = useState(0);
  /** Said until the breaker is thrown the next time. */
  const [warned, setWarned] = useState(false);
  const stop = () => {
    setStopped((times) => times + 1);
    setWarned(true);
  };
  const told = useSubject(job, BUILT, null);
  const whole = useMemo(() => wholeOf(told, circuit), [told, circuit]);
  const subject = useMemo(() => (on ? whole : deadOf(whole, positions)), [on, whole, positions]);
  const flip = useFlip(subject);
  const hand = useInHand(subject);
  const seen = useMemo(() => lookThrough('live', subject, positions), [subject, positions]);
  const wiring = madeWiring(job);
  useEffect(() => {
    if (wiring) onMade(wiring);
  }, [wiring, onMade]);
  useHotkeys('mod+z', () => void dispatch(undone()));
  useHotkeys('mod+shift+z', () => void dispatch(redone()));
  useHotkeys('escape', hand.leave);
  const tap = (box: Parameters<typeof hand.tap>[0], key: string) => {
    if (!on) return hand.tap(box, key);
    hand.leave();
    stop();
  };
  const narrow = useNarrow();
  const inView = useAppSelector((state) => state.wiring.box);
  const numbered = subject.drawings.map((drawing, i) => ({ drawing, number: i + 1 }));
  // On a telephone one box is as wide as the screen; which one, the list under it says.
  const one = numbered.find(({ drawing }) => drawing.box === inView) ?? numbered[0];
  const shown = narrow && one ? [one] : numbered;
  const open = (box: BoxId) => {
    if (on) stop();
    else setOpened((before) => [...before, box]);
  };
  const isShut = (box: BoxId) => hides && !opened.includes(box);
  return (
    <div className="flex min-h-0 flex-1 flex-col overflow-y-auto lg:flex-row lg:overflow-hidden">
      <main className="flex min-w-0 flex-col lg:min-h-0 lg:flex-1">
        <header className="flex shrink-0 flex-wrap items-center gap-x-3 gap-y-1 border-b border-line bg-sheet px-3 py-1.5">
          <Button look="bare" onClick={onLeave}>
            <ChevronLeft size={18} /> {back}
          </Button>
          <h1 className="min-w-48 flex-1 text-[17px] font-bold">{title}</h1>
          <Button disabled={!past} aria-label="Undo" onClick={() => dispatch(undone())}>
            <Undo2 size={17} />
          </Button>
          <Button disabled={!future} aria-label="Redo" onClick={() => dispatch(redone())}>
            <Redo2 size={17} />
          </Button>
          <button
            type="button"
            role="switch"
            aria-checked={on}
            onClick={() => {
              hand.leave();
              setOn(!on);
              setWarned(false);
            }}
            className={`min-h-11 rounded-md border-2 px-4 font-bold ${on ? 'border-amber-live bg-sheet' : 'border-ink bg-ink text-sheet'}`}
          >
            Breaker {on ? 'on' : 'off'}
          </button>
        </header>
        {hides ? (
          <HandleBar subject={subject} positions={positions} onFlip={flip} />
        ) : (
          <RunStrips subject={subject} positions={positions} onFlip={flip} />
        )}
        <section aria-label="Opened boxes" className="bg-board p-2 lg:min-h-0 lg:flex-1 lg:overflow-y-auto">
          {hand.wire ? (
            <InHandBar hand={hand} mayBeUnseen={false} />
          ) : (
            <p role="status" className="px-2 pb-1 text-[13.5px]">
              {on && warned ? (
                <strong className="rounded bg-sheet px-1.5 text-violation">
                  Stopped: the breaker is on. Put it off, lock it, and prove the box dead before you reach
                  into it.
                </strong>
              ) : on && subject.state.shorts.length > 0 ? (
                <strong className="rounded bg-sheet px-1.5">
                  The breaker trips as it is put on, or at this position of the handles. Put it off, and find
                  out why before it goes on again.
                </strong>
              ) : on ? (
                hides ? (
                  'The breaker is on: flip the handles above, and see what the light does.'
                ) : (
                  'The breaker is on: flip the handles and see what it does. Amber, dashed = live now.'
                )
              ) : hides ? (
                'The breaker is off. Open the box that you suspect, and put its wires right: tap a wire, then where it goes.'
              ) : (
                'The breaker is off. Tap a wire, then the screw, splice or wire that it goes to.'
              )}
            </p>
          )}
          <div className="flex flex-wrap items-start gap-x-3 gap-y-4">
            {shown.map(({ drawing, number }) =>
              isShut(drawing.box) ? (
                <ClosedBox
                  key={drawing.box}
                  name={`${number} · ${placeName(job, drawing.box)}`}
                  isSwitch={subject.devices.some(({ box }) => box === drawing.box)}
                  onOpen={() => open(drawing.box)}
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
        <div className="min-h-0 flex-1 p-4 lg:overflow-y-auto">
          <MakeUpPanel
            job={job}
            subject={subject}
            on={on}
            stopped={stopped}
            hidden={fault ? { ...fault, opened: opened.length, began } : null}
            isShut={isShut}
            onRight={onRight}
            onAnother={onAnother}
          />
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
