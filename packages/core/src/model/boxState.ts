import { articleOf, conductorsOf } from './articles.js';
import { digestOf } from './digest.js';
import { existingDocument } from './existing.js';
import { PANEL, UNKNOWN_PLACE, type BoxId } from './ids.js';
import { cablesIn } from './inBox.js';
import type { Job } from './job.js';
import { luminairesInBox, slotsInBox } from './lookup.js';
import { ofId } from './records.js';
import { isLuminaireReplaced, isReplaced } from './there.js';
import { endKey, type End, type Wiring } from './wiring.js';

/** Every end of a cable that lies in a box. */
export const endsIn = (job: Pick<Job, 'stock'>, wiring: Wiring, box: string): End[] =>
  cablesIn(wiring, box as BoxId).flatMap(({ cable, side }) =>
    conductorsOf(articleOf(job.stock, 'cable', cable.article)).map((colour) => ({
      cable: cable.id,
      side,
      colour,
    })),
  );

/** What of a wiring is in one box, as data: what was seen there is that, and nothing else. */
export const contentsIn = (job: Pick<Job, 'stock'>, wiring: Wiring, box: string): unknown => {
  const keys = new Set(endsIn(job, wiring, box).map(endKey));
  const devices = wiring.devices.filter((one) => one.box === box);
  const mine = new Set<string>(devices.map((one) => one.id));
  const here = (end: End) => keys.has(endKey(end));
  const joints = wiring.joints.filter((one) => one.box === box);
  const tails = new Set<string>(
    joints.flatMap(({ members }) =>
      members.flatMap((member) => ('pigtail' in member ? [member.pigtail.id as string] : [])),
    ),
  );
  return {
    devices,
    joints,
    box: ofId(wiring.boxes, box) ?? null,
    cables: cablesIn(wiring, box as BoxId).map(({ cable: { id, article }, side }) => ({ id, article, side })),
    landings: wiring.landings.filter(
      ({ wire, terminal }) =>
        ('end' in wire ? here(wire.end) : tails.has(wire.pigtail)) ||
        ('device' in terminal && mine.has(terminal.device)),
    ),
    marks: wiring.marks.filter(({ end }) => here(end)),
    unseen: wiring.unseen.filter(here),
  };
};

const digests = new WeakMap<Wiring, { stock: Job['stock']; of: Map<string, string> }>();

/** What of a wiring is in one box, as a sum; a wiring is never changed in place, so each box of it is summed up once. */
export const contentsDigest = (job: Pick<Job, 'stock'>, wiring: Wiring, box: string): string => {
  let known = digests.get(wiring);
  if (known?.stock !== job.stock) digests.set(wiring, (known = { stock: job.stock, of: new Map() }));
  const before = known.of.get(box);
  if (before !== undefined) return before;
  const digest = digestOf(contentsIn(job, wiring, box));
  known.of.set(box, digest);
  return digest;
};

const placesOf = ({ boxes, cables, devices, joints }: Wiring): Set<string> =>
  new Set<string>([
    ...Object.keys(boxes),
    ...cables.flatMap(({ from, to }) => [from, to]),
    ...devices.map(({ box }) => box),
    ...joints.map(({ box }) => box),
  ]);

/** Boxes in which two wirings differ. */
export const boxesThatDiffer = (job: Pick<Job, 'stock'>, before: Wiring, after: Wiring): BoxId[] =>
  [...new Set([...placesOf(before), ...placesOf(after)])]
    .filter((place) => place !== PANEL && place !== UNKNOWN_PLACE)
    .filter((box) => contentsDigest(job, before, box) !== contentsDigest(job, after, box)) as BoxId[];

/** Is a box told of as existing, is nothing of it otherwise in this wiring, and no device or luminaire replaced by its like? Then nobody opens it. */
export const staysShut = (job: Job, wiring: Wiring, box: BoxId): boolean => {
  const document = existingDocument(job);
  return (
    document !== undefined &&
    ofId(document.certainty, box) !== undefined &&
    !slotsInBox(job, box).some((slot) => isReplaced(job, slot)) &&
    !luminairesInBox(job, box).some((one) => isLuminaireReplaced(job, one)) &&
    contentsDigest(job, document.wiring, box) === contentsDigest(job, wiring, box)
  );
};
