import { createHash } from 'node:crypto';
import type { DataSource } from 'typeorm';
import type { Job, SiteRecord } from '@amber/core';
import { PictureEntity, type PictureRow } from './entities.js';

/** The picture that a record shows, by the sum of its bytes; null of one that shows none. */
export const pictureOf = ({ kind, body }: SiteRecord): string | null =>
  kind === 'photo' || kind === 'wallPhoto' ? String(body['hash']) : null;

/** The pictures that a job and its records show, each once. */
export const picturesOf = (job: Job, records: readonly SiteRecord[]): string[] => [
  ...new Set([...job.pictures.map(({ hash }) => hash), ...records.flatMap((one) => pictureOf(one) ?? [])]),
];

/** Plan pictures by the SHA-256 of their bytes: the same picture is kept once, and never changes. */
export class PictureStore {
  readonly #source: DataSource;

  constructor(source: DataSource) {
    this.#source = source;
  }

  /** Keeps a picture and gives its hash; a picture that is there already is left as it is. */
  async keep(type: string, bytes: Buffer): Promise<string> {
    const hash = createHash('sha256').update(bytes).digest('hex');
    await this.#source
      .createQueryBuilder()
      .insert()
      .into(PictureEntity)
      .values({ hash, type, bytes })
      .orIgnore()
      .execute();
    return hash;
  }

  async find(hash: string): Promise<Pick<PictureRow, 'type' | 'bytes'> | null> {
    return this.#source.getRepository(PictureEntity).findOneBy({ hash });
  }
}
