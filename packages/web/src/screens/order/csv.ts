import { csvOf, type SheetRows } from '@amber/core';
import { saveFile } from '../../parts/saveFile.js';

/** Hands a table to the browser as a CSV file, named by the job and by what it is. */
export const saveCsv = (job: { name: string }, what: string, rows: SheetRows): void =>
  saveFile(`${job.name}, ${what}.csv`, 'text/csv;charset=utf-8', csvOf(rows));
