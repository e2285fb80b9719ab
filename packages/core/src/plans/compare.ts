import { cubicInches, dollars } from '../model/units.js';
import type { Candidate } from './candidates.js';
import type { Measures } from './measures.js';

/** One figure in which two ways differ: that of the one, that of the other. */
export interface Difference {
  what:
    | 'material'
    | 'minutes'
    | 'feet'
    | 'runs'
    | 'boxes'
    | 'largest'
    | 'room'
    | 'neutrals'
    | 'reidentified'
    | 'splices';
  ours: number;
  theirs: number;
}

/** Why one way is better than another, by figures of both. */
export interface Advantage {
  better: string;
  other: string;
  /** Cost of the other less that of the better, ten-thousandths of a dollar. */
  saves: number;
  differences: Difference[];
  sentence: string;
}

const FIGURES: Record<Difference['what'], (measures: Measures) => number> = {
  material: (one) => one.material,
  minutes: (one) => one.minutes,
  feet: (one) => one.feet,
  runs: (one) => one.runs,
  boxes: (one) => one.boxes,
  largest: (one) => one.largest?.needed ?? 0,
  room: (one) => one.tightest?.left ?? 0,
  neutrals: (one) => one.neutrals.present,
  reidentified: (one) => one.reidentified,
  splices: (one) => one.splices,
};

const rounded = (value: number) => Math.round(value * 10) / 10;
const count = (value: number, one: string, many = `${one}s`) =>
  `${rounded(value)} ${rounded(value) === 1 ? one : many}`;

/** A figure that is less, or more, in words; null for what is told otherwise. */
const sayDifference = ({ what, ours, theirs }: Difference): string | null => {
  const by = Math.abs(theirs - ours);
  const less = ours < theirs ? 'less' : 'more';
  const fewer = ours < theirs ? 'fewer' : 'more';
  switch (what) {
    case 'material':
      return `${dollars(by)} ${less} material`;
    case 'minutes':
      return `${Math.round(by)} min ${less} work`;
    case 'feet':
      return `${rounded(by)} ft ${less} new cable`;
    case 'runs':
      return `${count(by, 'run')} ${fewer}`;
    case 'boxes':
      return `${count(by, 'box', 'boxes')} ${fewer}`;
    case 'largest':
      return `a most crowded box that needs ${cubicInches(ours)} instead of ${cubicInches(theirs)}`;
    case 'room':
      return `${cubicInches(Math.max(0, ours))} free in its tightest box instead of ${cubicInches(Math.max(0, theirs))}`;
    case 'neutrals':
      return `a neutral at ${count(ours, 'switch', 'switches')} instead of ${theirs}`;
    case 'reidentified':
      return `${count(by, 're-identified white')} ${fewer}`;
    case 'splices':
      return `${count(by, 'splice')} ${fewer}`;
  }
};

/** More of it is an advantage. */
const WANTED: Difference['what'][] = ['neutrals', 'room'];
const isBetter = ({ what, ours, theirs }: Difference) =>
  WANTED.includes(what) ? ours > theirs : ours < theirs;

const join = (parts: readonly string[]) =>
  parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`;

/** Two ways side by side: what the first saves, by which figures, and what it gives for it. */
export const compare = (better: Candidate, other: Candidate): Advantage => {
  const differences = (Object.keys(FIGURES) as Difference['what'][])
    .map((what): Difference => ({
      what,
      ours: FIGURES[what](better.measures),
      theirs: FIGURES[what](other.measures),
    }))
    .filter(({ ours, theirs }) => Math.abs(ours - theirs) > 1e-6);
  const saves = other.measures.cost - better.measures.cost;
  const told = differences.filter(
    ({ what, ours, theirs }) => what !== 'minutes' || Math.abs(ours - theirs) >= 0.5,
  );
  const gains = told
    .filter(isBetter)
    .slice(0, 4)
    .flatMap((one) => sayDifference(one) ?? []);
  const gives = told
    .filter((one) => !isBetter(one))
    .slice(0, 3)
    .flatMap((one) => sayDifference(one) ?? []);
  const cost =
    Math.abs(saves) < 50
      ? `${better.letter} and ${other.letter} cost the same`
      : `${better.letter} costs ${dollars(Math.abs(saves))} ${saves > 0 ? 'less' : 'more'} than ${other.letter}`;
  const sentence =
    cost +
    (gains.length > 0 ? `: ${join(gains)}` : '') +
    (gives.length > 0 ? `${gains.length > 0 ? '; in return' : ', with'} ${join(gives)}` : '') +
    '.';
  return { better: better.letter, other: other.letter, saves, differences, sentence };
};
