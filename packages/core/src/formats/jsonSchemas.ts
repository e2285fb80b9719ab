import * as z from 'zod';
import { jobShape } from '../model/job.js';
import {
  compareReportSchema,
  fillReportSchema,
  findingsReportSchema,
  netlistReportSchema,
  simulateReportSchema,
  takeOffReportSchema,
  validateReportSchema,
} from './reports.js';
import { worksheetSchema } from './worksheet.js';

/** Every format of the program, read or written: its schema and what it is called. */
export const FORMATS = {
  job: { title: 'Job file', schema: jobShape },
  worksheet: { title: 'Box-fill worksheet', schema: worksheetSchema },
  simulate: { title: 'Truth tables', schema: simulateReportSchema },
  fill: { title: 'Box fill', schema: fillReportSchema },
  takeoff: { title: 'Take-off, cut list, coils, labour and cost', schema: takeOffReportSchema },
  netlist: { title: 'SPICE netlists', schema: netlistReportSchema },
  compare: { title: 'Two editions compared', schema: compareReportSchema },
  inspect: { title: 'Findings', schema: findingsReportSchema },
  validate: { title: 'Validation', schema: validateReportSchema },
} as const;
export type FormatName = keyof typeof FORMATS;

/** The JSON Schema (draft 2020-12) of a format, as it is read; what has a default may be left out. */
export const jsonSchemaOf = (name: FormatName): object => {
  const { title, schema } = FORMATS[name];
  return { title, ...z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) };
};
