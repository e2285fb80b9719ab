import { useDrag } from '@use-gesture/react';
import { useState } from 'react';
import type { Job, Spot } from '@amber/core';
import { useEdit } from '../editing/review.js';
import { dragged, dropped, type Grip } from './moving.js';

/** Drags what stands on the plan. The job as it would be is shown meanwhile; letting go makes one entry of the history. */
export const useGrip = (
  job: Job,
  spotAt: (xy: readonly [number, number]) => Spot | null,
  onGrip: (grip: Grip) => void,
) => {
  const edit = useEdit();
  const [draft, setDraft] = useState<Job | null>(null);
  const bind = useDrag(
    ({ args: [grip], initial, xy, first, last, tap, canceled, event }) => {
      event.stopPropagation();
      if (first || tap) onGrip(grip as Grip);
      const [from, to] = [spotAt(initial), spotAt(xy)];
      if (canceled || tap || !from || !to) return setDraft(null);
      if (!last) return setDraft(dragged(job, grip as Grip, from, to));
      setDraft(null);
      const { job: made, label } = dropped(job, grip as Grip, from, to);
      edit(made, label);
    },
    { filterTaps: true, pointer: { keys: false } },
  );
  return { shown: draft ?? job, bind };
};
