import { createMemo, type Memo } from '../../model/memo.js';
import type { PriceTables } from '../prices/priceTables.js';
import type { Spans } from './spans.js';

/** By which lines runs are bounded, and what was worked out under them. The lines never change: other lines are another bounding. */
export interface Bounding {
  readonly tables: PriceTables;
  /** How steep the line under the prices of each run is, by pair of boxes; empty for the plain ones. */
  readonly slopes: ReadonlyMap<string, number>;
  readonly spans: Memo<Spans>;
}

/** Bounds under given lines, or under the plain ones: at two nets, and on to wider ones. */
export const boundingOf = (
  tables: PriceTables,
  slopes: ReadonlyMap<string, number> = new Map(),
): Bounding => ({ tables, slopes, spans: createMemo() });
