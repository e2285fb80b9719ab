import {
  drawStrip,
  leadsBack,
  planJob,
  rowsUnderArcs,
  UNKNOWN_PLACE,
  wiringOrEmpty,
  type Wiring,
} from '../src/index.js';
import { jobOf, planned } from './support/jobs.js';

test('a straight run is one row, a branch gets a row of its own', () => {
  const strip = (runs: string[]) => {
    const { job, wiring } = planned(jobOf({ runs }));
    return drawStrip(
      wiring,
      job,
      wiring.cables.map((cable) => cable.id),
    );
  };
  expect(strip(['F-S1', 'S1-S2', 'S2-L'])).toMatchObject({ columns: 4, rows: 1 });
  const branched = strip(['F-S1', 'S1-L1', 'S1-L2', 'L1-L3']);
  expect(branched).toMatchObject({ columns: 4, rows: 2 });
  expect(branched.nodes.map((node) => [node.place, node.column, node.row])).toEqual([
    ['panel', 0, 0],
    ['S1', 1, 0],
    ['L1', 2, 0],
    ['L3', 3, 0],
    ['L2', 2, 1],
  ]);
});

test('what nobody has followed ends at a place of its own, and a run that leads back is an edge alone', () => {
  const { job } = planJob(jobOf({ runs: ['F-S1', 'S1-L1', 'S1-L2'] }));
  const wiring = wiringOrEmpty(job);
  const cable = wiring.cables.find((one) => one.to === 'L1');
  if (!cable) throw new Error('no cable');
  const stray = (id: string) => ({ ...cable, id: id as never, from: 'S1' as never, to: UNKNOWN_PLACE });
  const odd: Wiring = {
    ...wiring,
    cables: [
      ...wiring.cables,
      stray('u1'),
      stray('u2'),
      { ...cable, id: 'back' as never, from: 'L1' as never, to: 'L2' as never },
    ],
  };
  const strip = drawStrip(
    odd,
    job,
    odd.cables.map((one) => one.id),
  );
  expect(strip.nodes.filter((node) => node.place === UNKNOWN_PLACE).map((node) => node.id)).toEqual([
    'u1',
    'u2',
  ]);
  expect(strip.nodes.filter((node) => node.place === 'L2')).toHaveLength(1);
  expect(strip.edges).toHaveLength(odd.cables.length);
});

test('a return run leads back over the places between, and the row under it is told', () => {
  const { job, wiring } = planned(
    jobOf({ runs: ['F-L', 'L-S1', 'S1-S2', "S2-L'"], preferences: { neutral: 'everySwitch' } }),
  );
  const { nodes, edges, rows } = drawStrip(
    wiring,
    job,
    wiring.cables.map(({ id }) => id),
  );
  const ends = edges.map(({ from, to }) => {
    const [a, b] = [from, to].map((id) => nodes.find((node) => node.id === id));
    if (!a || !b) throw new Error('an edge without its ends');
    return [a, b] as const;
  });
  const back = ends.filter(([a, b]) => leadsBack(a, b));
  expect(back.map((pair) => pair.map(({ place }) => place).sort())).toEqual([['L', 'S2']]);
  expect(rowsUnderArcs(rows, ends)).toEqual([true]);
  // Two columns apart: straight on it would lie on the runs to S1 and from it.
  const columns = back.flat().map(({ column }) => column);
  expect(Math.abs((columns[0] ?? 0) - (columns[1] ?? 0))).toBe(2);
});
