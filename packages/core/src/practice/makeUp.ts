import { BUILT, withDocument } from '../edits/wiring/documents.js';
import { standardStock } from '../materials/standardStock.js';
import type { Edition } from '../model/editions.js';
import type { CircuitId, JobId } from '../model/ids.js';
import { newJob, newWiringDoc } from '../model/newJob.js';
import type { Circuit, Job } from '../model/job.js';
import type { Wiring } from '../model/wiring.js';
import { planJob } from '../planning/planJob.js';
import { wiringOrEmpty } from '../proving/works.js';
import { CIRCUIT, oneGroup, ROOMS, severalGroups } from './laidOut.js';
import { MAKE_UP_LEVELS, type MakeUpLevel, type OneGroup, type SeveralGroups } from './levels.js';
import { picking } from './picking.js';

export interface MakeUpAsked {
  level: MakeUpLevel;
  /** The same seed gives the same exercise. A whole number. */
  seed: number;
  edition: Edition;
}

/** A circuit, or two in one box, to be made up: the job, with the wiring `BUILT` in which nothing is joined yet. */
export interface MakeUp {
  asked: MakeUpAsked;
  job: Job;
  circuit: CircuitId;
}

/** The wires of every box out of their splices and off their screws; what is on the breaker and the bars of the panel stays. */
export const hangingLoose = (wiring: Wiring): Wiring => ({
  ...wiring,
  joints: [],
  marks: [],
  landings: wiring.landings.filter(({ terminal }) => 'circuit' in terminal),
});

/** How a circuit is drawn that is not left to the seed alone. */
export interface Drawn {
  id: JobId;
  shape: OneGroup | SeveralGroups;
  seed: number;
  edition: Edition;
  /** Left out: by the seed. */
  metal?: boolean;
  supply?: Pick<Circuit, 'breaker' | 'awg'>;
  /** A neutral at every switch, whatever the edition asks. */
  everyNeutral?: boolean;
}

/** A circuit of a shape as the planner makes it, with places, order and material drawn from the seed; then every wire hangs loose. */
export const drawLoose = ({ id, shape, seed, edition, metal, supply, everyNeutral }: Drawn): Job => {
  const pick = picking(seed);
  const room = pick.of(ROOMS);
  const bare = newJob(id, 'Practice', standardStock());
  const neutral = everyNeutral ? 'everySwitch' : bare.preferences.neutral;
  const empty = { ...bare, edition, preferences: { ...bare.preferences, neutral } };
  const begun =
    'boxes' in shape ? severalGroups(shape, room, pick, empty) : oneGroup(shape, room, pick, empty);
  const drawnMetal = pick.upTo(2) === 0;
  const { job } = planJob({
    ...begun,
    circuits: begun.circuits.map((one) => ({ ...one, ...supply })),
    boxes: begun.boxes.map((box) => ({ ...box, material: (metal ?? drawnMetal) ? 'metal' : 'nonmetallic' })),
  });
  const loose = hangingLoose(wiringOrEmpty(job));
  return withDocument(job, newWiringDoc(BUILT, 'built', loose));
};

/** A circuit of the level as the planner makes it, by the edition, with places, order and material drawn from the seed; then every wire hangs loose. */
export const drawMakeUp = (asked: MakeUpAsked): MakeUp => {
  const { level, seed, edition } = asked;
  const id = `practice-${level}-${seed}` as JobId;
  return {
    asked,
    circuit: CIRCUIT,
    job: drawLoose({ id, shape: MAKE_UP_LEVELS[level].shape, seed, edition }),
  };
};
