import { endsIn } from '../model/boxState.js';
import { existingDocument } from '../model/existing.js';
import { UNKNOWN_PLACE, type BoxId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { endKey, type Cable, type Wiring } from '../model/wiring.js';

/** Cables that were found and of which nobody knows where they lead: planning uses none of them, and loses none. */
export const unknownCablesIn = (wiring: Wiring): Cable[] =>
  wiring.cables.filter(({ to }) => to === UNKNOWN_PLACE);

/** The ends of such cables in boxes, by key. */
export const unknownCableEnds = (job: Job, wiring: Wiring): ReadonlySet<string> => {
  const ids = new Set<string>(unknownCablesIn(wiring).map(({ id }) => id));
  return new Set(
    job.boxes.flatMap(({ id }) =>
      endsIn(job, wiring, id)
        .filter((end) => ids.has(end.cable))
        .map(endKey),
    ),
  );
};

/** Boxes in which such a cable is joined with something else: whoever opens one has to know what hangs on it. */
export const boxesJoinedToUnknown = (job: Job): ReadonlySet<BoxId> => {
  const there = existingDocument(job)?.wiring;
  if (!there) return new Set();
  const ids = new Set<string>(unknownCablesIn(there).map(({ id }) => id));
  const isStrange = (member: Wiring['joints'][number]['members'][number]) =>
    'end' in member && ids.has(member.end.cable);
  const boxes = new Set<BoxId>();
  for (const { box, members } of there.joints)
    if (members.some(isStrange) && !members.every(isStrange)) boxes.add(box);
  for (const { wire } of there.landings) {
    const cable = 'end' in wire ? there.cables.find(({ id }) => id === wire.end.cable) : undefined;
    if (cable && ids.has(cable.id)) boxes.add(cable.from as BoxId);
  }
  return boxes;
};

/**
 * What is planned, with the cables of which nobody knows where they lead. Where one is joined with nothing, it stays capped or in the air
 * as it was found; else its ends count as not looked at, until its box is put back as it was.
 */
export const withUnknownCables = (job: Job, planned: Wiring): Wiring => {
  const there = existingDocument(job)?.wiring;
  if (!there) return planned;
  const held = new Set<string>(planned.cables.map(({ id }) => id));
  const cables = unknownCablesIn(there).filter(({ id }) => !held.has(id));
  if (cables.length === 0) return planned;
  const ids = new Set<string>(cables.map(({ id }) => id));
  const joined = boxesJoinedToUnknown(job);
  const alone = there.joints.filter(({ members }) =>
    members.every((member) => 'end' in member && ids.has(member.end.cable)),
  );
  const untold = there.unseen.filter(({ cable }) => ids.has(cable));
  const ends = cables
    .filter(({ from }) => joined.has(from as BoxId))
    .flatMap((cable) => endsIn(job, there, cable.from).filter((end) => end.cable === cable.id));
  const inAlone = new Set(
    alone.flatMap(({ members }) => members.flatMap((one) => ('end' in one ? [endKey(one.end)] : []))),
  );
  const unseen = new Map(
    [...untold, ...ends].filter((end) => !inAlone.has(endKey(end))).map((end) => [endKey(end), end]),
  );
  return {
    ...planned,
    cables: [...planned.cables, ...cables],
    joints: [...planned.joints, ...alone],
    unseen: [...planned.unseen, ...unseen.values()],
    marks: [...planned.marks, ...there.marks.filter(({ end }) => ids.has(end.cable))],
  };
};
