import {
  compile,
  drawBox,
  drawMakeUp,
  faultsOf,
  plannedWiring,
  withFault,
  type Job,
  type Wiring,
} from '../src/index.js';

const draw = (job: Job, wiring: Wiring) => {
  const compiled = compile(wiring, job);
  return job.boxes.map(({ id }) => drawBox(job, wiring, id, { compiled }));
};
/** A stock of which nothing was ever drawn. */
const afresh = (job: Job, wiring: Wiring) => draw({ ...job, stock: [...job.stock] }, wiring);

test('a box in which nothing changed is the very drawing of before, and every drawing is what it would be if none was remembered', () => {
  const { job } = drawMakeUp({ level: 'fourGang', seed: 3, edition: 2023 });
  const planned = plannedWiring(job);
  if (!planned) throw new Error('nothing planned');
  const before = draw(job, planned);
  expect(before).toEqual(afresh(job, planned));
  draw(job, planned).forEach((one, i) => expect(one).toBe(before[i]));
  let moved = 0;
  let kept = 0;
  for (const fault of [...faultsOf(planned, 'exchanged'), ...faultsOf(planned, 'open')].slice(0, 24)) {
    const spoiled = withFault(planned, fault);
    if (!spoiled.ok) continue;
    const after = draw(job, spoiled.value);
    expect(after).toEqual(afresh(job, spoiled.value));
    for (const [i, one] of after.entries())
      if (one === before[i]) kept += 1;
      else moved += 1;
  }
  expect(moved).toBeGreaterThan(20);
  expect(kept).toBeGreaterThan(3 * moved);
});

test('a name that is written in the picture, a tag that was printed, another box: each is another drawing', () => {
  const { job } = drawMakeUp({ level: 'pairAtSwitch', seed: 2, edition: 2023 });
  const wiring = plannedWiring(job);
  const [first, second] = job.boxes;
  const [cable] = wiring?.cables ?? [];
  if (!wiring || !first || !second || !cable) throw new Error('nothing planned');
  const before = draw(job, wiring);
  const renamed = {
    ...job,
    boxes: job.boxes.map((box) => (box === second ? { ...box, name: 'Oar rack' } : box)),
  };
  expect(JSON.stringify(draw(renamed, wiring)[0])).toContain('Oar');
  const tagged = { ...job, order: { ...job.order, numbers: { [cable.id]: 17 } } };
  expect(JSON.stringify(draw(tagged, wiring)[0])).toContain('no. 17');
  const steel = job.stock.find((one) => one.kind === 'box' && one.metal && one.gangs === 1);
  if (!steel || steel.kind !== 'box') throw new Error('no steel box');
  const boxed = { ...wiring, boxes: { ...wiring.boxes, [first.id]: [steel.id] } };
  expect(draw(job, boxed)[0]?.enclosure.metal).toBe(true);
  expect(before[0]?.enclosure.metal).toBe(false);
});
