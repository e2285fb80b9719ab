import { EntitySchema } from 'typeorm';
/** The head of a job: which revision is current, and what a list shows of it. */
export interface JobRow {
    id: string;
    name: string;
    revision: number;
    /** JSON of JobSummary, so that the list need not open every document. */
    summary: string;
    createdAt: Date;
    updatedAt: Date;
    deletedAt: Date | null;
}
/** Every save ever acknowledged, and every save that lost; those have no revision of their own. */
export interface RevisionRow {
    id: number;
    jobId: string;
    revision: number | null;
    parent: number;
    saveId: string;
    /** The job file, gzip. */
    document: Buffer;
    savedAt: Date;
}
/** What the installation remembers of itself, such as that the demo was loaded. */
export interface NoteRow {
    name: string;
    value: string;
}
export declare const JobEntity: EntitySchema<JobRow>;
export declare const RevisionEntity: EntitySchema<RevisionRow>;
export declare const NoteEntity: EntitySchema<NoteRow>;
