import { placeTag } from '../words/places.js';
import { findBox, findCable } from '../model/lookup.js';
import { articleOf, conductorsOf } from '../model/articles.js';
import { isGroundColour } from '../model/colours.js';
import { PANEL, type BoxId } from '../model/ids.js';
import type { Box, Job } from '../model/job.js';
import { feetInches } from '../model/units.js';
import { articlesAt, endKey, placeOfEnd, type End, type Wiring } from '../model/wiring.js';
import { leftLive } from '../circuit/leftLive.js';
import { listed } from '../words/lists.js';
import type { Compiled } from '../circuit/compile.js';
import { conductorKey } from '../circuit/keys.js';
import { circuitsByCable, rolesOf, type Role } from '../circuit/roles.js';
import { apartSteps, neutralsApart, sayApart } from './apart.js';
import { cableWord, otherPlace } from '../words/cables.js';
import { colourWord, terminalWord, whereGoes } from '../words/wires.js';
import { deadSteps, PANEL_CAUTION, sayLeftLive } from './proving.js';
import { deviceSteps, luminaireSteps } from './landings.js';
import { spliceSteps } from './splices.js';
import { PHASES, type BoxSteps, type Step } from './step.js';

type Here = { cable: Wiring['cables'][number]; side: End['side'] };

const cablesIn = (wiring: Wiring, box: BoxId): Here[] =>
  wiring.cables.flatMap((cable) =>
    (['to', 'from'] as const)
      .filter((side) => placeOfEnd(cable, side) === box)
      .map((side) => ({ cable, side })),
  );

/** What the tag of a cable goes on once the sheath is off: its hots, both travelers among them, and where circuits meet its neutral. */
const taggedOf = (
  job: Job,
  cable: Here['cable'],
  compiled: Compiled,
  roles: readonly Role[],
  circuitsMeet: boolean,
): string => {
  const { insulated } = articleOf(job.stock, 'cable', cable.article);
  const of = (role: Role) =>
    insulated
      .filter((colour) => roles[compiled.netOf(conductorKey(cable.id, colour)) ?? -1] === role)
      .map(colourWord);
  const travelers = of('traveler');
  const parts = [
    ...of('hot').map((colour) => `its hot, the ${colour}`),
    ...(travelers.length > 1
      ? [`both travelers, ${travelers.join(' and ')}`]
      : travelers.map((colour) => `its traveler, the ${colour}`)),
    ...of('switchLeg').map((colour) => `its switch leg, the ${colour}`),
    ...(circuitsMeet ? of('neutral').map((colour) => `its neutral, the ${colour}`) : []),
  ];
  return parts.length > 0 ? listed(parts) : 'its conductors';
};

const cableSteps = (
  job: Job,
  wiring: Wiring,
  box: BoxId,
  here: readonly Here[],
  tagged: (cable: Here['cable']) => string,
): Step[] =>
  here.map(({ cable, side }) => {
    const name = cableWord(job, wiring, cable, side);
    const free = `${job.preferences.freeConductor} in free`;
    return {
      id: `${box}/cable/${cable.id}/${side}`,
      phase: 'cables',
      text: cable.existing
        ? `Find the ${name} and tag ${tagged(cable)}. Leave ${free}.`
        : `Bring in the ${name}; strip it, 1/4 in of sheath or more inside, ${free}. Move the tag from the sheath to ${tagged(cable)}.`,
      why: 'Cables in a box all look alike once they are stripped, and an untagged second traveler is how pairs get crossed; short conductors cannot be made up outside of the box.',
      section: '300.14, 314.17',
      caution: null,
      shows: null,
    };
  });

const markSteps = (job: Job, wiring: Wiring, box: BoxId, here: readonly Here[]): Step[] =>
  wiring.marks
    .filter(({ end }) => here.some(({ cable, side }) => cable.id === end.cable && side === end.side))
    .map(({ end, colour }) => {
      const cable = findCable(wiring, end.cable);
      const of = cable ? ` of the ${cableWord(job, wiring, cable, end.side)}` : '';
      return {
        id: `${box}/mark/${endKey(end)}`,
        phase: 'hots',
        text: `Mark the ${colourWord(end.colour)}${of} ${colour}, all round, where it leaves the sheath.`,
        why: 'It is a hot. Whoever opens the box next takes an unmarked white for a neutral.',
        section: '200.7(C)(1)',
        caution: 'This white is live when the circuit is on.',
        shows: conductorKey(end.cable, end.colour),
      };
    });

const checkStep = (box: BoxId, wires: number): Step => ({
  id: `${box}/check`,
  phase: 'check',
  text: `Read all ${wires} conductors back against this list. Tug each one; see its end in the connector; no copper bare beyond a screw, no insulation under it, no ground near a hot screw.`,
  why: 'A wire that slips out or sits on the wrong screw is found now in a minute, and after the wall is closed in an hour.',
  section: '110.14',
  caution: null,
  shows: null,
});

