import type { Compiled } from '../circuit/compile.js';
import { conductorKey } from '../circuit/keys.js';
import { circuitsByCable, rolesOf } from '../circuit/roles.js';
import { articleOf, conductorsOf } from '../model/articles.js';
import type { BoxId } from '../model/ids.js';
import { cablesIn, type CableHere } from '../model/inBox.js';
import type { Job } from '../model/job.js';
import { findBox, luminairesInBox, waitsWithoutBox } from '../model/lookup.js';
import { tapTold } from '../model/tap.js';
import { isEmptied, isLuminaireKept, waitingIn, whileItWaits } from '../model/there.js';
import type { Wiring } from '../model/wiring.js';
import { cableWord } from '../words/cables.js';
import { apartSteps, keptApart } from './apart.js';
import { staysShut } from '../model/boxState.js';
import {
  boxSteps,
  isUntold,
  lookStep,
  shutStep,
  TAPPED,
  tappedStep,
  tellStep,
  waitSteps,
} from './boxThere.js';
import { cautionsAt } from './cautions.js';
import { checkStep } from './check.js';
import { createOfCircuit, groupedSteps } from './grouped.js';
import { isHigh } from '../words/cautions.js';
import { looseSteps } from './looseEnds.js';
import { bondSteps, luminaireSteps } from './boxAndLuminaire.js';
import { deviceSteps } from './landings.js';
import { markSteps, unmarkSteps } from './marks.js';
import { otherEndsOf } from './otherEnds.js';
import { circuitsThere, outSteps } from './outOf.js';
import { deadSteps } from './proving.js';
import { panelSteps, supportSteps, tryOutSteps } from './proved.js';
import { bringInSteps, markOutSteps, pullSteps, roughCheckSteps, trimAlike } from './roughIn.js';
import { spliceSteps } from './splices.js';
import { legTag, taggedOf } from './tags.js';
import { phasesAt, settledStep, type BoxSteps, type DraftStep } from './step.js';

const cableSteps = (
  job: Job,
  wiring: Wiring,
  box: BoxId,
  here: readonly CableHere[],
  tagged: (cable: CableHere['cable']) => string,
  /** With a luminaire that is the only box there is, its conductors are made ready when it is hung. */
  phase: 'prepare' | 'luminaire',
): DraftStep[] =>
  here.map(({ cable, side }) => {
    const name = cableWord(job, wiring, cable, side);
    const free = `${job.preferences.freeConductor} in free`;
    return {
      id: `${box}/cable/${cable.id}/${side}`,
      rests: [cable.article, cable.from, cable.to, cable.existing],
      phase,
      text: cable.existing
        ? `Find the ${name} and tag ${tagged(cable)}.${legTag(job, tagged(cable))} Leave ${free}.`
        : `Strip the ${name}, 1/4 in of sheath or more inside, ${free}. Move the tag from the sheath to ${tagged(cable)}.${legTag(job, tagged(cable))}`,
      why: 'Cables in a box all look alike once they are stripped, and an untagged second traveler is how pairs get crossed; short conductors cannot be made up outside of the box.',
      section: '300.14, 314.17',
      caution: null,
      shows: null,
    };
  });

const toolsOf = (
  job: Job,
  { devices, marked, high }: { devices: boolean; marked: boolean; high: boolean },
): string[] => {
  return [
    'two-pole tester and a way to prove it',
    'knife or sheath stripper, hand behind the blade',
    'strippers with a gauge',
    'long-nose and lineman’s pliers',
    ...(devices ? ['torque screwdriver'] : []),
    ...(marked
      ? [job.preferences.reidentify === 'marker' ? 'marker' : `${job.preferences.reidentify} tape`]
      : []),
    'tags and a marker',
    ...(high ? ['ladder'] : []),
    'eye protection',
  ];
};

/** Luminaires that come new to a box; a part of another is held with it. */
const comingNew = (job: Job, box: BoxId): string[] =>
  luminairesInBox(job, box)
    .filter((one) => one.partOf === null && one.unit !== 'onward' && !isLuminaireKept(job, one))
    .map(({ id }) => id);

/**
 * The work order of one box, in the order of the trade: marked out, roughed in and checked, dead and proved so, made up with grounds first and
 * folded back, trimmed, the luminaire hung, read back, closed, proved. What is there already is proved dead before anything. It reads the
 * wiring as it is: of a planned one and of one as found alike.
 */
