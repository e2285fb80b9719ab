import type { LevelId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { newLevel } from '../model/newJob.js';
import type { Level } from '../model/place.js';

/** The levels from the lowest up; none while the job has one floor that nobody has named. */
export const levelsOf = (job: Job): Level[] => [...job.levels].sort((a, b) => a.elevation - b.elevation);

/**
 * The job as one level sees it: rooms, doors, boxes, pictures and the panel of that level alone. What has no level is on
 * the lowest. The whole job where it has no levels.
 */
export const levelView = (job: Job, level: LevelId | null): Job => {
  const [lowest] = levelsOf(job);
  if (!lowest) return job;
  const shown = level ?? lowest.id;
  const isOn = (one: { level: LevelId | null }) => (one.level ?? lowest.id) === shown;
  const rooms = job.rooms.filter(isOn);
  const within = new Set<string>(rooms.map((room) => room.id));
  const { panel } = job.routing;
  return {
    ...job,
    rooms,
    doors: job.doors.filter((door) => within.has(door.room)),
    boxes: job.boxes.filter(isOn),
    pictures: job.pictures.filter(isOn),
    routing: { ...job.routing, panel: panel && isOn(panel) ? panel : null },
  };
};

/** Items that a change of one level has kept, changed or added, put back among those of the other levels in their order. */
const putBack = <T extends { id: string }>(
  all: readonly T[],
  seen: readonly T[],
  changed: readonly T[],
): T[] => {
  const before = new Set(seen.map((one) => one.id));
  const after = new Map(changed.map((one) => [one.id, one]));
  const known = new Set(all.map((one) => one.id));
  return [
    ...all.flatMap((one) => (before.has(one.id) ? (after.get(one.id) ?? []) : [one])),
    ...changed.filter((one) => !known.has(one.id)),
  ];
};

/** A name that no other has. */
export const numbered = (name: string, taken: readonly string[]): string => {
  if (!taken.includes(name)) return name;
  for (let i = 2; ; i++) if (!taken.includes(`${name} ${i}`)) return `${name} ${i}`;
};

/** A change of the plan that sees one level and leaves the others as they are. What it adds is on that level. */
export const onLevel = (job: Job, level: LevelId | null, change: (seen: Job) => Job): Job => {
  const [lowest] = levelsOf(job);
  if (!lowest) return change(job);
  const shown = level ?? lowest.id;
  const seen = levelView(job, shown);
  const made = change(seen);
  if (made === seen) return job;
  const known = new Set<string>([...job.rooms, ...job.boxes, ...job.pictures].map((one) => one.id));
  const placed = <T extends { id: string; level: LevelId | null }>(items: readonly T[]): T[] =>
    items.map((one) => (known.has(one.id) ? one : { ...one, level: shown }));
  // What is new got a name that no other of this level has; the other floors have theirs.
  const here = new Set<string>(seen.boxes.map((one) => one.id));
  const elsewhere = job.boxes.filter((one) => !here.has(one.id)).map((one) => one.name);
  const renamed = new Map<string, string>();
  const boxes = made.boxes.map((box) => {
    if (known.has(box.id) || !elsewhere.includes(box.name)) return box;
    const others = made.boxes.filter((one) => one !== box).map((one) => one.name);
    const name = numbered(box.name, [...elsewhere, ...others]);
    renamed.set(box.id, name);
    return { ...box, name };
  });
  const luminaires = made.luminaires.map((one) => ({ ...one, name: renamed.get(one.box) ?? one.name }));
  const panel = made.routing.panel ?? (seen.routing.panel ? null : job.routing.panel);
  const moved = made.routing.panel !== seen.routing.panel && made.routing.panel !== null;
  return {
    ...made,
    rooms: putBack(job.rooms, seen.rooms, placed(made.rooms)),
    doors: putBack(job.doors, seen.doors, made.doors),
    boxes: putBack(job.boxes, seen.boxes, placed(boxes)),
    luminaires: renamed.size > 0 ? luminaires : made.luminaires,
    pictures: putBack(job.pictures, seen.pictures, placed(made.pictures)),
    routing: { ...made.routing, panel: panel && moved ? { ...panel, level: shown } : panel },
  };
};

/** Adds a level on top. The first to be added makes a level of what is there already, too. */
export const addLevel = (job: Job, id: LevelId, first: LevelId, name: string): Job => {
  const levels =
    job.levels.length > 0 ? levelsOf(job) : [newLevel({ id: first, name: 'Ground floor', elevation: 0 })];
  const top = levels.at(-1);
  const elevation = top ? top.elevation + top.ceiling + FLOOR : 0;
  const lowest = levels[0]?.id ?? null;
  const settled = <T extends { level: LevelId | null }>(one: T): T =>
    one.level === null ? { ...one, level: lowest } : one;
  const { panel } = job.routing;
  return {
    ...job,
    levels: [...levels, newLevel({ id, name, elevation })],
    rooms: job.rooms.map(settled),
    boxes: job.boxes.map(settled),
    pictures: job.pictures.map(settled),
    routing: { ...job.routing, panel: panel && settled(panel) },
  };
};
/** From a ceiling to the floor above it, inches. */
const FLOOR = 12;

export const changeLevel = (job: Job, id: LevelId, change: Partial<Level>): Job => ({
  ...job,
  levels: job.levels.map((one) => (one.id === id ? { ...one, ...change } : one)),
});

/** Takes a level away on which nothing stands; unchanged where something does. */
export const removeLevel = (job: Job, id: LevelId): Job => {
  const { rooms, boxes, pictures, routing } = levelView(job, id);
  const isEmpty = rooms.length + boxes.length + pictures.length === 0 && routing.panel === null;
  return isEmpty ? { ...job, levels: job.levels.filter((one) => one.id !== id) } : job;
};
