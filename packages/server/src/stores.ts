import type { DataSource } from 'typeorm';
import { JobWatch } from './http/watch.js';
import { ShareStore } from './share/shareStore.js';
import { CatalogStore } from './store/catalog.js';
import { DeviceStore } from './store/devices.js';
import { JobStore } from './store/jobs.js';
import { PictureStore } from './store/pictures.js';
import { PractisedStore } from './store/practised.js';
import { RecordStore } from './store/records.js';
import type { Summarise } from './summary/summarise.js';

/** All that the application asks, on one database. `summarise`: where it is worked out what lists show; `poll`: see JobWatch. */
export const storesOn = (
  source: DataSource,
  { summarise, poll }: { summarise?: Summarise; poll?: number } = {},
) => {
  const store = new JobStore(source, summarise);
  const [pictures, records] = [new PictureStore(source), new RecordStore(source)];
  return {
    ...{ store, pictures, records },
    catalog: new CatalogStore(source),
    devices: new DeviceStore(source),
    practised: new PractisedStore(source),
    watch: new JobWatch(source, poll),
    shares: new ShareStore(source, store, records, pictures),
  };
};

export type Stores = ReturnType<typeof storesOn>;
