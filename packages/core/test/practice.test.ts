import fc from 'fast-check';
import {
  BUILT,
  compile,
  devicesOfGroup,
  drawHiddenFault,
  drawJudging,
  drawMakeUp,
  drawSizing,
  editDocument,
  endKey,
  everyPosition,
  faultsOf,
  finderWay,
  hintOf,
  jobSchema,
  judgeMakeUp,
  judgeSizing,
  MAKE_UP_LEVELS,
  plannedWiring,
  positionsOf,
  practiseCircuit,
  sayWiringRefusal,
  setBoxArticles,
  solveCurrents,
  terminalKey,
  withDocument,
  withFault,
  type BoxId,
  type Job,
  type MakeUpLevel,
  type Wiring,
  type WiringEdit,
} from '../src/index.js';
import { countedFill } from './support/fillTwin.js';
import { yard } from './support/yard.js';
import type { LooseWire } from '../src/edits/wiring/edit.js';
import type { Member } from '../src/model/wiring.js';
import { hueOf, type Hue } from '../src/model/colours.js';

const LEVELS = Object.keys(MAKE_UP_LEVELS) as MakeUpLevel[];
const EDITIONS = [2014, 2020, 2023] as const;
/** Exercises of each kind on each level; many more in `npm run prove`. */
const SEEDS = process.env['PRACTICE_SEEDS'] === undefined ? null : Number(process.env['PRACTICE_SEEDS']);
const seedsOf = (usual: number): number[] => Array.from({ length: SEEDS ?? usual }, (_, i) => i + 1);
/** One after the other: thousands of them at once would fill the memory. */
const exercises = function* () {
  for (const [i, level] of LEVELS.entries())
    for (const n of seedsOf(2))
      yield drawMakeUp({ level, seed: 10_000 * i + n, edition: EDITIONS[(n - 1) % 3] ?? 2023 });
};

/** The exercise with its wires as somebody has put them. */
const madeUp = (job: Job, wiring: Wiring): Job => {
  const document = job.wirings.find(({ id }) => id === BUILT);
  if (!document) throw new Error('no bench');
  return withDocument(job, { ...document, wiring });
};
const planOf = (job: Job): Wiring => {
  const wiring = plannedWiring(job);
  if (!wiring) throw new Error('nothing planned');
  return wiring;
};
const named = (job: Job, level: string, doing: () => void) => {
  try {
    doing();
  } catch (error) {
    throw new Error(`${level} ${job.id}`, { cause: error });
  }
};

test('the same seed gives the same exercise, another one another; each can be kept, and none is right as it starts', () => {
  for (const { asked, job, circuit } of exercises())
    named(job, asked.level, () => {
      expect(drawMakeUp(asked).job).toEqual(job);
      expect(jobSchema.safeParse(job).error?.issues).toBeUndefined();
      expect(job.circuits[0]?.id).toBe(circuit);
      expect(job.circuits.length).toBe(asked.level === 'fourGang' ? 2 : 1);
      const verdict = judgeMakeUp(job);
      expect(verdict.right).toBe(false);
      expect(verdict.working).toBe(0);
      expect(verdict.faults.some(({ reason }) => reason.includes('free'))).toBe(true);
    });
  const names = LEVELS.flatMap((level) =>
    [1, 2].map((seed) =>
      drawMakeUp({ level, seed, edition: 2023 })
        .job.boxes.map(({ name }) => name)
        .join(),
    ),
  );
  expect(new Set(names).size).toBeGreaterThan(12);
});

test('made up as it was planned it is right, with nothing left to say', () => {
  for (const { asked, job } of exercises())
    named(job, asked.level, () => {
      const verdict = judgeMakeUp(madeUp(job, planOf(job)));
      expect(verdict.faults).toEqual([]);
      expect(verdict).toMatchObject({ right: true, working: verdict.of, ofPlan: [] });
      expect(verdict.of).toBe(positionsOf(MAKE_UP_LEVELS[asked.level]));
      expect(hintOf(madeUp(job, planOf(job)))).toBeNull();
    });
});

const memberKey = (member: Member): string =>
  'end' in member ? endKey(member.end) : 'lead' in member ? terminalKey(member.lead) : member.pigtail.id;

