import { boxesOfCircuit, findBox, findLevel, findRoom, waitsWithoutBox } from '../model/lookup.js';
import { holdOf } from '../layout/holds.js';
import { ceilingOf } from '../model/ceiling.js';
import { PANEL, type Place } from '../model/ids.js';
import { runFactOf, type Job } from '../model/job.js';
import type { Access, Point, Route, WallFact } from '../model/place.js';
import type { Cable } from '../model/wiring.js';

/** Cut lengths are rounded up to this, inches. */
export const CUT_STEP = 6;
/** Sheath left inside each box, inches; at least 1/4 in is asked for, half of one is cut. */
const SHEATH_INSIDE = 0.5;

interface Spot extends Point {
  /** Height of the floor it stands on, and of the ceiling above that floor, inches over the lowest floor. */
  floor: number;
  ceiling: number;
}

/** A job is never mutated, so where its places stand is found once: the search asks for every pair of them. */
const spots = new WeakMap<Job, Map<Place, Spot | null>>();

/** Where a place stands; null while nobody has said. */
const spotOf = (job: Job, place: Place): Spot | null => {
  const known = spots.get(job) ?? new Map<Place, Spot | null>();
  spots.set(job, known);
  const before = known.get(place);
  if (before !== undefined) return before;
  const found = findSpot(job, place);
  known.set(place, found);
  return found;
};

const findSpot = (job: Job, place: Place): Spot | null => {
  const box = findBox(job, place);
  const found = place === PANEL ? job.routing.panel : box?.at && { level: box.level, at: box.at };
  if (!found) return null;
  const level = findLevel(job, found.level);
  const room = findRoom(job, box?.room);
  const floor = level?.elevation ?? 0;
  return {
    ...found.at,
    floor,
    ceiling: floor + ceilingOf(job, { ceiling: room?.ceiling ?? null, level: found.level }),
  };
};

/** What is said of the wall that a place is on. */
const wallFactAt = (job: Job, place: Place): WallFact | undefined => {
  const box = findBox(job, place);
  const room = findRoom(job, box?.room);
  if (!box || !room || room.walls.length === 0) return undefined;
  const hold = holdOf(job, box);
  return room.walls.find((one) => one.wall === hold?.wall.index);
};

/**
 * The way a run takes and how it is got to: by its own facts, else by the walls at its ends, else by those of the job. Of
 * two walls the access that takes longer holds for the run; where they ask for two ways, the job decides.
 */
export const wayOf = (job: Job, a: Place, b: Place): { route: Route; access: Access } => {
  const fact = runFactOf(job, a, b);
  const walls = [a, b].flatMap((place) => wallFactAt(job, place) ?? []);
  const routes = [...new Set(walls.flatMap(({ route }) => route ?? []))];
  const [access] = walls
    .flatMap((one) => one.access ?? [])
    .sort((one, other) => job.labour.foot[other] - job.labour.foot[one]);
  return {
    route: fact?.route ?? (routes.length === 1 ? routes[0] : undefined) ?? job.routing.route,
    access: fact?.access ?? access ?? job.routing.access,
  };
};

/** Vertical legs between two heights by a route: up to the higher ceiling, straight, or down to the lower floor. */
const verticalLegs = (a: Spot, b: Spot, route: Route): number => {
  const [za, zb] = [a.floor + a.z, b.floor + b.z];
  // From one floor to another the run passes the floor between, whatever its way on the level.
  if (route === 'through' || a.floor !== b.floor) return Math.abs(za - zb);
  const plane = route === 'over' ? Math.max(a.ceiling, b.ceiling, za, zb) : Math.min(a.floor, za, zb);
  return Math.abs(plane - za) + Math.abs(plane - zb);
};

/**
 * Length along the run from box to box, inches: vertical legs and the horizontal distance along the axes. Null while
 * the position of either end is not known.
 */
export const estimateRun = (job: Job, a: Place, b: Place): number | null => {
  const [from, to] = [spotOf(job, a), spotOf(job, b)];
  if (!from || !to) return null;
  const level = Math.abs(from.x - to.x) + Math.abs(from.y - to.y);
  return level + verticalLegs(from, to, wayOf(job, a, b).route);
};

