import { useMemo } from 'react';
import { plannedChange, type PlannedChange } from '@amber/core';
import { reviewOf } from '../store/review.js';
import type { Subject } from './useSubject.js';

/** Of the planned wiring of a circuit: what is different from what is there; null where nothing is. */
export const usePlannedChange = ({ job, circuit, kind }: Subject): PlannedChange | null =>
  useMemo(
    () => (kind === 'planned' && circuit ? plannedChange(reviewOf(job), circuit.id) : null),
    [job, circuit, kind],
  );
