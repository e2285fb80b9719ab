import { articleOf } from '../../model/articles.js';
import type { BoxId, CableId } from '../../model/ids.js';
import type { Job } from '../../model/job.js';
import type { Awg } from '../../model/units.js';
import { createMemo } from '../../model/memo.js';
import { chooseConnectors } from '../../materials/connectors.js';
import { spliceMinutes } from '../../materials/labourOf.js';
import { groundSizeIn, type BoxNode } from '../../planning/boxNodes.js';
import { leavesPigtail, makeUpNode } from '../../planning/makeUpNode.js';
import type { Net } from '../../planning/nets.js';
import type { Weights } from './weights.js';

/** Terminals and leads of one net in one box, and the conductors that are there whatever is chosen. */
export type Hooked = Pick<BoxNode, 'terminals' | 'leads'>;

/** What joining conductors costs, by the number of conductor ends that come: Infinity where no connector takes them. */
export interface Splices {
  net: (hooked: Hooked) => Float64Array;
  /** Grounds of a box, of which those of sizes `there` lie in it already; by the number of those that come. */
  grounds: (box: BoxId, hooked: Hooked, there: readonly Awg[]) => Float64Array;
  /** A net that only passes through. */
  passing: Float64Array;
  /** A cap for one conductor that nothing uses. */
  cap: number;
}

/** Any net: what a splice costs does not hang on its kind. */
const ANY_NET: Net = { id: 'any', kind: 'hot', circuit: null, group: null, lane: null };
export const NOTHING_HOOKED: Hooked = { terminals: [], leads: [] };

const anyEnd = (i: number) => ({
  cable: `end-${i}` as CableId,
  side: 'from' as const,
  colour: 'black' as const,
});

export const splicesOf = (
  job: Job,
  awg: Awg,
  weights: Weights,
  /** Most ends of one net at one node. */
  mostEnds: number,
): Splices => {
  const priceOf = (connectors: readonly { article: string }[]) =>
    weights.material *
    connectors.reduce((sum, one) => sum + articleOf(job.stock, 'connector', one.article).price, 0);
  const costOf = (box: BoxId, net: Net | 'ground', hooked: Hooked, sizes: readonly Awg[]): number => {
    const all = sizes.map((size, i) => ({ end: anyEnd(i), awg: size }));
    const least = net === 'ground' ? groundSizeIn(job, box) : awg;
    const { joints, unjoined } = makeUpNode(job, box, { key: 'x', net, awg: least, ...hooked, ends: all });
    if (unjoined.length > 0) return Infinity;
    const minutes = joints
      .filter((joint) => joint.members.length > 1)
      .reduce((sum, joint) => sum + spliceMinutes(job, joint), 0);
    return priceOf(joints.flatMap((joint) => joint.connectors)) + weights.minute * minutes;
  };
  const known = createMemo<Float64Array>();
  const table = (box: BoxId, net: Net | 'ground', hooked: Hooked, there: readonly Awg[]): Float64Array => {
    const ground = net === 'ground' ? [groundSizeIn(job, box), leavesPigtail(job, box)] : [null, null];
    const leads = hooked.leads.map((lead) => lead.awg);
    const twins = hooked.terminals.filter((one) => one.twin !== null).length;
    const bonds = hooked.terminals.some(({ to }) => 'box' in to);
    return known.get([...ground, there, hooked.terminals.length, twins, bonds, leads], () =>
      Float64Array.from({ length: mostEnds + 1 }, (_, ends) =>
        costOf(box, net, hooked, [...there, ...Array<Awg>(ends).fill(awg)]),
      ),
    );
  };
  const net: Splices['net'] = (hooked) => table('' as BoxId, ANY_NET, hooked, []);
  const cap = chooseConnectors(job.stock, job.preferences, [awg], false);
  // What passes through comes and goes.
  const passing = Float64Array.from(net(NOTHING_HOOKED), (cost, ends) =>
    ends === 0 ? 0 : ends === 1 ? Infinity : cost,
  );
  return {
    net,
    grounds: (box, hooked, there) => table(box, 'ground', hooked, there),
    passing,
    cap: cap ? priceOf(cap) : Infinity,
  };
};