/** Measured, or by where its ends are, inches; null where nobody knows. */
const knownLength = (job: Job, a: Place, b: Place): number | null =>
  runFactOf(job, a, b)?.length ?? estimateRun(job, a, b);

/** The longest that is known of the home runs and of the other runs of a circuit, inches. */
interface Longest {
  home: number;
  other: number;
}
const longest = new WeakMap<Job, Map<string, Longest>>();

const longestOf = (job: Job, circuit: string): Longest => {
  const known = longest.get(job) ?? new Map<string, Longest>();
  longest.set(job, known);
  const before = known.get(circuit);
  if (before) return before;
  const boxes = [
    ...new Set([
      ...boxesOfCircuit(job, circuit),
      ...job.feeds.flatMap((feed) => (feed.circuit === circuit && feed.at !== PANEL ? [feed.at] : [])),
    ]),
  ];
  const most = (pairs: readonly (readonly [Place, Place])[]) =>
    Math.max(0, ...pairs.map(([a, b]) => knownLength(job, a, b) ?? 0));
  const made: Longest = {
    home: most(boxes.map((box) => [PANEL, box] as const)),
    other: most(boxes.flatMap((a, i) => boxes.slice(i + 1).map((b) => [a, b] as const))),
  };
  known.set(circuit, made);
  return made;
};

/** What a run counts of which nothing is known: what the job guesses, and no less than the longest that is known of its kind. */
const guessedLength = (job: Job, a: Place, b: Place): number => {
  const isHome = a === PANEL || b === PANEL;
  const circuits = job.circuits.filter(({ id }) => {
    const boxes: Place[] = boxesOfCircuit(job, id);
    return boxes.includes(a) || boxes.includes(b);
  });
  const known = circuits.map(({ id }) => longestOf(job, id)[isHome ? 'home' : 'other']);
  return Math.max(isHome ? job.routing.homeRunGuess : job.routing.runGuess, ...known);
};

/** A measured length replaces the estimate, and says so. No run is free: what nobody knows is guessed. */
export const runLength = (job: Job, a: Place, b: Place): Pick<Cable, 'length' | 'lengthSource'> => {
  const measured = runFactOf(job, a, b)?.length ?? null;
  if (measured !== null) return { length: measured, lengthSource: 'measured' };
  const estimated = estimateRun(job, a, b);
  if (estimated !== null) return { length: estimated, lengthSource: 'estimated' };
  return { length: guessedLength(job, a, b), lengthSource: 'guessed' };
};

/** How a cut length came about, so that nothing in it is hidden. All inches. */
export interface CutLength {
  run: number;
  /** For bends and detours; on an estimate only. */
  allowance: number;
  /** Sheath and free conductor at both ends. */
  ends: number;
  /** Left in loops of boxes it passes through. */
  loops: number;
  cut: number;
}

/** Least conductor in an unbroken loop, inches: twice the free length (300.14). */
const LOOP = 12;

/** Left coiled where no box waits for it and the luminaire brings its own, inches. */
const COILED = 24;

/** The length to cut a cable to, rounded up to half a foot; null while its run has no length. */
export const cutLength = (
  job: Job,
  cable: Pick<Cable, 'from' | 'to' | 'via' | 'length' | 'lengthSource'>,
): CutLength | null => {
  if (cable.length === null) return null;
  const allowance = cable.lengthSource === 'estimated' ? (cable.length * job.routing.allowance) / 100 : 0;
  const inBox = job.preferences.freeConductor + SHEATH_INSIDE;
  const ends = [cable.from, cable.to].reduce(
    (sum, place) =>
      sum + (place === PANEL ? job.routing.atPanel : waitsWithoutBox(job, place) ? COILED : inBox),
    0,
  );
  const loops = cable.via.filter((one) => one.loop).length * LOOP;
  const exact = cable.length + allowance + ends + loops;
  return { run: cable.length, allowance, ends, loops, cut: Math.ceil(exact / CUT_STEP) * CUT_STEP };
};
