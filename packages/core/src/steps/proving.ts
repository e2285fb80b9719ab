import { isLuminaireKept } from '../model/there.js';
import { articleOf } from '../model/articles.js';
import { existingDocument } from '../model/existing.js';
import { UNNAMED_BREAKER, type BoxId } from '../model/ids.js';
import type { Box, Job } from '../model/job.js';
import { circuitName } from '../model/lookup.js';
import { listed } from '../words/lists.js';
import type { Wiring } from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';
import { leftLive, type LeftLive } from '../circuit/leftLive.js';
import { cableWord } from '../words/cables.js';
import { isHigh, LADDER, NO_GROUND, PANEL_CAUTION } from '../words/cautions.js';
import type { DraftStep } from './step.js';

/** What a cable that is left live is said to be, wherever it is said. */
export const sayLeftLive = (job: Job, wiring: Wiring, { cable, breaker, whole }: LeftLive): string =>
  whole
    ? `Nothing uses the ${cableWord(job, wiring, cable, 'to')}, and it is live from ${circuitName(job, breaker)} until somebody takes it off.`
    : `A conductor of the ${cableWord(job, wiring, cable, 'to')} is used by nothing here, and may be live from ${circuitName(job, breaker)}.`;

const PROOF =
  'Prove the tester on a source known to be live. Test every conductor to ground and to every other one, whites and travelers too';
const AGAIN = 'Prove the tester again.';

/** Is a receptacle in a box, by what is there or by the plan? Its halves may be fed apart. */
const hasReceptacle = (job: Job, wiring: Wiring, box: BoxId): boolean =>
  [...wiring.devices, ...(existingDocument(job)?.wiring.devices ?? [])].some(
    (device) =>
      device.box === box &&
      ['receptacle', 'switchReceptacle'].includes(articleOf(job.stock, 'device', device.article).role),
  );

/** What is done before and at the opening of a box so that nobody touches anything live: what is there already, or comes new. */
export const deadSteps = (
  job: Job,
  wiring: Wiring,
  compiled: Compiled,
  box: Box,
  circuits: ReadonlySet<string>,
): DraftStep[] => {
  const names = [...circuits].map((id) => circuitName(job, id));
  const hasUnnamed = circuits.has(UNNAMED_BREAKER);
  const known = [...circuits].filter((id) => id !== UNNAMED_BREAKER).map((id) => circuitName(job, id));
  const here = wiring.cables.filter(({ from, to }) => from === box.id || to === box.id);
  const feeding = [...circuits].sort();
  const isThere = box.work === 'existing' || here.some((cable) => cable.existing);
  const groups = job.groups.filter((group) => circuits.has(group.circuit));
  const ids = new Set<string>(groups.map((group) => group.id));
  const lamps = job.luminaires
    .filter((one) => isLuminaireKept(job, one) && ids.has(one.group))
    .map((one) => one.name);
  const find = hasUnnamed
    ? ` Nobody has named ${names.length > 1 ? 'one of them' : 'it'}: find it before you go on, by switching breakers off until what it feeds tests dead.`
    : '';
  const before: DraftStep[] = isThere
    ? [
        {
          id: `${box.id}/lit`,
          rests: feeding,
          phase: 'dead',
          text:
            lamps.length > 0
              ? `Switch on ${listed(lamps)} and see ${lamps.length > 1 ? 'them' : 'it'} lit.`
              : `Switch on what hangs on ${known.length > 0 ? listed(known) : 'this box'}, and see it work.`,
          why: 'What was never lit shows nothing by going dark.',
          section: null,
          caution: null,
          shows: null,
        },
      ]
    : [];
  const outlet = isThere && hasReceptacle(job, wiring, box.id) ? ', and both halves of the receptacle' : '';
  const seen = isThere ? ' See it go dark.' : '';
  return [
    ...before,
    {
      id: `${box.id}/dead`,
      rests: feeding,
      phase: 'dead',
      text: `${
        names.length > 1
          ? `Switch off every breaker of this box: ${listed(names)}.`
          : `Switch off ${hasUnnamed ? 'the breaker that feeds this box' : `the breaker of ${names[0] ?? 'the circuit'}`}.`
      } Lock or tag it where you can.${seen}${find}`,
      why: 'A traveler, or the neutral of another circuit, can be live while the luminaires are dark.',
      section: null,
      caution: names.length > 1 ? 'A neutral can be live with the other breaker off.' : null,
      shows: null,
    },
    ...leftLive(wiring, job, compiled)
      .filter((one) => one.box === box.id)
      .map((one): DraftStep => ({
        id: `${box.id}/live/${one.cable.id}/${one.whole ? 'whole' : 'spare'}`,
        rests: [one.cable.id, one.breaker, one.whole],
        phase: 'dead',
        text: `${sayLeftLive(job, wiring, one)} Have it taken off its breaker and bars at the panel, both ends capped and tagged; until then it is worked on as live.`,
        why: 'An old cable that looks dead because nothing hangs on it is not.',
        section: null,
        caution: PANEL_CAUTION,
        shows: null,
      })),
    {
      id: `${box.id}/proof`,
      rests: [feeding, here.map(({ id, existing }) => [id, existing])],
      phase: 'proof',
      text: isThere
        ? `Take the plate or the luminaire off, ease the device out and touch no metal of it. ${PROOF}${outlet}, with every handle of ${groups.length > 0 ? listed(groups.map((group) => group.name)) : 'the circuit'} in both positions. ${AGAIN}`
        : `Before a hand goes in: ${PROOF.charAt(0).toLowerCase()}${PROOF.slice(1)}. ${AGAIN} New cables are joined to the supply last, when all else is made up.`,
      why: isThere
        ? 'A box with only a switch leg and a neutral in it tests dead while the handle is off.'
        : 'New cables are dead only as long as nobody has landed and switched them on.',
      section: null,
      // A box that comes new was climbed to before.
      caution: isThere && isHigh(box) ? `${LADDER} ${NO_GROUND}` : NO_GROUND,
      shows: null,
    },
  ];
};
