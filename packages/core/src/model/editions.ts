import * as z from 'zod';

/** Editions of the National Electrical Code offered for new work. The last is judged as the one before it: its sections are not verified. */
export const EDITIONS = [2011, 2014, 2017, 2020, 2023, 2026] as const;
export const editionSchema = z.literal(EDITIONS);
export type Edition = z.infer<typeof editionSchema>;
/**
 * Existing work is judged by the edition of its day, which may be an older one: 2008 stands for those of 1999 to 2008, 1996 for all before
 * 1999, when a white in a switch loop had to be marked for the first time; 1984 for those of 1962 to 1984, when insulation stood 60 C, and 1959 for
 * all before 1962, when no ground was expected in a cable.
 */
export const JUDGED_EDITIONS = [1959, 1984, 1996, 2008, ...EDITIONS] as const;
export const judgedEditionSchema = z.literal(JUDGED_EDITIONS);
export type JudgedEdition = z.infer<typeof judgedEditionSchema>;
