/** What comes to one node with its runs. */
export interface NodeLoad {
  /** Ends by net class. */
  ends: readonly number[];
  /** Insulated conductors and cables that new runs bring, and conductors among them that nothing uses. */
  insulated: number;
  cables: number;
  spares: number;
}

/**
 * What comes to a node, as one number that sums up run by run: three bits for the ends of each net class, then spare
 * conductors, cables and insulated conductors. Up to thirteen classes fit into a whole number that adds exactly.
 */
export interface LoadCode {
  /** The share of one run: a bit for each class that it carries. */
  ofRun: (crossing: number, insulated: number, cables: number, spares: number) => number;
  read: (code: number) => NodeLoad;
}

/** Most net classes that a load code holds, and most runs at one node. */
export const MOST_CLASSES = 13;
export const MOST_RUNS = 6;

export const loadCode = (classes: number): LoadCode => {
  const spareUnit = 8 ** classes;
  const cableUnit = spareUnit * 16;
  const conductorUnit = cableUnit * 8;
  return {
    ofRun: (crossing, insulated, cables, spares) => {
      let code = spares * spareUnit + cables * cableUnit + insulated * conductorUnit;
      for (let i = 0, unit = 1; i < classes; i++, unit *= 8) if ((crossing >> i) & 1) code += unit;
      return code;
    },
    read: (code) => {
      const ends: number[] = [];
      let rest = code;
      for (let i = 0; i < classes; i++) {
        ends.push(rest % 8);
        rest = Math.floor(rest / 8);
      }
      const spares = rest % 16;
      rest = Math.floor(rest / 16);
      return { ends, spares, cables: rest % 8, insulated: Math.floor(rest / 8) };
    },
  };
};
