import { articleOf } from '../model/articles.js';
import type { BoxId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { articlesAt, terminalKey, type Wiring } from '../model/wiring.js';
import { compile, type Compiled } from '../circuit/compile.js';
import { bondOf } from '../circuit/grounding.js';
import { placeAcross } from './across.js';
import { arrange, orderOf } from './arrange.js';
import { crossingsOf } from './countCrossings.js';
import { cableOrder } from './crossings.js';
import { bearingOf, edgeOf } from './edges.js';
import type { BoxDrawing, Edge, Order } from './geometry.js';
import { drawnBefore } from './drawnBefore.js';
import { drawWires, placeDown, type Words } from './layOut.js';
import { drawnCables, drawnConnectors, drawnFixtures, drawnJumpers } from './parts.js';
import { prepare, type Prepared } from './prepared.js';
import { readScene, type Scene } from './scene.js';
import { wordsOf } from './writing.js';

/** From the edge of the picture to the wall of the box. */
const EDGE = 4;
/** Around what is in the box, so that its wall is seen. */
const WALL = 14;
/** A round box needs more. */
const ROUND = 46;

export interface DrawOptions {
  compiled?: Compiled;
  /** The order of another drawing of the box: what was there stays where it was. */
  like?: Order | null;
}

/**
 * Draws one opened box as it is seen from the front, from the wiring and the articles alone: gangs side by side, the screws where the
 * device has them, splices behind them in rows by net, grounds below, cables at the edge by which they come in. It does not know what
 * kind of circuit it draws, and draws a spoiled one as well. A box in which nothing that is drawn has changed is the same object as before.
 */
export const drawBox = (job: Job, wiring: Wiring, box: BoxId, options: DrawOptions = {}): BoxDrawing => {
  const compiled = options.compiled ?? compile(wiring, job);
  const scene = readScene(job, wiring, compiled, box);
  const edges = scene.entries.map(({ cable }): Edge => edgeOf(job, cable));
  const bearings = scene.entries.map(({ cable, side }) => bearingOf(job, cable, side, box));
  const prepared = prepare(scene, edges, bearings);
  const like = options.like ?? null;
  const isRound = isRoundBox(job, wiring, box, scene);
  const words = wordsOf(job, wiring, prepared);
  const drawnOf = [scene, edges, bearings, like, words, isRound, articlesAt(wiring, box)];
  return drawnBefore(job.stock, box, JSON.stringify(drawnOf), () =>
    drawPrepared({ job, wiring, box, prepared, edges, like, isRound, words }),
  );
};

interface ToDraw {
  job: Job;
  wiring: Wiring;
  box: BoxId;
  prepared: Prepared;
  edges: readonly Edge[];
  like: Order | null;
  isRound: boolean;
  words: Words;
}

const drawPrepared = ({ job, wiring, box, prepared, edges, like, isRound, words }: ToDraw): BoxDrawing => {
  const { scene } = prepared;
  const arrangement = arrange(prepared, like);
  const cables = like
    ? asOrdered(scene, edges, like, cableOrder(prepared, arrangement))
    : cableOrder(prepared, arrangement);
  const wall = isRound ? ROUND : WALL;
  const across = placeAcross(prepared, arrangement, cables, wall + EDGE);
  const down = placeDown(prepared, across, words);
  const wires = drawWires(prepared, across, down);
  const bond = prepared.units.find((one) => one.kind === 'bond');
  const bondSpan = bond && across.units[bond.index];
  const width = across.to + wall + EDGE;
  const hasUpper = edges.includes('top');
  const hasLower = edges.includes('bottom');
  const enclosureTop = hasUpper ? down.sheathBottom - 12 : EDGE;
  const enclosureBottom = hasLower ? down.lowerSheaths + 12 : down.height;
  return {
    ...{ box, width, height: down.height + (hasLower ? 0 : EDGE) },
    enclosure: {
      ...{ x: EDGE, y: enclosureTop, width: width - 2 * EDGE, height: enclosureBottom - enclosureTop },
      form: isRound ? 'round' : 'device',
      ring: articlesAt(wiring, box).some((id) => articleOf(job.stock, 'box', id).part !== 'box'),
      metal: bondOf(job.stock, articlesAt(wiring, box)) === 'metal',
    },
    cables: drawnCables(prepared, across, down, words, job),
    fixtures: drawnFixtures(prepared, across, down, words),
    connectors: drawnConnectors(prepared, across, down, words, wires),
    jumpers: drawnJumpers(prepared, across, down),
    bond: bondSpan
      ? {
          ...{ ...bondSpan, y: down.low.top, height: down.low.bottom - down.low.top },
          key: terminalKey({ box, name: 'ground' }),
        }
      : null,
    wires,
    crossings: crossingsOf(wires),
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
