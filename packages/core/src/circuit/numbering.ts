/** Numbers keys from 0 in the order in which they are first asked for. */
export class Numbering {
  readonly #numbers = new Map<string, number>();

  of(key: string): number {
    const known = this.#numbers.get(key);
    if (known !== undefined) return known;
    this.#numbers.set(key, this.#numbers.size);
    return this.#numbers.size - 1;
  }

  get size(): number {
    return this.#numbers.size;
  }

  /** Keys with their numbers, in order. */
  entries(): Iterable<[string, number]> {
    return this.#numbers.entries();
  }
}
