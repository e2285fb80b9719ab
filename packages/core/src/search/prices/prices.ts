import type { CableArticle } from '../../model/articles.js';
import type { LoadCode } from './loadCodes.js';
import type { NodeFacts } from './nodeFacts.js';

/** One node of a settled arrangement: what it costs under a load. */
export interface NodePrice {
  /** Infinity where no box or connector takes the load. */
  cost: (load: LoadCode) => number;
  /** No less than it costs under this load and any larger one. */
  atLeast: (load: LoadCode) => number;
  /** The same with the ends of each net class counted one by one, from an offset on; for any number of classes. */
  costOf: (trunk: LoadCode, ends: Uint8Array, offset: number) => number;
  /** No less than it costs under any load that a tree can bring it; and where a home run comes to it too. */
  least: number;
  leastEntered: number;
  /** No less than a net costs that only passes through, for each of its conductors. */
  passing: number;
  /** What the price is made of; null for what costs nothing. */
  facts: NodeFacts | null;
}

/** A cable that may go somewhere: the most nets that it carries, and its cost. */
export interface Offer {
  most: number;
  cost: number;
}

/** Cables that may go between two places, with what each costs. */
export interface PricedWay {
  /** Those that lie there already, in the order in which they are tried; where none of them carries a run, a new one does. */
  existing: readonly CableArticle[];
  existingCosts: readonly number[];
  /** By article of the circuit's cables; Infinity where it is too long for a coil. */
  costs: readonly number[];
  offers: readonly Offer[];
}

/** The way between two places, priced where the neutrals are settled and where that is open. */
export interface Way {
  settled: PricedWay;
  open: PricedWay;
  forced: boolean;
}

/** Priced ways between nodes, and from the panel, by `a * n + b`. */
export interface RunTable {
  between: readonly (PricedWay | null)[];
  home: readonly (PricedWay | null)[];
  /** The costs of runs by new cables, by `(a * n + b) * cables + at`. */
  costs: Float64Array;
  /** Boxes to which a home run is forced, as bits. */
  forcedHomes: number;
  /** Pairs of nodes that a forced run joins. */
  forced: number;
}

/** The cable of those offered that carries some nets, and what it brings to its nodes. */
export interface Carried {
  at: number;
  load: LoadCode;
  trunk: LoadCode;
}

/** A run as the search sees it: what it costs, and what it brings to both its nodes. */
export interface WeighedRun {
  cost: number;
  load: LoadCode;
  /** The part of the load that is not ends of nets. */
  trunk: LoadCode;
}
