import { beginPlace, newJob, standardStock, type Job, type JobId } from '@amber/core';

/** Under what the hall is begun. */
export const HALL_STEM = 'hall-begun';

/** A hall with two ways in as somebody begins it, power from a panel that is placed: nobody has measured it. */
export const hallBegun = (): Job => {
  const begun = beginPlace(newJob('hall' as JobId, 'Hall', standardStock()), {
    ...{ place: 'hall', stem: HALL_STEM, name: 'Hall', power: 'panel' },
  });
  return {
    ...begun,
    routing: { ...begun.routing, panel: { level: null, at: { x: -60, y: 0, z: 60 } } },
  };
};
