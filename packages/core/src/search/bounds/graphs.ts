type Pair = [number, number];

/** Pairs of a minimum spanning tree over some nodes (Prim), and its weight. */
export const spanningPairs = (
  weight: readonly Float64Array[],
  nodes: readonly number[],
): { sum: number; pairs: Pair[] } => {
  const [first = 0, ...rest] = nodes;
  const from = rest.map(() => first);
  const away = rest.map((node) => weight[first]?.[node] ?? Infinity);
  const pairs: Pair[] = [];
  let sum = 0;
  for (let count = rest.length; count > 0; count--) {
    let next = 0;
    for (let i = 1; i < count; i++) if ((away[i] as number) < (away[next] as number)) next = i;
    const node = rest[next] as number;
    sum += away[next] as number;
    pairs.push([from[next] as number, node]);
    // The last takes the place of the one that is joined.
    rest[next] = rest[count - 1] as number;
    from[next] = from[count - 1] as number;
    away[next] = away[count - 1] as number;
    const row = weight[node];
    for (let i = 0; i < count - 1; i++) {
      const near = row?.[rest[i] as number] ?? Infinity;
      if (near >= (away[i] as number)) continue;
      away[i] = near;
      from[i] = node;
    }
  }
  return { sum, pairs };
};

/**
 * Shortest ways between all pairs (Floyd and Warshall), with a stop on each that is not direct. `passing` is what it costs to
 * pass a node.
 */
export const shortest = (weight: readonly Float64Array[], passing: readonly number[] = []) => {
  const ways = weight.map((row) => Float64Array.from(row));
  const stops = weight.map((row) => Int32Array.from(row, () => -1));
  ways.forEach((through, stop) =>
    ways.forEach((row, from) => {
      if (from === stop) return;
      const more = (row[stop] ?? Infinity) + (passing[stop] ?? 0);
      const into = stops[from] ?? new Int32Array(0);
      for (let to = 0; to < row.length; to++)
        if (to !== stop && to !== from && more + (through[to] ?? Infinity) < (row[to] ?? Infinity)) {
          row[to] = more + (through[to] ?? Infinity);
          into[to] = stop;
        }
    }),
  );
  return { ways, stops };
};
