import { placeOfNode } from '../model/ids.js';
import type { Choice } from '../model/job.js';
import type { Candidate } from './candidates.js';

/** So many ways are offered in place of one that can no longer be wired. */
const MOST = 3;

const pairsOf = ({ runs }: Choice): string[] =>
  runs.map(({ from, to }) => [placeOfNode(from), placeOfNode(to)].sort().join(' '));

/** Runs that one of two ways has and the other has not. */
const difference = (a: Choice, b: Choice): number => {
  const left = pairsOf(b);
  const more = pairsOf(a).filter((pair) => {
    const at = left.indexOf(pair);
    if (at >= 0) left.splice(at, 1);
    return at < 0;
  });
  return more.length + left.length + (a.feed === b.feed ? 0 : 1);
};

/** Of the plans that were found those with the most runs of a way that was chosen and can no longer be wired; of equals as they stand in the list. */
export const nearestWays = (candidates: readonly Candidate[], chosen: Choice): Candidate[] =>
  [...candidates.keys()]
    .map((at) => ({ at, far: difference(candidates[at]?.choice ?? chosen, chosen) }))
    .sort((a, b) => a.far - b.far || a.at - b.at)
    .slice(0, MOST)
    .flatMap(({ at }) => candidates[at] ?? []);
