import { existingDocument } from '../../model/existing.js';
import { standingCircuits } from '../../model/there.js';
import type { CircuitId } from '../../model/ids.js';
import type { Job } from '../../model/job.js';
import { groupIdsOf } from '../../model/lookup.js';
import { luminairesIn } from '../../model/there.js';
import type { Wiring } from '../../model/wiring.js';
import { withChoice } from '../withChoice.js';

/** What stands and hangs there of some groups, or of all: what is told of is there, and nothing else is. */
export const asTold = (
  job: Job,
  there: Wiring,
  groups: ReadonlySet<string> | null,
): Pick<Job, 'slots' | 'luminaires'> => {
  const fitted = new Set<string | null>(there.devices.map(({ slot }) => slot));
  const hung = luminairesIn(there);
  const isOther = ({ group }: { group: string }) => groups !== null && !groups.has(group);
  return {
    slots: job.slots
      .filter((slot) => isOther(slot) || fitted.has(slot.id))
      .map((slot) => (isOther(slot) ? slot : { ...slot, comesNew: false, leaves: false })),
    luminaires: job.luminaires
      .filter((one) => isOther(one) || hung.has(one.id))
      .map((one) => (isOther(one) ? one : { ...one, comesNew: false })),
  };
};

/** Is something asked of a circuit of which all is told, and no way chosen for it? */
export const asksMore = (job: Job, circuit: CircuitId): boolean =>
  job.choices.every((choice) => choice.circuit !== circuit) &&
  !standingCircuits(job).has(circuit) &&
  asStood(job, circuit) !== null;

/**
 * The job in which a circuit stands as it is there, whatever is planned or asked for it already: a change starts from what is there and leads to
 * all that is wanted. Null where nothing, or not all, is told of it.
 */
export const asStood = (job: Job, circuit: CircuitId): Job | null => {
  if (standingCircuits(job).has(circuit)) return job;
  const there = existingDocument(job)?.wiring;
  if (!there) return null;
  const groups = groupIdsOf(job, circuit);
  const told = asTold(job, there, groups);
  const left = new Set<string>([...told.slots, ...told.luminaires].map(({ group }) => group));
  const stood: Job = {
    ...withChoice(job, circuit, null),
    ...told,
    groups: job.groups.filter(({ id }) => !groups.has(id) || left.has(id)),
  };
  return standingCircuits(stood).has(circuit) ? stood : null;
};
