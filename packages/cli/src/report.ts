import {
  findBox,
  cubicInches,
  PANEL,
  type Circuit,
  type Group,
  type JudgedEdition,
  type ReviewedWiring,
  type Walk,
} from '@amber/core';
import type { ChangeWords } from './changeWords.js';

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

/** What narrows a command, or tells it by what to judge. */
export interface Options {
  group: Group | undefined;
  circuit: Circuit | undefined;
  edition: JudgedEdition | undefined;
  /** The edition to compare with. */
  other: JudgedEdition | undefined;
  /** At which of the inspector's walks the findings are wanted; both where none is named. */
  walk: Walk | undefined;
  /** Tell the smallest box of the stock for each place too. */
  smallest: boolean;
  change: ChangeWords;
  /** What was seen of a fault, and by whom it is looked for. */
  diagnosis: { seen: readonly string[]; history: string | undefined; electrician: boolean };
  /** What comes into boxes whose wires nobody knows, and what was read of them. */
  identification: { comes: readonly string[]; read: readonly string[] };
}

/** A command on one wiring of a job. */
export type Command = (subject: ReviewedWiring, options: Options) => Report | Refused;

/** A volume without its unit. */
export const plainVolume = (volume: number): string => cubicInches(volume).replace(' in³', '');

/** The name of a place as people know it. */
export const placeName = ({ job }: ReviewedWiring, place: string): string =>
  place === PANEL ? 'panel' : (findBox(job, place)?.name ?? place);
