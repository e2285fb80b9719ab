import type { Access, Job, Route } from '@amber/core';
import { useEdit } from '../editing/review.js';
import { LengthInput, NumberInput } from '../shared/inputs.js';
import { Field, Select } from '../shared/ui.js';

export const ROUTE_WORDS: Record<Route, string> = {
  over: 'over the ceiling',
  through: 'level through the studs',
  under: 'under the floor',
};
export const ACCESS_WORDS: Record<Access, string> = {
  open: 'open framing',
  attic: 'from the attic',
  basement: 'from the basement',
  fished: 'fished in finished walls',
};

/** How runs go that say nothing of their own, and what is added to an estimated length. */
export const RoutingFields = ({ job }: { job: Job }) => {
  const edit = useEdit();
  const set = (change: Partial<Job['routing']>, what: string) =>
    edit({ ...job, routing: { ...job.routing, ...change } }, what);
  return (
    <>
      <Field label="Runs go">
        <Select
          value={job.routing.route}
          onChange={(event) => set({ route: event.target.value as Route }, 'route')}
        >
          {Object.entries(ROUTE_WORDS).map(([route, words]) => (
            <option key={route} value={route}>
              {words}
            </option>
          ))}
        </Select>
      </Field>
      <Field label="Walls and ceilings" hint="Decides the minutes of each foot of run.">
        <Select
          value={job.routing.access}
          onChange={(event) => set({ access: event.target.value as Access }, 'access')}
        >
          {Object.entries(ACCESS_WORDS).map(([access, words]) => (
            <option key={access} value={access}>
              {words}
            </option>
          ))}
        </Select>
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
    </>
  );
};
