import { type Express } from 'express';
import type { JobStore } from '../store/jobs.js';
export interface AppOptions {
    store: JobStore;
    /** Folder of the built pages; none in tests of the API. */
    webRoot?: string;
    /** Host names beside loopback under which the server may be reached. */
    hosts?: readonly string[];
}
/** A fresh application, not listening, so that a test can have ten. */
export declare const createApp: ({ store, webRoot, hosts }: AppOptions) => Express;
