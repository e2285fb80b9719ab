import type { CircuitId, LuminaireId } from '../model/ids.js';
import { seenSchema, type Observation, type Seen } from '../diagnosis/question.js';
import type { Tried } from './answers.js';
import type { Sheet, SheetRow } from './sheet.js';

/** What is put on record where a position tripped the breaker: it is not tried again with power. */
export const SAW_TRIPPED = 'the breaker tripped';

const isSeen = (word: string): word is Seen => seenSchema.safeParse(word).success;

/** What a row of the sheet that was answered tells of a fault; null where its words tell nothing that a finder can reckon with. */
const ofRow = (row: SheetRow, { state, saw }: Tried): Observation | null => {
  const question = { kind: 'flip' as const, positions: row.positions };
  if (state === 'otherwise' && saw === SAW_TRIPPED) return { question, answer: { kind: 'tripped' } };
  const told = row.lights.flatMap(({ luminaire, light }): [LuminaireId, Seen][] => {
    if (state === 'met' && saw === '') return light === 'unknown' ? [] : [[luminaire, light]];
    return (state === 'otherwise' || state === 'met') && isSeen(saw) ? [[luminaire, saw]] : [];
  });
  return told.length === 0 ? null : { question, answer: { kind: 'lights', seen: Object.fromEntries(told) } };
};

/** What was seen of a circuit while its sheet was walked: a fault is looked for from there on. */
export const seenOnSheet = (
  sheet: Sheet,
  circuit: CircuitId,
  stateOf: (row: SheetRow) => Tried,
): Observation[] =>
  sheet.groups
    .filter((group) => group.circuit === circuit)
    .flatMap(({ rows }) => rows.flatMap((row) => ofRow(row, stateOf(row)) ?? []));
