import { lineUnder } from './lines.js';
import type { Offer } from '../prices/prices.js';
import type { OpenNet } from './openNets.js';

/** What may be paid for: runs (by net and pair of nodes), ends at nodes (by node and net), cables at nodes, the turn of a group at a node. */
const KINDS = ['run', 'end', 'cable', 'turn'] as const;
type Kind = (typeof KINDS)[number];

/** Of what pulled before so much is kept, and of its square. */
const KEPT = { pull: 0.9, square: 0.99 };
/** A pull is one at least where anything disagrees; by this much none is taken for as steady as it looks. */
const DOUBT = 0.1;

/** What the nets pay, and where it is to be moved. All of it is positive or nothing. */
export interface Payments {
  /** Nodes, and nets. */
  n: number;
  run: (net: number, a: number, b: number) => number;
  end: (node: number, net: number) => number;
  cable: (node: number) => number;
  turn: (group: number, node: number) => number;
  /** All that is paid for turns. */
  turns: () => number;
  /** The nets pay so large a part for a run. */
  lower: (a: number, b: number, part: number) => void;
  /** More (or less) is to be paid. */
  pull: {
    run: (net: number, a: number, b: number, much: number) => void;
    end: (node: number, net: number, much: number) => void;
    cable: (node: number, much: number) => void;
    turn: (group: number, node: number, much: number) => void;
  };
  /**
   * Moves every payment by where it was pulled: by `size` at most about, and the less the more it is pulled to and fro (Kingma and Ba, "Adam: a method for
   * stochastic optimization", 2015). At nodes of which `isFree` is true nothing is paid. False where nothing pulls: no other payments are better.
   */
  step: (size: number, isFree: (node: number) => boolean) => boolean;
}

/** Begins with the lines under the prices of all runs, and nothing for nodes. `offers` are the cables that may go between two nodes. */
export const createPayments = (
  nets: readonly OpenNet[],
  groups: number,
  offers: readonly (readonly (readonly Offer[])[])[],
): Payments => {
  const n = offers.length;
  const m = nets.length;
  const none = (): Record<Kind, Float64Array> => ({
    run: new Float64Array(m * n * n),
    end: new Float64Array(n * m),
    cable: new Float64Array(n),
    turn: new Float64Array(groups * n),
  });
  const paid = none();
  const pulled = none();
  const mean = none();
  const square = none();
  let rounds = 0;
  /** One place for a run, whichever way it is asked for. */
  const at = (net: number, a: number, b: number) => net * n * n + Math.min(a, b) * n + Math.max(a, b);
  for (let a = 0; a < n; a++)
    for (let b = a + 1; b < n; b++) {
      const each = lineUnder(offers[a]?.[b] ?? [])?.each ?? 0;
      nets.forEach(({ conductors }, net) => (paid.run[at(net, a, b)] = conductors * each));
    }
  const add = (kind: Kind, index: number, much: number) => {
    pulled[kind][index] = (pulled[kind][index] ?? 0) + much;
  };
  return {
    n,
    run: (net, a, b) => paid.run[at(net, a, b)] ?? 0,
    end: (node, net) => paid.end[node * m + net] ?? 0,
    cable: (node) => paid.cable[node] ?? 0,
    turn: (group, node) => paid.turn[group * n + node] ?? 0,
    turns: () => paid.turn.reduce((sum, one) => sum + one, 0),
    lower: (a, b, part) => {
      for (let net = 0; net < m; net++) {
        const index = at(net, a, b);
        paid.run[index] = (paid.run[index] ?? 0) * part;
      }
    },
    pull: {
      run: (net, a, b, much) => add('run', at(net, a, b), much),
      end: (node, net, much) => add('end', node * m + net, much),
      cable: (node, much) => add('cable', node, much),
      turn: (group, node, much) => add('turn', group * n + node, much),
    },
    step: (size, isFree) => {
      rounds += 1;
      // The first rounds are few to make a mean of.
      const ofPull = 1 - KEPT.pull ** rounds;
      const ofSquare = 1 - KEPT.square ** rounds;
      let disagrees = false;
      for (const kind of KINDS) {
        const [now, to, means, squares] = [paid[kind], pulled[kind], mean[kind], square[kind]];
        for (let i = 0; i < to.length; i++) {
          const one = to[i] as number;
          // What is not paid cannot be paid less.
          if (one > 0 || (one < 0 && (now[i] as number) > 0)) disagrees = true;
          const pull = KEPT.pull * (means[i] as number) + (1 - KEPT.pull) * one;
          const squared = KEPT.square * (squares[i] as number) + (1 - KEPT.square) * one * one;
          [means[i], squares[i], to[i]] = [pull, squared, 0];
          if (squared === 0) continue;
          const much = pull / ofPull / (Math.sqrt(squared / ofSquare) + DOUBT);
          now[i] = Math.max(0, (now[i] as number) + size * much);
        }
      }
      for (let node = 0; node < n; node++) {
        if (!isFree(node)) continue;
        paid.cable[node] = 0;
        paid.end.fill(0, node * m, node * m + m);
      }
      return disagrees;
    },
  };
};
