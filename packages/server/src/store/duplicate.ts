import { QueryFailedError } from 'typeorm';

/** Was a row refused because one with its key is there? */
export const isDuplicate = (error: unknown): boolean =>
  error instanceof QueryFailedError && (error.driverError as { code?: string }).code === 'ER_DUP_ENTRY';
