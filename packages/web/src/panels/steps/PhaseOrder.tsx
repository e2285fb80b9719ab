import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useMemo, useState } from 'react';
import { findBox, makeUpSteps, PHASE_WORDS, phasesAt, type BoxId, type Phase, type Step } from '@amber/core';
import { Button, Select } from '../../parts/ui.js';
import { useAppDispatch } from '../../store/store.js';
import { useTicks } from '../../store/useTicks.js';
import { boxChosen, wireFollowed } from '../../store/wiringSlice.js';
import type { Subject } from '../../wiring/useSubject.js';
import { StepRow } from './StepRow.js';

/** The boxes of a subject in the order in which the job works them. */
const inWorkOrder = ({ job, drawings }: Pick<Subject, 'job' | 'drawings'>): BoxId[] => {
  const boxes = drawings.map(({ box }) => box);
  return job.preferences.boxOrder === 'fromFeed' ? boxes : boxes.reverse();
};

/** One part of the work through every box, before the next part: as the whole house is roughed in before anything is made up. */
export const PhaseOrder = ({ subject, depth }: { subject: Subject; depth: number }) => {
  const dispatch = useAppDispatch();
  const [picked, setPicked] = useState<Phase | null>(null);
  const { stateOf, set, waiting } = useTicks(subject.job.id, subject.wiringId, subject.kind === 'planned');
  const { job, wiring, compiled, drawings } = subject;
  const orders = useMemo(
    () =>
      inWorkOrder({ job, drawings }).map((box) => ({
        box,
        steps: makeUpSteps(job, wiring, compiled, box).steps,
      })),
    [job, wiring, compiled, drawings],
  );
  const all = orders.flatMap(({ steps }) => steps);
  const isOld = job.boxes.some(({ id, work }) => work === 'existing' && orders.some(({ box }) => box === id));
  const phases = phasesAt(isOld, job.preferences.madeUp).filter((phase) =>
    all.some((step) => step.phase === phase),
  );
  const isDone = (step: Step) => stateOf(step) === 'done';
  const open = phases.find((phase) => all.some((step) => step.phase === phase && !isDone(step)));
  const phase = picked !== null && phases.includes(picked) ? picked : (open ?? phases[0]);
  if (phase === undefined) return <p>Nothing to make up yet.</p>;
  const steps = all.filter((step) => step.phase === phase);
  const count = steps.filter(isDone).length;
  const go = (by: number) =>
    setPicked(phases[(phases.indexOf(phase) + by + phases.length) % phases.length] ?? phase);
  return (
    <section aria-label={`${PHASE_WORDS[phase]}, in every box`} className="flex flex-col gap-3">
      <div className="flex items-center gap-1">
        <Button look="bare" aria-label="Part before" onClick={() => go(-1)}>
          <ChevronLeft size={18} />
        </Button>
        <Select
          aria-label="Part of the work"
          value={phase}
          onChange={(event) => setPicked(event.target.value as Phase)}
          className="min-w-0 flex-1"
        >
          {phases.map((one) => (
            <option key={one} value={one}>
              {PHASE_WORDS[one]}
            </option>
          ))}
        </Select>
        <Button look="bare" aria-label="Next part" onClick={() => go(1)}>
          <ChevronRight size={18} />
        </Button>
      </div>
      <p role="status" className="text-center text-[13px] text-quiet">
        {count === steps.length ? 'All done' : `${count} of ${steps.length} done`}
        {waiting ? '. No connection: ticks are kept here and sent when it is back' : ''}
      </p>
      {orders
        .filter((one) => one.steps.some((step) => step.phase === phase))
        .map((one) => {
          const name = findBox(job, one.box)?.name ?? one.box;
          return (
            <section key={one.box} aria-label={name}>
              <h3 className="text-[13px] font-bold break-words text-quiet">{name}</h3>
              <ol>
                {one.steps
                  .filter((step) => step.phase === phase)
                  .map((step) => (
                    <StepRow
                      key={step.id}
                      step={step}
                      tick={stateOf(step)}
                      depth={depth}
                      asked={false}
                      onTick={(now) => set(step, now)}
                      onShow={(key) => {
                        dispatch(boxChosen(one.box));
                        dispatch(wireFollowed(key));
                      }}
                    />
                  ))}
              </ol>
            </section>
          );
        })}
    </section>
  );
};
