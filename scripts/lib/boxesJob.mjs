import { addPlace, newDraft, newJob, newPlace, planJob, standardStock, withDraft } from '@amber/core';

/** A made-up job of one circuit in so many boxes, six or more: four switch locations, luminaires, a junction box. */
export const boxesJob = (id, boxes) => {
  const stock = standardStock();
  let count = 0;
  const freshBox = () => `box:${++count}`;
  let draft = newDraft({
    circuit: 'circuit:long',
    name: 'Long shed',
    switches: 4,
    powerAt: 'switch',
    freshBox,
  });
  for (let i = 2; i <= boxes - 5; i++)
    draft = addPlace(draft, newPlace(freshBox(), 'luminaire', `Luminaire ${i}`, null));
  draft = addPlace(draft, newPlace(freshBox(), 'junction', 'Junction', null));
  return planJob(withDraft(newJob(id, `${boxes} boxes`, stock), draft)).job;
};
