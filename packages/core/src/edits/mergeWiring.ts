import type { Job, WiringDoc } from '../model/job.js';
import { jobSchema } from '../model/references.js';
import { isSame } from '../model/same.js';
import { ofParts, partsOf, placesChanged } from './wiringParts.js';

/** Two states of a document that grew from one: put together place by place, or the places of which both tell otherwise. */
export type MergedDocument = { ok: true; document: WiringDoc } | { ok: false; at: string[] };

/** What a document says beside its places. */
const restOf = ({ id, kind, basedOn }: WiringDoc) => ({ id, kind, basedOn });

/**
 * What was told of a wiring by two, box by box: how its wires lie and how sure that is belong together, so of one place nothing is mixed. A cable
 * that one of them changed counts at both its ends.
 */
export const mergeDocument = (
  job: Pick<Job, 'slots' | 'luminaires'>,
  base: WiringDoc,
  mine: WiringDoc,
  theirs: WiringDoc,
): MergedDocument => {
  if (!isSame(restOf(mine), restOf(theirs))) return { ok: false, at: [] };
  const [before, own, others] = [partsOf(base, job), partsOf(mine, job), partsOf(theirs, job)];
  const [byMe, byThem] = [placesChanged(before, own), placesChanged(before, others)];
  const apart = placesChanged(own, others);
  const at = [...byMe].filter((place) => byThem.has(place) && apart.has(place));
  if (at.length > 0) return { ok: false, at };
  // In the order in which the other tells them, so that whoever is asked second finds it as it was.
  const places = new Set([...others.keys(), ...own.keys()]);
  const merged = new Map(
    [...places].flatMap((place) => {
      const part = (byMe.has(place) ? own : others).get(place);
      return part ? [[place, part] as const] : [];
    }),
  );
  return { ok: true, document: ofParts(theirs, merged) };
};

/** Does all that a job names exist, as the schema asks? */
export const isWhole = (job: Job): boolean => jobSchema.safeParse(job).success;
