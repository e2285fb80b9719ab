/**
 * What the exact search holds, number by number in columns that double as they fill: it makes hundreds of thousands of these
 * rows, and one object for each would take four times the memory and most of the time. A row is told by its number; `NONE`
 * stands where there is none.
 */
export const NONE = -1;

/**
 * A number of a column at a row that is there. One reader for each kind of column: a reader that met all three would be slower at each of
 * the millions of reads.
 */
export const real = (column: Float64Array, row: number): number => column[row] as number;
export const whole = (column: Int32Array, row: number): number => column[row] as number;
export const small = (column: Uint8Array, row: number): number => column[row] as number;

const ROOM = 1024;

type Column = Float64Array | Int32Array | Uint8Array;

const longer = (column: Column): Column => {
  const made = new (column.constructor as new (rows: number) => Column)(column.length * 2);
  made.set(column);
  return made;
};

/** Rows over columns that are as long as each other; those of a kind of row are the fields of its class. */
class Rows {
  count = 0;
  private room = ROOM;

  /** The number of a new row. */
  protected more(): number {
    if (this.count === this.room) {
      this.room *= 2;
      for (const [name, column] of Object.entries(this) as [string, unknown][])
        if (ArrayBuffer.isView(column)) Object.assign(this, { [name]: longer(column as Column) });
    }
    return this.count++;
  }
}

/** Ways to hang children on a node: the last child added (a row of `Hung`), and the way that was there before it. */
export class Entries extends Rows {
  code = new Float64Array(ROOM);
  /** What came to boxes of which other nodes are still open. */
  held = new Float64Array(ROOM);
  cost = new Float64Array(ROOM);
  runs = new Uint8Array(ROOM);
  before = new Int32Array(ROOM);
  child = new Int32Array(ROOM);
  /** The next way for the same node and set. */
  next = new Int32Array(ROOM);

  add(next: number): number {
    const row = this.more();
    this.next[row] = next;
    return row;
  }

  put(
    row: number,
    code: number,
    held: number,
    runs: number,
    cost: number,
    before: number,
    child: number,
  ): void {
    this.code[row] = code;
    this.held[row] = held;
    this.runs[row] = runs;
    this.cost[row] = cost;
    this.before[row] = before;
    this.child[row] = child;
  }
}

/** Nodes with some children on them: the set of it all, and the first of its entries, one for each load. */
export class Partials extends Rows {
  set = new Int32Array(ROOM);
  /** Lowest node among the children; they are added in falling order of their lowest node, so each set is made once. */
  low = new Uint8Array(ROOM);
  /** The least of the entries. */
  least = new Float64Array(ROOM);
  first = new Int32Array(ROOM);
  /** How many of them there are. */
  ways = new Int32Array(ROOM);

  add(set: number, low: number): number {
    const row = this.more();
    this.set[row] = set;
    this.low[row] = low;
    this.least[row] = Infinity;
    this.first[row] = NONE;
    this.ways[row] = 0;
    return row;
  }
}

/** Sets of nodes with one of them at the top, as they hang on a parent: cost and load of it all with the run. */
export class Hung extends Rows {
  parent = new Uint8Array(ROOM);
  set = new Int32Array(ROOM);
  cost = new Float64Array(ROOM);
  code = new Float64Array(ROOM);
  held = new Float64Array(ROOM);
  top = new Uint8Array(ROOM);
  /** What is on the top. */
  entry = new Int32Array(ROOM);
  /** Another of the same set and parent. */
  next = new Int32Array(ROOM);

  add(): number {
    return this.more();
  }

  put(
    row: number,
    parent: number,
    set: number,
    cost: number,
    code: number,
    held: number,
    top: number,
    entry: number,
  ): void {
    this.parent[row] = parent;
    this.set[row] = set;
    this.cost[row] = cost;
    this.code[row] = code;
    this.held[row] = held;
    this.top[row] = top;
    this.entry[row] = entry;
  }

  copy(row: number, other: Hung, from: number): void {
    this.put(
      row,
      small(other.parent, from),
      whole(other.set, from),
      real(other.cost, from),
      real(other.code, from),
      real(other.held, from),
      small(other.top, from),
      whole(other.entry, from),
    );
  }
}
