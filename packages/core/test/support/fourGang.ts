import { jobShape, newJob, planJob, standardStock, type Job, type JobId } from '../../src/index.js';

/** Two circuits in one four-gang box: a four-way and a single-pole of each, and six cables. Planned. */
export const fourGangJob = (preferences: Partial<Job['preferences']> = {}): Job => {
  const job = newJob('four-gang' as JobId, 'Four gangs', standardStock());
  const circuits = ['1', '2'];
  const box = (id: string, name: string, more: object = {}) => ({
    ...{ id, name, article: null, accessible: 'no' },
    ...more,
  });
  const asked = jobShape.parse({
    ...job,
    preferences: { ...job.preferences, ...preferences },
    rooms: [{ id: 'r', name: 'Sail loft', kind: 'habitable', wholeFloorVisible: 'no' }],
    circuits: circuits.map((c) => ({
      ...{ id: `c${c}`, name: c === '1' ? 'Sail loft' : 'Stair', breaker: 15, awg: 14 },
    })),
    feeds: circuits.map((c) => ({ id: `f${c}`, circuit: `c${c}`, at: 'panel' })),
    groups: circuits.flatMap((c) => [
      { id: `pair${c}`, name: c === '1' ? 'Loft' : 'Stair', circuit: `c${c}`, room: 'r' },
      { id: `one${c}`, name: c === '1' ? 'Bench' : 'Porch', circuit: `c${c}`, room: 'r' },
    ]),
    boxes: [
      box('G', 'Loft door'),
      ...circuits.flatMap((c) => [
        box(`A${c}`, `First ${c}`),
        box(`B${c}`, `Last ${c}`),
        box(`P${c}`, `Luminaire ${c}`),
        box(`Q${c}`, `Other luminaire ${c}`),
      ]),
    ],
    slots: circuits.flatMap((c, i) => [
      { id: `sa${c}`, box: `A${c}`, gang: 0, group: `pair${c}` },
      { id: `sg${c}`, box: 'G', gang: i, group: `pair${c}` },
      { id: `sb${c}`, box: `B${c}`, gang: 0, group: `pair${c}` },
      { id: `so${c}`, box: 'G', gang: 2 + i, group: `one${c}` },
    ]),
    luminaires: circuits.flatMap((c) =>
      ['P', 'Q'].map((where) => ({
        ...{ id: `lamp${where}${c}`, name: `Lamp ${where}${c}`, box: `${where}${c}`, va: 20 },
        ...{ group: where === 'P' ? `pair${c}` : `one${c}`, terminals: 'leads', leadAwg: 18, metal: true },
      })),
    ),
    choices: circuits.map((c) => ({
      circuit: `c${c}`,
      feed: `f${c}`,
      runs: [
        ['panel', `A${c}`],
        [`A${c}`, 'G'],
        ['G', `B${c}`],
        [`B${c}`, `P${c}`],
        ['G', `Q${c}`],
      ].map(([from, to]) => ({ from, to })),
      chains: { [`pair${c}`]: [`sa${c}`, `sg${c}`, `sb${c}`], [`one${c}`]: [`so${c}`] },
    })),
  });
  return planJob(asked).job;
};
