import { existingDocument, standingCircuits } from '../../model/existing.js';
import type { CircuitId } from '../../model/ids.js';
import type { Job } from '../../model/job.js';
import { groupIdsOf } from '../../model/lookup.js';
import { luminairesIn } from '../../model/there.js';
import { withChoice } from '../measures.js';

/**
 * The job in which a circuit stands as it is there, whatever is planned for it already: a change starts from what is there and leads to all that
 * is wanted. Null where nothing, or not all, is told of it.
 */
export const asStood = (job: Job, circuit: CircuitId): Job | null => {
  if (standingCircuits(job).has(circuit)) return job;
  const there = existingDocument(job)?.wiring;
  if (!there || job.choices.every((choice) => choice.circuit !== circuit)) return null;
  const groups = groupIdsOf(job, circuit);
  const fitted = new Set<string | null>(there.devices.map(({ slot }) => slot));
  const hung = luminairesIn(there);
  const slots = job.slots.flatMap((slot) => {
    if (!groups.has(slot.group)) return [slot];
    return fitted.has(slot.id) ? [{ ...slot, existing: true, leaves: false }] : [];
  });
  const luminaires = job.luminaires.flatMap((one) => {
    if (!groups.has(one.group)) return [one];
    return hung.has(one.id) ? [{ ...one, existing: true }] : [];
  });
  const left = new Set<string>([...slots, ...luminaires].map(({ group }) => group));
  const stood: Job = {
    ...withChoice(job, circuit, null),
    ...{ slots, luminaires },
    groups: job.groups.filter(({ id }) => !groups.has(id) || left.has(id)),
  };
  return standingCircuits(stood).has(circuit) ? stood : null;
};
