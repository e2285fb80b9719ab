import { compiledOnce } from '../circuit/compiledOnce.js';
import { circuitsByCable } from '../circuit/roles.js';
import { existingDocument } from '../model/existing.js';
import { UNKNOWN_PLACE, UNNAMED_BREAKER, type BoxId } from '../model/ids.js';
import { cablesIn } from '../model/inBox.js';
import type { Job } from '../model/job.js';
import { findSlot, luminairesInBox, slotsInBox } from '../model/lookup.js';
import { ofId } from '../model/records.js';
import { isLuminaireReplaced, isReplaced } from '../model/there.js';
import type { Device, Wiring } from '../model/wiring.js';
import { cableWord, otherPlace } from '../words/cables.js';
import { placeTag } from '../words/places.js';
import { deviceWord } from '../words/wires.js';
import type { DraftStep } from './step.js';

/** The wiring that is there, where it tells of a box. */
const thereIn = (job: Job, box: BoxId): Wiring | null => {
  const document = existingDocument(job);
  return document && ofId(document.certainty, box) !== undefined ? document.wiring : null;
};

/**
 * The breakers that a box is live from before anything is done in it: those of what is there, that the plan may leave out. A cable of
 * which nobody knows where it leads may be live from one that nobody has named.
 */
export const circuitsThere = (job: Job, box: BoxId): Set<string> => {
  const wiring = thereIn(job, box);
  if (!wiring) return new Set();
  const byCable = circuitsByCable(wiring, job, compiledOnce(wiring, job));
  return new Set(
    cablesIn(wiring, box).flatMap(({ cable }) => [
      ...(byCable.get(cable.id) ?? []),
      ...(cable.to === UNKNOWN_PLACE ? [UNNAMED_BREAKER] : []),
    ]),
  );
};

/** Devices that are there and that the plan takes out, or puts others in the place of. */
const devicesOut = (job: Job, there: Wiring, wiring: Wiring, box: BoxId): Device[] =>
  there.devices.filter((device) => {
    if (device.box !== box) return false;
    const now = wiring.devices.find((one) => one.slot === device.slot && one.box === box);
    const slot = findSlot(job, device.slot);
    return now?.article !== device.article || (slot !== undefined && isReplaced(job, slot));
  });

const deviceOut = (box: BoxId, id: string, rests: unknown, what: string): DraftStep => ({
  id: `${box}/out/${id}`,
  rests,
  phase: 'out',
  text: `Take ${what} out: mark each wire by the screw or lead that it is on, then take them off one by one.`,
  why: 'Colours do not tell a common. What a wire was on is known as long as it is marked.',
  section: null,
  caution: 'Take every wire for live until it was tested dead.',
  shows: null,
});

/** Devices that are told to be there, of which nobody has said the kind, and that give way to others or come out. */
const untoldOut = (job: Job, box: BoxId): DraftStep[] => {
  const stands = new Set<string>(existingDocument(job)?.stands.slots);
  return slotsInBox(job, box)
    .filter(({ id, comesNew, leaves }) => stands.has(id) && (comesNew || leaves))
    .map(({ id }) =>
      deviceOut(box, id, null, 'the device that is there, of which nobody has told the kind,'),
    );
};

/** What comes out of a box that is there, before anything new goes in. */
export const outSteps = (job: Job, wiring: Wiring, box: BoxId): DraftStep[] => {
  const there = thereIn(job, box);
  if (!there) return untoldOut(job, box);
  const held = new Set<string>(wiring.cables.map(({ id }) => id));
  const devices = [
    ...untoldOut(job, box),
    ...devicesOut(job, there, wiring, box).map((device) =>
      deviceOut(box, device.id, device.article, `the ${deviceWord(job, there, device.id)} that is there`),
    ),
  ];
  const luminaires = luminairesInBox(job, box)
    .filter((one) => one.partOf === null && isLuminaireReplaced(job, one))
    .map((one): DraftStep => ({
      id: `${box}/out/${one.id}`,
      rests: one.terminals,
      phase: 'out',
      text: 'Take the old luminaire down: hold it, open its hot, its neutral and its ground in this order, and let nothing hang on the wires.',
      why: 'A luminaire that hangs on its wires pulls splices apart that nobody sees.',
      section: null,
      caution: null,
      shows: null,
    }));
  const cables = cablesIn(there, box)
    .filter(({ cable }) => !held.has(cable.id))
    .map(({ cable, side }): DraftStep => {
      const other = placeTag(job, otherPlace(cable, side));
      return {
        id: `${box}/out/${cable.id}/${side}`,
        rests: [cable.article, cable.from, cable.to],
        phase: 'out',
        text: `Take the ${cableWord(job, there, cable, side)} out of this box, off every screw and splice, and out of ${other} too. It is dead then at both ends: draw it out, or cut it off and leave it in the wall.`,
        why: 'A cable that ends in a box at one end only is taken for live or for dead, and is neither.',
        section: null,
        caution: null,
        shows: null,
      };
    });
  return [...devices, ...luminaires, ...cables];
};
