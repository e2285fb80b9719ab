/**
 * No tree that joins some nodes, through any others, is shorter than this: dual ascent (Wong, "A dual ascent approach for Steiner tree problems on
 * a directed graph", Mathematical Programming 28, 1984). Seen from one of the nodes, each of the others has to be entered; what may be laid
 * on all ways into the part that leads to it for nothing so far is laid there, and on nothing twice.
 *
 * `weights` are symmetric and not negative, Infinity where no run may go; so is the answer where they cannot be joined.
 */
export const dualAscent = (weights: readonly Float64Array[], nodes: readonly number[]): number => {
  const n = weights.length;
  const [root, ...terminals] = [...new Set(nodes)];
  if (root === undefined || terminals.length === 0) return 0;
  // What is left of each way in, by where it leads to.
  const left = weights.map((row) => Float64Array.from(row));
  const into = new Uint8Array(n);
  let bound = 0;
  /** Nodes from which one is reached for nothing; false where the root is among them. */
  const reach = (terminal: number): boolean => {
    into.fill(0);
    into[terminal] = 1;
    const queue = [terminal];
    for (const at of queue)
      for (let other = 0; other < n; other++) {
        if (into[other] === 1 || (left[other]?.[at] ?? Infinity) > 1e-9) continue;
        if (other === root) return false;
        into[other] = 1;
        queue.push(other);
      }
    return true;
  };
  const open = new Set(terminals);
  while (open.size > 0) {
    // The smallest part first: it is raised by what others do not share.
    let smallest: { terminal: number; size: number } | null = null;
    for (const terminal of open) {
      if (!reach(terminal)) {
        open.delete(terminal);
        continue;
      }
      const size = into.reduce((sum, one) => sum + one, 0);
      if (!smallest || size < smallest.size) smallest = { terminal, size };
    }
    if (!smallest) break;
    reach(smallest.terminal);
    let least = Infinity;
    for (let to = 0; to < n; to++)
      if (into[to] === 1)
        for (let from = 0; from < n; from++)
          if (into[from] === 0) least = Math.min(least, left[from]?.[to] ?? Infinity);
    if (least === Infinity) return Infinity;
    bound += least;
    for (let to = 0; to < n; to++)
      if (into[to] === 1)
        for (let from = 0; from < n; from++) {
          const row = left[from];
          if (into[from] === 0 && row) row[to] = (row[to] ?? 0) - least;
        }
  }
  return bound;
};

/**
 * The same for a tree that has these nodes and one at least of each group: a place of its own stands for a group, into which every one of the
 * group leads, for nothing or for what it costs to reach the group by it, and out of which nothing leads.
 */
export const groupAscent = (
  weights: readonly Float64Array[],
  nodes: readonly number[],
  groups: readonly (readonly number[])[],
  reaching: (group: number, node: number) => number = () => 0,
): number => {
  const n = weights.length;
  const wider = [
    ...weights.map((row, from) =>
      Float64Array.from({ length: n + groups.length }, (_, to) =>
        to < n ? (row[to] ?? Infinity) : groups[to - n]?.includes(from) ? reaching(to - n, from) : Infinity,
      ),
    ),
    ...groups.map(() => new Float64Array(n + groups.length).fill(Infinity)),
  ];
  const terminals = [...nodes, ...groups.map((_, i) => n + i)];
  if (nodes.length > 0) return dualAscent(wider, terminals);
  // It starts from one of a group: from whichever is the least.
  const [first] = [...groups].sort((a, b) => a.length - b.length);
  return first ? Math.min(...first.map((from) => dualAscent(wider, [from, ...terminals]))) : 0;
};