/** The moves of somebody who makes up every box as it was planned: wire by wire, each as one tells it on the bench. */
const movesTo = (planned: Wiring): ((job: Job) => Job)[] => {
  const tell = (edits: WiringEdit[], at: BoxId | null) => (job: Job) => {
    const told = editDocument(job, BUILT, edits, at);
    if (!told.ok) throw new Error(sayWiringRefusal(job, told.refusal));
    return told.job;
  };
  const wireOf = (member: Member): LooseWire | null =>
    'end' in member ? { end: member.end } : 'lead' in member ? { lead: member.lead } : null;
  const joints = planned.joints.flatMap((joint) => {
    const wires = joint.members.flatMap((member) => wireOf(member) ?? []);
    const [first, ...others] = wires;
    if (!first) return [];
    const inBench = (job: Job) => {
      const wiring = job.wirings.find(({ id }) => id === BUILT)?.wiring;
      const key = memberKey(joint.members.find((member) => wireOf(member) !== null) as Member);
      const found = wiring?.joints.find(({ members }) => members.some((one) => memberKey(one) === key));
      if (!found) throw new Error('the splice is not there');
      return found;
    };
    const tails = joint.members.flatMap((member) => ('pigtail' in member ? [member.pigtail] : []));
    return [
      tell([{ do: 'put', wire: first, to: 'alone' }], joint.box),
      ...others.map((wire) => tell([{ do: 'put', wire, to: { with: first } }], joint.box)),
      ...tails.flatMap(({ id, colour }) =>
        planned.landings
          .filter(({ wire }) => 'pigtail' in wire && wire.pigtail === id)
          .map(
            ({ terminal }) =>
              (job: Job) =>
                tell(
                  [{ do: 'tail', from: inBench(job).id, to: terminal, colour: hueOf(colour) as Hue }],
                  joint.box,
                )(job),
          ),
      ),
      (job: Job) => {
        const made = inBench(job);
        // The tails have come last; a connector names its wires by their places.
        const order = [
          ...joint.members.filter((member) => !('pigtail' in member)),
          ...joint.members.filter((member) => 'pigtail' in member),
        ];
        const connectors = joint.connectors.map((one) => ({
          ...one,
          members: one.members.map((i) => order.indexOf(joint.members[i] as Member)),
        }));
        return tell([{ do: 'connectors', joint: made.id, connectors }], joint.box)(job);
      },
    ];
  });
  const landed = planned.landings.flatMap(({ wire, terminal }) => {
    if (!('end' in wire) || 'circuit' in terminal) return [];
    const inSplice = planned.joints.some(({ members }) =>
      members.some((member) => 'end' in member && endKey(member.end) === endKey(wire.end)),
    );
    return [
      tell(
        [
          inSplice
            ? { do: 'loopGround', end: wire.end, on: terminal }
            : { do: 'put', wire: { end: wire.end }, to: { on: terminal } },
        ],
        null,
      ),
    ];
  });
  const marks = planned.marks.map(({ end, colour }) => tell([{ do: 'mark', end, colour }], null));
  return [...joints, ...landed, ...marks];
};

test('wire by wire as on the bench it comes to be right, and not before the last move', () => {
  for (const { asked, job } of exercises())
    named(job, asked.level, () => {
      const moves = movesTo(planOf(job));
      expect(moves.length).toBeGreaterThan(2);
      const all = moves.reduce((made, move) => move(made), job);
      expect(judgeMakeUp(all).faults).toEqual([]);
      const [last] = moves.slice(-1);
      const before = moves.slice(0, -1).reduce((made, move) => move(made), job);
      expect(judgeMakeUp(before).right).toBe(false);
      const hint = hintOf(before);
      expect(hint?.question).toMatch(/\?$/);
      expect(hint?.reason).not.toBe('');
      expect(last && judgeMakeUp(last(before)).right).toBe(true);
    });
});

