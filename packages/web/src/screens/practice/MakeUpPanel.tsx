import { useState, type ReactNode } from 'react';
import {
  drawHiddenFault,
  finderWay,
  hintOf,
  judgeMakeUp,
  listed,
  sayBoxLine,
  type BoxId,
  type FinderWay,
  type Job,
  type MakeUpHint,
  type MakeUpVerdict,
  type PracticeFault,
} from '@amber/core';
import { WiresHere } from '../../panels/asFound/WiresHere.js';
import { plural } from '../../parts/format.js';
import { Button, Field, Select } from '../../parts/ui.js';
import { placeName } from '../../parts/words.js';
import { useAppDispatch, useAppSelector } from '../../store/store.js';
import { useTelling } from '../../store/useTelling.js';
import { boxChosen } from '../../store/wiringSlice.js';
import type { Subject } from '../../wiring/useSubject.js';
import type { PracticeAsked } from './kept.js';
import { SplicesHere } from './SplicesHere.js';

type Hidden = PracticeAsked & { opened: number; began: number };

/** What is to be made up, in a sentence or two. */
const Asked = ({ job, hidden }: { job: Job; hidden: boolean }) => {
  const [circuit] = job.circuits;
  const at = (ids: readonly string[]) => listed(ids.map((id) => placeName(job, id)));
  const boxes = [...new Set(job.slots.map(({ box }) => box))];
  return (
    <p className="text-[14.5px]">
      {at(boxes)} {boxes.length === 1 ? 'switches' : 'each switch'} {at(job.luminaires.map(({ box }) => box))}
      . Power comes from the panel on {circuit?.breaker ?? 15} A, {circuit?.awg ?? 14} AWG.{' '}
      {hidden ? 'It was made up with one mistake.' : 'The run shows where the cables lie.'}
    </p>
  );
};

const Faults = ({ job, faults }: { job: Job; faults: readonly PracticeFault[] }) => {
  const dispatch = useAppDispatch();
  return (
    <ul aria-label="What is not right yet" className="flex flex-col gap-2">
      {faults.map(({ box, question, reason, section }, i) => (
        <li key={`${question} ${i}`} className="rounded-md border border-line bg-white p-3 text-[14px]">
          <details>
            <summary className="min-h-8 cursor-pointer font-semibold">
              {question}
              <span className="block text-[13px] font-normal text-quiet underline">Show the reason</span>
            </summary>
            <p className="mt-1">
              {reason}
              {section === '' ? null : <span className="text-quiet"> ({section})</span>}
            </p>
          </details>
          {box ? (
            <Button look="bare" className="text-[13.5px] underline" onClick={() => dispatch(boxChosen(box))}>
              Show {placeName(job, box)}
            </Button>
          ) : null}
        </li>
      ))}
    </ul>
  );
};

/** A hint that goes deeper with each asking: the question, the reason, one way to make up that box. */
const Hint = ({
  job,
  hint,
  depth,
  onDeeper,
}: {
  job: Job;
  hint: MakeUpHint;
  depth: number;
  onDeeper: () => void;
}) => (
  <section
    aria-label="Hint"
    className="flex flex-col gap-2 rounded-md border border-line bg-white p-3 text-[14px]"
  >
    <p className="font-semibold">{hint.question}</p>
    {depth > 1 ? <p>{hint.reason}</p> : null}
    {depth > 2 && hint.box && hint.way.length > 0 ? (
      <div>
        <p>One way to make up {placeName(job, hint.box)}; any other that works is as good:</p>
        <ul className="list-disc pl-5">
          {hint.way.map((line) => (
            <li key={`${line.step} ${line.shows}`}>{sayBoxLine(line)}</li>
          ))}
        </ul>
      </div>
    ) : null}
    {depth < 3 ? (
      <Button className="self-start" onClick={onDeeper}>
        {depth === 1 ? 'Why?' : 'Show one way'}
      </Button>
    ) : null}
  </section>
);

/** What a fault took to be found; the fault itself, now that it is mended. */
const Found = ({ job, hidden }: { job: Job; hidden: Hidden }) => {
  const [fault] = useState(() => drawHiddenFault(hidden));
  const { said, box } = fault;
  const [way, setWay] = useState<FinderWay | null>(null);
  const [took] = useState(() => Math.max(1, Math.round((Date.now() - hidden.began) / 60_000)));
  return (
    <div className="text-[14px]">
      <p>
        It was at {placeName(job, box)}: {said}. You opened {plural(hidden.opened, 'box', 'boxes')} of{' '}
        {job.boxes.length}, in {plural(took, 'minute')}.
      </p>
      {way ? (
        <div className="mt-2">
          <p className="font-semibold">
            The fault finder: {plural(way.steps.length, 'question')}, {plural(way.opened, 'box', 'boxes')}{' '}
            opened.
          </p>
          <ol aria-label="The way of the fault finder" className="list-decimal pl-6">
            {way.steps.map((step, i) => (
              <li key={i}>{step}</li>
            ))}
          </ol>
        </div>
      ) : (
        <Button className="mt-2" onClick={() => setWay(finderWay(fault))}>
          How the fault finder would have found it
        </Button>
      )}
    </div>
  );
};

