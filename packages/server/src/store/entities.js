import { EntitySchema } from 'typeorm';
const moment = { type: 'datetime', precision: 3 };
const now = { default: () => 'CURRENT_TIMESTAMP(3)' };
export const JobEntity = new EntitySchema({
    name: 'job',
    tableName: 'jobs',
    columns: {
        id: { type: 'varchar', length: 200, primary: true },
        name: { type: 'varchar', length: 200 },
        revision: { type: 'int' },
        summary: { type: 'mediumtext' },
        createdAt: { ...moment, ...now, name: 'created_at' },
        updatedAt: { ...moment, ...now, name: 'updated_at' },
        deletedAt: { ...moment, name: 'deleted_at', nullable: true },
    },
});
export const RevisionEntity = new EntitySchema({
    name: 'revision',
    tableName: 'revisions',
    columns: {
        id: { type: 'int', primary: true, generated: 'increment' },
        jobId: { type: 'varchar', length: 200, name: 'job_id' },
        revision: { type: 'int', nullable: true },
        parent: { type: 'int' },
        saveId: { type: 'varchar', length: 100, name: 'save_id' },
        document: { type: 'mediumblob' },
        savedAt: { ...moment, ...now, name: 'saved_at' },
    },
    indices: [
        { name: 'revisions_one_save', columns: ['jobId', 'saveId'], unique: true },
        { name: 'revisions_one_each', columns: ['jobId', 'revision'], unique: true },
    ],
});
export const NoteEntity = new EntitySchema({
    name: 'note',
    tableName: 'notes',
    columns: {
        name: { type: 'varchar', length: 100, primary: true },
        value: { type: 'varchar', length: 1000 },
    },
});
//# sourceMappingURL=entities.js.map