import { feetInches, findBox, PANEL, type Job, type Box, type LaidRun, type Spot } from '@amber/core';
import { halfWidth, markOf } from '../../plan/marks.js';
import { LETTERS, nameExtent } from '../../plan/names.js';
import { toPixel, type View } from '../../plan/view.js';
import { layRuns, passes, piecesOf, type Piece, type Way } from './lanes.js';

/** A run as it is drawn over the plan, pixels. */
export interface DrawnRun {
  run: LaidRun;
  /** What tells it from the other runs of the plan. */
  key: string;
  path: string;
  /** Where its label stands, and the spot of its line that it belongs to where it stands beside it. */
  label: (Spot & { from: Spot | null }) | null;
  text: string;
}

const spotOf = (job: Job, place: string): Spot | null =>
  place === PANEL ? (job.routing.panel?.at ?? null) : (findBox(job, place)?.at ?? null);

/** How much of it is cut, in feet and inches. */
export const cutOf = ({ feet, guessed }: LaidRun): string =>
  feet === null ? '' : `${guessed ? 'guess ' : ''}${feetInches(feet * 12)}`;

const numberOf = ({ number }: LaidRun): string => (number === null ? '' : `${number}: `);

/** What is written on a run, and less of it where there is no room for all. */
const textsOf = (run: LaidRun): string[] =>
  [
    [numberOf(run) + run.cable, cutOf(run), run.existing ? 'existing' : '', run.told],
    [numberOf(run) + run.cable, run.told],
  ].map((words) => words.filter((one) => one !== '').join(' · '));

/** What tells a run from the others: its places, and where two lead between the same what tells these apart. */
export const keyOfRun = ({ from, to, told }: LaidRun): string => [...[from, to].sort(), told].join(' ');

interface Taken {
  at: Spot;
  half: number;
  /** Half of its height, where it is no label itself. */
  high?: number;
}

const overlaps = (a: Spot, half: number, b: Taken): boolean =>
  Math.abs(a.x - b.at.x) < half + b.half + 1 && Math.abs(a.y - b.at.y) < 10 + (b.high ?? 11);

/** Half the height of a label, pixels. */
const HALF = 11;
/** A label beside its line stands so far from it, pixels. */
const BESIDE = 20;

/** Does a piece run behind a label? */
const isBehind = (piece: Piece, spot: Spot, half: number): boolean =>
  [-half, -half / 2, 0, half / 2, half].some(
    (aside) => passes(piece, { x: spot.x + aside, y: spot.y }) < HALF,
  );

/** Where a label may stand: on its line, or beside it with a line that leads there. */
const spotsFor = (way: Way): { at: Spot; from: Spot | null }[] =>
  [...piecesOf(way)]
    .sort((a, b) => Math.abs(b.from - b.to) - Math.abs(a.from - a.to))
    .filter(({ from, to }) => Math.abs(from - to) >= 40)
    .flatMap(({ level, line, from, to }) =>
      [0.5, 0.35, 0.65, 0.22, 0.78].flatMap((share) => {
        const along = from + (to - from) * share;
        const on = level ? { x: along, y: line } : { x: line, y: along };
        const aside = (by: number) => ({
          at: level ? { x: on.x, y: on.y + by } : { x: on.x + by * 2.6, y: on.y },
          from: on,
        });
        return [{ at: on, from: null }, aside(-BESIDE), aside(BESIDE)];
      }),
    );

/** The runs of a plan over its boxes: along the walls' directions, side by side, each with its label where it covers nothing else. */
export const drawRuns = (
  job: Job,
  view: View,
  runs: readonly LaidRun[],
  named: readonly Box[],
): DrawnRun[] => {
  const boxes = job.boxes.flatMap((box) =>
    box.at ? [{ at: toPixel(view, box.at), half: halfWidth(markOf(job, box)) }] : [],
  );
  // A wide mark is kept clear of along all of it.
  const marks = boxes.map(({ at, half }) =>
    half > 16 ? [at, { ...at, x: at.x - half + 12 }, { ...at, x: at.x + half - 12 }] : [at],
  );
  const names = named.flatMap((box) => nameExtent(job, box, view, LETTERS.usual) ?? []);
  const shown = runs.flatMap((run) => {
    const [from, to] = [spotOf(job, run.from), spotOf(job, run.to)];
    // The cable that feeds a box is there already, and where it comes from is another matter.
    return !from || !to || (run.existing && run.from === PANEL)
      ? []
      : [{ run, ends: [toPixel(view, from), toPixel(view, to)] as const }];
  });
  const ways = layRuns(
    shown.map(({ ends }) => ends),
    { marks, names },
  );
  const pieces = ways.map(piecesOf);
  const taken: Taken[] = [
    ...boxes.map(({ at, half }) => ({ at, half, high: 14 })),
    ...names.map(({ left, right, top, bottom }) => ({
      at: { x: (left + right) / 2, y: (top + bottom) / 2 + 3 },
      half: (right - left) / 2,
      high: (bottom - top) / 2 - 2,
    })),
  ];
  return shown.map(({ run }, i): DrawnRun => {
    const way = ways[i] ?? [];
    const others = pieces.flatMap((one, other) => (other === i ? [] : one));
    const spots = textsOf(run).flatMap((text, less) => {
      const half = text.length * 3.5 + 7;
      return spotsFor(way)
        .filter(({ at }) => !taken.some((one) => overlaps(at, half, one)))
        .map((one) => ({
          ...{ ...one, text, half },
          // Less of it is said before it covers another run.
          cost: less + 2 * others.filter((piece) => isBehind(piece, one.at, half)).length,
        }));
    });
    const [label] = spots.sort((a, b) => a.cost - b.cost);
    if (label) taken.push({ at: label.at, half: label.half });
    return {
      run,
      key: keyOfRun(run),
      text: label?.text ?? '',
      label: label ? { ...label.at, from: label.from } : null,
      path: way.map(({ x, y }, at) => `${at === 0 ? 'M' : 'L'}${x} ${y}`).join(''),
    };
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
