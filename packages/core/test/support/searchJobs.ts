import fc from 'fast-check';
import type * as z from 'zod';
import { EDITIONS, jobShape, newJob, standardStock, type Job, type JobId } from '../../src/index.js';
import { cablesAsFound, oneOf, shuffled, type Pick } from './picks.js';
import { holding, lying, type Contents, type Lies } from './told.js';

type JobInput = z.input<typeof jobShape>;
type Many<K extends keyof JobInput> = Exclude<JobInput[K], undefined> extends (infer T)[] ? T[] : never;

const STOCK = standardStock();

/** A box, and what else is told to be in it. */
type Found = Many<'boxes'>[number] & { contents?: Contents };

/** The places of a job: some boxes on walls, some on ceilings, on a grid of feet. */
const boxesOf = (pick: Pick, walls: number, ceilings: number, junctions: number): Found[] => {
  const ids = [
    ...Array.from({ length: walls }, (_, i) => `W${i}`),
    ...Array.from({ length: ceilings }, (_, i) => `C${i}`),
    ...Array.from({ length: junctions }, (_, i) => `J${i}`),
  ];
  return ids.map((id) => {
    const common = {
      id,
      name: `Box ${id}`,
      at: { x: 12 * pick(36), y: 12 * pick(24), z: id.startsWith('W') ? 48 : 96 },
      accessible: oneOf(pick, ['no', 'no', 'unknown', 'yes'] as const),
      mount: id.startsWith('W') ? ('wall' as const) : ('ceiling' as const),
    };
    const kind = id.startsWith('J') ? 9 : pick(10);
    if (kind === 0) return { ...common, article: null, material: 'metal' };
    if (kind === 1)
      return {
        ...common,
        article: 'test-deep',
        work: 'existing',
        contents: { conductors: [14, 14], grounds: [14] },
      };
    if (kind === 2) return { ...common, article: null, work: 'old' };
    return { ...common, article: null };
  });
};

/** The switches and luminaires of one circuit, over walls and ceilings that circuits share. */
const groupsOf = (
  pick: Pick,
  circuit: string,
  count: number,
  [walls, ceilings]: [string[], string[]],
  most: number,
  gangs: Map<string, number>,
) => {
  const groups: Many<'groups'> = [];
  const slots: Many<'slots'> = [];
  const luminaires: Many<'luminaires'> = [];
  for (let g = 0; g < count; g++) {
    const id = `${circuit}.g${g}`;
    const switches = 1 + pick(most);
    groups.push({ id, name: id, circuit, room: 'room' });
    for (let s = 0; s < switches; s++) {
      const box = oneOf(pick, walls);
      const gang = gangs.get(box) ?? 0;
      gangs.set(box, gang + 1);
      const role = switches === 1 && pick(5) === 0 ? 'timer' : pick(8) === 0 ? 'dimmer' : 'switch';
      const neutral = oneOf(pick, [...Array<'byRule'>(6).fill('byRule'), 'brought', 'none'] as const);
      slots.push({ id: `${id}.s${s}`, box, gang, group: id, role: s === 0 ? role : 'switch', neutral });
    }
    for (let l = 0; l < 1 + pick(2); l++)
      luminaires.push({
        id: `${id}.l${l}`,
        name: `Luminaire ${id} ${l}`,
        box: oneOf(pick, ceilings),
        group: id,
        va: 20,
        terminals: oneOf(pick, ['leads', 'screws']),
        leadAwg: oneOf(pick, [18, 14]),
        metal: pick(3) > 0,
      });
  }
  if (pick(4) === 0) {
    const id = `${circuit}.hot`;
    groups.push({ id, name: id, circuit, room: 'room', control: 'hot' });
    luminaires.push({
      ...{ id: `${id}.l`, name: id, box: oneOf(pick, ceilings), group: id, va: 5 },
      ...{ unit: 'nightLight' as const, terminals: 'leads' as const, leadAwg: 18 as const, metal: false },
    });
  }
  return { groups, slots, luminaires };
};

/** Every box that something hangs in or on is tied to one that was reached before. */
const anyRuns = (pick: Pick, feed: string, boxes: readonly string[]) => {
  const reached = [feed];
  return boxes
    .filter((box) => box !== feed)
    .map((to) => {
      const from = oneOf(pick, reached.length > 1 ? reached.filter((one) => one !== 'panel') : reached);
      reached.push(to);
      return { from, to };
    });
};

export interface SearchJob {
  places: number;
  groups: number;
  /** Most switches of a group. */
  switches: number;
}

/**
 * A job whose first circuit is to be planned, of so many boxes and groups. There may be a second circuit that shares its
 * boxes and is planned already, cables that lie there, runs that are forced, forbidden or measured, two feeds to choose
 * from, a junction box that may stay empty.
 */
