/**
 * What comes to one node with its runs, as one number that sums up run by run: spare conductors that nothing uses, new
 * cables, insulated conductors of new cables, then three bits for the ends of each net class. Up to thirteen classes fit
 * into a whole number that adds exactly.
 */
export type LoadCode = number;

/** Most net classes that a load code holds, and most runs at one node. */
export const MOST_CLASSES = 13;
export const MOST_RUNS = 6;
/** Most ends of one net at one node: each run and the feed. */
export const MOST_ENDS = 7;

const CABLES = 2 ** 5;
const INSULATED = 2 ** 8;
const CLASSES = 2 ** 14;
/** Five classes stay in the part that is read as a 32-bit number, the others in the rest. */
const LOW_CLASSES = 5;
const LOW = CLASSES * 8 ** LOW_CLASSES;

/** The part of a load that is not ends of nets. */
export const trunkOf = ({ insulated, cables, spares }: Trunk): LoadCode =>
  spares + cables * CABLES + insulated * INSULATED;
export interface Trunk {
  insulated: number;
  cables: number;
  spares: number;
}

/** The share of one run: a bit of `crossing` for each class that it carries. */
export const loadOfRun = (crossing: number, trunk: Trunk): LoadCode => {
  let code = trunkOf(trunk);
  for (let rest = crossing; rest !== 0; rest &= rest - 1)
    code += CLASSES * 8 ** (31 - Math.clz32(rest & -rest));
  return code;
};

export const sparesOf = (code: LoadCode): number => code % CABLES;
export const cablesOf = (code: LoadCode): number => Math.floor(code / CABLES) % 8;
export const insulatedOf = (code: LoadCode): number => Math.floor(code / INSULATED) % 64;

/** Sum over the classes of what `tables` give for the number of their ends. */
export const overEnds = (code: LoadCode, tables: readonly Float64Array[]): number => {
  const low = code % LOW;
  const high = (code - low) / LOW;
  let sum = 0;
  let rest = low / CLASSES;
  for (let i = 0; i < tables.length; i++) {
    if (i === LOW_CLASSES) rest = high;
    sum += tables[i]?.[rest & 7] ?? 0;
    rest >>= 3;
  }
  return sum;
};
