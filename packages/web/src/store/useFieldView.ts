import type { Me } from '@amber/core';
import { jobsApi } from '../server/api.js';

/** What a device with the field view is told where it would change something. */
export const FIELD_VIEW =
  'This device has the field view: it ticks, records and photographs. Changes are made on the machine itself, or on a device that came in by the other code.';

/** Who this device is, as far as the gate of the program has asked. */
export const useMe = (): Me | undefined => jobsApi.endpoints.me.useQueryState().data;

/** Does this device tick, record and photograph only? */
export const useFieldView = (): boolean => useMe()?.role === 'field';
