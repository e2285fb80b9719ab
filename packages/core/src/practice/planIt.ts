import { beginPlace } from '../edits/everyday/beginPlace.js';
import { EVERYDAY } from '../edits/everyday/places.js';
import { standardStock } from '../materials/standardStock.js';
import type { Edition } from '../model/editions.js';
import { PANEL, type BoxId, type CircuitId, type JobId, type Place } from '../model/ids.js';
import { choiceSchema, type Job } from '../model/job.js';
import { newJob } from '../model/newJob.js';
import { withChoice } from '../plans/withChoice.js';
import { baselineOf } from '../plans/baseline.js';
import { measureReview, type LaidRun, type Measures } from '../plans/measures.js';
import { reviewJob } from '../review/reviewJob.js';
import type { PlanLevel } from '../wire/practised.js';
import { ROOMS } from './laidOut.js';
import { picking } from './picking.js';

export interface PlanItAsked {
  level: PlanLevel;
  /** The same seed gives the same exercise. A whole number. */
  seed: number;
  edition: Edition;
}

/** A place with its switches and luminaires on the plan, and no cable laid yet. */
export interface PlanIt {
  asked: PlanItAsked;
  job: Job;
  circuit: CircuitId;
}

/** How far beyond a wall the panel may stand, feet. */
const PANEL_AWAY = { least: 4, most: 18 };

/** An everyday place of a size drawn from the seed, measured, with the panel somewhere beyond its walls. */
export const drawPlanIt = (asked: PlanItAsked): PlanIt => {
  const pick = picking(asked.seed + 5);
  const name = pick.of(ROOMS);
  const [room] = EVERYDAY[asked.level].rooms;
  const inFeet = (inches: number): number => 12 * Math.round((inches * (0.8 + 0.1 * pick.upTo(7))) / 12);
  const size = { width: inFeet(room.width), depth: inFeet(room.depth) };
  const empty = newJob(`plan-${asked.level}-${asked.seed}` as JobId, 'Practice', standardStock());
  const begun = beginPlace(
    { ...empty, edition: asked.edition },
    { place: asked.level, stem: 'plan', name, power: 'panel', ...size },
  );
  const corners = begun.rooms.flatMap(({ outline }) => outline ?? []);
  const [xs, ys] = [corners.map(({ x }) => x), corners.map(({ y }) => y)];
  const away = 12 * (PANEL_AWAY.least + pick.upTo(PANEL_AWAY.most - PANEL_AWAY.least));
  const at =
    pick.upTo(2) === 0
      ? { x: Math.max(...xs) + away, y: Math.min(...ys) + pick.upTo(size.depth) }
      : { x: Math.min(...xs) + pick.upTo(size.width), y: Math.max(...ys) + away };
  const circuit = begun.circuits[0]?.id;
  if (!circuit) throw new Error(`No circuit is begun in ${asked.level}.`);
  return {
    asked,
    circuit,
    job: {
      ...begun,
      routing: { ...begun.routing, panel: { level: null, at: { ...at, z: 60 } } },
      // Asked of nobody here: it is a room that is lived in, and one does not see all of its floor from each switch.
      rooms: begun.rooms.map((one) => ({
        ...one,
        kind: one.kind === 'unknown' ? 'habitable' : one.kind,
        wholeFloorVisible: 'no',
        // What is drawn here is what it measures.
        rough: false,
      })),
      boxes: begun.boxes.map((box) => ({ ...box, accessible: 'no' })),
    },
  };
};

/** What cables come to that somebody has laid; or why no circuit can be made of them yet. */
export type Laid =
  | {
      ok: true;
      measures: Measures;
      cables: LaidRun[];
      /** What it would violate, in a sentence each. */
      violations: string[];
      /** The job with its circuit planned this way. */
      job: Job;
    }
  | { ok: false; why: string };

/** Cables between places, each told once, whichever way. The planner says what each carries, and the order of the switches. */
export const layCables = (
  { job, circuit }: Pick<PlanIt, 'job' | 'circuit'>,
  cables: readonly (readonly [Place, Place])[],
): Laid => {
  const feed = job.feeds.find((one) => one.circuit === circuit);
  if (!feed) throw new Error('The exercise has no feed.');
  const reached = new Set<string>(cables.flat());
  const [lone] = [...job.slots, ...job.luminaires].filter(({ box }) => !reached.has(box));
  const name = (id: BoxId) => job.boxes.find((box) => box.id === id)?.name ?? id;
  if (!reached.has(PANEL)) return { ok: false, why: 'No cable comes from the panel yet.' };
  if (lone) return { ok: false, why: `No cable comes to ${name(lone.box)} yet.` };
  const runs = cables.map(([from, to]) => ({ from, to }));
  const choice = choiceSchema.parse({ circuit, feed: feed.id, runs });
  const review = reviewJob(withChoice(job, circuit, choice));
  const measured = measureReview(review, circuit, baselineOf(job, circuit));
  if (!measured) {
    const refusal = review.findings.find(({ kind }) => kind === 'refusal');
    return {
      ok: false,
      why: refusal ? `${refusal.title}. ${refusal.reason}` : 'It cannot be wired this way.',
    };
  }
  return {
    ok: true,
    measures: measured.measures,
    cables: measured.runs,
    violations: review.findings
      .filter(({ severity }) => severity === 'violation')
      .map(({ title, reason }) => `${title}. ${reason}`),
    job: review.job,
  };
};

/** So much dearer than the least, as a part of it, is still well laid. */
export const WELL_LAID = 0.05;

/** How well cables are laid beside the least that any way costs, and beside a master's choice where that is known; money in ten-thousandths of a dollar. */
export const judgePlanIt = (
  laid: Extract<Laid, { ok: true }>,
  best: { least: number; masters: number | null },
): { right: boolean; more: number } => {
  const allowed = Math.max(best.least * (1 + WELL_LAID), best.masters ?? 0);
  return {
    right: laid.violations.length === 0 && laid.measures.cost <= allowed,
    more: Math.max(0, laid.measures.cost - best.least),
  };
};
