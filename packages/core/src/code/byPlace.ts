import { circuitName, findCable, findGroup, findLuminaire, findRoom } from '../model/lookup.js';
import type { Place } from '../model/ids.js';
import type { Job } from '../model/job.js';
import type { Wiring } from '../model/wiring.js';
import { runTold } from '../words/cables.js';
import { placeName, runName } from '../words/places.js';
import type { At, Finding } from './rule.js';

const capital = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}`;

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

/** A place that findings are told under: what it is, for a screen that leads there, and its name. */
export interface FoundAt {
  kind: 'box' | 'run' | 'room' | 'circuit' | 'job';
  id: string;
  name: string;
}

/** The findings of one place, under its name. */
export interface PlaceFindings extends FoundAt {
  findings: Finding[];
}

/** The place of a finding: the box, else the run, else the room, else the circuit that it is about. */
export const placeOfAt = (job: Job, wiring: Wiring, at: At): FoundAt => {
  const { box, cable, run, room, group, circuit } = at;
  if (box !== undefined) return { kind: 'box', id: box, name: placeName(job, box) };
  if (cable !== undefined) return { kind: 'run', id: cable, name: capital(nameOfAt(job, wiring, { cable })) };
  if (run !== undefined)
    return { kind: 'run', id: `${run.from}>${run.to}`, name: capital(runName(job, run)) };
  if (room !== undefined) return { kind: 'room', id: room, name: findRoom(job, room)?.name ?? room };
  const of = circuit ?? findGroup(job, group)?.circuit;
  if (of !== undefined) return { kind: 'circuit', id: of, name: circuitName(job, of) };
  return { kind: 'job', id: 'job', name: 'The whole job' };
};

/** Findings by place, in the order in which the places first appear: the worst first, where they come by gravity. */
export const findingsByPlace = (job: Job, wiring: Wiring, findings: readonly Finding[]): PlaceFindings[] => {
  const places = new Map<string, PlaceFindings>();
  for (const finding of findings) {
    const place = placeOfAt(job, wiring, finding.at);
    const key = `${place.kind} ${place.id}`;
    const known = places.get(key) ?? { ...place, findings: [] };
    known.findings.push(finding);
    places.set(key, known);
  }
  return [...places.values()];
};