const build = (numbers: readonly number[], { places, groups, switches }: SearchJob): Job => {
  let at = 0;
  const pick: Pick = (count) => (numbers[at++ % numbers.length] ?? 0) % count;
  const junctions = places > 3 && pick(4) === 0 ? 1 : 0;
  const walls = 1 + pick(places - junctions - 1);
  const drawn = boxesOf(pick, walls, places - junctions - walls, junctions);
  const boxes = drawn.map(({ contents: _told, ...box }) => box);
  const contents = Object.fromEntries(drawn.map((box) => [box.id, box.contents]));
  const onWall = boxes.filter(({ id }) => id.startsWith('W')).map(({ id }) => id);
  const onCeiling = boxes.filter(({ id }) => id.startsWith('C')).map(({ id }) => id);
  const gangs = new Map<string, number>();
  const mine = groupsOf(pick, 'c0', groups, [onWall, onCeiling], switches, gangs);
  const shared = pick(4) === 0;
  const other = shared ? groupsOf(pick, 'c1', 1, [onWall, onCeiling], 2, gangs) : null;
  const hot = ['panel', oneOf(pick, boxes).id, oneOf(pick, boxes).id];
  const fedAt = pick(4) === 0 ? hot.slice(pick(2)) : [oneOf(pick, hot)];
  const feeds: Many<'feeds'> = [...new Set(fedAt)].map((place, i) => ({
    id: `feed.c0.${i}`,
    circuit: 'c0',
    at: place,
  }));
  const choices: Many<'choices'> = [];
  if (other) {
    const reached = [...new Set([...other.slots, ...other.luminaires].map((one) => one.box))];
    feeds.push({ id: 'feed.c1', circuit: 'c1', at: 'panel' });
    choices.push({ circuit: 'c1', feed: 'feed.c1', runs: anyRuns(pick, 'panel', reached) });
  }
  const pairs = shuffled(
    pick,
    boxes.flatMap((a, i) => boxes.slice(i + 1).map((b): [string, string] => [a.id, b.id])),
  );
  const existing =
    pick(4) === 0 ? ['found.0', 'found.1'].slice(pick(2)).map((id) => cablesAsFound(pick, id, 14)) : [];
  // Two of them now and then between the same two boxes.
  const beside = existing.length > 1 ? pick(2) : 0;
  const existingCables: Lies[] = existing.map((article, i) => ({
    id: `lying.${article.id}`,
    article: article.id,
    circuit: 'c0',
    between: pairs.at(-1 - i * beside) ?? ['W0', 'C0'],
  }));
  // What the other circuit takes already is not forbidden.
  const taken = choices.flatMap(({ runs }) => runs.map(({ from, to }) => [from, to]));
  const free = ([a, b]: [string, string]) => !taken.some((ends) => ends.includes(a) && ends.includes(b));
  const facts: Many<'runFacts'> = pairs.slice(0, pick(3)).map((between) => ({
    between,
    ...oneOf<Partial<Many<'runFacts'>[number]>>(pick, [
      { rule: 'forced' },
      { rule: 'forbidden' },
      { length: 24 + 12 * pick(60) },
      { openings: 2, closeHoles: 3 },
    ]),
  }));
  if (!other && pick(8) === 0)
    facts.push({
      between: ['panel', oneOf(pick, boxes).id],
      rule: oneOf(pick, ['forced', 'forbidden'] as const),
    });
  const job = newJob('search' as JobId, 'Search', []);
  const parsed = jobShape.parse({
    ...job,
    edition: oneOf(pick, EDITIONS),
    preferences: {
      neutral: oneOf(pick, ['byEdition', 'byEdition', 'everySwitch']),
      connectors: oneOf(pick, ['lever', 'pushIn', 'twistOn']),
      reidentify: 'black',
      sparePort: pick(3) === 0,
      boxBonding: oneOf(pick, ['pigtails', 'selfGroundingYoke']),
      groundTail: oneOf(pick, ['pigtail', 'leftLong']),
      boxGround: oneOf(pick, ['tail', 'looped']),
      roomToSpare: oneOf(pick, [0, 1, 1, 2] as const),
      wideCable: oneOf(pick, ['any', 'any', 'any', 'none']),
    },
    routing: { ...job.routing, panel: { level: null, at: { x: -120, y: 0, z: 60 } } },
    stock: [
      ...existing,
      {
        kind: 'box',
        id: 'test-deep',
        name: '8-gang deep',
        volume: 1_400_000,
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
    circuits: [
      { id: 'c0', name: 'To plan', breaker: 15, awg: 14 },
      ...(other ? [{ id: 'c1', name: 'Planned', breaker: 20 as const, awg: 12 as const }] : []),
    ],
    feeds,
    boxes,
    groups: [...mine.groups, ...(other?.groups ?? [])],
    slots: [...mine.slots, ...(other?.slots ?? [])],
    luminaires: [...mine.luminaires, ...(other?.luminaires ?? [])],
    runFacts: facts.filter((fact) => fact.rule !== 'forbidden' || free(fact.between)),
    choices,
  } satisfies JobInput);
  return holding(lying({ ...parsed, stock: [...STOCK, ...parsed.stock] }, existingCables), contents);
};

export const anySearchJob = (size: SearchJob): fc.Arbitrary<Job> =>
  fc
    .array(fc.nat({ max: 1_000_000 }), { minLength: 120, maxLength: 120 })
    .map((numbers) => build(numbers, size));
