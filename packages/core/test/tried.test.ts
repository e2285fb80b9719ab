import fc from 'fast-check';
import {
  compile,
  drawMakeUp,
  evaluate,
  faultsOf,
  liveRecords,
  nextMoves,
  reviewJob,
  reviewWiring,
  sayBeside,
  sheetOf,
  shortestWalk,
  signedHash,
  signOffsOf,
  triedStates,
  type CircuitId,
  type ReviewedWiring,
  type SiteRecord,
  withFault,
} from '../src/index.js';
import { handlesThatSway } from '../src/proving/works.js';
import { yard } from './support/yard.js';

const job = yard();
const review = reviewJob(job);

const everySet = (counts: readonly number[]): number[][] =>
  counts.reduce<number[][]>(
    (all, count) => all.flatMap((one) => Array.from({ length: count }, (_, i) => [...one, i])),
    [[]],
  );

/** The slow twin: the fewest moves, breadth first over where the handles are and what was seen. */
const fewestMoves = (counts: number[], start: number[], wanted: number[][]): number => {
  const bit = new Map(wanted.map((one, i) => [one.join(), 1 << i]));
  const all = (1 << wanted.length) - 1;
  const seenAt = (set: number[], seen: number) => seen | (bit.get(set.join()) ?? 0);
  let edge: [number[], number][] = [[start, seenAt(start, 0)]];
  const met = new Set(edge.map(([set, seen]) => `${set.join()} ${seen}`));
  for (let moves = 0; ; moves++) {
    if (edge.some(([, seen]) => seen === all)) return moves;
    edge = edge.flatMap(([set, seen]) =>
      counts.flatMap((count, handle) =>
        Array.from({ length: count }, (_, to): [number[], number][] => {
          if (to === set[handle]) return [];
          const next = set.map((value, i) => (i === handle ? to : value));
          const key = `${next.join()} ${seenAt(next, seen)}`;
          if (met.has(key)) return [];
          met.add(key);
          return [[next, seenAt(next, seen)]];
        }).flat(),
      ),
    );
  }
};

const anyWalk = fc
  .array(fc.integer({ min: 2, max: 3 }), { minLength: 1, maxLength: 3 })
  .filter((counts) => counts.reduce((product, one) => product * one, 1) <= 12)
  .chain((counts) =>
    fc.record({
      counts: fc.constant(counts),
      start: fc.tuple(...counts.map((count) => fc.integer({ min: 0, max: count - 1 }))),
      wanted: fc.subarray(everySet(counts), { minLength: 1 }),
      far: fc.array(fc.integer({ min: 0, max: 300 }), { minLength: 9, maxLength: 9 }),
    }),
  );

test('the walk comes through all that is wanted with one handle at a time, and no walk has fewer moves', () => {
  fc.assert(
    fc.property(anyWalk, ({ counts, start, wanted, far }) => {
      const walk = shortestWalk(counts, start, wanted, (a, b) => far[a * 3 + b] ?? 0);
      expect(walk.map(({ at }) => at).sort((a, b) => a - b)).toEqual(wanted.map((_, i) => i));
      let at = [...start];
      for (const { at: to, moves } of walk) {
        for (const { handle, to: position } of moves) {
          expect(at[handle]).not.toBe(position);
          at = at.map((value, i) => (i === handle ? position : value));
        }
        expect(at).toEqual(wanted[to]);
      }
      const moves = walk.reduce((sum, one) => sum + one.moves.length, 0);
      if (wanted.length <= 9) expect(moves).toBe(fewestMoves(counts, start, wanted));
    }),
    { seed: 2101, numRuns: 150 },
  );
});

test('of everything there is, each set but the first takes one move, also of five handles and from any of their positions', () => {
  for (const counts of [
    [2, 2, 2, 2],
    [2, 3, 2],
    [2, 2, 2, 2, 2],
  ]) {
    const all = everySet(counts);
    for (const start of [all[0]!, all[all.length - 2]!, all[5]!]) {
      const walk = shortestWalk(counts, start, all);
      expect(walk).toHaveLength(all.length);
      expect(walk[0]?.moves).toEqual([]);
      expect(walk.slice(1).every(({ moves }) => moves.length === 1)).toBe(true);
    }
  }
});

test('two handles in one box are moved without a step between; far ones as seldom as may be', () => {
  // Handles 0 and 1 stand together, 2 is at the other end.
  const far = (a: number, b: number) => ((a === 2) === (b === 2) ? 0 : 500);
  const walk = shortestWalk([2, 2, 2], [0, 0, 0], everySet([2, 2, 2]), far);
  const handles = walk.flatMap(({ moves }) => moves.map(({ handle }) => handle));
  expect(handles.filter((one) => one === 2)).toHaveLength(1);
});