export const makeUpSteps = (asked: Job, wiring: Wiring, compiled: Compiled, box: BoxId): BoxSteps => {
  const job = whileItWaits(asked);
  const here = cablesIn(wiring, box);
  const byCable = circuitsByCable(wiring, job, compiled);
  const planned = new Set(here.flatMap(({ cable }) => [...(byCable.get(cable.id) ?? [])]));
  // What the box is live from before anybody has worked in it counts too.
  const circuits = new Set([...planned, ...circuitsThere(job, box)]);
  const roles = rolesOf(compiled);
  const wires = here.reduce(
    (sum, { cable }) =>
      sum +
      conductorsOf(articleOf(job.stock, 'cable', cable.article)).filter(
        (colour) => compiled.netOf(conductorKey(cable.id, colour)) !== undefined,
      ).length,
    0,
  );
  const place = findBox(job, box);
  const marks = markSteps(job, wiring, box, here);
  const apart = keptApart(job, wiring, compiled, roles, box);
  const tagged = (cable: CableHere['cable']) =>
    taggedOf(job, cable, compiled, roles, planned.size > 1 || apart.some(({ what }) => what === 'neutral'));
  const feed = job.feeds.find((one) => one.at === box && circuits.has(one.circuit));
  // Where what is there is told, the device that is tapped is in the wiring, with its tails counted.
  const isTold = feed !== undefined && tapTold(job, feed) !== null;
  const tapped = feed && place?.work === 'existing' && !isTold ? TAPPED[feed.tap] : null;
  const hangs = tapped === 'luminaire' && job.luminaires.some((one) => one.box === box);
  const alone = waitsWithoutBox(job, box);
  const untold = place !== undefined && isUntold(job, place);
  const waiting = waitingIn(asked, box);
  if (place && staysShut(job, wiring, box))
    return {
      ...{
        box,
        steps: [settledStep(shutStep(box, waiting))],
        tools: [],
        otherEnds: otherEndsOf(job, wiring, here),
      },
      cautions: cautionsAt(job, wiring, compiled, roles, box),
    };
  const madeUp = (): DraftStep[] => [
    ...waitSteps(box, waiting),
    ...outSteps(job, wiring, box),
    ...(tapped && !hangs ? [tappedStep(box, tapped)] : []),
    ...(place ? pullSteps(job, wiring, place, here) : []),
    ...(place ? roughCheckSteps(job, place, here) : []),
    ...(alone && place ? bringInSteps(job, place, here) : []),
    ...cableSteps(job, wiring, box, here, tagged, alone ? 'luminaire' : 'prepare'),
    ...(place && !alone
      ? trimAlike(
          job,
          place,
          here.filter(({ cable }) => !cable.existing),
        )
      : []),
    ...looseSteps(job, wiring, box),
    ...bondSteps(job, wiring, box),
    ...supportSteps(job, box, comingNew(job, box)),
    ...marks,
    ...unmarkSteps(job, wiring, box, here),
    ...apartSteps(box, apart),
    ...spliceSteps(job, wiring, compiled, roles, box, apart, createOfCircuit(job, compiled, planned)),
    ...groupedSteps(job, wiring, compiled, roles, box),
    ...(wires > 0 ? [checkStep(wiring, box, wires)] : []),
    ...deviceSteps(job, wiring, compiled, box),
    ...luminaireSteps(job, wiring, box),
    ...panelSteps(job, wiring, box, here),
    ...tryOutSteps(job, wiring, box),
    {
      id: `${box}/plate`,
      rests: wiring.devices.filter((one) => one.box === box).map((one) => one.article),
      phase: 'close',
      text: wiring.devices.some((one) => one.box === box)
        ? 'Put on the plate.'
        : tapped && !hangs
          ? `Put the ${tapped} back with its plate or canopy.`
          : isEmptied(job, wiring, box)
            ? 'Close the box with a blank cover. It stays in reach: no wall covers it.'
            : alone
              ? 'Put the luminaire into its opening, and see that its springs or screws hold it.'
              : 'Fix the luminaire over the box, or close the box with its cover.',
      why: 'Nothing live is left to touch.',
      section: '314.25',
      caution: null,
      shows: null,
    },
  ];
  const steps: DraftStep[] = [
    ...(place ? deadSteps(job, wiring, compiled, place, circuits) : []),
    ...(place ? markOutSteps(job, wiring, place) : []),
    // An old-work box goes in with its cables in it.
    ...(place && place.work !== 'old' ? boxSteps(job, wiring, place) : []),
    ...lookStep(job, box),
    ...(untold ? [tellStep(box)] : madeUp()),
    ...(place?.work === 'old' ? boxSteps(job, wiring, place) : []),
  ];
  const phases = phasesAt(
    place?.work === 'existing' || here.some(({ cable }) => cable.existing),
    job.preferences.madeUp,
  );
  return {
    box,
    steps: steps.sort((a, b) => phases.indexOf(a.phase) - phases.indexOf(b.phase)).map(settledStep),
    tools: toolsOf(job, {
      devices: wiring.devices.some((one) => one.box === box),
      marked: marks.length > 0,
      high: place !== undefined && isHigh(place),
    }),
    otherEnds: otherEndsOf(job, wiring, here),
    cautions: cautionsAt(job, wiring, compiled, roles, box),
  };
};