const otherEndsOf = (job: Job, wiring: Wiring, here: readonly Here[]): BoxSteps['otherEnds'] =>
  here.map(({ cable, side }) => {
    const far = side === 'from' ? 'to' : 'from';
    const article = articleOf(job.stock, 'cable', cable.article);
    return {
      cable: article.name,
      place: placeTag(job, otherPlace(cable, side)),
      caution: otherPlace(cable, side) === PANEL ? PANEL_CAUTION : null,
      ends: conductorsOf(article).map((colour) => {
        const { joint, terminal } = whereGoes(wiring, { cable: cable.id, side: far, colour });
        const lands = terminal ? `on the ${terminalWord(job, wiring, terminal)}` : null;
        const joined = joint
          ? joint.members.length > 1
            ? `in a splice of ${joint.members.length}`
            : 'capped'
          : null;
        return {
          colour: colourWord(colour),
          goes: lands ?? joined ?? (isGroundColour(colour) ? 'on the ground bar' : 'at the panel'),
        };
      }),
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

/** A box from this height on is worked at from a ladder, inches. */
const LADDER_FROM = 78;

/** The box itself: what is set, with what is put on it, or what is there; and what nobody has told of it. */
const boxSteps = (job: Job, wiring: Wiring, place: Box): Step[] => {
  const chosen = articlesAt(wiring, place.id).map((id) => articleOf(job.stock, 'box', id).name);
  const isThere = place.work === 'existing';
  if (chosen.length === 0 && !isThere) return [];
  const at = place.at ? `, ${feetInches(place.at.z)} over the floor` : '';
  return [
    {
      id: `${place.id}/box`,
      phase: 'cables',
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

/** What stands at a box before any step of it: neutrals that stay apart, old cables that are live, what nobody has told. */
export const cautionsAt = (
  job: Job,
  wiring: Wiring,
  compiled: Compiled,
  roles: readonly Role[],
  box: BoxId,
): string[] => {
  const place = findBox(job, box);
  return [
    ...neutralsApart(job, wiring, compiled, roles, box).map(sayApart),
    ...leftLive(wiring, job, compiled)
      .filter((one) => one.box === box)
      .map((one) => sayLeftLive(job, wiring, one)),
    ...(place && isUntold(place)
      ? ['What else is in this box is not told: what is drawn is not all of it.']
      : []),
  ];
};

/** What is tapped in a box that is there. */
const TAPPED = {
  receptacle: 'receptacle',
  switch: 'switch',
  luminaire: 'luminaire',
  junction: null,
} as const;

/** Nobody has told what is in a box that is there: its make-up is not known, and none is printed. */
const isUntold = ({ work, existingFill }: Box): boolean => work === 'existing' && existingFill === null;

const tellStep = (box: BoxId): Step => ({
  id: `${box}/tell`,
  phase: 'cables',
  text: 'Look what is in the box: every cable, device and splice. Tell it on the layout and plan again; no make-up is given for it until then.',
  why: 'What is there takes room and stays joined: a device that is tapped keeps its own tails, and a splice that goes on elsewhere is not to be parted.',
  section: '314.16, 300.13',
  caution: null,
  shows: null,
});

/** A device that is tapped stays where it is, on tails that this plan does not count. */
const tappedStep = (box: BoxId, device: string): Step => ({
  id: `${box}/tapped`,
  phase: 'cables',
  text: `The ${device} that is there stays: its wires come off its screws and go back on by tails of their own, from the splices below. Take connectors with a port more for each.`,
  why: 'The splices below count what this plan brings. What was fed through the device must not hang on its screws.',
  section: '110.14(A), 300.13(B)',
  caution: null,
  shows: null,
});

/**
 * The work order of one box, in the order of the trade: dead and proved so, cables, grounds first and folded back, neutrals,
 * hots, the check before folding, devices, close. It reads the wiring as it is: of a planned one and of one as found alike.
 */
export const makeUpSteps = (job: Job, wiring: Wiring, compiled: Compiled, box: BoxId): BoxSteps => {
  const here = cablesIn(wiring, box);
  const byCable = circuitsByCable(wiring, job, compiled);
  const circuits = new Set(here.flatMap(({ cable }) => [...(byCable.get(cable.id) ?? [])]));
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
  const apart = neutralsApart(job, wiring, compiled, roles, box);
  const tagged = (cable: Here['cable']) => taggedOf(job, cable, compiled, roles, circuits.size > 1);
  const feed = job.feeds.find((one) => one.at === box && circuits.has(one.circuit));
  const tapped = feed && place?.work === 'existing' ? TAPPED[feed.tap] : null;
  const hangs = tapped === 'luminaire' && job.luminaires.some((one) => one.box === box);
  const untold = place !== undefined && isUntold(place);
  const madeUp = (): Step[] => [
    ...(tapped && !hangs ? [tappedStep(box, tapped)] : []),
    ...cableSteps(job, wiring, box, here, tagged),
    ...marks,
    ...apartSteps(box, apart),
    ...spliceSteps(job, wiring, compiled, roles, box, apart),
    checkStep(box, wires),
    ...deviceSteps(job, wiring, box),
    ...luminaireSteps(job, wiring, box),
    {
      id: `${box}/plate`,
      phase: 'close',
      text: wiring.devices.some((one) => one.box === box)
        ? 'Put on the plate.'
        : tapped && !hangs
          ? `Put the ${tapped} back with its plate or canopy.`
          : 'Hang the luminaire, or close the box with its cover.',
      why: 'Nothing live is left to touch.',
      section: '314.25',
      caution: null,
      shows: null,
    },
  ];
  const steps: Step[] = [
    ...(place ? deadSteps(job, wiring, compiled, place, circuits) : []),
    ...(place ? boxSteps(job, wiring, place) : []),
    ...(untold ? [tellStep(box)] : madeUp()),
  ];
  return {
    box,
    steps: steps.sort((a, b) => PHASES.indexOf(a.phase) - PHASES.indexOf(b.phase)),
    tools: toolsOf(job, {
      devices: wiring.devices.some((one) => one.box === box),
      marked: marks.length > 0,
      high: (place?.at?.z ?? 0) >= LADDER_FROM,
    }),
    otherEnds: otherEndsOf(job, wiring, here),
    cautions: cautionsAt(job, wiring, compiled, roles, box),
  };
};
