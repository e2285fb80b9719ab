import { useState } from 'react';
import { placeName, sayWireReading, type CircuitId } from '@amber/core';
import { Button, SeverityMark } from '../../../parts/ui.js';
import { CircuitPick } from '../CircuitPick.js';
import type { ProveView } from '../useTried.js';
import { CameOut } from './CameOut.js';
import { EndsTold } from './EndsTold.js';
import { OnFile } from './OnFile.js';
import { useWires } from './useWires.js';
import { WireAsk } from './WireAsk.js';
import { WiresSetup } from './WiresSetup.js';

/** Which of the wires that nobody knows is which: what comes in, the next reading, what is told so far. */
export const WhichWire = ({ view, circuit }: { view: ProveView; circuit: CircuitId | null }) => {
  const { job } = view.review;
  const [chosen, setChosen] = useState<CircuitId | null>(null);
  const [instead, setInstead] = useState<number | null>(null);
  const at = circuit ?? chosen ?? (job.circuits.length === 1 ? (job.circuits[0]?.id ?? null) : null);
  const wires = useWires(view, at);
  const can = view.who.electrician !== null;
  const { open } = wires;
  const told = open?.told;
  const question = told && (instead === null ? told.next : (told.instead[instead] ?? told.next));
  const pick =
    circuit === null && job.circuits.length > 1 ? (
      <CircuitPick
        label="Of which circuit are the wires?"
        circuits={job.circuits}
        value={at}
        onPick={setChosen}
      />
    ) : null;
  return (
    <div className="grid max-w-6xl items-start gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
      <div className="flex min-w-0 flex-col gap-3">
        {pick}
        {at && !open ? (
          <WiresSetup key={at} view={view} circuit={at} can={can} onBegin={wires.begin} />
        ) : null}
        {told?.state === 'contradicts' ? (
          <div role="alert" className="rounded-md border-2 border-violation p-3 text-[14.5px]">
            <p className="flex gap-2 font-semibold">
              <SeverityMark severity="violation" />
              These readings cannot all be right. Take one of them back and read it again:
            </p>
            <ul className="mt-1 list-disc pl-9">
              {told.suspects.map((one, i) => (
                <li key={i}>{open ? sayWireReading(open.subject, one) : ''}</li>
              ))}
            </ul>
          </div>
        ) : null}
        {open && question ? (
          <>
            <WireAsk
              key={`${open.readings.length} ${instead ?? ''}`}
              subject={open.subject}
              question={question}
              readings={open.readings.map(({ reading }) => reading)}
              can={can}
              onAnswer={(reply) => {
                setInstead(null);
                wires.answer(question, reply);
              }}
            />
            {told && told.instead.length > 0 ? (
              <div className="flex flex-wrap gap-2 text-[14px]">
                {instead === null ? (
                  told.instead.map((one, i) => (
                    <Button key={i} onClick={() => setInstead(i)}>
                      {one.kind === 'live'
                        ? `Read it live instead: ${placeName(job, one.at.box)}, ${one.at.number}`
                        : 'Read it at the panel instead'}
                    </Button>
                  ))
                ) : (
                  <Button look="bare" onClick={() => setInstead(null)}>
                    Back to the dead reading
                  </Button>
                )}
              </div>
            ) : null}
            {can ? null : (
              <p className="text-[13px] text-quiet">Say above who works here today; then answer.</p>
            )}
          </>
        ) : null}
        {told && !told.next && told.state !== 'contradicts' ? (
          <div className="flex flex-col gap-3 rounded-lg border-2 border-ink bg-white p-4">
            <p role="status" className="text-[17px] leading-snug font-bold">
              {told.state === 'told'
                ? 'Every cable is told, and the feed.'
                : told.feed.feed
                  ? 'What is left open no reading tells.'
                  : view.who.electrician
                    ? 'The cables are told. That the power comes in here no reading shows: look for a box that is not open yet.'
                    : 'The cables are told as far as dead readings go. Which one brings the power is read by an electrician, at the panel or live.'}
            </p>
            <p className="flex gap-2 text-[13.5px]">
              <SeverityMark severity="caution" />
              <span>
                Write the tags, take every link off and cap every end before anything is switched on. What is
                not told is taken for live.
              </span>
            </p>
            {open ? <OnFile view={view} open={open} can={can} /> : null}
          </div>
        ) : null}
        {open && open.readings.length > 0 ? (
          <section aria-label="What was read">
            <h2 className="mb-1 text-[13px] font-semibold">What was read</h2>
            <ol className="divide-y divide-line border-y border-line text-[13.5px]">
              {open.readings.map(({ words, record }) => (
                <li key={record.id} className="flex flex-wrap items-center gap-x-3 py-1.5">
                  <span className="min-w-0 flex-1 basis-56 break-words">
                    {words} <span className="text-quiet">{record.by}</span>
                  </span>
                  <Button
                    look="bare"
                    aria-label={`Take back: ${words}`}
                    onClick={() => wires.takeBack(record)}
                  >
                    Take back
                  </Button>
                </li>
              ))}
            </ol>
          </section>
        ) : null}
        {open ? (
          <Button look="bare" className="self-start" onClick={wires.anew}>
            Begin anew with what comes in
          </Button>
        ) : null}
        <details className="text-[14px]">
          <summary className="min-h-10 cursor-pointer py-2 font-semibold">
            One switch came out, the others stay in
          </summary>
          <CameOut electrician={view.who.electrician === true} />
        </details>
      </div>
      {open && told ? <EndsTold subject={open.subject} told={told} /> : null}
    </div>
  );
};
