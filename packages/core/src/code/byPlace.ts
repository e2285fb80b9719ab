import { findCable, findGroup, findLuminaire } from '../model/lookup.js';
import type { Place } from '../model/ids.js';
import type { Job } from '../model/job.js';
import type { Wiring } from '../model/wiring.js';
import { runTold } from '../words/cables.js';
import { placeName } from '../words/places.js';
import type { At, Finding } from './rule.js';

/** A place of a check as people know it: a luminaire, a run or a box. */
export const nameOfAt = (job: Job, wiring: Wiring, { luminaire, cable, box }: At): string => {
  if (luminaire !== undefined) return findLuminaire(job, luminaire)?.name ?? luminaire;
  const run = cable === undefined ? undefined : findCable(wiring, cable);
  return run ? runTold(job, wiring, run) : placeName(job, (box ?? '') as Place);
};

/** More places than these are counted. */
const MOST_NAMED = 6;

/** Where a check on site is to be made, in a sentence; empty where the finding itself names its place. */
export const sayPlaces = (job: Job, wiring: Wiring, { places }: Pick<Finding, 'places'>): string => {
  if (places.length === 0) return '';
  if (places.length > MOST_NAMED) return `At ${places.length} places.`;
  return `At ${[...new Set(places.map((at) => nameOfAt(job, wiring, at)))].join(', ')}.`;
};

/** The findings of one place, under its name. */
export interface PlaceFindings {
  /** What it is, for a screen that leads there. */
  kind: 'box' | 'run' | 'room' | 'circuit' | 'job';
  id: string;
  name: string;
  findings: Finding[];
}

const placeOf = (
  job: Job,
  { box, cable, run, room, group, circuit }: At,
): Omit<PlaceFindings, 'findings'> => {
  const named = (items: readonly { id: string; name: string }[], id: string) =>
    items.find((one) => one.id === id)?.name ?? id;
  if (box !== undefined) return { kind: 'box', id: box, name: named(job.boxes, box) };
  if (cable !== undefined) return { kind: 'run', id: cable, name: cable };
  if (run !== undefined) return { kind: 'run', id: `${run.from}>${run.to}`, name: 'Runs' };
  if (room !== undefined) return { kind: 'room', id: room, name: named(job.rooms, room) };
  const of = circuit ?? findGroup(job, group)?.circuit;
  if (of !== undefined) return { kind: 'circuit', id: of, name: named(job.circuits, of) };
  return { kind: 'job', id: 'job', name: 'The whole job' };
};

/** Findings by place, in the order in which the places first appear: the worst first, where they come by gravity. */
export const findingsByPlace = (job: Job, findings: readonly Finding[]): PlaceFindings[] => {
  const places = new Map<string, PlaceFindings>();
  for (const finding of findings) {
    const place = placeOf(job, finding.at);
    const key = `${place.kind} ${place.id}`;
    const known = places.get(key) ?? { ...place, findings: [] };
    known.findings.push(finding);
    places.set(key, known);
  }
  return [...places.values()];
};
