import { BUILT, withDocument } from '../edits/wiring/documents.js';
import { addPlace, newDraft, newPlace } from '../edits/draftEdits.js';
import { withDraft, type CircuitDraft } from '../edits/circuitDraft.js';
import { standardStock } from '../materials/standardStock.js';
import type { Edition } from '../model/editions.js';
import { PANEL, type BoxId, type CircuitId, type JobId } from '../model/ids.js';
import { newJob, newWiringDoc } from '../model/newJob.js';
import type { Job } from '../model/job.js';
import type { Wiring } from '../model/wiring.js';
import { planJob } from '../planning/planJob.js';
import { wiringOrEmpty } from '../proving/works.js';
import { picking } from './picking.js';

/** What is made up, from the easiest on: how many switches, where power enters, where the luminaires hang. */
interface Level {
  title: string;
  /** What is new in it, for who chooses. */
  learns: string;
  switches: number;
  powerAt: 'switch' | 'luminaire';
  /** Luminaires beside the first. */
  more: number;
}

export const MAKE_UP_LEVELS = {
  poleAtSwitch: {
    title: 'Single-pole, power at the switch',
    learns: 'The hot is switched, the neutral goes through, grounds meet.',
    ...{ switches: 1, powerAt: 'switch', more: 0 },
  },
  poleAtLight: {
    title: 'Single-pole, power at the light',
    learns: 'A loop: what goes down hot comes back switched, and what the code asks for beside it.',
    ...{ switches: 1, powerAt: 'luminaire', more: 0 },
  },
  poleTwoLights: {
    title: 'Single-pole, two lights',
    learns: 'A switched hot and a neutral that go on.',
    ...{ switches: 1, powerAt: 'switch', more: 1 },
  },
  pairAtSwitch: {
    title: 'Two three-ways, power at the first',
    learns: 'Commons and travelers.',
    ...{ switches: 2, powerAt: 'switch', more: 0 },
  },
  pairAtLight: {
    title: 'Two three-ways, power at the light',
    learns: 'The common of each, told by what comes to it.',
    ...{ switches: 2, powerAt: 'luminaire', more: 0 },
  },
  fourWay: {
    title: 'Three places, a four-way between',
    learns: 'Two pairs on one switch.',
    ...{ switches: 3, powerAt: 'switch', more: 0 },
  },
  twoFourWays: {
    title: 'Four places, two four-ways between',
    learns: 'Pairs kept as pairs through every box.',
    ...{ switches: 4, powerAt: 'switch', more: 1 },
  },
} as const satisfies Record<string, Level>;
export type MakeUpLevel = keyof typeof MAKE_UP_LEVELS;

export interface MakeUpAsked {
  level: MakeUpLevel;
  /** The same seed gives the same exercise. A whole number. */
  seed: number;
  edition: Edition;
}

/** A circuit to be made up: its job, with the wiring `BUILT` in which nothing is joined yet. */
export interface MakeUp {
  asked: MakeUpAsked;
  job: Job;
  circuit: CircuitId;
}

const ROOMS = ['Net loft', 'Bunk room', 'Sail room', 'Pantry', 'Oar shed', 'Chart room', 'Slip office'];
const SWITCHES = ['Creek door', 'Yard door', 'Stove end', 'Ladder head'];
const LIGHTS = ['Ridge light', 'Bench light'];

/** The wires of every box out of their splices and off their screws; what is on the breaker and the bars of the panel stays. */
export const hangingLoose = (wiring: Wiring): Wiring => ({
  ...wiring,
  joints: [],
  marks: [],
  landings: wiring.landings.filter(({ terminal }) => 'circuit' in terminal),
});

const CIRCUIT = 'practice' as CircuitId;

/**
 * A circuit as the planner makes it, by the edition, with places, order and material drawn from the seed; then every wire hangs loose.
 */
export const drawMakeUp = (asked: MakeUpAsked): MakeUp => {
  const level: Level = MAKE_UP_LEVELS[asked.level];
  const pick = picking(asked.seed);
  const room = pick.of(ROOMS);
  let next = 0;
  const freshBox = () => `practice-${++next}` as BoxId;
  const { switches, powerAt } = level;
  const bare = newDraft({ circuit: CIRCUIT, name: room, switches, powerAt, freshBox });
  const names = pick.some(SWITCHES, switches);
  const lights = pick.some(LIGHTS, 1 + level.more);
  const named = bare.places.map((place) => ({
    ...place,
    name: (place.holds.kind === 'switch' ? names.shift() : lights.shift()) ?? place.name,
    accessible: 'no' as const,
    // Measured, so that no length on the board is a guess; inches.
    length: 72 + 12 * pick.upTo(20),
  }));
  const heavy = pick.upTo(3) === 0;
  const told: CircuitDraft = {
    ...bare,
    awg: heavy ? 12 : 14,
    breaker: heavy ? 20 : 15,
    room: { name: room, kind: 'habitable', wholeFloorVisible: 'yes' },
    places: named,
  };
  const draft = lights.reduce(
    (all, name) =>
      addPlace(all, { ...newPlace(freshBox(), 'luminaire', name, PANEL), length: 72 + 12 * pick.upTo(10) }),
    told,
  );
  const metal = pick.upTo(2) === 0;
  const empty = newJob(`practice-${asked.level}-${asked.seed}` as JobId, 'Practice', standardStock());
  const begun = withDraft({ ...empty, edition: asked.edition }, draft);
  const { job } = planJob({
    ...begun,
    boxes: begun.boxes.map((box) => ({ ...box, material: metal ? 'metal' : 'nonmetallic' })),
  });
  const loose = hangingLoose(wiringOrEmpty(job));
  return { asked, circuit: CIRCUIT, job: withDocument(job, newWiringDoc(BUILT, 'built', loose)) };
};
