import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';
import type { AccessRole } from '@amber/core';

const hash = promisify<string, Buffer, number, Buffer>(scrypt);
const BYTES = 32;

/** Wrong codes of one client that cost nothing; after them it waits, twice as long each time. Milliseconds. */
const FREE = 5;
const WAIT = 10_000;
const LONGEST = 15 * 60_000;
/** Wrong codes of all clients, after which each try waits for the one before it, until nobody has tried for the longest wait. */
const FREE_OF_ALL = 50;

export type Tried =
  { kind: 'right'; role: AccessRole } | { kind: 'wrong' } | { kind: 'wait'; seconds: number };

/** A code as it is compared: whoever types it may leave out the dash, and write small letters. */
const plain = (code: string): string => code.toUpperCase().replace(/[^A-Z0-9]/g, '');

/** The codes by which a device is let in, one for each role, and who has tried how often. `now`: milliseconds, for tests. */
export class AccessCodes {
  readonly #salt = randomBytes(16);
  readonly #hashes: Promise<{ role: AccessRole; hash: Buffer }[]>;
  readonly #wrong = new Map<string, { times: number; until: number }>();
  #all = { times: 0, until: 0, last: 0 };
  readonly #now: () => number;

  constructor(codes: Readonly<Record<AccessRole, string>>, now: () => number = Date.now) {
    this.#now = now;
    this.#hashes = Promise.all(
      (Object.keys(codes) as AccessRole[]).map(async (role) => ({
        role,
        hash: await hash(plain(codes[role]), this.#salt, BYTES),
      })),
    );
  }

  /** Tries a code for a client, by its address. */
  async try(code: string, client: string): Promise<Tried> {
    const before = this.#now();
    const mine = this.#wrong.get(client);
    const until = Math.max(mine?.until ?? 0, this.#all.until);
    if (until > before) return { kind: 'wait', seconds: Math.ceil((until - before) / 1000) };
    // It is counted before it is known: many that are sent at once are many tries.
    this.#count(client, before);
    const tried = await hash(plain(code), this.#salt, BYTES);
    const hashes = await this.#hashes;
    // All are compared, so that the time tells nothing.
    const right = hashes.filter((one) => timingSafeEqual(one.hash, tried));
    const [found] = right;
    if (!found) return { kind: 'wrong' };
    this.#wrong.delete(client);
    this.#all.times = Math.max(0, this.#all.times - 1);
    return { kind: 'right', role: found.role };
  }

  #count(client: string, now: number): void {
    const times = (this.#wrong.get(client)?.times ?? 0) + 1;
    const wait = times < FREE ? 0 : Math.min(LONGEST, WAIT * 2 ** (times - FREE));
    this.#wrong.set(client, { times, until: now + wait });
    if (now - this.#all.last > LONGEST) this.#all.times = 0;
    this.#all.last = now;
    this.#all.times += 1;
    if (this.#all.times > FREE_OF_ALL) this.#all.until = now + 1_000;
    for (const [one, { until }] of this.#wrong) if (until + LONGEST < now) this.#wrong.delete(one);
  }
}
