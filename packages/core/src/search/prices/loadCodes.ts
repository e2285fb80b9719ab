/**
 * What comes to one node with its runs, as one number that sums up run by run: spare conductors that nothing uses, new
 * cables, insulated conductors of new cables, then a few bits for the ends of each net class. The sum of all that can come is
 * a whole number that adds exactly; how many bits each part has, and how many runs that allows at a node, is settled
 * beforehand from the classes and the widest cable.
 */
export type LoadCode = number;

export interface Trunk {
  insulated: number;
  cables: number;
  spares: number;
}

/** Bits of each part. */
interface Bits {
  spares: number;
  cables: number;
  insulated: number;
  /** For the ends of each class. */
  ends: number;
}
/** A whole number adds exactly up to so many bits. */
const WHOLE = 53;
/** More runs than these are not tried at one node: a box that holds them is no box that anybody sets. */
const MOST_RUNS = 14;

/** Most net classes that a load code holds: six runs of cables with four conductors fit beside them. */
export const MOST_CLASSES = 13;

/** What has to fit into a code. */
export interface LoadSize {
  classes: number;
  /** Insulated conductors of the widest new cable, and of all existing cables that end in one box. */
  widest: number;
  existing: number;
  /** Runs that a node could have at most: one to each other place, and one from the panel. */
  runs: number;
}

/** How the loads of one search are written and read. */
export interface LoadCodes {
  /** Most runs at a node, one from the panel among them; fewer than `runs` where the code does not hold more. */
  mostRuns: number;
  /** The part of a load that is not ends of nets. */
  trunkOf: (trunk: Trunk) => LoadCode;
  /** The share of one run: a bit of `crossing` for each class that it carries. */
  loadOfRun: (crossing: number, trunk: Trunk) => LoadCode;
  sparesOf: (code: LoadCode) => number;
  cablesOf: (code: LoadCode) => number;
  insulatedOf: (code: LoadCode) => number;
  /** Sum over the classes of what `tables` give for the number of their ends. */
  overEnds: (code: LoadCode, tables: readonly Float64Array[]) => number;
}

const bitsOf = (most: number): number => Math.ceil(Math.log2(most + 1));

/** What each part takes where a node has so many runs, and while they are summed up one more. */
const bitsFor = ({ widest, existing }: LoadSize, runs: number): Bits => ({
  spares: bitsOf((runs + 1) * widest + existing),
  cables: bitsOf(runs + 1),
  insulated: bitsOf((runs + 1) * widest),
  ends: bitsOf(runs + 1),
});

/** Sized by what there is. Where not all of it fits, a node has fewer runs, never a number that runs over into the next part. */
export const loadCodesOf = (size: LoadSize): LoadCodes => {
  // More classes than any code holds are counted one by one, and only the trunk is written.
  const written = size.classes > MOST_CLASSES ? 0 : size.classes;
  const fits = ({ spares, cables, insulated, ends }: Bits) =>
    spares + cables + insulated + written * ends <= WHOLE;
  let mostRuns = Math.max(1, Math.min(size.runs, MOST_RUNS));
  while (mostRuns > 1 && !fits(bitsFor(size, mostRuns))) mostRuns -= 1;
  const bits = bitsFor(size, mostRuns);
  if (!fits(bits)) throw new RangeError(`No load code holds ${JSON.stringify(size)}.`);
  const cablesFrom = 2 ** bits.spares;
  const cablesIn = 2 ** bits.cables;
  const insulatedFrom = cablesFrom * cablesIn;
  const insulatedIn = 2 ** bits.insulated;
  const classesFrom = insulatedFrom * insulatedIn;
  const endsIn = 2 ** bits.ends;
  const endsMask = endsIn - 1;
  const endsBits = bits.ends;
  // So many classes stay in the part that is read as a 32-bit number, the others in the rest.
  const lowClasses = Math.floor(28 / bits.ends);
  const low = classesFrom * endsIn ** lowClasses;
  const trunkOf = ({ insulated, cables, spares }: Trunk): LoadCode =>
    spares + cables * cablesFrom + insulated * insulatedFrom;
  return {
    mostRuns,
    trunkOf,
    loadOfRun: (crossing, trunk) => {
      let code = trunkOf(trunk);
      for (let rest = crossing; rest !== 0; rest &= rest - 1)
        code += classesFrom * endsIn ** (31 - Math.clz32(rest & -rest));
      return code;
    },
    sparesOf: (code) => code % cablesFrom,
    cablesOf: (code) => Math.floor(code / cablesFrom) % cablesIn,
    insulatedOf: (code) => Math.floor(code / insulatedFrom) % insulatedIn,
    overEnds: (code, tables) => {
      const lower = code % low;
      const high = (code - lower) / low;
      let sum = 0;
      let rest = Math.floor(lower / classesFrom);
      for (let i = 0; i < tables.length; i++) {
        if (i === lowClasses) rest = high;
        sum += tables[i]?.[rest & endsMask] ?? 0;
        rest >>= endsBits;
      }
      return sum;
    },
  };
};
