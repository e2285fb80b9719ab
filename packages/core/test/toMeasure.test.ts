import {
  articleOf,
  BUILT,
  drawToMeasure,
  judgeMakeUp,
  plannedWiring,
  readExercise,
  reviewJob,
  withDocument,
  writeExercise,
  type Job,
  type ToMeasure,
} from '../src/index.js';

const EDITIONS = [2011, 2014, 2020, 2023] as const;

type Shape = Pick<ToMeasure, 'locations' | 'lights' | 'powerAt' | 'neutral' | 'groups'>;

/** Everything that can be asked, each by another edition and with other places. */
const everything = (): ToMeasure[] => {
  const row = ([1, 2, 3, 4] as const).flatMap((locations) =>
    ([1, 2, 3] as const).flatMap((lights) =>
      (['switch', 'luminaire'] as const).flatMap((powerAt) =>
        (['byEdition', 'everySwitch', 'none'] as const).map((neutral): Shape => ({
          ...{ locations, lights, powerAt, neutral },
          groups: 1,
        })),
      ),
    ),
  );
  const pair: Shape = { locations: 2, lights: 1, powerAt: 'switch', neutral: 'byEdition', groups: 2 };
  return [...row, pair].map((one, i) => ({
    ...one,
    breaker: i % 3 === 0 ? 20 : 15,
    boxes: i % 2 === 0 ? 'steel' : 'nonmetallic',
    edition: EDITIONS[i % EDITIONS.length] ?? 2023,
    seed: 100 + i,
  }));
};

const asPlanned = (job: Job): Job => {
  const wiring = plannedWiring(job);
  const bench = job.wirings.find(({ id }) => id === BUILT);
  if (!wiring || !bench) throw new Error('nothing planned');
  return withDocument(job, { ...bench, wiring });
};

test('whatever is asked hangs loose, can be made up so that it is right, and is what was asked', () => {
  const titles = new Set<string>();
  for (const asked of everything()) {
    const { job, title, kind } = drawToMeasure(asked);
    const said = JSON.stringify(asked);
    titles.add(title);
    expect([said, kind, judgeMakeUp(job).right]).toEqual([said, 'makeUp', false]);
    expect([said, judgeMakeUp(asPlanned(job))]).toEqual([
      said,
      expect.objectContaining({ right: true, faults: [], ofPlan: [] }),
    ]);
    const pair = asked.groups === 2;
    expect(job.groups.length).toBe(asked.groups);
    expect(job.slots.length).toBe(pair ? 4 : asked.locations);
    expect(job.luminaires.length).toBe(pair ? 2 : asked.lights);
    expect(job.circuits).toMatchObject([{ breaker: asked.breaker, awg: asked.breaker === 20 ? 12 : 14 }]);
    const wiring = plannedWiring(job);
    for (const ids of Object.values(wiring?.boxes ?? {}))
      expect(articleOf(job.stock, 'box', ids[0] ?? 'none').metal).toBe(asked.boxes === 'steel');
    // Power enters where it was asked: the cable from the panel leads to a box with a switch, or with a luminaire.
    const entry = wiring?.cables.find(({ from }) => from === 'panel')?.to;
    const holds = asked.powerAt === 'switch' ? job.slots : job.luminaires;
    expect(holds.map(({ box }) => box)).toContain(entry);
    const neutrals = reviewJob(job).findings.filter(({ rule }) => rule === 'neutral-at-switch');
    if (asked.neutral === 'everySwitch') expect(neutrals).toEqual([]);
  }
  expect(titles.size).toBeGreaterThan(20);
});

test('the same seed gives the same one, and it can be given to others as a file', () => {
  const asked: ToMeasure = {
    ...{ locations: 3, lights: 2, powerAt: 'luminaire', neutral: 'everySwitch', groups: 1 },
    ...{ breaker: 15, boxes: 'steel', edition: 2023, seed: 7 },
  };
  const drawn = drawToMeasure(asked);
  expect(drawToMeasure(asked)).toEqual(drawn);
  expect(drawToMeasure({ ...asked, seed: 8 }).job.boxes).not.toEqual(drawn.job.boxes);
  expect(drawn.title).toBe('From three places, power at the light, two lights');
  const read = readExercise(writeExercise(drawn));
  expect(read.ok && read.exercise.title).toBe(drawn.title);
});
