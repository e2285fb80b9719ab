import { useState } from 'react';
import {
  hintOf,
  judgeMakeUp,
  listed,
  type BoxId,
  type Job,
  type MakeUpHint,
  type MakeUpVerdict,
} from '@amber/core';
import { WiresHere } from '../../panels/asFound/WiresHere.js';
import { plural } from '../../parts/format.js';
import { Button, Field, Select } from '../../parts/ui.js';
import { placeName } from '../../parts/words.js';
import { useAppDispatch, useAppSelector } from '../../store/store.js';
import { useTelling } from '../../store/useTelling.js';
import { boxChosen } from '../../store/wiringSlice.js';
import type { Subject } from '../../wiring/useSubject.js';
import { SplicesHere } from './SplicesHere.js';
import { Faults, Found, Hint, Right, type Hidden } from './Verdicts.js';
import type { HiddenBy, Ways } from './ways.js';

/** What is to be made up, in a sentence for each group, and where the power comes from. */
const Asked = ({ job, hiddenBy }: { job: Job; hiddenBy: HiddenBy | null }) => {
  const at = (ids: readonly string[]) => listed([...new Set(ids)].map((id) => placeName(job, id)));
  const groups = job.groups
    .filter(({ control }) => control === 'switched')
    .map(({ id }) => {
      const boxes = [...new Set(job.slots.filter(({ group }) => group === id).map(({ box }) => box))];
      const lights = job.luminaires.filter(({ group }) => group === id).map(({ box }) => box);
      return `${at(boxes)} ${boxes.length === 1 ? 'switches' : 'each switch'} ${at(lights)}.`;
    });
  const supplies = job.circuits.map(({ breaker, awg }) => `${breaker} A, ${awg} AWG`);
  return (
    <div className="text-[14.5px]">
      {groups.map((words) => (
        <p key={words}>{words}</p>
      ))}
      <p>
        Power comes from the panel on{' '}
        {supplies.length === 1 ? supplies[0] : `${supplies.length} circuits: ${supplies.join('; ')}`}.{' '}
        {hiddenBy === null
          ? 'The run shows where the cables lie.'
          : hiddenBy === 'somebody'
            ? 'Something of it is not as it should be.'
            : 'It was made up with one mistake.'}
      </p>
    </div>
  );
};

/** What is asked, the way to be judged and to be helped, and every wire in words for who does not tap the picture. */
export const MakeUpPanel = ({
  job,
  subject,
  note,
  on,
  effort,
  hidden,
  isShut,
  habits,
  onAnswered,
  onHelp,
  onAnother,
}: Pick<Ways, 'effort' | 'onAnswered' | 'onHelp' | 'onAnother'> & {
  job: Job;
  subject: Subject;
  /** Is the breaker on? Then nothing is worked on. */
  on: boolean;
  /** What its maker says; may be empty. */
  note: string;
  /** Of an exercise in which a fault is to be found: by whom it is hidden, and what was done since. */
  hidden: Hidden | null;
  isShut: (box: BoxId) => boolean;
  /** Notes on how it was made up, once it is right. */
  habits: () => string[];
}) => {
  const dispatch = useAppDispatch();
  const chosen = useAppSelector((state) => state.wiring.box);
  const { tell, refusal } = useTelling(job, subject.wiringId);
  /** What was thought of the job as it was then; a change of it is thought of anew. */
  const [judged, setJudged] = useState<{ job: Job; verdict: MakeUpVerdict; habits: string[] } | null>(null);
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
    setJudged({ job, verdict: thought, habits: thought.right ? habits() : [] });
    setHinted(null);
    onAnswered(thought.right);
  };
  const ask = () => {
    const found = hintOf(job);
    if (!found) return judge();
    onHelp();
    setHinted({ job, hint: found, depth: 1 });
  };
  return (
    <div className="flex flex-col gap-4">
      {note === '' ? null : (
        <p className="border-l-4 border-ink pl-3 text-[14.5px] whitespace-pre-line">{note}</p>
      )}
      <Asked job={job} hiddenBy={hidden?.by ?? null} />
      <div className="flex flex-wrap gap-2">
        <Button look="main" onClick={judge}>
          Done: prove it
        </Button>
        <Button onClick={ask}>Hint</Button>
      </div>
      {effort.answered ? null : <p className="text-[13px] text-quiet">The first “Done” counts.</p>}
      {verdict ? (
        verdict.right ? (
          <Right
            verdict={verdict}
            habits={judged?.habits ?? []}
            stopped={effort.stopped}
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
