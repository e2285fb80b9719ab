import type { CableArticle } from '../model/articles.js';
import type { ExistingCable } from '../model/job.js';
import type { Cost } from './cost.js';

/** What is known of two places, whichever nets go between them. */
export interface PairOfPlaces {
  existing: ExistingCable | undefined;
  /** Inches to cut, and minutes for the run. */
  cut: number;
  minutes: number;
}

/** Lowest costs of joining sets of nodes, and of the length that nets occupy over them, by bit mask. */
export interface Spans {
  join: Float64Array;
  reach: Float64Array;
}

/** What all orders of one circuit have in common, remembered from one to the next. */
export interface Shared {
  pairs: Map<string, PairOfPlaces | null>;
  carried: Map<string, { article: CableArticle; spares: number } | null>;
  madeUp: Map<string, Cost | null>;
  spans: Map<string, Spans>;
}

export const newShared = (): Shared => ({
  pairs: new Map(),
  carried: new Map(),
  madeUp: new Map(),
  spans: new Map(),
});
