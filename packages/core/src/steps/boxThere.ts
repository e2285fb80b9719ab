import { othersIn } from '../model/lying.js';
import { articleOf } from '../model/articles.js';
import { existingDocument } from '../model/existing.js';
import type { BoxId } from '../model/ids.js';
import { ofId } from '../model/records.js';
import type { Box, Circuit, Job } from '../model/job.js';
import { feetInches } from '../model/units.js';
import { articlesAt, type Wiring } from '../model/wiring.js';
import { listed } from '../words/lists.js';
import type { DraftStep } from './step.js';

/** The box itself: what is set, with what is put on it, or what is there; and what nobody has told of it. */
export const boxSteps = (job: Job, wiring: Wiring, place: Box): DraftStep[] => {
  const chosen = articlesAt(wiring, place.id).map((id) => articleOf(job.stock, 'box', id).name);
  const isThere = place.work === 'existing';
  if (chosen.length === 0 && !isThere) return [];
  const at = place.at ? `, ${feetInches(place.at.z)} over the floor` : '';
  return [
    {
      id: `${place.id}/box`,
      rests: articlesAt(wiring, place.id),
      phase: isThere ? 'out' : 'rough',
      text:
        chosen.length === 0
          ? 'Read the volume stamped in the box that is there, and name it: nobody has told which it is.'
          : `${isThere ? 'The box that is there:' : 'Set the box:'} ${chosen.join(' with ')}${at}.`,
      why: 'It holds what comes into it with room to fold.',
      section: '314.16',
      caution: null,
      shows: null,
    },
  ];
};

/** What is tapped in a box that is there. */
export const TAPPED = {
  receptacle: 'receptacle',
  switch: 'switch',
  luminaire: 'luminaire',
  junction: null,
} as const;

/** Nobody has told what is in a box that is there: its make-up is not known, and none is printed. */
export const isUntold = (job: Job, { id, work }: Box): boolean =>
  work === 'existing' &&
  othersIn(job, id) === null &&
  ofId(existingDocument(job)?.certainty, id) === undefined;

/** An old box that nobody has seen, or not all of: what is said of its wires is what is usual. */
export const lookStep = (job: Job, box: BoxId): DraftStep[] => {
  const sure = ofId(existingDocument(job)?.certainty, box);
  if (sure === undefined || sure === 'seen') return [];
  return [
    {
      id: `${box}/look`,
      rests: sure,
      phase: 'proof',
      text: 'Look where each wire is before any comes off, and mark it by its screw or splice. If it is otherwise than what is drawn as it is, stop: tell it on the bench and plan again.',
      why: 'Nobody has seen all of this box. What these steps say of its old wires is what is usual, and may not be so.',
      section: null,
      caution: 'Take every wire here for live until it was tested dead.',
      shows: null,
    },
  ];
};

const namesOf = (circuits: readonly Circuit[]): string => listed(circuits.map(({ name }) => name));

/** Circuits with something in a box that is opened for others, for which no way is chosen: what is there of them stays. */
export const waitSteps = (box: BoxId, waiting: readonly Circuit[]): DraftStep[] =>
  waiting.length === 0
    ? []
    : [
        {
          id: `${box}/waits`,
          rests: waiting.map(({ id }) => id),
          phase: 'out',
          text: `Leave every wire of ${namesOf(waiting)} where it is, and every device of it in: no way is chosen for it yet.`,
          why: 'It serves as it was found. What is asked of it is planned first, so that nothing is taken off that still feeds something.',
          section: null,
          caution: null,
          shows: null,
        },
      ];

/** A box in which nothing is otherwise than it was found. */
export const shutStep = (box: BoxId, waiting: readonly Circuit[]): DraftStep => ({
  id: `${box}/shut`,
  rests: null,
  phase: 'close',
  text:
    waiting.length === 0
      ? 'Nothing is to be done in this box: it stays shut, as it was found.'
      : `Nothing is to be done in this box yet: it stays shut, as it was found, until a way is chosen for ${namesOf(waiting)}.`,
  why: 'What nobody touches keeps its own wiring. Opened for nothing, old wires break and splices work loose.',
  section: null,
  caution: null,
  shows: null,
});

export const tellStep = (box: BoxId): DraftStep => ({
  id: `${box}/tell`,
  rests: null,
  phase: 'out',
  text: 'Look what is in the box: every cable, device and splice. Tell it on the layout and plan again; no make-up is given for it until then.',
  why: 'What is there takes room and stays joined: a device that is tapped keeps its own tails, and a splice that goes on elsewhere is not to be parted.',
  section: '314.16, 300.13',
  caution: null,
  shows: null,
});

/** A device that is tapped stays where it is, on tails that this plan does not count. */
export const tappedStep = (box: BoxId, device: string): DraftStep => ({
  id: `${box}/tapped`,
  rests: device,
  phase: 'out',
  text: `The ${device} that is there stays: its wires come off its screws and go back on by tails of their own, from the splices below. Take connectors with a port more for each.`,
  why: 'The splices below count what this plan brings. What was fed through the device must not hang on its screws.',
  section: '110.14(A), 300.13(B)',
  caution: null,
  shows: null,
});
