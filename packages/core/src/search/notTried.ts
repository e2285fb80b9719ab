import { lyingCables } from '../model/lying.js';
import { PANEL, type BoxId } from '../model/ids.js';
import type { NotTried } from './found.js';
import type { OrderSpace } from './orders.js';
import type { PriceTables } from './prices/priceTables.js';

/** Boxes that could hold more runs than the search tries at one, each by the narrowest new cable but for those that lie there. */
const crowdedBoxes = (tables: PriceTables, { feeds, boxesFor, fit, chains }: OrderSpace): BoxId[] => {
  const { job, circuit, codes, cables } = tables;
  const narrowest = Math.min(...cables.map((one) => one.insulated.length));
  const boxes = new Set(
    feeds.flatMap((feed) => {
      const here = boxesFor(feed);
      const runs = here.length - 1 + (feed.at === PANEL ? 1 : 0);
      return runs > codes.mostRuns ? here : [];
    }),
  );
  if (boxes.size === 0) return [];
  const fittings = fit(chains.first);
  return [...boxes].filter((box) => {
    const lying = lyingCables(job).filter(
      (cable) => cable.circuit === circuit.id && cable.between.includes(box),
    ).length;
    const fresh = Math.max(0, codes.mostRuns + 1 - lying);
    const station = tables.station({
      box,
      fittings: fittings.filter(({ slot }) => slot.box === box),
      fed: false,
    });
    return (station?.fit(fresh * narrowest, fresh) ?? null) !== null;
  });
};

/** What the search leaves out of its proof, and what it does not try at all. */
export const notTriedBy = (tables: PriceTables, space: OrderSpace): NotTried[] => {
  const crowded = crowdedBoxes(tables, space);
  const { barredReturns: returns, barredApart } = space;
  return [
    ...(crowded.length > 0 ? [{ what: 'runs' as const, most: tables.codes.mostRuns, boxes: crowded }] : []),
    ...(barredApart.length > 0 ? [{ what: 'someApart' as const, most: 0, boxes: barredApart }] : []),
    ...(returns.length > 0 ? [{ what: 'returnRuns' as const, most: 0, boxes: returns }] : []),
  ];
};

/** The same of what is not proved: its gap is told of what is tried, whatever more runs at one box would be. */
export const ofWhatIsTried = (notTried: readonly NotTried[]): NotTried[] =>
  notTried.map((one) => (one.what === 'runs' ? { ...one, what: 'crowded', boxes: [] } : one));

/** Is something better possible that the bound knows nothing of? A return run that is not tried is told beside the proof. */
export const isCutShort = (notTried: readonly NotTried[]): boolean =>
  notTried.some((one) => one.what === 'runs');
