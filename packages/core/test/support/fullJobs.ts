import fc from 'fast-check';
import type * as z from 'zod';
import { EDITIONS, jobShape, newJob, standardStock, type Job, type JobId } from '../../src/index.js';
import { cablesAsFound, oneOf, shuffled, type Pick } from './picks.js';
import { holding, lying, type Contents, type Lies } from './told.js';

type JobInput = z.input<typeof jobShape>;
type Many<K extends keyof JobInput> = Exclude<JobInput[K], undefined> extends (infer T)[] ? T[] : never;

const STOCK = standardStock();
const WALLS = ['W1', 'W2', 'W3', 'W4'];
const CEILINGS = ['C1', 'C2', 'C3', 'C4'];

const preferences = (pick: Pick): JobInput['preferences'] => ({
  neutral: oneOf(pick, ['byEdition', 'everySwitch']),
  connectors: oneOf(pick, ['lever', 'pushIn', 'twistOn']),
  reidentify: oneOf(pick, ['black', 'red', 'marker']),
  sparePort: pick(2) === 0,
  groundConnectors: oneOf(pick, ['same', 'groundingTwistOn', 'crimp']),
  groundTail: oneOf(pick, ['pigtail', 'leftLong']),
  boxBonding: oneOf(pick, ['pigtails', 'selfGroundingYoke', 'both']),
  groundTailColour: oneOf(pick, ['bare', 'green']),
  boxGround: oneOf(pick, ['tail', 'looped']),
  receptacles: oneOf(pick, ['pigtailed', 'through']),
  plasticLuminaire: oneOf(pick, ['capped', 'pigtailLeft']),
  freeConductor: oneOf(pick, [6, 8]),
});

/** A box, and what else is told to be in it. */
type Found = Many<'boxes'>[number] & { contents?: Contents };

const boxOf = (pick: Pick, id: string): Found => {
  const wall = id.startsWith('W');
  const at = { x: 12 * pick(40), y: 12 * pick(30), z: wall ? 48 : 96 };
  const accessible = oneOf(pick, ['no', 'unknown', 'yes'] as const);
  const common = { id, name: `Box ${id}`, accessible, at };
  switch (pick(6)) {
    case 0:
      return { ...common, article: null, material: 'metal' };
    case 1:
      // An old box that is big enough, with something of another circuit in it that stays.
      return {
        ...common,
        article: 'test-deep',
        work: 'existing',
        fittings: pick(2) === 0 ? ['stud'] : [],
        contents: {
          conductors: [14, 14],
          grounds: [14],
          passing: pick(2) === 0 ? [{ awg: 12, loop: pick(2) === 0 }] : [],
        },
      };
    default:
      return { ...common, article: null };
  }
};

/** What hangs in a ceiling box. */
const lampOf = (pick: Pick, id: string, box: string, group: string): Many<'luminaires'>[number] => ({
  id,
  name: `Luminaire ${id}`,
  box,
  group,
  va: 10 + 10 * pick(8),
  terminals: oneOf(pick, ['leads', 'screws']),
  leadAwg: oneOf(pick, [18, 16, 14]),
  metal: pick(3) > 0,
  strap: pick(4) === 0,
  domedCanopy: pick(4) > 0,
  pounds: oneOf(pick, [null, 3, 40]),
});

const ROLES_ALONE = ['switch', 'switch', 'dimmer', 'timer', 'occupancySensor', 'switchReceptacle'] as const;

/**
 * A job of one to three switched groups, and sometimes one that is never switched, on one or two circuits. They share
 * multi-gang boxes and luminaire boxes; there are return runs, fans with lights, onward feeds, receptacles, electronic
 * devices, metal boxes, existing boxes and cables in any colours. Every decision is the next number of `numbers`.
 */
