export { createApp, type AppOptions } from './http/app.js';
export { CatalogStore } from './store/catalog.js';
export { dataSourceOf } from './store/dataSource.js';
export { prepareDatabase } from './store/prepare.js';
export { loadDemo } from './store/demo.js';
export { JobStore } from './store/jobs.js';
export { PictureStore } from './store/pictures.js';
export { RecordStore } from './store/records.js';
