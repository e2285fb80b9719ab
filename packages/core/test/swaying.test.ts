import fc from 'fast-check';
import {
  BUILT,
  compile,
  devicesOfGroup,
  drawMakeUp,
  evaluate,
  everyPosition,
  faultsOf,
  planJob,
  plannedWiring,
  proveGroup,
  reviewJob,
  reviewWiring,
  withDocument,
  withFault,
  type Group,
  type Job,
  type MakeUpLevel,
  type Wiring,
} from '../src/index.js';
import { mayBeSwayedBy } from '../src/proving/swaying.js';
import { handlesThatSway, outletsOf } from '../src/proving/works.js';
import { SHARED } from './support/everyday.js';
import { yard } from './support/yard.js';

const drawn = (level: MakeUpLevel, seed: number): Job => drawMakeUp({ level, seed, edition: 2023 }).job;
const wired = (job: Job): Wiring => {
  const wiring = plannedWiring(job);
  if (!wiring) throw new Error('nothing is planned');
  return wiring;
};
const JOBS: Job[] = [
  ...[1, 2].flatMap((seed) => [drawn('twoGroups', seed), drawn('fourGang', seed)]),
  yard(),
];
const switched = (job: Job): Group[] => job.groups.filter(({ control }) => control === 'switched');

/** Of how many of its own positions a group works whatever any other handle does: all positions of all handles, one after the other. */
const slowlyWorking = (job: Job, wiring: Wiring, group: Group): number => {
  const compiled = compile(wiring, job);
  const own = devicesOfGroup(job, wiring, group.id);
  const others = wiring.devices.map(({ id }) => id).filter((id) => !own.includes(id));
  const seen = new Map<string, Set<string>>();
  const keyOf = (positions: Readonly<Record<string, number>>) => own.map((id) => positions[id] ?? 0).join();
  for (const positions of everyPosition(compiled, [...own, ...others])) {
    const state = evaluate(compiled, positions);
    const mine = job.luminaires
      .filter((one) => one.group === group.id)
      .map(({ id }) => state.luminaires.find((one) => one.id === id));
    const short = state.shorts.some(
      (one) => one.circuit === group.circuit || (one.to === 'otherHot' && one.other === group.circuit),
    );
    const lights = new Set(mine.map((one) => (one?.shellLive ? 'wrong' : (one?.light ?? 'wrong'))));
    const [light] = lights;
    const isFirst = others.every((id) => (positions[id] ?? 0) === 0);
    // What another handle trips is told of that other.
    if (short && !isFirst) continue;
    const now = short || lights.size !== 1 || (light !== 'lit' && light !== 'dark') ? 'wrong' : light;
    seen.set(keyOf(positions), (seen.get(keyOf(positions)) ?? new Set()).add(now));
  }
  const at = (key: string): string => {
    const all = [...(seen.get(key) ?? [])];
    return all.length === 1 ? (all[0] ?? 'wrong') : 'wrong';
  };
  return [...seen.keys()].filter((key) => {
    const positions = key.split(',').map(Number);
    const now = at(key);
    return (
      now !== 'wrong' &&
      positions.every((one, i) => {
        const next = at(positions.map((each, j) => (i === j ? 1 - one : each)).join());
        return next !== 'wrong' && next !== now;
      })
    );
  }).length;
};

test('nothing that is planned hangs on a handle of another group', () => {
  const planned = [
    ...JOBS,
    ...(['hall', 'pantry', 'den', 'studio'] as const).map((name) => planJob(SHARED[name]).job),
  ];
  let groups = 0;
  for (const job of planned) {
    const { wiring, compiled } = reviewJob(job);
    for (const group of switched(job)) {
      const watched = {
        own: devicesOfGroup(job, wiring, group.id),
        mine: new Set(job.luminaires.filter((one) => one.group === group.id).map(({ id }) => id)),
        outlets: outletsOf(job, wiring, compiled, group.id).flatMap(({ nets }) => nets),
      };
      expect([job.name, group.name, mayBeSwayedBy(compiled, watched)]).toEqual([job.name, group.name, []]);
      groups += 1;
    }
  }
  expect(groups).toBeGreaterThan(12);
});

test('a hot that is taken behind the switch of another group is no working circuit, though its own handles do all they should', () => {
  const job = drawn('twoGroups', 1);
  const planned = wired(job);
  // The splice of the hot that feeds both, and the switched wire of the other group: one wire of each exchanged.
  const swayed = faultsOf(planned, 'mixed').flatMap((fault) => {
    const spoiled = withFault(planned, fault);
    if (!spoiled.ok) return [];
    const compiled = compile(spoiled.value, job);
    return switched(job)
      .filter((group) => handlesThatSway(job, spoiled.value, compiled, group).length > 0)
      .map((group) => ({ wiring: spoiled.value, compiled, group }));
  });
  expect(swayed.length).toBeGreaterThan(0);
  let unseen = 0;
  for (const { wiring, compiled, group } of swayed) {
    const { working, of } = proveGroup(job, wiring, compiled, group);
    expect(working).toBeLessThan(of);
    // What its own handles show while the others stand in their first position.
    const own = devicesOfGroup(job, wiring, group.id);
    const lights = everyPosition(compiled, own).map(
      (positions) =>
        evaluate(compiled, positions).luminaires.find(({ id }) =>
          job.luminaires.some((one) => one.id === id && one.group === group.id),
        )?.light,
    );
    if (lights.filter((light) => light === 'lit').length === lights.length / 2) unseen += 1;
  }
  expect(unseen).toBeGreaterThan(0);
});

test('it agrees with trying every position of every handle, on wirings with something wrong in them', () => {
  const jobs = JOBS.slice(0, 4);
  let swayed = 0;
  fc.assert(
    fc.property(
      fc.nat(jobs.length - 1),
      fc.constantFrom(...(['exchanged', 'mixed', 'joined', 'open', 'loose'] as const)),
      fc.nat(9999),
      (at, kind, which) => {
        const job = jobs[at] as Job;
        const planned = wired(job);
        const faults = faultsOf(planned, kind);
        const fault = faults[which % faults.length];
        const spoiled = fault && withFault(planned, fault);
        if (!spoiled || !spoiled.ok) return;
        const compiled = compile(spoiled.value, job);
        for (const group of switched(job)) {
          const { working } = proveGroup(job, spoiled.value, compiled, group);
          expect([fault, group.name, working]).toEqual([
            fault,
            group.name,
            slowlyWorking(job, spoiled.value, group),
          ]);
          if (handlesThatSway(job, spoiled.value, compiled, group).length > 0) swayed += 1;
        }
      },
    ),
    { seed: 11, numRuns: 70 },
  );
  expect(swayed).toBeGreaterThan(4);
});

test('the inspector names the handle that it hangs on, by gang and group', () => {
  const job = drawn('fourGang', 1);
  const planned = wired(job);
  const said = faultsOf(planned, 'mixed')
    .filter((_, i) => i % 9 === 0)
    .flatMap((fault) => {
      const spoiled = withFault(planned, fault);
      if (!spoiled.ok) return [];
      const document = job.wirings.find(({ id }) => id === BUILT);
      if (!document) return [];
      const made = withDocument(job, { ...document, wiring: spoiled.value });
      return (reviewWiring(made, BUILT)?.findings ?? [])
        .filter(({ rule }) => rule === 'group-works')
        .map(({ title }) => title)
        .filter((title) => title.includes('hangs on'));
    });
  expect(said.length).toBeGreaterThan(0);
  for (const what of said) expect(what).toMatch(/hangs on (a handle|handles) of another group: .*gang \d/);
});
