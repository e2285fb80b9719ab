/**
 * How the opened boxes are drawn: over three hundred random wirings, four-gang boxes with two circuits and old colours among them, what lies
 * on each other, what crosses, and what a drawing takes. Run by `npm run bench`.
 */
import fc from 'fast-check';
import {
  compile,
  drawBox,
  planJob,
  wiringOrEmpty,
  type BoxDrawing,
  type Job,
} from '../../packages/core/src/index.js';
import { edgeOf } from '../../packages/core/src/drawing/edges.js';
import { prepare } from '../../packages/core/src/drawing/prepared.js';
import { readScene } from '../../packages/core/src/drawing/scene.js';
import { anyJob } from '../../packages/core/test/support/arbitrary.js';
import { crossingBound } from '../../packages/core/test/support/crossingBound.js';
import { fourGangJob } from '../../packages/core/test/support/fourGang.js';
import { anyFullJob } from '../../packages/core/test/support/fullJobs.js';

/** Of the drawing that this one took the place of: crossings a conductor, over random wirings. */
const BEFORE = 0.24;

const jobs: Job[] = [
  ...fc.sample(anyJob, { seed: 900, numRuns: 140 }),
  ...fc.sample(anyFullJob, { seed: 901, numRuns: 150 }),
].map((asked) => planJob(asked).job);
const fours = (['lever', 'pushIn', 'twistOn'] as const).flatMap((connectors) =>
  [false, true].flatMap((sparePort) =>
    (['same', 'crimp'] as const).map((groundConnectors) =>
      fourGangJob({ connectors, sparePort, groundConnectors }),
    ),
  ),
);

interface Piece {
  wire: string;
  x1: number;
  y1: number;
  x2: number;
  y2: number;
}

const piecesOf = ({ wires }: BoxDrawing): Piece[] =>
  wires.flatMap(({ id, points }) =>
    points.slice(1).map((b, i) => {
      const a = points[i] ?? b;
      return {
        wire: id,
        x1: Math.min(a.x, b.x),
        y1: Math.min(a.y, b.y),
        x2: Math.max(a.x, b.x),
        y2: Math.max(a.y, b.y),
      };
    }),
  );

/** Do two pieces of different wires lie on each other, nearer than a wire is wide? */
const lieTogether = (a: Piece, b: Piece): boolean => {
  if (a.wire === b.wire) return false;
  const [level, other] = [a.y1 === a.y2, b.y1 === b.y2];
  if (level && other) return Math.abs(a.y1 - b.y1) < 6 && a.x1 < b.x2 - 1 && b.x1 < a.x2 - 1;
  if (a.x1 === a.x2 && b.x1 === b.x2) return Math.abs(a.x1 - b.x1) < 6 && a.y1 < b.y2 - 1 && b.y1 < a.y2 - 1;
  return false;
};

interface Solid {
  x: number;
  y: number;
  width: number;
  height: number;
}
const runsThrough = (s: Piece, { x, y, width, height }: Solid): boolean =>
  (s.x1 === s.x2 || s.y1 === s.y2) &&
  s.x1 < x + width - 1 &&
  s.x2 > x + 1 &&
  s.y1 < y + height - 1 &&
  s.y2 > y + 1;

let [boxes, wires, crossings, judged, bounds, together, through] = [0, 0, 0, 0, 0, 0, 0];
const ofFour: number[] = [];
for (const job of [...jobs, ...fours]) {
  const wiring = wiringOrEmpty(job);
  const compiled = compile(wiring, job);
  for (const { id } of job.boxes) {
    const began = performance.now();
    const drawing = drawBox(job, wiring, id, { compiled });
    if (drawing.fixtures.length >= 4) ofFour.push(performance.now() - began);
    const pieces = piecesOf(drawing);
    pieces.forEach((a, i) => pieces.slice(i + 1).forEach((b) => (together += lieTogether(a, b) ? 1 : 0)));
    for (const piece of pieces)
      for (const solid of [...drawing.fixtures, ...drawing.connectors, ...drawing.cables])
        through += runsThrough(piece, solid) ? 1 : 0;
    boxes += 1;
    wires += drawing.wires.length;
    crossings += drawing.crossings;
    const scene = readScene(job, wiring, compiled, id);
    const bound = crossingBound(
      prepare(
        scene,
        scene.entries.map(({ cable }) => edgeOf(job, cable)),
      ),
    );
    if (bound === null) continue;
    judged += drawing.crossings;
    bounds += bound;
  }
}
const median = (times: readonly number[]) =>
  [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? 0;
const name = `drawing: ${jobs.length + fours.length} random wirings, ${boxes} boxes`.padEnd(52);
console.log(
  `${name} ${together} wires on each other, ${through} through something (none allowed); ${(crossings / wires).toFixed(3)} crossings a wire ` +
    `(${BEFORE} in the scheme of before, whose screws stood where the wires wanted them); bound ${(bounds / judged).toFixed(3)} of ours, so ours is ${(judged / bounds).toFixed(2)} times it (aim 1.3)`,
);
console.log(
  `${'drawing: a box of four devices or more'.padEnd(52)} median ${median(ofFour).toFixed(1).padStart(7)} ms   worst ${Math.max(
    ...ofFour,
  )
    .toFixed(1)
    .padStart(7)} ms   aim 15 ms (${ofFour.length} boxes)`,
);
