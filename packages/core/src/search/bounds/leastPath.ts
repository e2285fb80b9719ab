/** Up to so many nodes the least path is found. */
export const MOST_ON_PATH = 8;

/**
 * The least path that goes through each of some nodes once, from whichever it begins, by ways between all pairs: by dynamic programming over what has been
 * reached and where it ends (Held and Karp, "A dynamic programming approach to sequencing problems", Journal of SIAM 10, 1962).
 */
export const leastPath = (
  ways: readonly Float64Array[],
  nodes: readonly number[],
): { sum: number; pairs: [number, number][] } => {
  const at = [...new Set(nodes)];
  const k = at.length;
  if (k < 2) return { sum: 0, pairs: [] };
  const all = (1 << k) - 1;
  const costs = new Float64Array((all + 1) * k).fill(Infinity);
  const from = new Int8Array((all + 1) * k).fill(-1);
  for (let end = 0; end < k; end++) costs[(1 << end) * k + end] = 0;
  for (let reached = 1; reached <= all; reached++)
    for (let end = 0; end < k; end++) {
      const cost = costs[reached * k + end] as number;
      if (cost === Infinity) continue;
      for (let next = 0; next < k; next++) {
        if ((reached >> next) & 1) continue;
        const to = (reached | (1 << next)) * k + next;
        const sum = cost + (ways[at[end] as number]?.[at[next] as number] ?? Infinity);
        if (sum >= (costs[to] as number)) continue;
        costs[to] = sum;
        from[to] = end;
      }
    }
  let end = 0;
  for (let other = 1; other < k; other++)
    if ((costs[all * k + other] as number) < (costs[all * k + end] as number)) end = other;
  const sum = costs[all * k + end] as number;
  const pairs: [number, number][] = [];
  for (let reached = all; ;) {
    const before = from[reached * k + end] as number;
    if (before < 0) return { sum, pairs };
    pairs.push([at[before] as number, at[end] as number]);
    reached &= ~(1 << end);
    end = before;
  }
};
