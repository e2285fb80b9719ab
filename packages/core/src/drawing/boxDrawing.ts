import { articleOf } from '../model/articles.js';
import type { Colour } from '../model/colours.js';
import { findCircuit } from '../model/lookup.js';
import { terminalKey, articlesAt, type Cable, type End, type Wiring } from '../model/wiring.js';
import type { BoxId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { compile, type Compiled } from '../circuit/compile.js';
import { bondOf } from '../circuit/grounding.js';
import { jointKey } from '../circuit/keys.js';
import { cableTold, isUntoldFeed, otherPlace } from '../words/cables.js';
import { placeTag } from '../words/places.js';
import { placeAcross, type Across } from './across.js';
import { arrange, orderOf } from './arrange.js';
import { crossingsOf } from './countCrossings.js';
import { cableOrder } from './crossings.js';
import { edgeOf } from './edges.js';
import type {
  BoxDrawing,
  DrawnCable,
  DrawnConnector,
  DrawnFixture,
  DrawnJumper,
  DrawnWire,
  Edge,
  Order,
} from './geometry.js';
import { bodyHeight, drawWires, placeDown, type Down, type Words } from './layOut.js';
import { prepare, type Prepared, type PreparedUnit } from './prepared.js';
import { readScene, type Scene } from './scene.js';
import { wrapWords } from './wrap.js';

/** Letters that a line of a sheath, of a connector, over a device holds. */
const LETTERS = { sheath: 14, connector: 11, fixture: 17 } as const;
/** Around what is in the box, so that its wall is seen. */
const WALL = 14;
/** A round box needs more. */
const ROUND = 46;

/** What is written on a sheath: its type, where it goes, and what tells it from its fellows. */
const sheathWords = (job: Job, wiring: Wiring, cable: Cable, end: End['side']): string[] => {
  if (isUntoldFeed(job, cable)) return ['supply', ...wrapWords('cable as found', LETTERS.sheath)];
  const told = cableTold(job, wiring, cable, end);
  const way = end === 'to' ? 'from' : 'to';
  return [
    ...wrapWords(articleOf(job.stock, 'cable', cable.article).name, LETTERS.sheath),
    ...wrapWords(`${way} ${placeTag(job, otherPlace(cable, end))}`, LETTERS.sheath),
    ...(told === '' ? [] : wrapWords(told, LETTERS.sheath)),
  ];
};

/** What is written on a connector: what it is, and where circuits or neutrals meet whose splice it is. */
const createUnitWords = (job: Job, scene: Scene) => {
  const circuitOf = ({ circuit }: Scene['units'][number]) =>
    circuit === null ? null : (findCircuit(job, circuit)?.name ?? 'unnamed breaker');
  const circuits = new Set(scene.units.map(circuitOf).filter((name) => name !== null));
  const neutrals = new Set(
    scene.units.flatMap((one) => (one.role === 'neutral' && one.joint ? [one.group] : [])),
  );
  return (unit: PreparedUnit): string[] => {
    if (unit.kind === 'piece') return [];
    const circuit = circuitOf(unit);
    const named = circuit !== null && circuits.size > 1 ? wrapWords(circuit, LETTERS.connector) : [];
    const apart =
      unit.role === 'neutral' && unit.joint && neutrals.size > 1 && circuits.size < 2 ? ['kept apart'] : [];
    const cap = unit.joint?.members.length === 1 && unit.kind === 'connector' ? 'cap: ' : '';
    return [...wrapWords(`${cap}${unit.name}`, LETTERS.connector), ...named, ...apart];
  };
};

const drawnCables = ({ scene }: Prepared, across: Across, down: Down, words: Words, job: Job): DrawnCable[] =>
  scene.entries.map(({ cable, end }, i) => {
    const { x = 0, width = 0, edge = 'top' } = across.sheaths[i] ?? {};
    const lines = words.sheaths[i] ?? [];
    const height = edge === 'top' ? down.sheathBottom : down.height - down.lowerSheaths;
    return {
      ...{ cable: cable.id, end, edge, lines, existing: cable.existing, x, width, height },
      awg: articleOf(job.stock, 'cable', cable.article).awg,
      y: edge === 'top' ? down.sheathTop : down.lowerSheaths,
    };
  });

const drawnFixtures = ({ scene }: Prepared, across: Across, down: Down, words: Words): DrawnFixture[] =>
  scene.fixtures.map(({ id, item, pins }, i) => {
    const { x = 0, width = 0 } = across.fixtures[i] ?? {};
    const height = bodyHeight(item.kind);
    const y = down.fixtureTop;
    return {
      ...{ id, item, x, y, width, height, title: words.titles[i] ?? [] },
      pins: pins.map(({ key, name, part }) => ({
        ...{ key, name, part, x: part.side === 'left' ? x : x + width },
        y: y + (height * part.height) / 100,
      })),
    };
  });

const drawnConnectors = (
  { units, scene }: Prepared,
  across: Across,
  down: Down,
  words: Words,
  wires: readonly DrawnWire[],
): DrawnConnector[] =>
  units
    .filter((one) => one.kind === 'connector' || one.kind === 'loose')
    .map((unit) => {
      const { x, width } = across.units[unit.index] ?? { x: 0, width: 0 };
      const row = (unit.low ? down.low : down.rows[unit.row]) ?? down.low;
      const mine = [...unit.tops, ...unit.bottoms, ...unit.tails];
      const frame = { x, y: row.top, width, height: row.bottom - row.top };
      const touches = (y: number) => Math.abs(y - frame.y) < 1 || Math.abs(y - frame.y - frame.height) < 1;
      return {
        ...frame,
        id: unit.id,
        ...{ joint: unit.joint?.id ?? null, family: unit.family, role: unit.role },
        key: unit.joint
          ? jointKey(unit.joint.id)
          : (scene.wires[unit.tops[0] ?? unit.bottoms[0] ?? -1]?.key ?? ''),
        form:
          unit.kind === 'loose'
            ? ('air' as const)
            : unit.family === null
              ? ('none' as const)
              : ('connector' as const),
        lines: words.units[unit.index] ?? [],
        ports: mine.flatMap((wire) => wires[wire]?.points.filter(({ y }) => touches(y)).slice(0, 1) ?? []),
      };
    });

/** The wires between the connectors of a chain, and pieces of wire between screws. */
const drawnJumpers = ({ groups, units, wires, scene }: Prepared, across: Across, down: Down): DrawnJumper[] =>
  groups.flatMap(({ units: mine }): DrawnJumper[] => {
    const first = units[mine[0] ?? -1];
    if (!first?.joint) return [];
    const row = (first.low ? down.low : down.rows[first.row]) ?? down.low;
    const end = first.joint.members.find((member) => 'end' in member);
    const tail = first.joint.members.find((member) => 'pigtail' in member);
    const colour: Colour =
      end && 'end' in end ? end.end.colour : tail && 'pigtail' in tail ? tail.pigtail.colour : 'black';
    const jumper = { joint: first.joint.id, key: jointKey(first.joint.id), colour };
    if (first.kind === 'piece') {
      const xs = first.tails.map((wire) => across.start[wire] ?? 0);
      const key = scene.wires[wires[first.tails[0] ?? -1]?.index ?? -1]?.key ?? jumper.key;
      const [a, b] = [Math.min(...xs), Math.max(...xs)];
      return xs.length < 2 ? [] : [{ ...jumper, key, points: [a, b].map((x) => ({ x, y: row.bottom })) }];
    }
    const spans = mine.flatMap((index) => across.units[index] ?? []).sort((a, b) => a.x - b.x);
    const y = (row.top + row.bottom) / 2;
    return spans.slice(1).map((right, i) => {
      const left = spans[i] ?? right;
      return {
        ...jumper,
        points: [
          { x: left.x + left.width, y },
          { x: right.x, y },
        ],
      };
    });
  });

/** Shifts a picture so that nothing is left of its edge. */
const shifted = <T extends { x: number }>(one: T, by: number): T => ({ ...one, x: one.x + by });

export interface DrawOptions {
  compiled?: Compiled;
  /** The order of another drawing of the box: what was there stays where it was. */
  like?: Order | null;
}

/**
 * Draws one opened box as it is seen from the front, from the wiring and the articles alone: gangs side by side, the screws where the
 * device has them, splices behind them in rows by net, grounds below, cables at the edge by which they come in. It does not know what
 * kind of circuit it draws, and draws a spoiled one as well.
 */
export const drawBox = (job: Job, wiring: Wiring, box: BoxId, options: DrawOptions = {}): BoxDrawing => {
  const compiled = options.compiled ?? compile(wiring, job);
  const scene = readScene(job, wiring, compiled, box);
  const edges = scene.entries.map(({ cable }): Edge => edgeOf(job, cable));
  const prepared = prepare(scene, edges);
  const like = options.like ?? null;
  const arrangement = arrange(prepared, like);
  const cables = like
    ? asOrdered(scene, edges, like, cableOrder(prepared, arrangement))
    : cableOrder(prepared, arrangement);
  const across = placeAcross(prepared, arrangement, cables);
  const unitWords = createUnitWords(job, scene);
  const words: Words = {
    sheaths: scene.entries.map(({ cable, end }) => sheathWords(job, wiring, cable, end)),
    units: prepared.units.map(unitWords),
    titles: scene.fixtures.map(({ title }) => wrapWords(title, LETTERS.fixture)),
  };
  const down = placeDown(prepared, across, words);
  const wires = drawWires(prepared, across, down);
  const isRound = isRoundBox(job, wiring, box, scene);
  const wall = isRound ? ROUND : WALL;
  const by = wall + 4 - across.from;
  const bond = prepared.units.find((one) => one.kind === 'bond');
  const bondSpan = bond && across.units[bond.index];
  const movePoints = <T extends { points: { x: number; y: number }[] }>(one: T): T => ({
    ...one,
    points: one.points.map((point) => shifted(point, by)),
  });
  const drawn = wires.map((wire): DrawnWire => {
    const labels = wire.labels.map((point) => shifted(point, by));
    const along = { a: shifted(wire.along.a, by), b: shifted(wire.along.b, by) };
    return { ...movePoints(wire), labels, along, band: wire.band && shifted(wire.band, by) };
  });
  const width = across.to - across.from + 2 * wall + 8;
  const hasUpper = edges.includes('top');
  const hasLower = edges.includes('bottom');
  const enclosureTop = hasUpper ? down.sheathBottom - 12 : 4;
  const enclosureBottom = hasLower ? down.lowerSheaths + 12 : down.height;
  return {
    ...{ box, width, height: down.height + (hasLower ? 0 : 4) },
    enclosure: {
      ...{ x: 4, y: enclosureTop, width: width - 8, height: enclosureBottom - enclosureTop },
      form: isRound ? 'round' : 'device',
      ring: articlesAt(wiring, box).some((id) => articleOf(job.stock, 'box', id).part !== 'box'),
      metal: bondOf(job.stock, articlesAt(wiring, box)) === 'metal',
    },
    cables: drawnCables(prepared, across, down, words, job).map((one) => shifted(one, by)),
    fixtures: drawnFixtures(prepared, across, down, words).map((one) => ({
      ...shifted(one, by),
      pins: one.pins.map((pin) => shifted(pin, by)),
    })),
    connectors: drawnConnectors(prepared, across, down, words, wires).map((one) => ({
      ...shifted(one, by),
      ports: one.ports.map((port) => shifted(port, by)),
    })),
    jumpers: drawnJumpers(prepared, across, down).map(movePoints),
    bond: bondSpan
      ? {
          ...{
            x: bondSpan.x + by,
            y: down.low.top,
            width: bondSpan.width,
            height: down.low.bottom - down.low.top,
          },
          key: terminalKey({ box, name: 'ground' }),
        }
      : null,
    wires: drawn,
    crossings: crossingsOf(drawn),
    order: orderOf(prepared, arrangement, cables),
  };
};

/** Cables stand in the order of before; those that are new beside the one that they would stand next to. */
const asOrdered = (
  scene: Scene,
  edges: readonly Edge[],
  like: Order,
  best: Record<Edge, number[]>,
): Record<Edge, number[]> => {
  const indexOf = new Map(scene.entries.map(({ id }, i) => [id, i]));
  const of = (edge: Edge): number[] => {
    const order = like.cables[edge].flatMap((id) => {
      const index = indexOf.get(id);
      return index !== undefined && edges[index] === edge ? [index] : [];
    });
    best[edge].forEach((index, at) => {
      if (order.includes(index)) return;
      const beside = order.indexOf(best[edge][at - 1] ?? -1);
      order.splice(beside + 1, 0, index);
    });
    return order;
  };
  return { top: of('top'), bottom: of('bottom') };
};

/** A box for a luminaire is round; so is one of which nobody has said more than that a luminaire hangs on it. */
const isRoundBox = (job: Job, wiring: Wiring, box: BoxId, scene: Scene): boolean => {
  const shapes = articlesAt(wiring, box).flatMap((id) => articleOf(job.stock, 'box', id).shape ?? []);
  const shape = shapes.at(-1);
  if (shape !== undefined) return shape === 'round';
  return scene.fixtures.length > 0 && scene.fixtures.every(({ item }) => item.kind === 'luminaire');
};
