import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { IsNull, type DataSource, type MigrationInterface, type QueryRunner } from 'typeorm';
import type { PairedDevice, AccessRole } from '@amber/core';
import { DeviceEntity } from './entities.js';

/** Tablets and telephones that were let in. */
export class Devices1700000000018 implements MigrationInterface {
  name = 'Devices1700000000018';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE devices (
      id varchar(60) CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin NOT NULL,
      token char(64) CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin NOT NULL,
      name varchar(60) NOT NULL,
      role varchar(10) NOT NULL,
      paired_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
      seen_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
      out_at datetime(3) NULL,
      UNIQUE INDEX devices_by_token (token),
      PRIMARY KEY (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE devices');
  }
}

/** Milliseconds between two notes of when a device was seen. */
const SEEN = 60_000;

/** A token has 256 bits of its own, so that a plain sum of it is enough; whoever reads the table cannot come in by it. */
const sumOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Devices that were let in by a code, and those that were put out. */
export class DeviceStore {
  readonly #source: DataSource;

  constructor(source: DataSource) {
    this.#source = source;
  }

  /** Lets a device in. Its token is given once and never again. */
  async pair(name: string, role: AccessRole): Promise<{ device: PairedDevice; token: string }> {
    const token = randomBytes(32).toString('base64url');
    const id = randomUUID();
    await this.#source.getRepository(DeviceEntity).insert({ id, name, role, token: sumOf(token) });
    const now = new Date().toISOString();
    return { device: { id, name, role, pairedAt: now, seenAt: now }, token };
  }

  /** The device that has this token; null of none, and of one that was put out. */
  async byToken(token: string): Promise<PairedDevice | null> {
    const rows = this.#source.getRepository(DeviceEntity);
    const row = await rows.findOneBy({ token: sumOf(token), outAt: IsNull() });
    if (!row) return null;
    if (Date.now() - row.seenAt.getTime() > SEEN)
      await rows.update({ id: row.id }, { seenAt: () => 'CURRENT_TIMESTAMP(3)' });
    return deviceOf(row);
  }

  async list(): Promise<PairedDevice[]> {
    const rows = await this.#source
      .getRepository(DeviceEntity)
      .find({ where: { outAt: IsNull() }, order: { seenAt: 'DESC', id: 'ASC' } });
    return rows.map(deviceOf);
  }

  /** Puts a device out at once; false where there is none such. */
  async putOut(id: string): Promise<boolean> {
    const done = await this.#source
      .getRepository(DeviceEntity)
      .update({ id, outAt: IsNull() }, { outAt: () => 'CURRENT_TIMESTAMP(3)' });
    return done.affected === 1;
  }
}

const deviceOf = (row: {
  id: string;
  name: string;
  role: AccessRole;
  pairedAt: Date;
  seenAt: Date;
}): PairedDevice => ({
  ...{ id: row.id, name: row.name, role: row.role },
  pairedAt: row.pairedAt.toISOString(),
  seenAt: row.seenAt.toISOString(),
});
