import type { CableArticle } from '../model/articles.js';
import type { LoadCode } from './load.js';

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
}

/** Cables that may go between two places, with what each costs; null where none may. */
export interface Way {
  /** By article of the circuit's cables; Infinity where it is too long for a coil. */
  costs: number[];
  /** The cable that lies there already: it and no other carries the run. */
  existing: CableArticle | null;
  forced: boolean;
}

/** Ways between the nodes of a set, and from the panel, by `a * n + b`. */
export interface RunTable {
  between: (Way | null)[];
  home: (Way | null)[];
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