const Right = ({
  verdict,
  stopped,
  found,
  onAnother,
}: {
  verdict: MakeUpVerdict;
  found: ReactNode;
  stopped: number;
  onAnother: (() => void) | null;
}) => (
  <section
    aria-label="It is right"
    className="flex flex-col gap-2 rounded-md border-2 border-pass bg-white p-3"
  >
    <p className="text-[15.5px] font-bold">
      Right: it works from {verdict.of === 1 ? 'its position' : `all ${verdict.of} positions`} and passes.
    </p>
    {found}
    {stopped > 0 ? (
      <p className="text-[14px]">
        You reached into a live box {plural(stopped, 'time')}. On the ladder nobody stops you: breaker off,
        locked, proved dead.
      </p>
    ) : null}
    {onAnother ? (
      <Button look="main" className="self-start" onClick={onAnother}>
        Another of this kind
      </Button>
    ) : null}
  </section>
);

/** What is asked, the way to be judged and to be helped, and every wire in words for who does not tap the picture. */
export const MakeUpPanel = ({
  job,
  subject,
  on,
  stopped,
  hidden,
  isShut,
  onRight,
  onAnother,
}: {
  job: Job;
  subject: Subject;
  /** Is the breaker on? Then nothing is worked on. */
  on: boolean;
  stopped: number;
  /** Of an exercise in which a fault is to be found: which, how many boxes were opened, since when. */
  hidden: Hidden | null;
  isShut: (box: BoxId) => boolean;
  onRight: () => void;
  onAnother: (() => void) | null;
}) => {
  const dispatch = useAppDispatch();
  const chosen = useAppSelector((state) => state.wiring.box);
  const { tell, refusal } = useTelling(job, subject.wiringId);
  /** What was thought of the job as it was then; a change of it is thought of anew. */
  const [judged, setJudged] = useState<{ job: Job; verdict: MakeUpVerdict } | null>(null);
  const [hinted, setHinted] = useState<{ job: Job; hint: MakeUpHint; depth: number } | null>(null);
  const verdict = judged?.job === job ? judged.verdict : null;
  const hint = hinted?.job === job ? hinted : null;
  const box =
    subject.drawings.find((drawing) => drawing.box === chosen)?.box ?? subject.drawings[0]?.box ?? null;
  // One thing after the other. Of a fault that is to be found the handles speak first: they tell of no box that was not opened.
  const stages = hidden ? HIDDEN_STAGES : STAGES;
  const stage = stages.find((one) => verdict?.faults.some((fault) => fault.stage === one));
  const first = (verdict?.faults ?? []).filter((fault) => fault.stage === stage);
  const judge = () => {
    const thought = judgeMakeUp(job);
    setJudged({ job, verdict: thought });
    setHinted(null);
    if (thought.right && !judged?.verdict.right) onRight();
  };
  const ask = () => {
    const found = hintOf(job);
    if (found) setHinted({ job, hint: found, depth: 1 });
    else judge();
  };
  return (
    <div className="flex flex-col gap-4">
      <Asked job={job} hidden={hidden !== null} />
      <div className="flex flex-wrap gap-2">
        <Button look="main" onClick={judge}>
          Done: prove it
        </Button>
        <Button onClick={ask}>Hint</Button>
      </div>
      {verdict ? (
        verdict.right ? (
          <Right
            verdict={verdict}
            stopped={stopped}
            found={hidden ? <Found job={job} hidden={hidden} /> : null}
            onAnother={onAnother}
          />
        ) : (
          <section aria-label="Not right yet" className="flex flex-col gap-2">
            <p role="status" className="font-semibold">
              It works from {verdict.working} of {verdict.of} positions. {plural(first.length, 'thing')} to
              look at{first.length < verdict.faults.length ? ' first' : ''}:
            </p>
            <Faults job={job} faults={first} />
          </section>
        )
      ) : null}
      {hint ? (
        <Hint
          job={job}
          hint={hint.hint}
          depth={hint.depth}
          onDeeper={() => setHinted({ ...hint, depth: hint.depth + 1 })}
        />
      ) : null}
      {box ? (
        <section aria-label="Wires in words" className="border-t border-line pt-3">
          <Field label="Box in hand">
            <Select value={box} onChange={(event) => dispatch(boxChosen(event.target.value as typeof box))}>
              {subject.drawings.map((drawing, i) => (
                <option key={drawing.box} value={drawing.box}>
                  {i + 1} · {placeName(job, drawing.box)}
                </option>
              ))}
            </Select>
          </Field>
          {isShut(box) ? (
            <p className="mt-2 text-[14px] font-semibold">This box is closed.</p>
          ) : on ? (
            <p className="mt-2 text-[14px] font-semibold">
              The breaker is on. Put it off before you work in a box.
            </p>
          ) : (
            <>
              {refusal === null ? null : (
                <p role="alert" className="mt-2 font-semibold text-violation">
                  {refusal}
                </p>
              )}
              <SplicesHere
                job={job}
                wiring={subject.wiring}
                box={box}
                onTell={(edit, label) => tell(edit, box, label)}
              />
              <WiresHere
                job={job}
                wiring={subject.wiring}
                box={box}
                assumed={NONE}
                onTell={(edit, label) => tell(edit, box, label)}
                onConfirm={() => undefined}
              />
            </>
          )}
        </section>
      ) : null}
    </div>
  );
};
const STAGES = ['loose', 'works', 'passes'] as const;
const HIDDEN_STAGES = ['works', 'loose', 'passes'] as const;
const NONE: ReadonlySet<string> = new Set();
