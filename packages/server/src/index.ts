export { createApp, type AppOptions } from './http/app.js';
export { CatalogStore, type Catalog } from './store/catalog.js';
export { dataSourceOf } from './store/dataSource.js';
export { prepareDatabase } from './store/prepare.js';
export { loadDemo } from './store/demo.js';
export { JobStore, type JobHead, type StoredJob, type RevisionHead } from './store/jobs.js';
export { PictureStore } from './store/pictures.js';
export { TickStore } from './store/ticks.js';
