import { digestOf } from '../model/digest.js';
import type { CableId } from '../model/ids.js';
import type { Cut } from '../materials/cutList.js';
import { isOf, liveRecords, type SiteRecord, type TickState, type Ticked } from '../wire/record.js';

/** Is a cable cut, and is it pulled, by what is on record; `changed` where its kind, its places or its length have changed since. */
export interface CutState {
  cut: TickState;
  pulled: TickState;
  /** The records that say so. */
  records: SiteRecord[];
}

/** Sum of what a cut rests on: what is cut before that changed is to be looked at again. */
export const cutHash = ({ article, from, to, length }: Cut): string =>
  digestOf([article, from, to, length?.cut ?? null]);

/** How cuts of a wiring stand. */
export const cutStates = (records: readonly SiteRecord[], wiring: Ticked): ((cut: Cut) => CutState) => {
  const known = new Map<CableId, SiteRecord[]>();
  for (const record of liveRecords(records)) {
    if ((record.kind !== 'cut' && record.kind !== 'pulled') || !isOf(record.about, wiring)) continue;
    const id = record.about.id as CableId;
    known.set(id, [...(known.get(id) ?? []), record]);
  }
  return (cut) => {
    const mine = known.get(cut.cable) ?? [];
    const stateOf = (kind: 'cut' | 'pulled'): TickState => {
      const last = mine.filter((one) => one.kind === kind).at(-1);
      if (!last) return 'open';
      return last.about.hash === null || last.about.hash === cutHash(cut) ? 'done' : 'changed';
    };
    return { cut: stateOf('cut'), pulled: stateOf('pulled'), records: mine };
  };
};