const answer = (id: string, hash: string, met: boolean, more: Partial<SiteRecord> = {}): SiteRecord => ({
  ...{
    id: `r${id}${met}`,
    kind: 'testStep',
    version: 1,
    retracts: null,
    by: 'JS',
    at: '2026-11-30T08:00:00.000Z',
  },
  about: { kind: 'fact', id, wiring: review.id, revision: 1, hash },
  body: { expected: 'lit', met, saw: met ? '' : 'dark' },
  ...more,
});

test('the sheet of the yard says of every set what the simulator sees in it, and its walk starts where the handles are', () => {
  const sheet = sheetOf(review, null);
  expect(sheet.groups.length).toBeGreaterThan(8);
  for (const group of sheet.groups) {
    for (const { positions, lights } of group.rows) {
      const { luminaires } = evaluate(review.compiled, positions);
      for (const { luminaire, light } of lights)
        expect(luminaires.find(({ id }) => id === luminaire)?.light).toBe(light);
    }
    const now = Object.fromEntries(
      group.handles.map(({ device, positions }) => [device, positions.length - 1]),
    );
    const [first, ...others] = nextMoves(review, group, now, () => true);
    expect(first?.moves).toEqual([]);
    expect(first?.row.positions).toEqual(now);
    expect(others).toHaveLength(group.rows.length - 1);
    expect(others.every(({ moves }) => moves.length === 1)).toBe(true);
  }
  const shed = sheet.groups.find(({ circuit }) => circuit === 'long-shed-lights');
  expect([shed?.handles.length, shed?.rows.length]).toEqual([4, 16]);
});

test('groups that share a box are tried in one visit; what nobody has looked into is expected by nobody', () => {
  const { groups } = sheetOf(review, null);
  const boxes = groups.map(({ handles }) => new Set(handles.map(({ box }) => box)));
  const galley = groups.flatMap(({ circuit }, i) => (circuit === 'galley-lights' ? [i] : []));
  expect(galley).toEqual([galley[0], galley[0]! + 1]);
  const landing = boxes.flatMap((here, i) => (here.has('landing-switches' as never) ? [i] : []));
  expect(landing.at(-1)! - landing[0]!).toBe(landing.length - 1);
  const existing = job.wirings.find(({ kind }) => kind === 'existing')!;
  const there = reviewWiring(job, existing.id)!;
  const stair = sheetOf(there, 'rope-stair-light' as CircuitId).groups[0];
  expect(stair?.rows.some(({ expect: words }) => words === 'not known')).toBe(true);
});

test('an answer stands until something in a box of its circuit changes; the last one counts, and one may be taken back', () => {
  const group = sheetOf(review, 'ropewalk-lights' as CircuitId).groups[0]!;
  const [row] = group.rows;
  const stateOf = (records: SiteRecord[], of: ReviewedWiring = review) => {
    const same = sheetOf(of, 'ropewalk-lights' as CircuitId).groups[0]!.rows.find(
      ({ id }) => id === row!.id,
    )!;
    return triedStates(records, { id: of.id, planned: true })(same);
  };
  const no = answer(row!.id, row!.hash, false);
  const yes = answer(row!.id, row!.hash, true);
  expect(stateOf([])).toMatchObject({ state: 'open' });
  expect(stateOf([no])).toMatchObject({ state: 'otherwise', saw: 'dark', by: 'JS' });
  expect(stateOf([no, yes])).toMatchObject({ state: 'met' });
  const back = answer(row!.id, row!.hash, true, {
    ...{ id: 'back', kind: 'retraction', retracts: yes.id, body: {} },
    about: { kind: 'job', id: job.id, wiring: null, revision: null, hash: null },
  });
  expect(liveRecords([no, yes, back])).toEqual([no]);
  expect(stateOf([no, yes, back])).toMatchObject({ state: 'otherwise' });
  // Another habit makes the boxes up otherwise: what was tried before is tried again. Another circuit leaves it be.
  const others = reviewJob({ ...job, preferences: { ...job.preferences, connectors: 'twistOn' } });
  expect(stateOf([yes], others)).toMatchObject({ state: 'changed' });
  const galley = job.luminaires.map((one) => (one.box === 'pendant-1' ? { ...one, va: one.va + 5 } : one));
  expect(stateOf([yes], reviewJob({ ...job, luminaires: galley }))).toMatchObject({ state: 'met' });
});

test('points: receptacles for anybody, readings for qualified people alone, each with its caution', () => {
  const { points } = sheetOf(review, null);
  const kinds = (kind: string) => points.filter((one) => one.kind === kind);
  expect(kinds('reading').length).toBeGreaterThan(15);
  for (const { caution } of kinds('reading')) expect(caution).toMatch(/qualified people alone/);
  for (const { caution } of kinds('receptacle')) expect(caution).toMatch(/cannot see neutral and ground/);
});

