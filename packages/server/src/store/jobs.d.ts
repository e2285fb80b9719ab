import { type DataSource } from 'typeorm';
import { type FileFault, type Job, type JobSummary } from '@amber/core';
export interface JobHead {
    id: string;
    name: string;
    revision: number;
    updatedAt: string;
    summary: JobSummary;
}
export interface StoredJob {
    revision: number;
    document: Job;
}
export interface RevisionHead {
    saveId: string;
    revision: number | null;
    parent: number;
    savedAt: string;
}
export type SaveOutcome = {
    kind: 'saved';
    revision: number;
} | {
    kind: 'lost';
    current: StoredJob;
} | {
    kind: 'missing';
};
export type OpenOutcome = {
    kind: 'open';
    job: StoredJob;
} | {
    kind: 'missing';
} | {
    kind: 'unreadable';
    faults: FileFault[];
};
/** Jobs and their revisions. Every method is one transaction; an acknowledged save is on disk. */
export declare class JobStore {
    #private;
    constructor(source: DataSource);
    ping(): Promise<void>;
    /** Jobs that are not deleted, the last changed first. */
    list(): Promise<JobHead[]>;
    /** Stores a new job as revision 1. False where the id is taken; the same save again is true. */
    create(job: Job, saveId: string): Promise<boolean>;
    open(id: string, revision?: number): Promise<OpenOutcome>;
    /**
     * Saves a job over the revision it was read as. The head moves only while it still stands there, in the same
     * transaction that keeps the document. A save that lost is kept too, without a revision, and the newer one is given back.
     * A save id that was answered before is answered the same again.
     */
    save(job: Job, parent: number, saveId: string): Promise<SaveOutcome>;
    /** Deletes so that it can be undone. */
    remove(id: string): Promise<boolean>;
    restore(id: string): Promise<boolean>;
    /** A copy under a new id and name; the wiring goes along. */
    duplicate(id: string): Promise<OpenOutcome>;
    /** Every save of a job, the newest first; those that lost have no revision. */
    revisions(id: string): Promise<RevisionHead[]>;
}
