import { addPlace, newDraft, newJob, newPlace, planJob, standardStock, withDraft } from '@amber/core';

/** A made-up job of twelve boxes in one circuit: four switch locations, seven luminaires and a junction box. */
export const twelveBoxes = (id) => {
  const stock = standardStock();
  let count = 0;
  const freshBox = () => `box:${++count}`;
  let draft = newDraft(stock, {
    circuit: 'circuit:long',
    name: 'Long shed',
    switches: 4,
    powerAt: 'switch',
    freshBox,
  });
  for (let i = 2; i <= 7; i++)
    draft = addPlace(draft, newPlace(stock, freshBox(), 'luminaire', `Luminaire ${i}`, null));
  draft = addPlace(draft, newPlace(stock, freshBox(), 'junction', 'Junction', null));
  return planJob(withDraft(newJob(id, 'Twelve boxes', stock), draft)).job;
};
