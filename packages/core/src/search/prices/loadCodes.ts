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

/** Bits of each part. Together with those of the classes they stay within the 53 of a whole number. */
interface Bits {
  spares: number;
  cables: number;
  insulated: number;
  /** For the ends of each class. */
  ends: number;
}
const FEW_CLASSES: Bits = { spares: 7, cables: 4, insulated: 6, ends: 4 };
const MANY_CLASSES: Bits = { spares: 6, cables: 3, insulated: 5, ends: 3 };
const WHOLE = 53;

const trunkBits = ({ spares, cables, insulated }: Bits): number => spares + cables + insulated;
const classesOf = (bits: Bits): number => Math.floor((WHOLE - trunkBits(bits)) / bits.ends);

/** Most net classes that a load code holds. */
export const MOST_CLASSES = classesOf(MANY_CLASSES);

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

export const loadCodesOf = ({ classes, widest, existing, runs }: LoadSize): LoadCodes => {
  // More classes than any code holds are counted one by one, and only the trunk is written.
  const bits =
    classes > classesOf(FEW_CLASSES) && classes <= classesOf(MANY_CLASSES) ? MANY_CLASSES : FEW_CLASSES;
  // A node has its runs, and while they are summed up one more.
  const room = (count: number, each: number) => Math.floor((2 ** count - 1) / Math.max(1, each)) - 1;
  const mostRuns = Math.max(
    1,
    Math.min(
      runs,
      room(bits.ends, 1),
      room(bits.cables, 1),
      room(bits.insulated, widest),
      Math.floor((2 ** bits.spares - 1 - existing) / Math.max(1, widest)) - 1,
    ),
  );
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
