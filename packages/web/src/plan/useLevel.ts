import { useCallback, useMemo, useState } from 'react';
import { levelsOf, levelView, type Job, type LevelId } from '@amber/core';

/**
 * The level that is looked at. `pointedAt` is the level of what is selected: a finding or a list may lead to another one than
 * the one looked at, and then that is shown.
 */
export const useLevel = (job: Job, pointedAt: LevelId | null) => {
  const [chosen, setChosen] = useState<LevelId | null>(null);
  const [led, setLed] = useState(pointedAt);
  if (led !== pointedAt) {
    setLed(pointedAt);
    if (pointedAt !== null) setChosen(pointedAt);
  }
  const levels = levelsOf(job);
  const level = levels.find((one) => one.id === chosen)?.id ?? levels[0]?.id ?? null;
  const seen = useMemo(() => levelView(job, level), [job, level]);
  const below = levels[levels.findIndex((one) => one.id === level) - 1]?.id ?? null;
  const under = useMemo(() => (below === null ? null : levelView(job, below)), [job, below]);
  return { level, seen, under, show: useCallback((id: LevelId) => setChosen(id), []) };
};
