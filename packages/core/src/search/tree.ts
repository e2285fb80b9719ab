/** A cabling tree: the parent of each node; `TOP` at the node that the feed enters, `OUT` for junctions left out. */
export const TOP = -1;
export const OUT = -2;
export interface Tree {
  parents: Int32Array;
  cost: number;
}
