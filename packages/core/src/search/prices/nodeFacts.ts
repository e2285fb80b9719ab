import type { Station } from './stations.js';

/** Grounds by cables that come: unbonded, and with the box itself to ground. */
export interface Grounds {
  plain: Float64Array;
  bonded: Float64Array;
}

/** Conductors of a net class, and what it costs by its ends at a node. */
export interface ClassFacts {
  lanes: number;
  costs: Float64Array;
  /** The fewest ends that it has there, and how many of them are the feed's. */
  fewest: number;
  fed: number;
  /** It comes with a home run. */
  home: boolean;
}

/** What of a node decides its price; nodes that agree in it share one. */
export interface NodeFacts {
  /** Null at a node of a box that has several: box and grounds are priced for all of them together. */
  station: Station | null;
  grounds: Grounds | null;
  /** What it costs before any run comes. */
  opening: number;
  classes: ClassFacts[];
  /** Runs come by new cables alone. */
  allNew: boolean;
  /** The fewest cables that come, one from the panel among them, and insulated conductors in them. */
  fewest: { cables: number; insulated: number };
  /** What a master thinks of so many new cables here, and of a box with little room. */
  judged: { cables: (cables: number) => number; tight: number };
  /**
   * It is open who gets a neutral: another conductor may come by the same cables, and the box for it may cost less, or have more room left. Then box and
   * grounds are priced no higher than that.
   */
  open: boolean;
  /** What each spare conductor costs here. A neutral that is not led anywhere yet may take its place. */
  spare: number;
}
