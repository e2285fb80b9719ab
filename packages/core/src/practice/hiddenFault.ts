import { BUILT, withDocument } from '../edits/wiring/documents.js';
import { asItLooks } from '../faults/asItLooks.js';
import { withFault, type Fault } from '../faults/fault.js';
import { faultsIn } from '../faults/inBox.js';
import { sayFault } from '../faults/say.js';
import type { BoxId } from '../model/ids.js';
import { newWiringDoc } from '../model/newJob.js';
import { wiringOrEmpty } from '../proving/works.js';
import { shownAtHandles } from './judgeMakeUp.js';
import { drawMakeUp, type MakeUp, type MakeUpAsked } from './makeUp.js';
import { picking } from './picking.js';

/** A circuit that somebody has made up with one mistake that its handles show. */
export interface HiddenFault extends MakeUp {
  /** Where it is, and what, in words; for afterwards. */
  box: BoxId;
  fault: Fault;
  said: string;
}

/** What a tap or two can mend; copper that touches where it should not is seen, and no wire is moved for it. */
const isMended = ({ kind }: Fault): boolean => kind !== 'touching';

/** Places that are tried before it is given up; nearly every second fault is seen at the handles. */
const MOST_TRIED = 200;

/** An exercise as `drawMakeUp` draws it, made up, with a fault of the trade in it that is seen at the handles. Throws where the circuit can have none. */
export const drawHiddenFault = (asked: MakeUpAsked): HiddenFault => {
  const exercise = drawMakeUp(asked);
  const { job } = exercise;
  const planned = wiringOrEmpty(job);
  const pick = picking(asked.seed + 1);
  const boxes = job.boxes.map(({ id }) => id).filter((id) => faultsIn(planned, id).some(isMended));
  for (let tried = 0; tried < MOST_TRIED && boxes.length > 0; tried++) {
    const box = pick.of(boxes);
    const fault = pick.of(faultsIn(planned, box).filter(isMended));
    const spoiled = withFault(planned, fault);
    if (!spoiled.ok) continue;
    const wiring = asItLooks(planned, spoiled.value, job.stock);
    const hidden = withDocument(job, newWiringDoc(BUILT, 'built', wiring));
    const [circuit] = shownAtHandles(hidden);
    if (circuit)
      return { ...exercise, circuit, box, fault, said: sayFault(job, planned, fault), job: hidden };
  }
  throw new Error(`No fault of ${asked.level} ${asked.seed} is seen at its handles.`);
};
