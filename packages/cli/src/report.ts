import { cubicInches, PANEL, type Group, type Subject } from '@amber/core';

/** What a command gives: lines for people, the same as data, and whether the job violates a rule. */
export interface Report {
  lines: string[];
  data: unknown;
  violates: boolean;
}

/** Bad input: what is said of it, line by line. */
export interface Refused {
  refused: string[];
}

/** A command on one wiring of a job, on one control group of it where that is named. */
export type Command = (subject: Subject, group: Group | undefined) => Report | Refused;

/** A volume without its unit. */
export const plainVolume = (volume: number): string => cubicInches(volume).replace(' in³', '');

/** The name of a place as people know it. */
export const placeName = ({ job }: Subject, place: string): string =>
  place === PANEL ? 'panel' : (job.boxes.find((one) => one.id === place)?.name ?? place);
