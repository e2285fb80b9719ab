import { existingDocument } from '../../model/existing.js';
import type { BoxId } from '../../model/ids.js';
import type { Box, Job, WiringDoc } from '../../model/job.js';
import { newWiringDoc } from '../../model/newJob.js';
import { articlesAt } from '../../model/wiring.js';
import { reviewCircuit, reviewJob } from '../../review/reviewJob.js';

/** Walls that are open now are closed by then: what was open is fished. */
const closed = <T extends { access: Job['routing']['access'] | null }>(way: T): T =>
  way.access === 'open' ? { ...way, access: 'fished' } : way;

/**
 * The job as it will stand once it is built as planned: every planned box and cable there and seen, walls closed, nothing chosen or demanded any
 * more. What is only assumed of older work stays so.
 */
export const asBuilt = (asked: Job): Job => {
  const review = reviewJob(asked);
  const { job, wiring } = review;
  const before = existingDocument(job);
  const built = job.boxes.filter(({ id, work }) => work !== 'beyond' && articlesAt(wiring, id).length > 0);
  const ids = new Set<BoxId>(built.map(({ id }) => id));
  // What is made new is known; of an old box that nobody has told of, only what comes into it is.
  const sure = built.map(
    ({ id, work }) => [id, work === 'existing' ? ('assumed' as const) : ('seen' as const)] as const,
  );
  const carries = Object.fromEntries(
    job.circuits.flatMap(({ id }) => reviewCircuit(review, id).cables.map((cable) => [cable, id] as const)),
  );
  const cables = wiring.cables.map((cable) => ({
    ...cable,
    existing: true,
    ...(cable.lengthSource === 'guessed' ? { length: null, lengthSource: 'unknown' as const } : {}),
  }));
  const document: WiringDoc = {
    ...(before ?? newWiringDoc('existing', 'existing', wiring)),
    certainty: {
      ...Object.fromEntries(sure),
      ...before?.certainty,
    },
    carries: { ...before?.carries, ...carries },
    wiring: { ...wiring, cables },
  };
  const standing = (box: Box): Box => {
    const [article = null, ...sections] = articlesAt(wiring, box.id);
    return ids.has(box.id) ? { ...box, work: 'existing', article, sections } : box;
  };
  return {
    ...job,
    existingEdition: job.existingEdition ?? job.edition,
    routing: closed(job.routing),
    rooms: job.rooms.map((room) => ({ ...room, walls: room.walls.map(closed) })),
    boxes: job.boxes.map(standing),
    slots: job.slots.filter(({ leaves }) => !leaves).map((slot) => ({ ...slot, comesNew: false })),
    luminaires: job.luminaires.map((one) => ({ ...one, comesNew: false })),
    runFacts: job.runFacts.map((fact) => ({ ...closed(fact), rule: null })),
    choices: [],
    wirings: [document],
  };
};
