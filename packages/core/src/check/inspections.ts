import type { Walk } from '../code/rule.js';
import { liveRecords, type SiteRecord } from '../wire/record.js';

/** What the inspector asked to be put right, and how it was. */
export interface Correction {
  record: SiteRecord;
  walk: Walk;
  text: string;
  cleared: { record: SiteRecord; how: string } | null;
}

/** An inspection that was asked for or held. `on` is a day, YYYY-MM-DD. */
export interface InspectionEntry {
  record: SiteRecord;
  walk: Walk;
  state: 'asked' | 'held';
  on: string;
  /** What the inspector said, as it was noted. */
  note: string;
}

/** Permit, inspections and corrections of a job, by what is on record. */
export interface InspectionBook {
  permit: { record: SiteRecord; number: string; authority: string } | null;
  inspections: InspectionEntry[];
  corrections: Correction[];
}

export const inspectionBook = (records: readonly SiteRecord[]): InspectionBook => {
  const live = liveRecords(records);
  const of = (kind: SiteRecord['kind']) => live.filter((one) => one.kind === kind);
  const text = (record: SiteRecord, field: string): string => {
    const value = record.body[field];
    return typeof value === 'string' ? value : '';
  };
  const permit = of('permit').at(-1);
  const cleared = new Map(of('cleared').map((record) => [record.about.id, record]));
  return {
    permit: permit
      ? { record: permit, number: text(permit, 'number'), authority: text(permit, 'authority') }
      : null,
    inspections: of('inspection').map((record) => ({
      record,
      walk: record.body['walk'] as Walk,
      state: record.body['state'] as InspectionEntry['state'],
      on: text(record, 'on'),
      note: text(record, 'note'),
    })),
    corrections: of('correction').map((record) => {
      const by = cleared.get(record.id);
      return {
        record,
        walk: record.body['walk'] as Walk,
        text: text(record, 'text'),
        cleared: by ? { record: by, how: text(by, 'how') } : null,
      };
    }),
  };
};
