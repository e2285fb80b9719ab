import { useDrag } from '@use-gesture/react';
import { useState } from 'react';
import { levelView, onLevel, type Job, type LevelId, type Spot } from '@amber/core';
import { useEdit } from '../../store/review.js';
import { dragged, dropped, type Grip } from './moving.js';

/** Drags what stands on the plan. The job as it would be is shown meanwhile; letting go makes one entry of the history. */
export const useGrip = (
  job: Job,
  level: LevelId | null,
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
      if (!last) return setDraft(onLevel(job, level, (seen) => dragged(seen, grip as Grip, from, to)));
      setDraft(null);
      const seen = levelView(job, level);
      const { job: made, label } = dropped(seen, grip as Grip, from, to);
      edit(
        onLevel(job, level, () => made),
        label,
      );
    },
    { filterTaps: true, pointer: { keys: false } },
  );
  return { draft: draft && levelView(draft, level), bind };
};
