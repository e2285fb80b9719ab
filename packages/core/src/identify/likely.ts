import type { Mates } from './mates.js';

/** How likely each end is to be the other one of a cable, and how likely the cable leads elsewhere; they sum to one. */
export interface Likely {
  to: ReadonlyMap<string, ReadonlyMap<string, number>>;
  elsewhere: ReadonlyMap<string, number>;
}

/** That a cable leads elsewhere, against that it is the one of a given other end: of a circuit one does, where its power comes from. */
const ELSEWHERE = 0.35;
const ROUNDS = 25;

/**
 * Shares of what is open, by turns of scaling a table until each row sums to one (Sinkhorn): near what counting all pairings gives,
 * which few boxes allow already.
 */
export const likelyOf = ({ may, elsewhere }: Mates): Likely => {
  const keys = [...may.keys()];
  const scale = new Map(keys.map((key) => [key, 1]));
  const out = (key: string) => (elsewhere.has(key) ? ELSEWHERE : 0);
  const sumOf = (key: string): number => {
    const mine = scale.get(key) ?? 1;
    let sum = out(key) * mine;
    for (const other of may.get(key) ?? []) sum += mine * (scale.get(other) ?? 1);
    return sum;
  };
  for (let round = 0; round < ROUNDS; round++)
    for (const key of keys) {
      const sum = sumOf(key);
      if (sum > 0) scale.set(key, (scale.get(key) ?? 1) / sum);
    }
  const to = new Map<string, Map<string, number>>();
  const leads = new Map<string, number>();
  for (const key of keys) {
    const mine = scale.get(key) ?? 1;
    const sum = sumOf(key) || 1;
    to.set(
      key,
      new Map([...(may.get(key) ?? [])].map((other) => [other, (mine * (scale.get(other) ?? 1)) / sum])),
    );
    leads.set(key, (out(key) * mine) / sum);
  }
  return { to, elsewhere: leads };
};