const build = (numbers: readonly number[]): Job => {
  let at = 0;
  const pick: Pick = (count) => (numbers[at++ % numbers.length] ?? 0) % count;
  const circuitIds = pick(2) === 0 ? ['c0'] : ['c0', 'c1'];
  const circuits: Many<'circuits'> = circuitIds.map((id) => {
    const [breaker, awg] = oneOf(pick, [
      [10, 14],
      [15, 14],
      [20, 12],
      [15, 12],
    ] as const);
    return { id, name: `Circuit ${id}`, breaker, awg };
  });
  const groups: Many<'groups'> = [];
  const slots: Many<'slots'> = [];
  const luminaires: Many<'luminaires'> = [];
  const gangs = new Map<string, number>();
  const addSlot = (box: string, group: string, more: Partial<Many<'slots'>[number]> = {}) => {
    const gang = gangs.get(box) ?? 0;
    if (gang > 3) return;
    gangs.set(box, gang + 1);
    slots.push({ id: `${group}.s${slots.length}`, box, gang, group, ...more });
  };
  const addGroups = (circuit: string, c: number) => {
    const switched = 1 + (c === 0 ? pick(2) : 0);
    for (let g = 0; g < switched; g++) {
      const group = `${circuit}.g${g}`;
      groups.push({ id: group, name: `Group ${group}`, circuit, room: 'room' });
      const switches = 1 + pick(3);
      for (let s = 0; s < switches; s++) {
        const role =
          switches === 1 ? oneOf(pick, ROLES_ALONE) : s === 0 && pick(4) === 0 ? 'dimmer' : 'switch';
        addSlot(oneOf(pick, WALLS), group, { role });
      }
      const lamps = 1 + pick(2);
      for (let l = 0; l < lamps; l++)
        luminaires.push(lampOf(pick, `${group}.l${l}`, oneOf(pick, CEILINGS), group));
    }
    if (pick(4) === 0) {
      // A fan with a light of its own switch, in one box.
      const [fan, light] = [`${circuit}.fan`, `${circuit}.light`];
      const box = oneOf(pick, CEILINGS);
      for (const id of [fan, light]) {
        groups.push({ id, name: id, circuit, room: 'room' });
        addSlot(oneOf(pick, WALLS), id);
      }
      luminaires.push({ ...lampOf(pick, `${fan}.l`, box, fan), unit: 'fan' });
      luminaires.push({ ...lampOf(pick, `${light}.l`, box, light), partOf: `${fan}.l` });
    }
    if (pick(3) === 0) {
      const group = `${circuit}.hot`;
      groups.push({ id: group, name: group, circuit, room: 'room', control: 'hot' });
      const kind = pick(3);
      if (kind === 0) addSlot(oneOf(pick, WALLS), group, { role: 'receptacle' });
      else if (kind === 1)
        luminaires.push({ ...lampOf(pick, `${group}.l`, oneOf(pick, CEILINGS), group), unit: 'nightLight' });
      else
        luminaires.push({
          ...lampOf(pick, `${group}.l`, `B${circuit}`, group),
          unit: 'onward',
          terminals: 'leads',
        });
    }
  };
  circuitIds.forEach(addGroups);
  // Where a group or its box had no space left, it is not part of the job.
  const complete = groups.filter(
    ({ id, control }) =>
      (control === 'hot' || slots.some((slot) => slot.group === id)) &&
      [...slots.filter((slot) => slot.role === 'receptacle'), ...luminaires].some((one) => one.group === id),
  );
  const kept = new Set(complete.map((group) => group.id));
  const keptLamps = luminaires.filter(
    (one) => kept.has(one.group) && (!one.partOf || kept.has(one.group.replace('light', 'fan'))),
  );
  const keptGroups = complete.filter(
    (group) => group.control === 'hot' || keptLamps.some((one) => one.group === group.id),
  );
  const keptIds = new Set(keptGroups.map((group) => group.id));
  const keptSlots = slots.filter((slot) => keptIds.has(slot.group));

  const feeds: Many<'feeds'> = [];
  const choices: Many<'choices'> = [];
  const existingCables: Lies[] = [];
  const found: Many<'stock'> = [];
  const alive = circuits.filter(({ id }) => keptGroups.some((group) => group.circuit === id));
  for (const circuit of alive) {
    const mine = new Set(keptGroups.filter((group) => group.circuit === circuit.id).map((group) => group.id));
    const nodes = shuffled(pick, [
      ...new Set([...keptSlots, ...keptLamps].filter((one) => mine.has(one.group)).map((one) => one.box)),
    ]);
    if (pick(4) === 0) nodes.splice(pick(nodes.length), 0, `J${circuit.id}`);
    // Nothing hangs on a box beyond the plan, so it comes last.
    nodes.sort((a, b) => Number(a.startsWith('B')) - Number(b.startsWith('B')));
    const feedAt = pick(2) === 0 ? 'panel' : (nodes.shift() ?? 'panel');
    const reached = [feedAt];
    const runs = nodes.map((to) => {
      // The panel gives one cable a circuit.
      const from = reached.filter((one) => !(one === 'panel' && reached.length > 1) && !one.startsWith('B'));
      const run = { from: oneOf(pick, from.length > 0 ? from : reached), to };
      reached.push(to);
      return run;
    });
    // Power enters a luminaire box and the switch leg comes back to it.
    const entry = feedAt === 'panel' ? runs[0]?.to : feedAt;
    const switches = reached.filter((one) => one.startsWith('W'));
    const wired = keptLamps.some(
      (one) => one.box === entry && mine.has(one.group) && one.unit !== 'nightLight',
    );
    if (entry?.startsWith('C') && wired && switches.length > 0 && pick(3) > 0)
      runs.push({ from: oneOf(pick, switches), to: `${entry}~return` });
    feeds.push({ id: `feed.${circuit.id}`, circuit: circuit.id, at: feedAt });
    choices.push({ circuit: circuit.id, feed: `feed.${circuit.id}`, runs });
    for (const { from, to } of runs) {
      if (pick(6) > 0 || to.includes('~')) continue;
      const article = cablesAsFound(pick, `found.${circuit.id}.${existingCables.length}`, circuit.awg);
      found.push(article);
      const between: [string, string] = pick(2) === 0 || from === 'panel' ? [from, to] : [to, from];
      existingCables.push({
        id: `lying.${article.id}`,
        article: article.id,
        circuit: circuit.id,
        between,
        length: 60 + pick(300),
      });
    }
    if (feedAt !== 'panel' && pick(2) === 0) {
      const article = cablesAsFound(pick, `found.${circuit.id}.feed`, circuit.awg);
      found.push(article);
      existingCables.push({
        id: `lying.${article.id}`,
        article: article.id,
        circuit: circuit.id,
        between: pick(2) === 0 ? ['panel', feedAt] : [feedAt, 'panel'],
      });
    }
  }
  const places = new Set([
    ...[...keptSlots, ...keptLamps].map((one) => one.box),
    ...choices.flatMap(({ runs }) => runs.flatMap(({ from, to }) => [from, to])),
    ...feeds.map((feed) => feed.at),
  ]);
  const boxIds = [...places].filter((id) => id !== 'panel' && !id.includes('~'));
  if (boxIds.length > 1 && pick(3) === 0) {
    // One that no run uses stays in place, and a cable passes a box without ending in it.
    const article = cablesAsFound(pick, 'found.unused', 12);
    const [a, b] = shuffled(pick, boxIds);
    const via = boxIds.filter((id) => id !== a && id !== b).slice(0, pick(2));
    found.push(article);
    existingCables.push({
      id: 'lying.unused',
      article: article.id,
      circuit: pick(2) === 0 ? null : (alive[0]?.id ?? null),
      // From the panel it is live, whatever nobody has told.
      between: pick(3) === 0 ? ['panel', b ?? ''] : [a ?? '', b ?? ''],
      via: via.map((box) => ({ box, loop: pick(2) === 0 })),
    });
  }
  const job = newJob('full' as JobId, 'Full', []);
  const contents: Record<string, Contents> = {};
  const parsed = jobShape.parse({
    ...job,
    edition: oneOf(pick, EDITIONS),
    preferences: preferences(pick),
    stock: [
      ...found,
      {
        kind: 'box',
        id: 'test-deep',
        name: '8-gang deep',
        volume: 2_000_000,
        gangs: 8,
        metal: pick(2) === 0,
        internalClamps: pick(2) === 0,
        work: 'new',
        supports: 50,
      },
    ],
    rooms: [
      {
        id: 'room',
        name: 'Room',
        kind: 'habitable',
        wholeFloorVisible: oneOf(pick, ['yes', 'no', 'unknown']),
      },
    ],
    circuits: alive,
    feeds,
    boxes: boxIds.map((id) => {
      const { contents: held, ...box } = boxOf(pick, id);
      const beyond = id.startsWith('B');
      if (held && !beyond) contents[id] = held;
      return beyond ? { ...box, article: null, work: 'beyond' } : box;
    }),
    slots: keptSlots,
    luminaires: keptLamps,
    groups: keptGroups,
    choices,
  } satisfies JobInput);
  return holding(lying({ ...parsed, stock: [...STOCK, ...parsed.stock] }, existingCables), contents);
};

export const anyFullJob: fc.Arbitrary<Job> = fc
  .array(fc.nat({ max: 1_000_000 }), { minLength: 220, maxLength: 220 })
  .map(build);
