import type { BoxId } from '../../model/ids.js';
import type { Judgement } from '../../model/judgement.js';
import { ofId } from '../../model/records.js';
import { assignColours } from '../../planning/colours.js';
import {
  CABLES_IN_SMALL,
  kindOfBox,
  ofColours,
  ofCrossing,
  priceOfJudged,
  withoutNeutralAt,
} from '../../planning/judged.js';
import type { Net } from '../../planning/nets.js';
import type { Settled } from '../problem.js';
import type { PriceTables } from './priceTables.js';

/** What a master thinks of what comes to a box, as money by the weight that judgement has. */
export interface Judging {
  /** Whatever comes, power entering there or not. */
  opening: (entered: boolean) => number;
  cables: (cables: number) => number;
  tight: number;
  /** The costs of a net by its ends there, with what is thought of them; for each of its lanes. */
  ofNet: (net: Net | undefined, lanes: number, costs: Float64Array) => Float64Array;
}

const NOTHING: Judging = {
  opening: () => 0,
  cables: () => 0,
  tight: 0,
  ofNet: (_net, _lanes, costs) => costs,
};

/** Does a four-way of these chains stand in the box? */
export const hasFourWay = (
  { arrangement, fittings }: Pick<Settled, 'arrangement' | 'fittings'>,
  box: BoxId,
): boolean =>
  fittings.some(({ slot }) => {
    const chain = ofId(arrangement.chains, slot.group) ?? [];
    const at = chain.indexOf(slot.id);
    return slot.box === box && at > 0 && at < chain.length - 1;
  });

export const judgingOf = ({ job, circuit, weights }: PriceTables, settled: Settled, box: BoxId): Judging => {
  if (weights.judgement === 0) return NOTHING;
  const priceOf = (what: keyof Judgement) => weights.judgement * job.judgement[what];
  const kind = kindOfBox(job, circuit, box);
  const shared = kind.shared ? priceOf('secondCircuit') : 0;
  const intoFourWay = hasFourWay(settled, box) ? priceOf('powerIntoFourWay') : 0;
  const from = (costs: Float64Array, ends: number, more: number): Float64Array =>
    costs.map((cost, at) => (at >= ends ? cost + more : cost));
  return {
    opening: (entered) => shared + (entered ? intoFourWay : 0),
    cables: (cables) =>
      kind.small ? Math.max(0, cables - CABLES_IN_SMALL) * priceOf('cableBeyondThree') : 0,
    tight: priceOf('littleRoom'),
    ofNet: (net, lanes, costs) => {
      if (net?.kind === 'traveler' && kind.passing)
        return from(costs, 2, priceOf('travelersThrough') / lanes);
      if (net?.kind === 'hot' && kind.luminaire) return from(costs, 2, priceOf('hotThroughLuminaire'));
      if (net?.kind === 'neutral' && kind.switches)
        return costs.map((cost, at) => (at === 0 ? cost + priceOf(withoutNeutralAt(job, box)) : cost));
      return costs;
    },
  };
};

/**
 * What a master thinks of a run by the net classes that it carries, and by the colours that a new cable gives them. Where it is open who gets
 * a neutral, it may be led on by this run: then no more than without it and with it.
 */
export const judgedRuns = (
  { job, cables, weights, known: { judged: judgedBefore } }: PriceTables,
  { classes, neutralOpen }: Settled,
): ((crossing: number, isNew: boolean) => number) => {
  if (weights.judgement === 0) return () => 0;
  // Shared by all orders with the same net classes.
  const [bought, lying] = [true, false].map((isNew) =>
    judgedBefore.get(
      [isNew, neutralOpen, classes.map(({ nets: [net] }) => net?.id ?? '')],
      () => new Map<number, number>(),
    ),
  );
  const neutral = classes.findIndex(({ nets: [net] }) => net?.kind === 'neutral');
  const of = (crossing: number, isNew: boolean): number => {
    const nets = classes.flatMap((one, i) => ((crossing >> i) & 1 ? one.nets : []));
    const colouring = isNew
      ? cables.flatMap((cable) => {
          const found = cable.insulated.length >= nets.length ? assignColours(nets, cable) : null;
          return found ? [found] : [];
        })[0]
      : undefined;
    return (
      weights.judgement * priceOfJudged(job.judgement, { ...ofCrossing(nets), ...ofColours(colouring ?? []) })
    );
  };
  return (crossing, isNew) => {
    const known = isNew ? bought : lying;
    const before = known?.get(crossing);
    if (before !== undefined) return before;
    const plain = of(crossing, isNew);
    const least = neutralOpen && neutral >= 0 ? Math.min(plain, of(crossing | (1 << neutral), isNew)) : plain;
    known?.set(crossing, least);
    return least;
  };
};
