import { existingDocument } from '../model/existing.js';
import { beginExisting, cableEnds, withStanding } from '../model/lying.js';
import type { BoxId } from '../model/ids.js';
import { tailsOf } from '../model/inBox.js';
import type { Job, WiringDoc } from '../model/job.js';
import { boxesOfCircuit, groupIdsOf } from '../model/lookup.js';
import { ofId } from '../model/records.js';
import { emptyWiring, endKey, placeOfEnd, type End, type Wiring } from '../model/wiring.js';
import { withDocument } from '../edits/wiring/documents.js';
import { untold, usualWiring, type NotUsual, type UsualFacts } from './usualWiring.js';

/** What is told there is not made up anew: of a cable that is told of already only the ends in other boxes are, and new ends in told boxes are not looked at. */
const besideWhatIsTold = (job: Job, document: WiringDoc, fresh: Wiring): Wiring => {
  const told = new Set(Object.keys(document.certainty));
  const { wiring } = document;
  const cables = fresh.cables.filter(({ id }) => !wiring.cables.some((one) => one.id === id));
  const boxOf = (end: End) => {
    const cable = fresh.cables.find(({ id }) => id === end.cable);
    return cable ? placeOfEnd(cable, end.side) : '';
  };
  const isFresh = (end: End) => boxOf(end) !== '' && !told.has(boxOf(end));
  const joints = fresh.joints.filter(({ box }) => !told.has(box));
  const tails = new Set<string>(joints.flatMap((joint) => tailsOf(joint).map(({ id }) => id)));
  const used = new Set(fresh.unseen.map(endKey));
  return {
    boxes: { ...fresh.boxes, ...wiring.boxes },
    devices: [...wiring.devices, ...fresh.devices.filter(({ box }) => !told.has(box))],
    cables: [...wiring.cables, ...cables],
    joints: [...wiring.joints, ...joints],
    landings: [
      ...wiring.landings,
      ...fresh.landings.filter(({ wire }) => ('end' in wire ? isFresh(wire.end) : tails.has(wire.pigtail))),
    ],
    marks: [...wiring.marks, ...fresh.marks.filter(({ end }) => isFresh(end))],
    unseen: [
      ...wiring.unseen.filter((end) => !isFresh(end)),
      ...fresh.unseen.filter(isFresh),
      ...cables
        .flatMap((cable) => cableEnds(job, cable))
        .filter((end) => told.has(boxOf(end)) && !used.has(endKey(end))),
    ],
    luminaires: wiring.luminaires,
  };
};

/**
 * The job with what is usual of a circuit in its existing wiring, each box that was not there yet assumed. Where nothing is usual the
 * cables are brought in with every end not looked at, and `why` says so.
 */
export const assumeUsual = (asked: Job, facts: UsualFacts): { job: Job; why: NotUsual | null } => {
  const job = beginExisting(asked);
  const document = existingDocument(job);
  if (!document) throw new Error('The existing wiring was begun and is not there.');
  const usual = usualWiring(job, facts);
  const fresh = usual.ok ? usual.wiring : untold(job, emptyWiring(), facts.cables);
  const wiring = besideWhatIsTold(job, document, fresh);
  const mine = new Set<string>([
    ...(facts.boxes ?? boxesOfCircuit(job, facts.circuit)),
    ...facts.cables.flatMap(({ from, to }) => [from, to]),
  ]);
  const certainty = { ...document.certainty };
  for (const { id } of job.boxes)
    if (mine.has(id) && ofId(certainty, id) === undefined) certainty[id] = 'assumed';
  // The articles of boxes that are none of this circuit's are not told by it.
  const boxes = Object.fromEntries(
    Object.entries(wiring.boxes).filter(([id]) => ofId(certainty, id) !== undefined),
  );
  const groups = groupIdsOf(job, facts.circuit);
  const isThere = ({ box, group }: { box: BoxId; group: string }) => groups.has(group) && mine.has(box);
  const standing = {
    ...job,
    slots: job.slots.map((slot) => (isThere(slot) ? { ...slot, comesNew: false } : slot)),
    luminaires: job.luminaires.map((one) => (isThere(one) ? { ...one, comesNew: false } : one)),
  };
  const told = withDocument(standing, { ...document, certainty, wiring: { ...wiring, boxes } });
  return {
    // What the wiring does not show is there all the same.
    job: withStanding(told, {
      slots: told.slots.filter(isThere).map(({ id }) => id),
      luminaires: told.luminaires.filter(isThere).map(({ id }) => id),
    }),
    why: usual.ok ? null : usual.why,
  };
};
