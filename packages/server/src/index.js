export { createApp } from './http/app.js';
export { dataSourceOf } from './store/dataSource.js';
export { loadDemo } from './store/demo.js';
export { JobStore } from './store/jobs.js';
//# sourceMappingURL=index.js.map