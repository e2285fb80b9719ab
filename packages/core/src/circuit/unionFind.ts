/** Disjoint sets over 0..n-1 with path halving. */
export class UnionFind {
  readonly #parent: Int32Array;

  constructor(size: number) {
    this.#parent = Int32Array.from({ length: size }, (_, i) => i);
  }

  find(x: number): number {
    const parent = this.#parent;
    let at = x;
    while (parent[at] !== at) {
      const up = parent[parent[at] ?? at] ?? at;
      parent[at] = up;
      at = up;
    }
    return at;
  }

  join(a: number, b: number): void {
    this.#parent[this.find(a)] = this.find(b);
  }
}
