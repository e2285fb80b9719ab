import { placeOfNode, type BoxId } from '../model/ids.js';
import type { Choice, Circuit, Job } from '../model/job.js';
import { roomForCable } from '../nec/room.js';
import type { PlannedCircuit } from './planCircuit.js';

/** Room that new boxes of a circuit keep free, ten-thousandths of a cubic inch: as its choice says, else by the preferences of the job. */
export const roomAskedBy = (job: Job, circuit: Circuit, choice?: Pick<Choice, 'room'>): number =>
  choice?.room ?? job.preferences.roomToSpare * roomForCable(circuit.awg);

/** The room that is kept free in a box by the circuits that come to it: the most that one of them asks for. */
export const roomAskedIn = (
  job: Job,
  planned: readonly { circuit: Circuit; plan: PlannedCircuit }[],
): ((box: BoxId) => number) => {
  const byBox = new Map<string, number>();
  for (const { circuit, plan } of planned) {
    const room = roomAskedBy(job, circuit, plan.choice);
    const places = [plan.feed.at, ...plan.runs.flatMap(({ run }) => [run.from, run.to])];
    for (const place of places.map(placeOfNode)) byBox.set(place, Math.max(byBox.get(place) ?? 0, room));
  }
  return (box) => byBox.get(box) ?? 0;
};
