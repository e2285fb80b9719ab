import { promisify } from 'node:util';
import { gunzipSync, gzip } from 'node:zlib';
import { readJob, type Job } from '@amber/core';

const zip = promisify(gzip);

/** A document as it is stored: its JSON, gzip. */
export const pack = (job: Job): Promise<Buffer> => zip(JSON.stringify(job));

/** What is stored, as it is; throws where it cannot be unpacked. */
export const unpack = (document: Uint8Array): unknown => JSON.parse(gunzipSync(document).toString('utf8'));

/** The job of a stored document, or all that keeps this program from reading it; throws where it cannot be unpacked. */
export const readPacked = (document: Uint8Array) => readJob(unpack(document));
