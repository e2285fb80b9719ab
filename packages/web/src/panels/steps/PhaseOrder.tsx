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

type Rows = [Step, ...Step[]][];

/**
 * The steps of one part, box by box; a breaker that is switched off for several boxes is one step for all of them.
 */
const sectionsOf = (
  phase: Phase,
  orders: readonly { box: BoxId; steps: readonly Step[] }[],
): { key: string; boxes: BoxId[]; steps: Rows }[] => {
  const here = orders
    .map(({ box, steps }) => ({ box, steps: steps.filter((step) => step.phase === phase) }))
    .filter(({ steps }) => steps.length > 0);
  if (phase !== 'dead')
    return here.map(({ box, steps }) => ({
      key: box,
      boxes: [box],
      steps: steps.map((step): Rows[number] => [step]),
    }));
  const byText = new Map<string, { boxes: BoxId[]; steps: Step[] }>();
  for (const { box, steps } of here)
    for (const step of steps) {
      // What can hurt somebody at one of them is never left out for another.
      const key = JSON.stringify([step.text, step.caution]);
      const known = byText.get(key) ?? { boxes: [], steps: [] };
      byText.set(key, { boxes: [...known.boxes, box], steps: [...known.steps, step] });
    }
  return [...byText].map(([key, { boxes, steps }]) => ({ key, boxes, steps: [steps as Rows[number]] }));
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
  // Where one box begins with what has to be dead, all do.
  const isOld = orders.some(({ steps: [first] }) => first?.phase === 'dead');
  const phases = phasesAt(isOld, job.preferences.madeUp).filter((phase) =>
    all.some((step) => step.phase === phase),
  );
  const isDone = (step: Step) => stateOf(step) === 'done';
  const nameOf = (box: BoxId) => findBox(job, box)?.name ?? box;
  /** Steps that are one to the hand are done when each is; one that changed since asks to be looked at again. */
  const tickOf = (alike: readonly Step[]) => {
    const states = alike.map(stateOf);
    return (
      states.find((one) => one === 'changed') ?? (states.every((one) => one === 'done') ? 'done' : 'open')
    );
  };
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
      {sectionsOf(phase, orders).map(({ key, boxes, steps: rows }) => (
        <section key={key} aria-label={boxes.map(nameOf).join(', ')}>
          <h3 className="text-[13px] font-bold break-words text-quiet">{boxes.map(nameOf).join(', ')}</h3>
          <ol>
            {rows.map(([step, ...alike]) => (
              <StepRow
                key={step.id}
                step={step}
                tick={tickOf([step, ...alike])}
                depth={depth}
                asked={false}
                onTick={(now) => [step, ...alike].forEach((one) => set(one, now))}
                onShow={(wire) => {
                  dispatch(boxChosen(boxes[0] ?? null));
                  dispatch(wireFollowed(wire));
                }}
              />
            ))}
          </ol>
        </section>
      ))}
    </section>
  );
};
