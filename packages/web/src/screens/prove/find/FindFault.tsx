import { useState } from 'react';
import {
  findCircuit,
  HISTORIES,
  questionKey,
  type CircuitId,
  type History,
  type QuestionTold,
} from '@amber/core';
import { OneOf } from '../../../parts/OneOf.js';
import { Button, SeverityMark } from '../../../parts/ui.js';
import { useAppDispatch, useAppSelector } from '../../../store/store.js';
import { positionsSet } from '../../../store/wiringSlice.js';
import { NotYet } from '../../../worker/NotYet.js';
import { CircuitPick } from '../CircuitPick.js';
import { HandlesNow } from '../HandlesNow.js';
import type { ProveView } from '../useTried.js';
import { AskCard } from './AskCard.js';
import { Found } from './Found.js';
import { Possible } from './Possible.js';
import { BoxPicture } from './SuspectPicture.js';
import { UnmarkedSwitch } from './UnmarkedSwitch.js';
import { useFault } from './useFault.js';

const HISTORY_WORDS: Record<History, string> = {
  new: 'New: it never worked',
  old: 'It worked for long',
  deviceChanged: 'A device was changed',
};

const nameOf = ({ question, steps, ask }: QuestionTold): string =>
  question.kind === 'flip' ? steps.join(' ') : `${steps[0] ?? ''} ${ask}`;

