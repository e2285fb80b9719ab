import { articleOf, conductorsOf } from '../model/articles.js';
import { isGroundColour } from '../model/colours.js';
import type { BoxId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { feetInches } from '../model/units.js';
import { endKey, placeOfEnd, type End, type Wiring } from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';
import { conductorKey } from '../circuit/keys.js';
import { circuitsByCable, rolesOf } from '../circuit/roles.js';
import { cableWord, colourWord, otherPlace, placeWord, terminalWord, whereGoes } from './ends.js';
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

const DEAD =
  'Breaker off, locked or tagged where you can. Prove the tester, prove the box dead (hot to neutral, hot to ground, neutral to ground), prove the tester again.';

const deadStep = (box: BoxId, circuits: readonly string[]): Step => ({
  id: `${box}/dead`,
  phase: 'dead',
  text:
    circuits.length > 1
      ? `Switch off every breaker of this box: ${circuits.join(' and ')}.`
      : `Switch off the breaker of ${circuits[0] ?? 'the circuit'}.`,
  why: 'A traveler, or the neutral of another circuit, can be live while the luminaires are dark.',
  section: null,
  caution: circuits.length > 1 ? `${DEAD} A neutral can be live with the other breaker off.` : DEAD,
  shows: null,
});

const cableSteps = (job: Job, box: BoxId, here: readonly Here[]): Step[] =>
  here.map(({ cable, side }) => {
    const name = cableWord(job, cable, side);
    return {
      id: `${box}/cable/${cable.id}/${side}`,
      phase: 'cables',
      text: cable.existing
        ? `Find the ${name} and tag it. Leave ${job.preferences.freeConductor} in free.`
        : `Bring in the ${name}; strip it, 1/4 in of sheath or more inside, ${job.preferences.freeConductor} in free. Move the tag from the sheath to its hot.`,
      why: 'Cables in a box all look alike once they are stripped; short conductors cannot be made up outside of the box.',
      section: '300.14, 314.17',
      caution: null,
      shows: null,
    };
  });

const markSteps = (job: Job, wiring: Wiring, box: BoxId, here: readonly Here[]): Step[] =>
  wiring.marks
    .filter(({ end }) => here.some(({ cable, side }) => cable.id === end.cable && side === end.side))
    .map(({ end, colour }) => {
      const cable = wiring.cables.find((one) => one.id === end.cable);
      const of = cable ? ` of the ${cableWord(job, cable, end.side)}` : '';
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
      place: placeWord(job, otherPlace(cable, side)),
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

/**
 * The work order of one box, in the order of the trade: dead, cables, grounds first and folded back, neutrals, hots, the
 * check before folding, devices, close. It reads the wiring as it is: of a planned one and of one as found alike.
 */
export const makeUpSteps = (job: Job, wiring: Wiring, compiled: Compiled, box: BoxId): BoxSteps => {
  const here = cablesIn(wiring, box);
  const byCable = circuitsByCable(wiring, job, compiled);
  const circuits = new Set(here.flatMap(({ cable }) => [...(byCable.get(cable.id) ?? [])]));
  const names = job.circuits.filter((one) => circuits.has(one.id)).map((one) => one.name);
  const roles = rolesOf(compiled);
  const wires = here.reduce(
    (sum, { cable }) =>
      sum +
      conductorsOf(articleOf(job.stock, 'cable', cable.article)).filter(
        (colour) => compiled.netOf(conductorKey(cable.id, colour)) !== undefined,
      ).length,
    0,
  );
  const place = job.boxes.find((one) => one.id === box);
  const chosen = wiring.boxes[box]?.[0];
  const marks = markSteps(job, wiring, box, here);
  const steps: Step[] = [
    deadStep(box, names),
    ...(chosen
      ? [
          {
            id: `${box}/box`,
            phase: 'cables' as const,
            text: `${place?.work === 'existing' ? 'The box that is there:' : 'Set the box:'} ${articleOf(job.stock, 'box', chosen).name}${place?.at ? `, ${feetInches(place.at.z)} over the floor` : ''}.`,
            why: 'It holds what comes into it with room to fold.',
            section: '314.16',
            caution: null,
            shows: null,
          },
        ]
      : []),
    ...cableSteps(job, box, here),
    ...marks,
    ...spliceSteps(job, wiring, compiled, roles, box),
    checkStep(box, wires),
    ...deviceSteps(job, wiring, box),
    ...luminaireSteps(job, wiring, box),
    {
      id: `${box}/plate`,
      phase: 'close',
      text: wiring.devices.some((one) => one.box === box)
        ? 'Put on the plate.'
        : 'Hang the luminaire, or close the box with its cover.',
      why: 'Nothing live is left to touch.',
      section: '314.25',
      caution: null,
      shows: null,
    },
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
  };
};
