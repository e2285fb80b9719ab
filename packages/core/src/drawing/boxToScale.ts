import { articleOf, type BoxArticle } from '../model/articles.js';
import type { Job } from '../model/job.js';
import { articlesAt, type Wiring } from '../model/wiring.js';
import { partOfLine, type BoxRow, type FillPart } from '../materials/boxRows.js';

/** What lies behind what, as a box is filled: grounds are folded in first, devices go in last and lie at the opening. */
const FROM_THE_BACK: readonly FillPart[] = ['grounds', 'conductors', 'fittings', 'clamps', 'devices'];

/** What one part takes of a box, as a layer from `from` to `to`, inches; `splits` lie between its allowances. */
export interface ScaleLayer {
  part: FillPart;
  from: number;
  to: number;
  splits: number[];
}

/** A box or what is put on it, as it is measured inside, inches; `back` is how far its back lies from that of the box. */
export interface ScaleSection {
  name: string;
  width: number;
  height: number;
  depth: number;
  back: number;
}

/**
 * A box in front view and in section, to scale. In both a layer is as large a share of the box as what it stands for is of its volume: from the back of
 * the section, devices at its opening, from the bottom of the front. What does not fit sticks out. Inches.
 */
export interface BoxToScale {
  sections: ScaleSection[];
  round: boolean;
  gangs: number;
  /** From the back; beyond `depth` it is out of the box. */
  depth: number;
  layers: ScaleLayer[];
  /** From the bottom of the front; above its height it is out of the box. */
  levels: ScaleLayer[];
}

/** Where the volume of sections from the back, each of so much over so deep, comes to `volume`; what is over goes on as in the whole. */
const depthAt = (parts: readonly { volume: number; depth: number }[], volume: number): number => {
  let [depth, whole, left] = [0, 0, volume];
  for (const part of parts) {
    if (left < part.volume) return depth + (part.depth * left) / part.volume;
    left -= part.volume;
    whole += part.volume;
    depth += part.depth;
  }
  return depth + (left * depth) / whole;
};

/** How high a round front of a diameter is filled where `share` of it is, by halving; what is over one stands on it as wide as it is. */
const roundLevel = (diameter: number, share: number): number => {
  if (share >= 1) return diameter + (share - 1) * (Math.PI / 4) * diameter;
  let [low, high] = [0, 1];
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    const cosine = 1 - 2 * middle;
    const filled = (Math.acos(cosine) - cosine * Math.sqrt(1 - cosine ** 2)) / Math.PI;
    if (filled < share) low = middle;
    else high = middle;
  }
  return diameter * low;
};

/** Of an opening that nobody has told to be square or for devices, a box for luminaires or splices is round. */
const isRound = ({ shape, gangs }: BoxArticle): boolean => (shape === null ? gangs === 0 : shape === 'round');

/** Layers of what fills a box, each end of an allowance put where `at` has the volume that lies before it; `free` is left before the devices. */
const layersBy = (row: BoxRow, free: number, at: (volume: number) => number): ScaleLayer[] => {
  let before = 0;
  return FROM_THE_BACK.flatMap((part): ScaleLayer[] => {
    if (part === 'devices') before += free;
    const allowances = row.fill.lines
      .filter((line) => partOfLine(line) === part && line.total > 0)
      .flatMap(({ count, total }) => Array<number>(count).fill(total / count));
    const from = before;
    const splits = allowances.map((each) => (before += each));
    return allowances.length === 0
      ? []
      : [{ part, from: at(from), to: at(before), splits: splits.slice(0, -1).map(at) }];
  });
};

/** The box of a row to scale, with what fills it; null where not all of it is measured, or where nobody knows which box it is. */
export const boxToScale = (job: Job, wiring: Wiring, row: BoxRow): BoxToScale | null => {
  const articles = articlesAt(wiring, row.box).map((id) => articleOf(job.stock, 'box', id));
  const [base] = articles;
  const { available } = row.fill;
  if (!base?.inside || available === null || available === 0) return null;
  const sections: ScaleSection[] = [];
  let back = 0;
  for (const { inside, name } of articles) {
    if (inside === null) return null;
    sections.push({ name, ...inside, back });
    back += inside.depth;
  }
  const parts = articles.map(({ volume }, i) => ({ volume, depth: sections[i]?.depth ?? 0 }));
  const { height } = base.inside;
  const round = isRound(base);
  return {
    ...{ sections, round, gangs: row.gangs, depth: back },
    layers: layersBy(row, Math.max(0, available - row.fill.needed), (volume) => depthAt(parts, volume)),
    levels: layersBy(row, 0, (volume) =>
      round ? roundLevel(height, volume / available) : (height * volume) / available,
    ),
  };
};
