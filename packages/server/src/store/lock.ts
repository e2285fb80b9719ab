import { randomUUID } from 'node:crypto';
import type { DataSource } from 'typeorm';
import { again } from './again.js';

/** Seconds for which the lock is held without a word of its holder: one that was killed lets it go so. */
const HELD = 30;
/** Seconds to wait for another server that prepares the same database. */
const PATIENCE = 120;
const POLL = 200;

/**
 * Does something that one server at a time may do with a database, whichever of its nodes each of them is connected to. The lock is a row, as what
 * `GET_LOCK` gives is known to one node of a cluster alone.
 */
export const underLock = async <T>(source: DataSource, work: () => Promise<T>): Promise<T> => {
  const mine = randomUUID();
  // It is there before the migrations, which it guards.
  await again(() =>
    source.query(
      'CREATE TABLE IF NOT EXISTS preparing (id int NOT NULL PRIMARY KEY, holder varchar(40) NOT NULL, until datetime(3) NOT NULL) ENGINE=InnoDB',
    ),
  );
  await again(() => source.query("INSERT IGNORE INTO preparing VALUES (1, '', NOW(3))"));
  const take = async (): Promise<boolean> => {
    const done = await again(() =>
      source.query<{ affectedRows: number }>(
        `UPDATE preparing SET holder = ?, until = NOW(3) + INTERVAL ${HELD} SECOND
         WHERE id = 1 AND (holder IN ('', ?) OR until < NOW(3))`,
        [mine, mine],
      ),
    );
    return done.affectedRows === 1;
  };
  for (let left = (PATIENCE * 1000) / POLL; !(await take()); left--) {
    if (left <= 0) throw new Error(`another server has been preparing it for ${PATIENCE} seconds`);
    await new Promise((resolve) => setTimeout(resolve, POLL));
  }
  let lost: unknown;
  const still = setInterval(
    () => {
      take().catch((error: unknown) => (lost = error));
    },
    (HELD * 1000) / 3,
  );
  try {
    const value = await work();
    if (lost !== undefined) throw lost as Error;
    return value;
  } finally {
    clearInterval(still);
    await again(() => source.query("UPDATE preparing SET holder = '' WHERE id = 1 AND holder = ?", [mine]));
  }
};
