import { PANEL, type Job } from '@amber/core';
import { useEdit } from '../../store/review.js';
import { LengthInput, NumberInput } from '../../parts/inputs.js';
import { Field } from '../../parts/ui.js';
import { ACCESS_WORDS, ROUTE_WORDS } from '../../parts/words.js';
import { WordSelect } from '../../parts/WordSelect.js';
import { FeedsOf } from './FeedsOf.js';

/** How runs go that say nothing of their own, and what is added to an estimated length. */
export const RoutingFields = ({ job }: { job: Job }) => {
  const edit = useEdit();
  const set = (change: Partial<Job['routing']>, what: string) =>
    edit({ ...job, routing: { ...job.routing, ...change } }, what);
  return (
    <>
      <Field label="Runs go">
        <WordSelect
          words={ROUTE_WORDS}
          value={job.routing.route}
          onPick={(route) => route && set({ route }, 'route')}
        />
      </Field>
      <Field label="Walls and ceilings" hint="Decides the minutes of each foot of run.">
        <WordSelect
          words={ACCESS_WORDS}
          value={job.routing.access}
          onPick={(access) => access && set({ access }, 'access')}
        />
      </Field>
      <Field label="Added for bends and detours, percent">
        <NumberInput
          value={job.routing.allowance}
          least={0}
          most={100}
          unit="percent"
          onChange={(allowance) => set({ allowance }, 'allowance')}
        />
      </Field>
      <Field
        label="A run of which nothing is known"
        hint="A guess, said wherever it counts. It counts no less than the longest known one of its circuit."
      >
        <LengthInput
          value={job.routing.runGuess}
          onChange={(guess) => guess !== null && set({ runGuess: guess }, 'guess for runs of unknown length')}
        />
      </Field>
      <Field label="A home run of which nothing is known" hint="A guess, said wherever it counts.">
        <LengthInput
          value={job.routing.homeRunGuess}
          onChange={(guess) =>
            guess !== null && set({ homeRunGuess: guess }, 'guess for home runs of unknown length')
          }
        />
      </Field>
    </>
  );
};

export const PanelForm = ({ job }: { job: Job }) => {
  const edit = useEdit();
  const { panel } = job.routing;
  return (
    <>
      <h2 className="text-[15px] font-bold">Panel</h2>
      <Field label="Height over the floor">
        <LengthInput
          value={panel?.at.z ?? null}
          onChange={(z) =>
            panel &&
            z !== null &&
            edit(
              { ...job, routing: { ...job.routing, panel: { ...panel, at: { ...panel.at, z } } } },
              'height of the panel',
            )
          }
        />
      </Field>
      <Field label="Left at the panel, for each home run">
        <LengthInput
          value={job.routing.atPanel}
          onChange={(atPanel) =>
            atPanel !== null &&
            edit({ ...job, routing: { ...job.routing, atPanel } }, 'cable left at the panel')
          }
        />
      </Field>
      <FeedsOf job={job} at={PANEL} legend="A home run from here may feed" />
    </>
  );
};
