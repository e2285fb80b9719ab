/**
 * What the exact search holds, number by number in columns that double as they fill: it makes hundreds of thousands of these
 * rows, and one object for each would take four times the memory and most of the time. A row is told by its number; `NONE`
 * stands where there is none.
 */
export const NONE = -1;

const ROOM = 1024;

const longer = <T extends Float64Array | Int32Array | Uint8Array>(column: T): T => {
  const made = new (column.constructor as new (rows: number) => T)(column.length * 2);
  made.set(column);
  return made;
};

/** Ways to hang children on a node: the last child added (a row of `Hung`), and the way that was there before it. */
export class Entries {
  count = 0;
  code = new Float64Array(ROOM);
  cost = new Float64Array(ROOM);
  runs = new Uint8Array(ROOM);
  before = new Int32Array(ROOM);
  child = new Int32Array(ROOM);
  /** The next way for the same node and set. */
  next = new Int32Array(ROOM);

  add(next: number): number {
    if (this.count === this.code.length) {
      this.code = longer(this.code);
      this.cost = longer(this.cost);
      this.runs = longer(this.runs);
      this.before = longer(this.before);
      this.child = longer(this.child);
      this.next = longer(this.next);
    }
    this.next[this.count] = next;
    return this.count++;
  }

  put(row: number, code: number, runs: number, cost: number, before: number, child: number): void {
    this.code[row] = code;
    this.runs[row] = runs;
    this.cost[row] = cost;
    this.before[row] = before;
    this.child[row] = child;
  }
}

/** Nodes with some children on them: the set of it all, and the first of its entries, one for each load. */
export class Partials {
  count = 0;
  set = new Int32Array(ROOM);
  /** Lowest node among the children; they are added in falling order of their lowest node, so each set is made once. */
  low = new Uint8Array(ROOM);
  /** The least of the entries. */
  least = new Float64Array(ROOM);
  first = new Int32Array(ROOM);
  entries = new Int32Array(ROOM);

  add(set: number, low: number): number {
    if (this.count === this.set.length) {
      this.set = longer(this.set);
      this.low = longer(this.low);
      this.least = longer(this.least);
      this.first = longer(this.first);
      this.entries = longer(this.entries);
    }
    const row = this.count++;
    this.set[row] = set;
    this.low[row] = low;
    this.least[row] = Infinity;
    this.first[row] = NONE;
    this.entries[row] = 0;
    return row;
  }
}

/** Sets of nodes with one of them at the top, as they hang on a parent: cost and load of it all with the run. */
export class Hung {
  count = 0;
  parent = new Uint8Array(ROOM);
  set = new Int32Array(ROOM);
  cost = new Float64Array(ROOM);
  code = new Float64Array(ROOM);
  top = new Uint8Array(ROOM);
  /** What is on the top. */
  entry = new Int32Array(ROOM);
  /** Another of the same set and parent. */
  next = new Int32Array(ROOM);

  add(): number {
    if (this.count === this.set.length) {
      this.parent = longer(this.parent);
      this.set = longer(this.set);
      this.cost = longer(this.cost);
      this.code = longer(this.code);
      this.top = longer(this.top);
      this.entry = longer(this.entry);
      this.next = longer(this.next);
    }
    return this.count++;
  }

  put(
    row: number,
    parent: number,
    set: number,
    cost: number,
    code: number,
    top: number,
    entry: number,
  ): void {
    this.parent[row] = parent;
    this.set[row] = set;
    this.cost[row] = cost;
    this.code[row] = code;
    this.top[row] = top;
    this.entry[row] = entry;
  }

  copy(row: number, other: Hung, from: number): void {
    this.put(
      row,
      other.parent[from] as number,
      other.set[from] as number,
      other.cost[from] as number,
      other.code[from] as number,
      other.top[from] as number,
      other.entry[from] as number,
    );
  }
}
