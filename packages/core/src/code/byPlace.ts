import { findGroup } from '../model/lookup.js';
import type { Job } from '../model/job.js';
import type { At, Finding } from './rule.js';

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
