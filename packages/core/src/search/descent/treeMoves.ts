import { TOP } from '../tree.js';

/** What the runs, nodes and boxes of a tree cost, by which whole trees are priced, and what changes in them. */
export interface TreeParts {
  n: number;
  /** Net classes. */
  count: number;
  root: number;
  /** How many terminals of each class (columns) a node (rows) has, and how many there are in all; those beyond the root included. */
  own: Uint8Array;
  terminals: readonly number[];
  /** Classes that come to the root from outside, as bits, and what else the home run or feed brings it. */
  entered: number;
  enteredTrunk: number;
  /** A run that carries some classes, as bits; `trunk` is what it brings to both its ends beside ends of nets. */
  run: (parent: number, child: number, crossing: number) => { cost: number; trunk: number };
  /** A node by what its runs bring it; the ends of each class stand in `ends` from `offset` on. */
  node: (node: number, trunk: number, runs: number, ends: Uint8Array, offset: number) => number;
  /** Boxes that are several nodes cost what comes to all of these together. */
  boxes: readonly { nodes: readonly number[]; cost: (trunk: number) => number }[];
}

/** What a tree costs whose part below `node` hangs by its node `by` on `other`, which is no node of that part. */
export type MovePrice = (node: number, by: number, other: number) => number;

/**
 * Prices the trees that come of one tree by hanging one of its parts elsewhere: only the runs on the way from where it hung to where it hangs, and those that
 * are turned in it, carry anything else. The tree reaches every node that it has from the root.
 */
