import { articleOf, groundOf } from '../model/articles.js';
import type { BoxContents } from '../model/contents.js';
import type { BoxId } from '../model/ids.js';
import type { Circuit, ExistingCable, Job } from '../model/job.js';
import { placeOfEnd, type Wiring } from '../model/wiring.js';
import { contentsOf } from '../code/boxContents.js';
import { shareExisting } from '../planning/carriers.js';
import { partsOf } from '../planning/circuitParts.js';
import type { Attachment } from '../planning/boxNodes.js';
import { planCircuit } from '../planning/planCircuit.js';
import { planJob } from '../planning/planJob.js';
import { wiringOrEmpty } from '../proving/works.js';

/** What stands in the boxes of a job without one circuit: the other circuits as they are chosen, and what was found. */
export interface Background {
  contents: (box: BoxId) => BoxContents;
  /** Grounds of cables in a box, and what the other circuits ground there. */
  groundsIn: (box: BoxId) => number;
  grounded: readonly Attachment[];
  /** Device spaces that the other circuits take, and whether any device of them is new. */
  devices: (box: BoxId) => { gangs: number; anyNew: boolean };
  /** Existing cables that no other circuit uses. */
  existing: readonly ExistingCable[];
  /** Insulated conductors of those in a box. */
  idle: (box: BoxId) => number;
}

const groundsAt = (job: Job, wiring: Wiring, box: BoxId): number =>
  wiring.cables.reduce((sum, cable) => {
    const ground = groundOf(articleOf(job.stock, 'cable', cable.article));
    if (ground === null || ground === 'raceway') return sum;
    return sum + (['from', 'to'] as const).filter((side) => placeOfEnd(cable, side) === box).length;
  }, 0);

export const backgroundOf = (asked: Job, circuit: Circuit): Background => {
  const job: Job = {
    ...asked,
    choices: asked.choices.filter((one) => one.circuit !== circuit.id),
    // A forced run that the others do not take is for this circuit to take.
    runFacts: asked.runFacts.map((fact) => (fact.rule === 'forced' ? { ...fact, rule: null } : fact)),
  };
  const wiring = wiringOrEmpty(planJob(job).job);
  const share = shareExisting(job);
  const parts = job.circuits
    .filter((one) => job.choices.some((choice) => choice.circuit === one.id))
    .flatMap((one) => {
      const outcome = planCircuit(job, one, share);
      return outcome.ok ? [partsOf(job, one, outcome.value)] : [];
    });
  const slots = new Map(job.slots.map((slot) => [slot.id, slot]));
  return {
    contents: (box) => ({
      ...contentsOf(job, wiring, box),
      // Clamps come with the box that is chosen.
      internalClamps: job.boxes.find((one) => one.id === box)?.existingFill.internalClamps ?? false,
    }),
    groundsIn: (box) => groundsAt(job, wiring, box),
    grounded: parts.flatMap((part) => part.attachments.filter((one) => one.net === 'ground')),
    devices: (box) => {
      const here = wiring.devices.filter((one) => one.box === box);
      return {
        gangs: here.reduce((sum, one) => sum + articleOf(job.stock, 'device', one.article).gangs, 0),
        anyNew: here.some((one) => one.slot === null || slots.get(one.slot)?.existing !== true),
      };
    },
    existing: share.unused(),
    idle: (box) =>
      share.unused().reduce((sum, { between, article }) => {
        const times = between.filter((place) => place === box).length;
        return sum + times * articleOf(job.stock, 'cable', article).insulated.length;
      }, 0),
  };
};
