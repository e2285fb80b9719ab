import { articleOf, conductorsOf } from './articles.js';
import { existingDocument } from './existing.js';
import { PANEL, UNKNOWN_PLACE, type ArticleId, type BoxId, type CableId } from './ids.js';
import { cablesIn, tailsOf } from './inBox.js';
import type { Job } from './job.js';
import { luminairesInBox, slotsInBox } from './lookup.js';
import { ofId } from './records.js';
import { isSame } from './same.js';
import { isLuminaireReplaced, isReplaced, whileItWaits } from './there.js';
import {
  placeOfEnd,
  type Device,
  type End,
  type Joint,
  type Landing,
  type Mark,
  type Wiring,
} from './wiring.js';

/** Every end of a cable that lies in a box. */
export const endsIn = (job: Pick<Job, 'stock'>, wiring: Wiring, box: string): End[] =>
  cablesIn(wiring, box as BoxId).flatMap(({ cable, side }) =>
    conductorsOf(articleOf(job.stock, 'cable', cable.article)).map((colour) => ({
      cable: cable.id,
      side,
      colour,
    })),
  );

/** What of a wiring is in one box: what was seen there is that, and nothing else. */
export interface Contents {
  box: readonly ArticleId[] | null;
  devices: Device[];
  joints: Joint[];
  cables: { id: CableId; article: ArticleId; side: End['side'] }[];
  landings: Landing[];
  marks: Mark[];
  unseen: End[];
}

const nothing = (): Contents => ({
  box: null,
  ...{ devices: [], joints: [], cables: [], landings: [], marks: [], unseen: [] },
});

/** Every box of a wiring with what is in it, in one pass over the wiring. */
const contentsOfAll = (wiring: Wiring): ReadonlyMap<string, Contents> => {
  const all = new Map<string, Contents>();
  const at = (box: string): Contents => {
    const known = all.get(box);
    if (known) return known;
    const made = { ...nothing(), box: ofId(wiring.boxes, box) ?? null };
    all.set(box, made);
    return made;
  };
  const cables = new Map(wiring.cables.map((cable) => [cable.id, cable]));
  const placeOf = ({ cable, side }: End): string | undefined => {
    const one = cables.get(cable);
    return one && placeOfEnd(one, side);
  };
  const deviceAt = new Map(wiring.devices.map(({ id, box }) => [id, box]));
  const tailAt = new Map<string, string>();
  for (const box of Object.keys(wiring.boxes)) at(box);
  for (const device of wiring.devices) at(device.box).devices.push(device);
  for (const { id, article, from, to } of wiring.cables) {
    at(to).cables.push({ id, article, side: 'to' });
    at(from).cables.push({ id, article, side: 'from' });
  }
  for (const joint of wiring.joints) {
    at(joint.box).joints.push(joint);
    for (const { id } of tailsOf(joint)) tailAt.set(id, joint.box);
  }
  for (const landing of wiring.landings) {
    const { wire, terminal } = landing;
    const ends = 'end' in wire ? placeOf(wire.end) : tailAt.get(wire.pigtail);
    const held = 'device' in terminal ? deviceAt.get(terminal.device) : undefined;
    for (const box of new Set([ends, held])) if (box !== undefined) at(box).landings.push(landing);
  }
  for (const mark of wiring.marks) at(placeOf(mark.end) ?? UNKNOWN_PLACE).marks.push(mark);
  for (const end of wiring.unseen) at(placeOf(end) ?? UNKNOWN_PLACE).unseen.push(end);
  return all;
};

const known = new WeakMap<Wiring, ReadonlyMap<string, Contents>>();

/** A wiring is never changed in place, so it is read once. */
export const contentsIn = (wiring: Wiring, box: string): Contents => {
  const all = known.get(wiring) ?? contentsOfAll(wiring);
  known.set(wiring, all);
  return all.get(box) ?? nothing();
};

/** Is a box the same in two wirings, with all that is in it? */
export const isSameIn = (before: Wiring, after: Wiring, box: string): boolean =>
  isSame(contentsIn(before, box), contentsIn(after, box));

const placesOf = ({ boxes, cables, devices, joints }: Wiring): Set<string> =>
  new Set<string>([
    ...Object.keys(boxes),
    ...cables.flatMap(({ from, to }) => [from, to]),
    ...devices.map(({ box }) => box),
    ...joints.map(({ box }) => box),
  ]);

/** Boxes in which two wirings differ. */
export const boxesThatDiffer = (before: Wiring, after: Wiring): BoxId[] =>
  [...new Set([...placesOf(before), ...placesOf(after)])]
    .filter((place) => place !== PANEL && place !== UNKNOWN_PLACE)
    .filter((box) => !isSameIn(before, after, box)) as BoxId[];

/** Is a box told of as existing, is nothing of it otherwise in this wiring, and no device or luminaire replaced by its like? Then nobody opens it. */
export const staysShut = (job: Job, wiring: Wiring, box: BoxId): boolean => {
  const document = existingDocument(job);
  const now = whileItWaits(job);
  return (
    document !== undefined &&
    ofId(document.certainty, box) !== undefined &&
    !slotsInBox(now, box).some((slot) => isReplaced(now, slot)) &&
    !luminairesInBox(now, box).some((one) => isLuminaireReplaced(now, one)) &&
    isSameIn(document.wiring, wiring, box)
  );
};
