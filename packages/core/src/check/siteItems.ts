import { contentsIn } from '../model/boxState.js';
import { digestOf } from '../model/digest.js';
import {
  findBox,
  findCable,
  findCircuit,
  findGroup,
  findLuminaire,
  findRoom,
  slotsOfGroup,
} from '../model/lookup.js';
import type { Job } from '../model/job.js';
import type { Wiring } from '../model/wiring.js';
import type { At, Finding, Walk } from '../code/rule.js';
import { wayOf } from '../materials/lengths.js';
import { isOf, liveRecords, type SiteRecord, type TickState, type Ticked } from '../wire/record.js';
import { stationOf, type Station } from './stations.js';

/** One thing at one place that only eyes and hands on site can tell. */
export interface SiteItem {
  /** The same for the same rule at the same place, whatever else of the job changes. */
  id: string;
  /** Sum of all that it rests on at its place: what was seen before that changed falls open again. */
  hash: string;
  rule: string;
  walk: Walk;
  section: string;
  what: string;
  why: string;
  look: string;
  at: At;
  station: Station;
}

/** All that touches a place: its box with what is in it, its run, or what the job says of it. */
const restsOn = (job: Job, wiring: Wiring, at: At): unknown => {
  const cable = at.cable === undefined ? undefined : findCable(wiring, at.cable);
  const box = findBox(job, at.box);
  const group = findGroup(job, at.group);
  return [
    cable
      ? [
          ...[cable.article, cable.from, cable.to, cable.existing, wayOf(job, cable.from, cable.to)],
          // Where a box is moved, the cable is moved with it.
          ...[cable.from, cable.to].map((end) => findBox(job, end)?.at ?? null),
        ]
      : null,
    box ? [box.work, box.at, box.mount, box.location, contentsIn(wiring, box.id)] : null,
    findLuminaire(job, at.luminaire) ?? null,
    findRoom(job, at.room) ?? null,
    group ? [group, slotsOfGroup(job, group.id)] : null,
    findCircuit(job, at.circuit) ?? null,
  ];
};

/**
 * Is it settled by looking? What is only assumed of a box is not: whoever looks tells what is there, and it is judged again.
 */
export const isToSee = ({ severity, questions, assumed }: Finding): boolean =>
  severity === 'verify' && questions.length === 0 && assumed === null;

/** What is to be seen on site, one item for each place: a check of many places is made at each of them. */
export const siteItems = (job: Job, wiring: Wiring, findings: readonly Finding[]): SiteItem[] => {
  const met = new Map<string, number>();
  /** Two findings of a rule at the very same place are seen one by one. */
  const idOf = (rule: string, at: At): string => {
    const key = digestOf([rule, at]);
    const before = met.get(key) ?? 0;
    met.set(key, before + 1);
    return before === 0 ? key : digestOf([rule, at, before]);
  };
  return findings.filter(isToSee).flatMap((finding) => {
    const { rule, walk, section, what, reason, remedy } = finding;
    const isListed = finding.places.length > 0;
    return (isListed ? finding.places : [finding.at]).map((at): SiteItem => ({
      ...{ rule, walk, section, what, why: reason, look: remedy, at },
      id: idOf(rule, at),
      // Words of a check that every job has say nothing of the place; those of a finding do.
      hash: digestOf([restsOn(job, wiring, at), isListed ? section : [section, what, reason]]),
      station: stationOf(job, wiring, at),
    }));
  });
};

/** How an item stands by what is on record: who saw it last, when, and what they noted. */
export interface Seen {
  state: TickState;
  /** The records that say so, the newest last; none while nobody has seen it. */
  records: SiteRecord[];
}

/** How the items of a wiring stand. What was seen and has changed since says so. */
export const seenStates = (
  records: readonly SiteRecord[],
  wiring: Ticked,
): ((item: Pick<SiteItem, 'id' | 'hash'>) => Seen) => {
  const known = new Map<string, SiteRecord[]>();
  for (const record of liveRecords(records)) {
    if (record.kind !== 'seen' || record.about.kind !== 'fact' || !isOf(record.about, wiring)) continue;
    known.set(record.about.id, [...(known.get(record.about.id) ?? []), record]);
  }
  return ({ id, hash }) => {
    const mine = known.get(id) ?? [];
    const last = mine.at(-1);
    if (!last) return { state: 'open', records: [] };
    return { state: last.about.hash === hash ? 'done' : 'changed', records: mine };
  };
};
