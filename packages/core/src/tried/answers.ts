import { digestOf } from '../model/digest.js';
import { contentsIn } from '../model/boxState.js';
import type { CircuitId } from '../model/ids.js';
import { reviewCircuit } from '../review/reviewJob.js';
import type { Subject as ReviewedWiring } from '../review/subject.js';
import { isOf, liveRecords, type SiteRecord, type Ticked } from '../wire/record.js';

/** How a row or a point of the sheet was answered, the last time: as expected, otherwise, or before something changed. */
export interface Tried {
  state: 'open' | 'met' | 'otherwise' | 'changed';
  saw: string;
  by: string;
  at: string;
  record: SiteRecord | null;
}

const OPEN: Tried = { state: 'open', saw: '', by: '', at: '', record: null };

/** The answers on record to what is tried of a wiring; the last one counts. */
export const triedStates = (
  records: readonly SiteRecord[],
  wiring: Ticked,
): ((asked: { id: string; hash: string }) => Tried) => {
  const last = new Map<string, SiteRecord>();
  for (const record of liveRecords(records))
    if (record.kind === 'testStep' && isOf(record.about, wiring)) last.set(record.about.id, record);
  return ({ id, hash }) => {
    const record = last.get(id);
    if (!record) return OPEN;
    const { by, at, body } = record;
    const told = { saw: typeof body['saw'] === 'string' ? body['saw'] : '', by, at, record };
    if (record.about.hash !== hash) return { ...told, state: 'changed' };
    return { ...told, state: body['met'] === true ? 'met' : 'otherwise' };
  };
};

export const SIGN_STAGES = ['roughIn', 'final', 'asBuilt'] as const;
export type SignStage = (typeof SIGN_STAGES)[number];
export const STAGE_WORDS: Record<SignStage, string> = {
  roughIn: 'Rough-in',
  final: 'Final',
  asBuilt: 'As built',
};

export interface SignOff {
  stage: SignStage;
  state: 'open' | 'signed' | 'changed';
  initials: string;
  at: string;
  record: SiteRecord | null;
}

/** A sum of all that is in the boxes of a circuit, or of every one: what was answered and signed holds as long as it is the same. */
export const signedHash = (review: ReviewedWiring, circuit: CircuitId | null): string => {
  const boxes =
    circuit === null
      ? Object.keys(review.wiring.boxes).sort()
      : [...reviewCircuit(review, circuit).boxes].sort();
  return digestOf(boxes.map((box) => [box, contentsIn(review.wiring, box)]));
};

/** Who has signed for a circuit, or for the whole job, stage by stage; what changed since falls open. */
export const signOffsOf = (
  review: ReviewedWiring,
  records: readonly SiteRecord[],
  circuit: CircuitId | null,
): SignOff[] => {
  const hash = signedHash(review, circuit);
  const kind = circuit === null ? 'job' : 'circuit';
  const id: string = circuit ?? review.job.id;
  const mine = liveRecords(records).filter(
    (one) => one.kind === 'signOff' && one.about.kind === kind && one.about.id === id,
  );
  return SIGN_STAGES.map((stage): SignOff => {
    const record = mine.filter(({ body }) => body['stage'] === stage).at(-1);
    if (!record) return { stage, state: 'open', initials: '', at: '', record: null };
    return {
      ...{ stage, initials: String(record.body['initials']), at: record.at, record },
      state: record.about.hash === hash ? 'signed' : 'changed',
    };
  });
};