export const createMoves = (parts: TreeParts): ((parents: ArrayLike<number>, cost: number) => MovePrice) => {
  const { n, count, own, terminals, boxes } = parts;
  const behind = new Uint8Array(n * count);
  const ends = new Uint8Array(n * count);
  const crossings = new Int32Array(n);
  const runCosts = new Float64Array(n);
  const runTrunks = new Float64Array(n);
  const trunks = new Float64Array(n);
  const degrees = new Int32Array(n);
  const nodeCosts = new Float64Array(n);
  const depths = new Int32Array(n);
  const before = new Int32Array(n);
  const boxOf = Int32Array.from({ length: n }, (_, node) =>
    boxes.findIndex(({ nodes }) => nodes.includes(node)),
  );
  const boxTrunks = new Float64Array(boxes.length);
  const boxCosts = new Float64Array(boxes.length);
  // What a move changes, of the nodes that it touches.
  const touched: number[] = [];
  const moreTrunk = new Float64Array(n);
  const moreDegree = new Int32Array(n);
  const moreEnds = new Int8Array(n * count);
  const isTouched = new Uint8Array(n);
  const row = new Uint8Array(count);
  const moreInBox = new Float64Array(boxes.length);

  const change = (node: number, crossing: number, trunk: number, by: 1 | -1): void => {
    if (isTouched[node] === 0) {
      isTouched[node] = 1;
      touched.push(node);
    }
    moreTrunk[node] = (moreTrunk[node] as number) + by * trunk;
    moreDegree[node] = (moreDegree[node] as number) + by;
    for (let i = 0, at = node * count; i < count; i++, at++)
      if ((crossing >> i) & 1) moreEnds[at] = (moreEnds[at] as number) + by;
  };
  const without = (child: number): number => {
    const crossing = crossings[child] as number;
    const trunk = runTrunks[child] as number;
    change(before[child] as number, crossing, trunk, -1);
    change(child, crossing, trunk, -1);
    return -(runCosts[child] as number);
  };
  const withRun = (parent: number, child: number, crossing: number): number => {
    const { cost, trunk } = parts.run(parent, child, crossing);
    change(parent, crossing, trunk, 1);
    change(child, crossing, trunk, 1);
    return cost;
  };
  /** What goes over a run behind which are these terminals, less or more those of a part. */
  const crossing = (at: number, part: number, by: 1 | -1): number => {
    let bits = 0;
    for (let i = 0; i < count; i++) {
      const there = (behind[at * count + i] as number) + by * (behind[part * count + i] as number);
      if (there !== 0 && there !== terminals[i]) bits |= 1 << i;
    }
    return bits;
  };
  /** The run above a node as it is when a part behind it has gone or come. */
  const altered = (at: number, part: number, by: 1 | -1): number => {
    const bits = crossing(at, part, by);
    return bits === crossings[at] ? 0 : without(at) + withRun(before[at] as number, at, bits);
  };
  /** What is changed at the nodes and in boxes of several; nothing is changed any more after it. */
  const settled = (): number => {
    let sum = 0;
    for (const node of touched) {
      const trunk = moreTrunk[node] as number;
      for (let i = 0, at = node * count; i < count; i++, at++) {
        row[i] = (ends[at] as number) + (moreEnds[at] as number);
        moreEnds[at] = 0;
      }
      const runs = (degrees[node] as number) + (moreDegree[node] as number);
      sum += parts.node(node, (trunks[node] as number) + trunk, runs, row, 0) - (nodeCosts[node] as number);
      const box = boxOf[node] as number;
      if (box >= 0) moreInBox[box] = (moreInBox[box] as number) + trunk;
      moreTrunk[node] = 0;
      moreDegree[node] = 0;
      isTouched[node] = 0;
    }
    touched.length = 0;
    for (let box = 0; box < boxes.length; box++) {
      const more = moreInBox[box] as number;
      moreInBox[box] = 0;
      if (more !== 0)
        sum += (boxes[box]?.cost((boxTrunks[box] as number) + more) ?? 0) - (boxCosts[box] as number);
    }
    return sum;
  };

  return (parents, whole) => {
    const order = outward(parents, parts.root);
    behind.set(own);
    ends.fill(0);
    trunks.fill(0);
    degrees.fill(0);
    trunks[parts.root] = parts.enteredTrunk;
    for (let i = 0; i < count; i++) if ((parts.entered >> i) & 1) ends[parts.root * count + i] = 1;
    for (const node of order) {
      const parent = parents[node] ?? TOP;
      before[node] = parent;
      depths[node] = parent < 0 ? 0 : (depths[parent] as number) + 1;
    }
    for (const node of order.reverse()) {
      const parent = before[node] as number;
      if (parent < 0) continue;
      let bits = 0;
      for (let i = 0; i < count; i++) {
        const there = behind[node * count + i] as number;
        behind[parent * count + i] = (behind[parent * count + i] as number) + there;
        if (there === 0 || there === terminals[i]) continue;
        bits |= 1 << i;
        ends[node * count + i] = (ends[node * count + i] as number) + 1;
        ends[parent * count + i] = (ends[parent * count + i] as number) + 1;
      }
      const { cost, trunk } = parts.run(parent, node, bits);
      crossings[node] = bits;
      runCosts[node] = cost;
      runTrunks[node] = trunk;
      for (const end of [parent, node]) {
        trunks[end] = (trunks[end] as number) + trunk;
        degrees[end] = (degrees[end] as number) + 1;
      }
    }
    for (const node of order)
      nodeCosts[node] = parts.node(node, trunks[node] as number, degrees[node] as number, ends, node * count);
    boxes.forEach(({ nodes, cost }, box) => {
      boxTrunks[box] = nodes.reduce((sum, node) => sum + (trunks[node] as number), 0);
      boxCosts[box] = cost(boxTrunks[box]);
    });
    return (node, by, other) => {
      const parent = before[node] as number;
      let sum = without(node) + withRun(other, by, crossings[node] as number);
      // Turned within the part: what was before a node is behind it now.
      for (let at = by; at !== node;) {
        const up = before[at] as number;
        sum += without(at) + withRun(at, up, crossing(node, at, -1));
        at = up;
      }
      for (let [gone, come] = [parent, other]; gone !== come;)
        if ((depths[gone] as number) >= (depths[come] as number)) {
          sum += altered(gone, node, -1);
          gone = before[gone] as number;
        } else {
          sum += altered(come, node, 1);
          come = before[come] as number;
        }
      return whole + sum + settled();
    };
  };
};

/** Nodes that hang together with the root, each after the one that it hangs on. */
export const outward = (parents: ArrayLike<number>, root: number): number[] => {
  const children: number[][] = Array.from({ length: parents.length }, () => []);
  for (let node = 0; node < parents.length; node++) children[parents[node] ?? TOP]?.push(node);
  const order = [root];
  for (const node of order) order.push(...(children[node] ?? []));
  return order;
};