/** What nodal analysis says of it: does each handle change the lights of its own group from every position, all of them, fully, and of no other, without a fault current? */
const worksByNodes = (job: Job, wiring: Wiring): boolean => {
  const devices = wiring.devices.map(({ id }) => id);
  const compiled = compile(wiring, job);
  const groups = job.groups.map(({ id }) => ({
    lights: job.luminaires.filter(({ group }) => group === id).map((one) => one.id),
    handles: new Set<string>(devicesOfGroup(job, wiring, id)),
  }));
  const seen = new Map<string, string[]>();
  for (const positions of everyPosition(compiled, devices)) {
    const { luminaireVolts, amperes } = solveCurrents(wiring, job, positions);
    if ([...amperes.values()].some((of) => [...of.values()].some((one) => !(Math.abs(one) < 200))))
      return false;
    const volts = groups.map(({ lights }) => lights.map((id) => Math.abs(luminaireVolts.get(id) ?? 0)));
    if (volts.flat().some((one) => one > 3 && one < 105)) return false;
    const lit = volts.map((of) => [...new Set(of.map((one) => one >= 105))].join());
    if (lit.some((of) => of.includes(','))) return false;
    seen.set(devices.map((id) => positions[id] ?? 0).join(''), lit);
  }
  return [...seen].every(([at, lit]) =>
    devices.every((device, i) => {
      const moved = seen.get(`${at.slice(0, i)}${1 - Number(at[i])}${at.slice(i + 1)}`);
      return groups.every(({ handles }, g) => (moved?.[g] !== lit[g]) === handles.has(device));
    }),
  );
};

const ANYWHERE = ['exchanged', 'loose', 'open', 'joined', 'mixed'] as const;

test('spoiled so that nodal analysis condemns it, it is never called right, and what is wrong is asked about', () => {
  let condemned = 0;
  let harmless = 0;
  for (const { asked, job } of exercises())
    named(job, asked.level, () => {
      const planned = planOf(job);
      expect(worksByNodes(job, planned)).toBe(true);
      const faults = ANYWHERE.flatMap((kind) => faultsOf(planned, kind));
      for (const fault of fc.sample(fc.constantFrom(...faults), {
        seed: asked.seed,
        numRuns: SEEDS === null ? 12 : 20,
      })) {
        const spoiled = withFault(planned, fault);
        if (!spoiled.ok) continue;
        const verdict = judgeMakeUp(madeUp(job, spoiled.value));
        if (worksByNodes(job, spoiled.value)) harmless += 1;
        else {
          condemned += 1;
          expect([fault, verdict.right]).toEqual([fault, false]);
          expect(verdict.working).toBeLessThan(verdict.of);
        }
        for (const { question, reason } of verdict.faults) {
          expect(question).toMatch(/\?$/);
          expect(reason).toMatch(/\.$/);
        }
      }
    });
  expect(condemned).toBeGreaterThan(100);
  expect(harmless).toBeGreaterThan(5);
});

test('a hidden fault is seen at the handles, by nodal analysis too, is told in words, and is mended by making up its box', () => {
  const boxes = new Set<string>();
  for (const level of LEVELS)
    for (const seed of seedsOf(3)) {
      const fault = drawHiddenFault({ level, seed, edition: 2023 });
      const { job, box, said } = fault;
      named(job, level, () => {
        expect(drawHiddenFault({ level, seed, edition: 2023 })).toEqual(fault);
        const spoiled = job.wirings.find(({ id }) => id === BUILT)?.wiring;
        if (!spoiled) throw new Error('no bench');
        expect(worksByNodes(job, spoiled)).toBe(false);
        const verdict = judgeMakeUp(job);
        expect(verdict.working).toBeLessThan(verdict.of);
        expect(verdict.faults.length).toBeGreaterThan(0);
        expect(said.length).toBeGreaterThan(10);
        boxes.add(`${level} ${box}`);
        // What is not of that box is as it was planned; that box as planned mends it.
        const planned = planOf(job);
        const elsewhere = (one: Wiring) => one.joints.filter((joint) => joint.box !== box);
        expect(elsewhere(spoiled)).toEqual(elsewhere(planned));
        expect(judgeMakeUp(madeUp(job, planned)).right).toBe(true);
      });
    }
  expect(boxes.size).toBeGreaterThan(9);
});

