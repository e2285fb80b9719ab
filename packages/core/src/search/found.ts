import type { BoxId } from '../model/ids.js';
import type { Tree } from './tree.js';
import type { Settled } from './problem.js';

/** A tree with the arrangement that it is of. */
export interface Found {
  settled: Settled;
  tree: Tree;
  /** By the weight searched for, with what no tree changes. */
  weight: number;
  /** Room that its boxes are to keep free where the search was told, ten-thousandths of a cubic inch. */
  room?: number;
}

/** What a search does not try, so that something better may be there: told beside what it finds. */
export interface NotTried {
  /**
   * More runs than so many at these boxes, which could hold them, so that something better may be there (or in any box: what is shown is shown of the others);
   * return runs at these, as too many cables lie there; some ways for groups to stay apart in these; a neutral at some of these and not at others.
   */
  what: 'runs' | 'crowded' | 'returnRuns' | 'someApart' | 'someNeutrals';
  most: number;
  boxes: BoxId[];
}

export interface SearchResult {
  best: Found | null;
  /** No arrangement weighs less than this, so far as was shown. */
  bound: number;
  /** The bound is the weight of the best, among all that is tried. */
  proved: boolean;
  notTried: readonly NotTried[];
  steps: number;
}

export interface SearchLimits {
  /** The box that power has to enter; null or left out for any. */
  entry?: BoxId | null;
  /** Steps of the exact search over all orders; deterministic, unlike a time. */
  mostSteps: number;
  /** What is no lighter than this is of no interest; nothing is found then, and the bound says that nothing is below. */
  under?: number;
  /** Good ways by another weighing, to start from; what is proved does not hang on them. */
  seeds?: readonly Found[];
  /** Where nothing is proved, is the bound to be worked out at length? */
  thorough?: boolean;
  /** Called with each better arrangement. */
  onBetter?: ((found: Found) => void) | undefined;
  mayGoOn?: () => boolean;
}

/** A circuit made ready to be searched, any number of times. */
export interface Search {
  /**
   * The least arrangement: every order of its switches, every feed and return run, every tree. Orders whose bound
   * reaches the best known are passed over; the others are searched to their end as long as steps are left.
   */
  least: (limits: SearchLimits) => SearchResult;
  /** Boxes that power may enter. */
  entries: BoxId[];
}
