import type { MigrationInterface, QueryRunner } from 'typeorm';
/** Jobs, every revision of each, and the notes of the installation. */
export declare class Jobs1700000000001 implements MigrationInterface {
    name: string;
    up(runner: QueryRunner): Promise<void>;
    down(runner: QueryRunner): Promise<void>;
}