test('what is live at a receptacle is what the simulator says: one beside a switch is not called dead with the handle off', () => {
  const { points } = sheetOf(review, null);
  for (const { id, kind, expect: words, circuit } of points.filter((one) => one.kind === 'receptacle')) {
    expect(kind).toBe('receptacle');
    const device = review.compiled.devices.find((one) => `touch/${one.id}` === id)!;
    const group = job.groups.find((one) => one.circuit === circuit)!;
    const states = device.outlets.map((net) => evaluate(review.compiled, {}).nets[net]);
    if (states.includes('unknown')) expect(words).toBe('not known');
    else if (group.control === 'hot') expect(words).toMatch(/^live whatever the handles do/);
  }
  // Of what nobody has looked into no voltage is promised.
  const stair = sheetOf(review, 'rope-stair-light' as CircuitId).points;
  expect(stair.map((one) => one.expect)).toEqual(stair.map(() => 'not known'));
});

test('whoever signs, signs for the boxes as they are', () => {
  const id = 'ropewalk-lights' as CircuitId;
  const signed = (hash: string): SiteRecord => ({
    ...{ id: 's', kind: 'signOff', version: 1, retracts: null, by: 'JS', at: '2026-11-30T08:00:00.000Z' },
    about: { kind: 'circuit', id, wiring: review.id, revision: 1, hash },
    body: { stage: 'roughIn', initials: 'JS' },
  });
  const stages = (records: SiteRecord[], of = review) =>
    signOffsOf(of, records, id).map(({ state }) => state);
  expect(stages([])).toEqual(['open', 'open', 'open']);
  const record = signed(signedHash(review, id));
  expect(stages([record])).toEqual(['signed', 'open', 'open']);
  expect(
    stages([record], reviewJob({ ...job, preferences: { ...job.preferences, connectors: 'twistOn' } })),
  ).toEqual(['changed', 'open', 'open']);
  // The job is signed for by itself.
  expect(signOffsOf(review, [record], null).map(({ state }) => state)).toEqual(['open', 'open', 'open']);
});

test('a handle that turns between more than two positions is a handle like any other', () => {
  const walk = shortestWalk([3], [1], [[0], [1], [2]]);
  expect(walk.map(({ moves }) => moves.map(({ to }) => to))).toEqual([
    [],
    [expect.any(Number)],
    [expect.any(Number)],
  ]);
});

describe('groups whose switches stand beside each other', () => {
  const { job } = drawMakeUp({ level: 'twoGroups', seed: 1, edition: 2023 });
  const review = reviewJob(job);

  test('what else is switched from the boxes of a group is off before it is tried; of one alone nothing is', () => {
    const { groups } = sheetOf(review, null);
    expect(groups.map(({ beside }) => beside.length)).toEqual([1, 1]);
    for (const group of groups) {
      const [other] = groups.filter((one) => one.group !== group.group);
      expect(sayBeside(group)).toContain(`: ${other?.name ?? ''}. What then does not come on`);
    }
    const alone = sheetOf(reviewJob(drawMakeUp({ level: 'pairAtSwitch', seed: 1, edition: 2023 }).job), null);
    expect(alone.groups.map(sayBeside)).toEqual([null]);
  });

  test('a hot that is taken behind the switch beside shows then, at a handle of the group itself', () => {
    let shown = 0;
    for (const fault of faultsOf(review.wiring, 'mixed').filter((_, i) => i % 3 === 0)) {
      const spoiled = withFault(review.wiring, fault);
      if (!spoiled.ok) continue;
      const compiled = compile(spoiled.value, job);
      for (const group of sheetOf(review, null).groups) {
        const asked = job.groups.find(({ id }) => id === group.group);
        if (!asked || handlesThatSway(job, spoiled.value, compiled, asked).length === 0) continue;
        const others = sheetOf(review, null).groups.filter((one) => one.group !== group.group);
        // The others off: a set of positions of theirs in which, as planned, they are dark.
        const off = others.flatMap(
          ({ rows }) => rows.find(({ expect: words }) => words === 'dark')?.positions ?? [],
        );
        const seen = group.rows.filter((row) => {
          const state = evaluate(compiled, Object.assign({}, ...off, row.positions) as typeof row.positions);
          return row.lights.every(
            ({ luminaire, light }) => state.luminaires.find(({ id }) => id === luminaire)?.light === light,
          );
        });
        if (seen.length < group.rows.length) shown += 1;
      }
    }
    expect(shown).toBeGreaterThan(0);
  });
});
