import { Router } from 'express';
import type { JobStore } from '../store/jobs.js';
/** Jobs over HTTP. Documents are up to 2 MB. */
export declare const jobRoutes: (store: JobStore) => Router;
