import { Save } from 'lucide-react';
import { useMemo, useState } from 'react';
import { makeUpSteps, PHASE_WORDS, writePocketTicks, type BoxId } from '@amber/core';
import { StepRow } from '../panels/steps/StepRow.js';
import { OneOf } from '../parts/OneOf.js';
import { saveFile } from '../parts/saveFile.js';
import { Button, Field } from '../parts/ui.js';
import { DEPTH_WORDS } from '../parts/words.js';
import { useAppDispatch, useAppSelector } from '../store/store.js';
import { wireFollowed } from '../store/wiringSlice.js';
import type { Subject } from '../wiring/useSubject.js';
import type { Pocket } from './pocket.js';
import { usePocketTicks } from './usePocketTicks.js';

/** The work order of the box in view, ticked here and brought back as a file. */
export const PocketSteps = ({ pocket, subject, box }: { pocket: Pocket; subject: Subject; box: BoxId }) => {
  const dispatch = useAppDispatch();
  const asked = useAppSelector(({ wiring }) => wiring.step);
  const [depth, setDepth] = useState(0);
  const [by, setBy] = useState('');
  const { stateOf, set, made, kept } = usePocketTicks(pocket, subject.wiringId);
  const { job, wiring, compiled } = subject;
  const { steps } = useMemo(() => makeUpSteps(job, wiring, compiled, box), [job, wiring, compiled, box]);
  const phases = [...new Set(steps.map(({ phase }) => phase))];
  const done = steps.filter((step) => stateOf(step) === 'done').length;
  const save = () =>
    saveFile(
      `${subject.name} ticks.json`,
      'application/json',
      writePocketTicks({ pocketTicks: 1, job: job.id, circuit: pocket.circuit, records: [...made] }),
    );
  return (
    <section aria-label="Steps" className="flex flex-col gap-3">
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <h2 className="flex-1 text-[15px] font-bold">
          Steps <span className="font-normal text-quiet">{`${done} of ${steps.length} done`}</span>
        </h2>
        <Field label="Your initials">
          <input
            value={by}
            maxLength={20}
            onChange={(event) => setBy(event.target.value)}
            className="h-11 w-28 rounded-md border border-line bg-white px-2"
          />
        </Field>
        <Button disabled={made.length === 0} onClick={save}>
          <Save size={17} /> Save the ticks
        </Button>
      </div>
      <p className="text-[13px] text-quiet">
        {kept
          ? 'Ticks stay in this browser until you save them; bring the file back on Order, Packet.'
          : 'This browser keeps nothing for a file. Save the ticks before you close it, or they are lost.'}
      </p>
      <OneOf
        label="How much is said"
        options={DEPTH_WORDS.map((words, value) => ({ value, words }))}
        value={depth}
        onPick={setDepth}
      />
      {phases.map((phase) => (
        <section key={phase}>
          <h3 className="text-[13px] font-bold text-quiet">{PHASE_WORDS[phase]}</h3>
          <ol>
            {steps
              .filter((step) => step.phase === phase)
              .map((step) => (
                <StepRow
                  key={step.id}
                  step={step}
                  tick={stateOf(step)}
                  depth={depth}
                  asked={step.id === asked}
                  onTick={(now) => set(step, now, by.trim())}
                  onShow={(key) => void dispatch(wireFollowed(key))}
                />
              ))}
          </ol>
        </section>
      ))}
    </section>
  );
};
