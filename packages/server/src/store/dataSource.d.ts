import { DataSource } from 'typeorm';
/** A data source on the MariaDB of this URL, migrations not yet run. */
export declare const dataSourceOf: (url: string) => DataSource;