test('a box to be sized is of a size near to what it needs, sometimes too small; only its own volume and verdict are right', () => {
  let small = 0;
  let drawn = 0;
  for (const level of LEVELS)
    for (const seed of seedsOf(5)) {
      const sizing = drawSizing({ level, seed, edition: 2023 });
      const { fill, job, box } = sizing;
      named(job, level, () => {
        expect(drawSizing({ level, seed, edition: 2023 })).toEqual(sizing);
        expect(job.boxes.map(({ id }) => id)).toContain(box);
        expect(fill.unknown).toEqual([]);
        const { needed, available } = fill;
        if (available === null) throw new Error('its volume is not known');
        const fits = needed <= available;
        expect(judgeSizing(sizing, { needed, fits })).toEqual({ volume: true, verdict: true });
        expect(judgeSizing(sizing, { needed: needed + 20_000, fits: !fits })).toEqual({
          volume: false,
          verdict: false,
        });
        // Counted by another hand, wire by wire.
        const sized = job.wirings.find(({ id }) => id === BUILT)?.wiring;
        if (!sized) throw new Error('no bench');
        expect(needed).toBe(countedFill(job, sized, box, 2023));
        drawn += 1;
        if (!fits) small += 1;
      });
    }
  expect(small).toBeGreaterThan(drawn / 6);
  expect(small).toBeLessThan((drawn * 5) / 6);
});

test('the fault finder finds what is hidden, opening no more boxes than there are, and says how', () => {
  let opened = 0;
  let boxes = 0;
  for (const level of LEVELS)
    for (const seed of [11, 12]) {
      const fault = drawHiddenFault({ level, seed, edition: 2023 });
      named(fault.job, level, () => {
        const way = finderWay(fault);
        expect(way?.found).toBe(true);
        expect(way?.steps.length).toBeGreaterThan(0);
        expect(way?.steps.at(-1)).toMatch(/otherwise|not as|Looked/i);
        opened += way?.opened ?? 0;
        boxes += fault.job.boxes.length;
      });
    }
  // Much better than opening box by box, on the mean.
  expect(opened).toBeLessThan(boxes * 0.75);
});

test('a circuit of one’s own is made up alone; of old work, and of what is not planned, it is told why not', () => {
  const job = yard();
  const before = JSON.stringify(job);
  const told = job.circuits.map(({ id }) => ({ id, own: practiseCircuit(job, id) }));
  const loose = told.flatMap(({ id, own }) => (own.ok ? [{ id, job: own.job }] : []));
  expect(loose.length).toBeGreaterThan(3);
  for (const one of loose)
    named(one.job, one.id, () => {
      expect(one.job.circuits.map(({ id }) => id)).toEqual([one.id]);
      expect(judgeMakeUp(one.job).right).toBe(false);
      expect(judgeMakeUp(madeUp(one.job, planOf(one.job))).faults).toEqual([]);
    });
  // What the plan violates is said, and is nobody's fault who makes it up.
  const pancake = setBoxArticles(job, 'slip' as never, ['pancake-4' as never]);
  const crowded = practiseCircuit(pancake, 'slip-light' as never);
  if (!crowded.ok) throw new Error(crowded.why);
  const verdict = judgeMakeUp(madeUp(crowded.job, planOf(crowded.job)));
  expect(verdict).toMatchObject({ right: true, faults: [] });
  expect(verdict.ofPlan.length).toBeGreaterThan(0);
  const refused = told.flatMap(({ own }) => (own.ok ? [] : [own.why]));
  expect(refused).toContain('oldWork');
  expect(practiseCircuit(job, 'nowhere' as never)).toEqual({ ok: false, why: 'notThere' });
  expect(JSON.stringify(job)).toBe(before);
});

test('what would not pass works at its handles, breaks the rules that are named as broken, and none of the others', () => {
  const met = new Set<string>();
  for (const level of LEVELS)
    for (const seed of seedsOf(3)) {
      const judging = drawJudging({ level, seed, edition: 2023 });
      const { job, rules, findings } = judging;
      expect(drawJudging({ level, seed, edition: 2023 })).toEqual(judging);
      const wiring = job.wirings.find(({ id }) => id === BUILT)?.wiring;
      if (!wiring) throw new Error('no bench');
      expect(worksByNodes(job, wiring)).toBe(true);
      const verdict = judgeMakeUp(job);
      expect(verdict.right).toBe(false);
      const broken = rules.filter((one) => one.broken).map(({ id }) => id);
      expect(new Set(broken)).toEqual(new Set(findings.map(({ rule }) => rule)));
      expect(rules.length).toBeLessThanOrEqual(6);
      expect(rules.length - broken.length).toBeGreaterThan(1);
      expect(broken.length).toBeGreaterThan(0);
      for (const id of broken) met.add(id);
      for (const { title } of rules) expect(title.length).toBeGreaterThan(10);
    }
  expect(met.size).toBeGreaterThan(4);
});
