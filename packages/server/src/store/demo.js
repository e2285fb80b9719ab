import { readFileSync } from 'node:fs';
import { planJob, readJob, standardStock } from '@amber/core';
import { NoteEntity } from './entities.js';
/**
 * Loads the demo job once in the life of a database, planned by the core: the file holds layout and choices only. One
 * that was deleted stays deleted.
 */
export const loadDemo = async (source, store, file) => {
    const notes = source.getRepository(NoteEntity);
    if (await notes.findOneBy({ name: 'demo' }))
        return;
    const read = readJob({ stock: standardStock(), ...JSON.parse(readFileSync(file, 'utf8')) });
    if (!read.ok)
        throw new Error(`The demo file is not a job: ${read.faults.map((f) => `${f.path}: ${f.message}`).join('; ')}`);
    await store.create(planJob(read.job).job, 'demo');
    await notes.insert({ name: 'demo', value: read.job.id });
};
//# sourceMappingURL=demo.js.map