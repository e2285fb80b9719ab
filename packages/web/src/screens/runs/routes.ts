import { findBox, PANEL, type Job, type LaidRun, type Spot } from '@amber/core';
import { toPixel, type View } from '../../plan/view.js';

/** A run as it is drawn over the plan, pixels. */
export interface DrawnRun {
  run: LaidRun;
  path: string;
  /** Where its label stands; null where there is no room for one. */
  label: Spot | null;
  text: string;
}

const spotOf = (job: Job, place: string): Spot | null =>
  place === PANEL ? (job.routing.panel?.at ?? null) : (findBox(job, place)?.at ?? null);

/** Lines beside each other where runs go the same way, pixels. */
const LANE = 9;

const textOf = ({ cable, feet, existing }: LaidRun): string =>
  `${cable}${feet === null ? '' : ` · ${Math.round(feet * 10) / 10}'`}${existing ? ' existing' : ''}`;

const overlaps = (a: Spot, half: number, b: { at: Spot; half: number }): boolean =>
  Math.abs(a.x - b.at.x) < half + b.half + 3 && Math.abs(a.y - b.at.y) < 21;

/** The runs of a plan over its boxes: along the walls' directions, each with its label where nothing else is. */
export const drawRuns = (job: Job, view: View, runs: readonly LaidRun[]): DrawnRun[] => {
  const taken = job.boxes.flatMap((box) => (box.at ? [{ at: toPixel(view, box.at), half: 15 }] : []));
  const corners = new Map<string, number>();
  return runs.flatMap((run): DrawnRun[] => {
    const [from, to] = [spotOf(job, run.from), spotOf(job, run.to)];
    // The cable that feeds a box is there already, and where it comes from is another matter.
    if (!from || !to || (run.existing && run.from === PANEL)) return [];
    const [a, b] = [toPixel(view, from), toPixel(view, to)];
    const wide = Math.abs(b.x - a.x) >= Math.abs(b.y - a.y);
    // Runs that turn on one line are drawn beside each other.
    const key = wide ? `y${Math.round(a.y / 12)}` : `x${Math.round(a.x / 12)}`;
    const lane = corners.get(key) ?? 0;
    corners.set(key, lane + 1);
    const shift = (lane % 2 === 0 ? lane / 2 : -(lane + 1) / 2) * LANE;
    const straight = Math.min(Math.abs(b.x - a.x), Math.abs(b.y - a.y)) < 10;
    const corner = wide ? { x: b.x, y: a.y + shift } : { x: a.x + shift, y: b.y };
    const start = wide ? { x: a.x, y: a.y + shift } : { x: a.x + shift, y: a.y };
    // A few pixels aside are hidden by the mark, and a slanted line would look like a mistake.
    const beside = wide ? { x: a.x, y: b.y } : { x: b.x, y: a.y };
    const points = straight ? [beside, b] : [a, start, corner, b];
    const text = textOf(run);
    const half = text.length * 3.5 + 7;
    const label = [0.5, 0.35, 0.65, 0.22, 0.78]
      .flatMap((share) =>
        [1, 0, 2].flatMap((leg) => {
          const [p, q] = straight ? points : [points[leg], points[leg + 1]];
          if (!p || !q || Math.hypot(p.x - q.x, p.y - q.y) < 40) return [];
          return [{ x: p.x + (q.x - p.x) * share, y: p.y + (q.y - p.y) * share }];
        }),
      )
      .find((spot) => !taken.some((one) => overlaps(spot, half, one)));
    if (label) taken.push({ at: label, half });
    return [
      {
        run,
        text,
        label: label ?? null,
        path: points.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${x} ${y}`).join(''),
      },
    ];
  });
};

/** Old cables that come out, by the shortest way along the walls' directions. */
export const drawGone = (
  job: Job,
  view: View,
  out: readonly { from: string; to: string }[],
): { key: string; path: string }[] =>
  out.flatMap(({ from, to }) => {
    const [a, b] = [spotOf(job, from), spotOf(job, to)].map((spot) => spot && toPixel(view, spot));
    return a && b ? [{ key: `${from} ${to}`, path: `M${a.x} ${a.y}L${a.x} ${b.y}L${b.x} ${b.y}` }] : [];
  });