/** Looks for what is wrong with one circuit: the next thing to try, what is still possible, and at the end what it was. */
export const FindFault = ({
  view,
  circuit,
  onMended,
}: {
  view: ProveView;
  circuit: CircuitId | null;
  onMended: () => void;
}) => {
  const { job } = view.review;
  const switched = job.circuits.filter(({ id }) => view.sheet.groups.some((group) => group.circuit === id));
  const [chosen, setChosen] = useState<CircuitId | null>(null);
  const at = circuit ?? chosen ?? (switched.length === 1 ? (switched[0]?.id ?? null) : null);
  const fault = useFault(view, at);
  const positions = useAppSelector((state) => state.wiring.positions);
  const [instead, setInstead] = useState<string | null>(null);
  const dispatch = useAppDispatch();
  const handles = view.sheet.groups.filter((group) => group.circuit === at).flatMap((group) => group.handles);
  const can = view.who.electrician !== null;
  const told = fault.asked?.kind === 'known' ? fault.asked.answer : null;
  const other = told?.instead.find(({ question }) => questionKey(question) === instead) ?? null;
  const question = other ?? told?.next ?? null;
  if (switched.length === 0) return <p className="text-[15px]">Nothing that is switched is wired yet.</p>;
  return (
    <div className="grid max-w-6xl items-start gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
      <div className="flex min-w-0 flex-col gap-3">
        {circuit === null && switched.length > 1 ? (
          <CircuitPick
            label="Which circuit does not work?"
            circuits={switched}
            value={at}
            onPick={setChosen}
          />
        ) : null}
        {at ? (
          <div className="max-w-2xl">
            <p className="mb-1 text-[13px] font-semibold">
              What was done before {findCircuit(job, at)?.name ?? 'it'} did not work?
            </p>
            <OneOf
              label="What was done before"
              options={HISTORIES.map((value) => ({ value, words: HISTORY_WORDS[value] }))}
              value={fault.history}
              onPick={fault.setHistory}
            />
          </div>
        ) : null}
        {at && fault.history && fault.asked?.kind !== 'known' ? (
          <NotYet asked={fault.asked} words="What may be wrong is reckoned out …" />
        ) : null}
        {told && !told.fits && told.seen.length > 0 ? (
          <p role="alert" className="flex gap-2 rounded-md border-2 border-caution p-3 text-[14px]">
            <SeverityMark severity="caution" />
            <span>
              Nothing on the list fits all that was seen: more is wrong than two things, or it is wired
              otherwise than drawn. Go by what the boxes show.
            </span>
          </p>
        ) : null}
        {told?.state === 'looking' && handles.length > 0 ? (
          <HandlesNow
            view={view}
            handles={handles}
            positions={positions}
            onPositions={(next) => dispatch(positionsSet(next))}
          />
        ) : null}
        {told?.state === 'found' ? (
          <Found
            {...{ review: view.review, told, positions, can }}
            onMended={(what) => {
              fault.mended(told.at?.name ?? '', what);
              onMended();
            }}
          />
        ) : told?.state === 'nothingSeen' ? (
          <p className="flex gap-2 rounded-md border border-pass p-3 text-[14px]">
            Every handle was moved, and everything did what it should. What no handle shows stands under
            “Where it bites”.
          </p>
        ) : told?.state === 'notToTell' ? (
          <p className="rounded-md border border-caution p-3 text-[14px]">
            {told.places[0]?.key.startsWith('panel|')
              ? 'Nothing is left to ask here. The likeliest place is at the panel, whose supply terminals stay live with the main off: that is for an electrician, and whoever is none stops here.'
              : 'Nothing is left to ask. What is still possible stands beside this: open the first of those boxes, dead and proved so, and hold it against its drawing.'}
          </p>
        ) : question ? (
          <>
            {told?.again && !other ? (
              <p role="alert" className="flex gap-2 rounded-md border-2 border-caution p-3 text-[14px]">
                <SeverityMark severity="caution" />
                <span>
                  This fits nothing that fits the rest: “{told.again}” Look once more; one of the answers may
                  be wrong.
                </span>
              </p>
            ) : null}
            <AskCard
              key={`${questionKey(question.question)} ${fault.seen.length}`}
              question={question}
              loads={told?.loads ?? []}
              can={can}
              onAnswer={(reply) => {
                setInstead(null);
                fault.answer(question.question, reply);
              }}
            >
              {question.question.kind === 'look' ? (
                <div className="my-3 max-w-md">
                  <BoxPicture
                    review={view.review}
                    wiring={view.review.wiring}
                    box={question.question.box}
                    positions={positions}
                    title="As it should be, drawn with the breaker on"
                  />
                </div>
              ) : null}
            </AskCard>
            {can ? null : (
              <p className="text-[13px] text-quiet">Say above who works here today; then answer.</p>
            )}
            {told && told.instead.length > 0 ? (
              <details className="text-[14px]">
                <summary className="min-h-10 cursor-pointer py-2 font-semibold">
                  Answer something else instead
                </summary>
                <ul className="divide-y divide-line border-y border-line">
                  {told.instead.map((one) => (
                    <li key={questionKey(one.question)}>
                      <button
                        type="button"
                        className="min-h-11 w-full py-1.5 text-left"
                        onClick={() => setInstead(questionKey(one.question))}
                      >
                        {nameOf(one)}
                      </button>
                    </li>
                  ))}
                </ul>
              </details>
            ) : null}
            {other ? (
              <Button look="bare" className="self-start" onClick={() => setInstead(null)}>
                Back to what tells the most
              </Button>
            ) : null}
          </>
        ) : null}
        {fault.seen.length > 0 ? (
          <section aria-label="What was seen">
            <h2 className="mb-1 text-[13px] font-semibold">What was seen</h2>
            <ol className="divide-y divide-line border-y border-line text-[13.5px]">
              {fault.seen.map(({ words, record }, i) => (
                <li key={record?.id ?? i} className="flex flex-wrap items-center gap-x-3 py-1.5">
                  <span className="min-w-0 flex-1 basis-56 break-words">
                    {words} <span className="text-quiet">{record?.by ?? 'test sheet'}</span>
                  </span>
                  {record ? (
                    <Button
                      look="bare"
                      aria-label={`Take back: ${words}`}
                      onClick={() => fault.takeBack(record)}
                    >
                      Take back
                    </Button>
                  ) : null}
                </li>
              ))}
            </ol>
          </section>
        ) : null}
        <details className="text-[14px]">
          <summary className="min-h-10 cursor-pointer py-2 font-semibold">
            A switch in the hand whose screws bear no marks
          </summary>
          <UnmarkedSwitch />
        </details>
      </div>
      {told && told.state !== 'nothingSeen' && told.state !== 'found' ? (
        <Possible review={view.review} told={told} positions={positions} />
      ) : null}
    </div>
  );
};
