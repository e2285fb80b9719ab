import type { RoomId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { findRoom } from '../model/lookup.js';
import type { Wiring } from '../model/wiring.js';
import { questionKey } from '../code/questions.js';
import type { Finding, Walk } from '../code/rule.js';
import { isToSee, siteItems, type Seen, type SiteItem } from './siteItems.js';
import { stationOf, type Station } from './stations.js';

/** All that is to be said or seen at one place. */
export interface Stop {
  station: Station;
  /** Violations, cautions, what is waived and what is so if an old box is wired as is usual, the worst first. */
  findings: Finding[];
  questions: Finding[];
  items: SiteItem[];
}

/** One room of a walk; null for what is in none. */
export interface WalkRoom {
  room: RoomId | null;
  name: string;
  stops: Stop[];
}

const KINDS: readonly Station['kind'][] = ['room', 'circuit', 'box', 'run', 'job'];

/** The stops of a walk, room by room in the order of the job, in each room what is of the room, then its boxes, then its runs. */
export const walkThrough = (
  job: Job,
  wiring: Wiring,
  all: readonly Finding[],
  walk: Walk,
  items: readonly SiteItem[] = siteItems(job, wiring, all),
): WalkRoom[] => {
  const findings = all.filter((one) => one.walk === walk);
  const stops = new Map<string, Stop>();
  const stopAt = (station: Station): Stop => {
    const key = `${station.kind} ${station.id}`;
    const stop = stops.get(key) ?? { station, findings: [], questions: [], items: [] };
    stops.set(key, stop);
    return stop;
  };
  for (const finding of findings) {
    const stop = () => stopAt(stationOf(job, wiring, finding.at));
    // What is wrong as far as is known is no mere question, though an answer may settle it.
    if (finding.severity === 'verify' && finding.questions.length > 0) stop().questions.push(finding);
    else if (!isToSee(finding)) stop().findings.push(finding);
  }
  for (const item of items) if (item.walk === walk) stopAt(item.station).items.push(item);
  const boxOrder = new Map<string, number>(job.boxes.map(({ id }, i) => [id, i]));
  const inOrder = [...stops.values()].sort(
    (a, b) =>
      KINDS.indexOf(a.station.kind) - KINDS.indexOf(b.station.kind) ||
      (boxOrder.get(a.station.id) ?? 0) - (boxOrder.get(b.station.id) ?? 0),
  );
  return [...job.rooms.map(({ id }): RoomId | null => id), null].flatMap((room) => {
    const mine = inOrder.filter(({ station }) => station.room === room);
    if (mine.length === 0) return [];
    return [{ room, name: findRoom(job, room)?.name ?? 'The job and its circuits', stops: mine }];
  });
};

/** What stands against a walk, counted. What goes most likely with another finding is not counted again. */
export interface WalkCount {
  unfinished: number;
  violations: number;
  cautions: number;
  questions: number;
  /** To be seen on site: still open, those of them that were seen before they changed, and those that are done. */
  toSee: number;
  changed: number;
  seen: number;
}

export const countWalk = (
  all: readonly Finding[],
  items: readonly SiteItem[],
  walk: Walk,
  seen: (item: SiteItem) => Seen,
): WalkCount => {
  const findings = all.filter((one) => one.walk === walk);
  const roots = findings.filter((one) => one.follows === null);
  const states = items.flatMap((item) => (item.walk === walk ? [seen(item).state] : []));
  const count = (test: (one: Finding) => boolean) => roots.filter(test).length;
  return {
    unfinished: count(({ severity }) => severity === 'unfinished'),
    violations: count(({ severity }) => severity === 'violation'),
    cautions: count(({ severity }) => severity === 'caution'),
    questions: new Set(findings.flatMap((one) => one.questions.map(questionKey))).size,
    toSee: states.filter((state) => state !== 'done').length,
    changed: states.filter((state) => state === 'changed').length,
    seen: states.filter((state) => state === 'done').length,
  };
};
