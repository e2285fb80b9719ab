import * as z from 'zod';
import { levelsOf, levelView } from '../edits/levels.js';
import type { Job } from '../model/job.js';
import { slotsInBox } from '../model/lookup.js';

/** What a sketch holds at most: it is looked at from far. */
const MOST = { rooms: 60, corners: 40, places: 200 };

const spot = z.tuple([z.int(), z.int()]);

/** The plan of one floor in small, inches from its upper left corner. */
export const placeSketchSchema = z.object({
  width: z.int(),
  depth: z.int(),
  rooms: z.array(z.array(spot)),
  switches: z.array(spot),
  luminaires: z.array(spot),
});
export type PlaceSketch = z.infer<typeof placeSketchSchema>;

/** The floor of a job on which most stands, as a list shows it; null where nothing is measured. */
export const sketchPlace = (job: Job): PlaceSketch | null => {
  const floors = levelsOf(job).map(({ id }) => levelView(job, id));
  const [floor = job] = floors.sort((a, b) => b.boxes.length - a.boxes.length);
  const outlines = floor.rooms.flatMap(({ outline }) => (outline ? [outline] : [])).slice(0, MOST.rooms);
  const corners = outlines.flat();
  if (corners.length === 0) return null;
  const [left, upper] = [Math.min(...corners.map(({ x }) => x)), Math.min(...corners.map(({ y }) => y))];
  const from = ({ x, y }: { x: number; y: number }): [number, number] => [
    Math.round(x - left),
    Math.round(y - upper),
  ];
  const lit = new Set<string>(floor.luminaires.filter(({ unit }) => unit !== 'onward').map(({ box }) => box));
  const spots = (has: (box: string) => boolean) =>
    floor.boxes
      .filter(({ id }) => has(id))
      .flatMap(({ at }) => (at ? [from(at)] : []))
      .slice(0, MOST.places);
  return {
    width: Math.round(Math.max(...corners.map(({ x }) => x)) - left),
    depth: Math.round(Math.max(...corners.map(({ y }) => y)) - upper),
    rooms: outlines.map((outline) => outline.slice(0, MOST.corners).map(from)),
    switches: spots((box) => slotsInBox(floor, box).some(({ role }) => role !== 'receptacle')),
    luminaires: spots((box) => lit.has(box)),
  };
};
