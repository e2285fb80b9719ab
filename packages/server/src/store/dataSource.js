import { DataSource } from 'typeorm';
import { JobEntity, NoteEntity, RevisionEntity } from './entities.js';
import { Jobs1700000000001 } from './migrations.js';
/** A data source on the MariaDB of this URL, migrations not yet run. */
export const dataSourceOf = (url) => new DataSource({
    type: 'mariadb',
    url,
    charset: 'utf8mb4_unicode_ci',
    timezone: 'Z',
    entities: [JobEntity, RevisionEntity, NoteEntity],
    migrations: [Jobs1700000000001],
    extra: { connectionLimit: 10 },
});
//# sourceMappingURL=dataSource.js.map