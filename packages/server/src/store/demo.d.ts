import type { DataSource } from 'typeorm';
import type { JobStore } from './jobs.js';
/**
 * Loads the demo job once in the life of a database, planned by the core: the file holds layout and choices only. One
 * that was deleted stays deleted.
 */
export declare const loadDemo: (source: DataSource, store: JobStore, file: string) => Promise<void>;
