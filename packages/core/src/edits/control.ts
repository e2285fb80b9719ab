import { existingDocument } from '../model/existing.js';
import { cableEnds, cablesThere, withCablesThere, withCarried } from '../model/lying.js';
import { endKey } from '../model/wiring.js';
import { withoutCables } from './wiring/pruned.js';
import { findBox, findSlot } from '../model/lookup.js';
import {
  PANEL,
  type ArticleId,
  type BoxId,
  type CableId,
  type CircuitId,
  type FeedId,
  type GroupId,
  type LuminaireId,
  type Place,
  type RoomId,
  type SlotId,
} from '../model/ids.js';
import { isBetween, type Feed, type Job } from '../model/job.js';
import { newCircuit, newFeed, newGroup } from '../model/newJob.js';
import { boxAt } from './placeEdits.js';
import { withoutBox } from './removals.js';

/** A circuit may be fed there. A circuit has one feed at the panel at most, and one at each box. */
export const addFeed = (
  job: Job,
  feed: { id: FeedId; circuit: CircuitId; at: Feed['at']; tap?: Feed['tap'] },
): Job =>
  job.feeds.some((one) => one.circuit === feed.circuit && one.at === feed.at)
    ? job
    : { ...job, feeds: [...job.feeds, newFeed(feed)] };

/** A new circuit, fed from the panel until somebody says otherwise, with its first control group. */
export const addCircuit = (
  job: Job,
  asked: { circuit: CircuitId; group: GroupId; feed: FeedId; room: RoomId; name: string },
): Job => {
  const { circuit, group, feed, room, name } = asked;
  const made = {
    ...job,
    circuits: [...job.circuits, newCircuit({ id: circuit, name, breaker: 15, awg: 14 })],
    groups: [...job.groups, newGroup({ id: group, name, circuit, room })],
  };
  return addFeed(made, { id: feed, circuit, at: PANEL });
};

export const addGroup = (
  job: Job,
  asked: { id: GroupId; circuit: CircuitId; room: RoomId; name: string },
): Job => ({
  ...job,
  groups: [...job.groups, newGroup(asked)],
});

/** The luminaire is controlled by the switches of another group. */
export const controlBy = (job: Job, luminaire: LuminaireId, group: GroupId): Job => ({
  ...job,
  luminaires: job.luminaires.map((one) => (one.id === luminaire ? { ...one, group } : one)),
});

/** Puts the switches of one box into another beside those that are there. Null where the first holds anything else. */
export const gangInto = (job: Job, from: BoxId, into: BoxId): Job | null => {
  const moving = job.slots.filter((slot) => slot.box === from);
  const target = job.slots.filter((slot) => slot.box === into);
  const other =
    job.luminaires.some((one) => one.box === from || one.box === into) ||
    job.feeds.some((feed) => feed.at === from);
  if (from === into || other || moving.length === 0 || target.length === 0) return null;
  let gang = Math.max(...target.map((slot) => slot.gang));
  const moved = new Map(moving.map((slot) => [slot.id, { ...slot, box: into, gang: ++gang }]));
  if (gang > MOST_GANG) return null;
  return withoutBox({ ...job, slots: job.slots.map((slot) => moved.get(slot.id) ?? slot) }, from);
};
const MOST_GANG = 7;

/** The gang of a device and that of its neighbour to the left (-1) or right (1) change places; as it is at the end of the box. */
export const moveGang = (job: Job, id: SlotId, by: -1 | 1): Job => {
  const slot = job.slots.find((one) => one.id === id);
  if (!slot) return job;
  const row = job.slots.filter(({ box }) => box === slot.box).sort((a, b) => a.gang - b.gang);
  const other = row[row.indexOf(slot) + by];
  if (!other) return job;
  return {
    ...job,
    slots: job.slots.map((one) =>
      one === slot ? { ...one, gang: other.gang } : one === other ? { ...one, gang: slot.gang } : one,
    ),
  };
};

/** Gives a switch of a multi-gang box a box of its own beside it. */
export const ungang = (job: Job, id: SlotId, box: BoxId): Job => {
  const slot = findSlot(job, id);
  const beside = findBox(job, slot?.box);
  if (!slot || !beside) return job;
  const made = boxAt(job, {
    id: box,
    name: beside.name,
    spot: { x: (beside.at?.x ?? 0) + 8, y: beside.at?.y ?? 0 },
    mount: 'wall',
    ...{ accessible: beside.accessible, work: beside.work, material: beside.material },
  });
  // As high as the other; nowhere yet where nobody has said where that is.
  const at = beside.at && made.at && { ...made.at, z: beside.at.z };
  return {
    ...job,
    boxes: [...job.boxes, { ...made, at }],
    slots: job.slots.map((one) => (one.id === id ? { ...one, box, gang: 0 } : one)),
  };
};

/** Cables of which nobody has looked at any end. */
const notLookedAt = (job: Job): ReadonlySet<string> => {
  const wiring = existingDocument(job)?.wiring;
  const open = new Set(wiring?.unseen.map(endKey));
  return new Set(
    (wiring?.cables ?? [])
      .filter((cable) => cableEnds(job, cable).every((end) => open.has(endKey(end))))
      .map(({ id }) => id),
  );
};

/**
 * A cable that lies between two places already. Of a circuit there is one between the same two at most that nobody has looked at: a second takes
 * its place.
 */
export const addExistingCable = (
  job: Job,
  {
    id,
    article,
    circuit,
    from,
    to,
  }: { id: CableId; article: ArticleId; circuit: CircuitId | null; from: Place; to: BoxId },
): Job =>
  withCablesThere(
    withoutCables(
      job,
      cablesThere(job)
        .filter(
          (cable) =>
            cable.circuit === circuit && isBetween(cable, from, to) && notLookedAt(job).has(cable.id),
        )
        .map((cable) => cable.id),
    ),
    [{ id, article, circuit, between: [from, to], length: null, via: [] }],
  );

/** Says whose power is on a cable that lies there; null while nobody knows. */
export const setCableCircuit = withCarried;

export const removeExistingCable = (job: Job, id: CableId): Job => withoutCables(job, [id]);
