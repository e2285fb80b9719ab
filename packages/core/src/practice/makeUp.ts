import { BUILT, withDocument } from '../edits/wiring/documents.js';
import { standardStock } from '../materials/standardStock.js';
import type { Edition } from '../model/editions.js';
import type { CircuitId, JobId } from '../model/ids.js';
import { newJob, newWiringDoc } from '../model/newJob.js';
import type { Job } from '../model/job.js';
import type { Wiring } from '../model/wiring.js';
import { planJob } from '../planning/planJob.js';
import { wiringOrEmpty } from '../proving/works.js';
import { CIRCUIT, oneGroup, ROOMS, severalGroups } from './laidOut.js';
import { MAKE_UP_LEVELS, type MakeUpLevel } from './levels.js';
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

/** A circuit of the level as the planner makes it, by the edition, with places, order and material drawn from the seed; then every wire hangs loose. */
export const drawMakeUp = (asked: MakeUpAsked): MakeUp => {
  const { shape } = MAKE_UP_LEVELS[asked.level];
  const pick = picking(asked.seed);
  const room = pick.of(ROOMS);
  const id = `practice-${asked.level}-${asked.seed}` as JobId;
  const empty = { ...newJob(id, 'Practice', standardStock()), edition: asked.edition };
  const begun =
    'boxes' in shape ? severalGroups(shape, room, pick, empty) : oneGroup(shape, room, pick, empty);
  const metal = pick.upTo(2) === 0;
  const { job } = planJob({
    ...begun,
    boxes: begun.boxes.map((box) => ({ ...box, material: metal ? 'metal' : 'nonmetallic' })),
  });
  const loose = hangingLoose(wiringOrEmpty(job));
  return { asked, circuit: CIRCUIT, job: withDocument(job, newWiringDoc(BUILT, 'built', loose)) };
};
