import { useMemo, useState } from 'react';
import {
  drawWhichWire,
  judgeWhichWire,
  pairWord,
  PANEL,
  readsThrough,
  tapeKey,
  tapeWord,
  wiresWay,
  type Led,
  type Stub,
  type WhichWire,
  type WirePoint,
} from '@amber/core';
import { plural } from '../../parts/format.js';
import { Button } from '../../parts/ui.js';
import { placeName } from '../../parts/words.js';
import { BreakerSwitch, DeadTestAsk } from './Dead.js';
import type { BenchAsked } from './kept.js';
import { titleOf } from './kinds.js';
import { HintSteps } from './HintSteps.js';
import { Another, LookedAt } from './LookedAt.js';
import { TapedBox } from './TapedBox.js';
import { pairOf, tapped, type Hold, type Tool } from './holds.js';
import { useReach } from './useReach.js';
import type { Ways } from './ways.js';
import { ToolBar, WireReadings, type Read } from './WireReadings.js';
import { WiresTold } from './WiresTold.js';

interface Wired extends Ways {
  asked: BenchAsked;
}

const HINTS = [
  'What shows at each cable with no link on anywhere?',
  'White to ground that shows by itself is a hint at the cable from the panel: the two meet at the service. A link between two wires of one cable shows at those two of its other end, and at no other cable.',
] as const;

/** Boxes of loose wires whose tags are lost: where does each cable lead? */
export const WiresBench = ({ asked, effort, onAnswered, onHelp, onStopped, onAnother, onLeave }: Wired) => {
  const exercise: WhichWire = useMemo(() => drawWhichWire(asked), [asked]);
  const { job, stubs } = exercise;
  const reach = useReach(true, onStopped);
  const [tool, setTool] = useState<Tool>('link');
  const [holds, setHolds] = useState<Record<Tool, Hold | null>>({ link: null, tester: null });
  const [reads, setReads] = useState<readonly Read[]>([]);
  const [told, setTold] = useState<Record<string, Led | undefined>>({});
  const [shorted, setShorted] = useState(false);
  const [judged, setJudged] = useState<ReturnType<typeof judgeWhichWire> | null>(null);
  const name = (stub: Stub) => `${placeName(job, stub.box)}, ${tapeWord(stub)}`;
  const tap = (stub: Stub, point: WirePoint) =>
    reach.into(() => {
      const next = { ...holds, [tool]: tapped(holds[tool], stub, point) };
      setHolds(next);
      const at = pairOf(next.tester);
      const link = pairOf(next.link);
      if (!at || next.link?.points.length === 1) return;
      const shows = readsThrough(exercise, { link, at: at.at, pair: at.pair });
      const on =
        link && next.link ? `link on ${name(next.link.stub)}, ${pairWord(link.pair)}; ` : 'no link; ';
      const words = `${on}${next.tester ? name(next.tester.stub) : ''}, ${pairWord(at.pair)}`;
      setReads((before) => [{ words, shows }, ...before]);
    });
  const throwBreaker = (next: boolean) => {
    // Power on a link is a short.
    setShorted(next && holds.link !== null);
    if (next && holds.link !== null) return onStopped();
    if (next) setHolds({ link: null, tester: null });
    reach.setOn(next);
  };
  const judge = () => {
    const thought = judgeWhichWire(exercise, told);
    setJudged(thought);
    onAnswered(thought.wrong.length === 0);
  };
  return (
    <LookedAt
      title={titleOf(asked)}
      onLeave={onLeave}
      tools={<BreakerSwitch on={reach.on} count={job.circuits.length} onSwitch={throwBreaker} />}
      said={
        reach.asking ? (
          <DeadTestAsk onProved={reach.proved} onStopped={onStopped} />
        ) : (
          <>
            <p role="status" className="pb-2 text-[13.5px]">
              {shorted ? (
                <strong className="rounded bg-sheet px-1.5 text-violation">
                  Stopped: a link is on. With power on it is a short. Take it off first.
                </strong>
              ) : reach.on && reach.warned ? (
                <strong className="rounded bg-sheet px-1.5 text-violation">
                  Stopped: the breaker is on. A link on a live wire is a short; a continuity tester is no
                  tester of volts. Put it off first.
                </strong>
              ) : reach.on ? (
                'Somebody has opened every box, and the breaker is on again. Put it off and prove every box dead before a link or a tester goes on.'
              ) : (
                'Every end is parted, the grounds of each box are together, lamps are out. Tap two wires of a cable to put the link, or the tester, on them.'
              )}
            </p>
            <ToolBar
              name={name}
              tool={tool}
              holds={holds}
              last={reads[0] ?? null}
              onTool={setTool}
              onTakeOff={() => {
                setShorted(false);
                setHolds({ ...holds, [tool]: null });
              }}
            />
          </>
        )
      }
      board={job.boxes.map(({ id }) => (
        <TapedBox
          key={id}
          name={placeName(job, id)}
          stubs={stubs.filter(({ box }) => box === id)}
          holds={holds}
          onTap={tap}
        />
      ))}
    >
      <p className="text-[14.5px]">
        Where does the other end of each cable lie? One of them comes from the panel
        {job.circuits.length > 1 ? ' for each circuit' : ''}.
      </p>
      <WireReadings reads={reads} />
      <WiresTold
        stubs={stubs}
        name={name}
        told={told}
        wrong={judged?.wrong ?? null}
        onTell={(stub, led) => {
          const key = tapeKey(stub);
          // A cable has two ends: what is said of one is said of the other, as long as nothing else was.
          const other = led === undefined || led === PANEL ? null : tapeKey(led);
          setTold({
            ...told,
            [key]: led,
            ...(other !== null && told[other] === undefined
              ? { [other]: { box: stub.box, number: stub.number } }
              : {}),
          });
          setJudged(null);
        }}
      />
      <div className="flex flex-wrap gap-2">
        <Button
          look="main"
          disabled={stubs.some((stub) => told[tapeKey(stub)] === undefined)}
          onClick={judge}
        >
          So they lead
        </Button>
      </div>
      {judged?.wrong.length === 0 ? null : (
        <HintSteps steps={[HINTS[0], HINTS[1], <Way key="way" exercise={exercise} />]} onHelp={onHelp} />
      )}
      {judged ? (
        <section aria-label="How it comes out" className="flex flex-col gap-3">
          <p role="status" className="text-[15.5px] font-bold">
            {judged.wrong.length === 0
              ? 'Right.'
              : `${stubs.length - judged.wrong.length} of ${stubs.length} right. Read again at those that are marked.`}
          </p>
          {judged.wrong.length === 0 ? (
            <>
              <p className="text-[14px]">
                You took {plural(reads.length, 'reading')}.
                {effort.stopped > 0 ? ` You were stopped ${plural(effort.stopped, 'time')}.` : ''}
              </p>
              <Way exercise={exercise} />
              <Another onAnother={onAnother} />
            </>
          ) : null}
        </section>
      ) : null}
    </LookedAt>
  );
};

/** One way to tell them, reading by reading. */
const Way = ({ exercise }: { exercise: WhichWire }) => {
  const way = useMemo(() => wiresWay(exercise), [exercise]);
  return (
    <details className="text-[14px]">
      <summary className="min-h-10 cursor-pointer py-2 font-semibold">
        One way to tell them, in {plural(way.length, 'reading')}
      </summary>
      <ol className="list-decimal pl-6">
        {way.map((words, i) => (
          <li key={i}>{words}</li>
        ))}
      </ol>
    </details>
  );
};
