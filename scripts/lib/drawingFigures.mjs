import {
  choiceOf,
  compile,
  createSearch,
  drawBox,
  leastCost,
  NO_CONSTRAINTS,
  planJob,
  wiringOrEmpty,
} from '@amber/core';
import { randomJob } from './plannerFigures.mjs';
import { say } from './say.mjs';

const WIRINGS = 300;

/** A random job, wired by the first good way that is found. */
const wired = (seed) => {
  const groups = 1 + (seed % 4);
  const job = randomJob(seed, {
    places: 6 + groups + (seed % 7),
    groups,
    switches: groups > 2 ? 2 : undefined,
  });
  const options = { weights: leastCost(job), constraints: NO_CONSTRAINTS, volumeLimit: Infinity };
  const { best } = createSearch(job, job.circuits[0], options).least({ mostSteps: 20_000 });
  if (!best) return null;
  const made = planJob({ ...job, choices: [choiceOf(best)] }).job;
  const wiring = wiringOrEmpty(made);
  return { job: made, wiring, compiled: compile(wiring, made) };
};

const segmentsOf = ({ wires }) =>
  wires.flatMap(({ id, points }) =>
    points.slice(1).map((b, i) => ({
      id,
      x1: Math.min(points[i].x, b.x),
      y1: Math.min(points[i].y, b.y),
      x2: Math.max(points[i].x, b.x),
      y2: Math.max(points[i].y, b.y),
    })),
  );

/** Do two pieces of different wires lie on each other, nearer than a wire is wide? */
const lieTogether = (a, b) => {
  if (a.id === b.id) return false;
  const level = (s) => s.y1 === s.y2;
  if (level(a) !== level(b)) return false;
  return level(a)
    ? Math.abs(a.y1 - b.y1) < 6 && a.x1 < b.x2 - 1 && b.x1 < a.x2 - 1
    : Math.abs(a.x1 - b.x1) < 6 && a.y1 < b.y2 - 1 && b.y1 < a.y2 - 1;
};

/** Does a piece of wire run through the inside of something that stands in the box? */
const runsThrough = (s, { x, y, width, height }) =>
  s.x1 < x + width - 2 && s.x2 > x + 2 && s.y1 < y + height - 2 && s.y2 > y + 2;

/** Three hundred random wirings, drawn: wires that lie on each other or run through something, and crossings. */
export const drawingFigures = () => {
  let [boxes, conductors, crossings, clear, together, through] = [0, 0, 0, 0, 0, 0];
  let drawn = 0;
  for (let seed = 1; drawn < WIRINGS; seed++) {
    const made = wired(seed);
    if (!made) continue;
    drawn += 1;
    for (const { id } of made.job.boxes) {
      const drawing = drawBox(made.wiring, made.job, id, made.compiled);
      const pieces = segmentsOf(drawing);
      pieces.forEach((a, i) => pieces.slice(i + 1).forEach((b) => (together += lieTogether(a, b) ? 1 : 0)));
      for (const piece of pieces)
        for (const item of drawing.items) through += runsThrough(piece, item) ? 1 : 0;
      boxes += 1;
      conductors += drawing.wires.length;
      crossings += drawing.crossings;
      clear += drawing.crossings === 0 ? 1 : 0;
    }
  }
  say(
    `${`drawing: ${WIRINGS} random wirings, ${boxes} boxes`.padEnd(52)} ${together} wires on each other, ${through} through something (none allowed); ` +
      `${(crossings / conductors).toFixed(3)} crossings a conductor, least possible 0; ${((100 * clear) / boxes).toFixed(0)} % of boxes without any`,
  );
};
