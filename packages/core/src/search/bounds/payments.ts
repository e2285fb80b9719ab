import { lineUnder } from './lines.js';
import type { Offer } from '../prices/prices.js';
import type { OpenNet } from './openNets.js';

/** What may be paid for: runs (by net and pair of nodes), ends at nodes (by node and net), cables at nodes, the turn of a group at a node. */
const KINDS = ['run', 'end', 'cable', 'turn'] as const;
type Kind = (typeof KINDS)[number];

/** Of the last direction so much is kept. */
const KEPT = 0.9;

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
  /** A new direction, which keeps some of the last. */
  fade: () => void;
  /** More (or less) is to be paid. */
  pull: {
    run: (net: number, a: number, b: number, much: number) => void;
    end: (node: number, net: number, much: number) => void;
    cable: (node: number, much: number) => void;
    turn: (group: number, node: number, much: number) => void;
  };
  /** The square of the direction's length; what is not paid cannot be paid less. */
  square: () => number;
  /** Goes so far in that direction; at nodes of which `isFree` is true nothing is paid. */
  step: (size: number, isFree: (node: number) => boolean) => void;
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
  const moved = none();
  /** One place for a run, whichever way it is asked for. */
  const at = (net: number, a: number, b: number) => net * n * n + Math.min(a, b) * n + Math.max(a, b);
  for (let a = 0; a < n; a++)
    for (let b = a + 1; b < n; b++) {
      const each = lineUnder(offers[a]?.[b] ?? [])?.each ?? 0;
      nets.forEach(({ conductors }, net) => (paid.run[at(net, a, b)] = conductors * each));
    }
  const add = (kind: Kind, index: number, much: number) => {
    moved[kind][index] = (moved[kind][index] ?? 0) + much;
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
    fade: () => {
      for (const kind of KINDS) {
        const part = moved[kind];
        for (let i = 0; i < part.length; i++) part[i] = (part[i] as number) * KEPT;
      }
    },
    pull: {
      run: (net, a, b, much) => add('run', at(net, a, b), much),
      end: (node, net, much) => add('end', node * m + net, much),
      cable: (node, much) => add('cable', node, much),
      turn: (group, node, much) => add('turn', group * n + node, much),
    },
    square: () => {
      let sum = 0;
      for (const kind of KINDS) {
        const [now, to] = [paid[kind], moved[kind]];
        for (let i = 0; i < to.length; i++) {
          const one = to[i] as number;
          if (one > 0 || (now[i] as number) > 0) sum += one * one;
        }
      }
      return sum;
    },
    step: (size, isFree) => {
      for (const kind of KINDS) {
        const [now, to] = [paid[kind], moved[kind]];
        for (let i = 0; i < to.length; i++)
          now[i] = Math.max(0, (now[i] as number) + size * (to[i] as number));
      }
      for (let node = 0; node < n; node++) {
        if (!isFree(node)) continue;
        paid.cable[node] = 0;
        paid.end.fill(0, node * m, node * m + m);
      }
    },
  };
};
