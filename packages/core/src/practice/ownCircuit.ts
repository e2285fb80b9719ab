import { withoutCircuit } from '../edits/circuitDraft.js';
import { BUILT, withDocument } from '../edits/wiring/documents.js';
import type { CircuitId } from '../model/ids.js';
import { existingDocument } from '../model/existing.js';
import type { Job } from '../model/job.js';
import { boxesOfCircuit, findBox, findCircuit } from '../model/lookup.js';
import { newWiringDoc } from '../model/newJob.js';
import { planJob } from '../planning/planJob.js';
import { wiringOrEmpty } from '../proving/works.js';
import { hangingLoose } from './makeUp.js';

/** A circuit of somebody's own job to be made up, alone, its wires loose; or why it is none to practise on. */
export type OwnCircuit = { ok: true; job: Job } | { ok: false; why: 'notThere' | 'oldWork' | 'notPlanned' };

/** What is said where a circuit cannot be practised. */
export const NOT_PRACTISED: Record<Extract<OwnCircuit, { ok: false }>['why'], string> = {
  notThere: 'The job has no such circuit any more.',
  oldWork: 'This circuit goes on from old work. Only one whose boxes are all new hangs loose here.',
  notPlanned: 'This circuit cannot be planned as it stands. Mend that on its bench first.',
};

/** The planned circuit of a job with every wire of its boxes loose, and nothing else of the job beside it. The job itself stays as it is. */
export const practiseCircuit = (job: Job, id: CircuitId): OwnCircuit => {
  if (!findCircuit(job, id)) return { ok: false, why: 'notThere' };
  const old = boxesOfCircuit(job, id).some((box) => findBox(job, box)?.work === 'existing');
  const fed = job.feeds.some((feed) => feed.circuit === id && findBox(job, feed.at)?.work === 'existing');
  if (old || fed) return { ok: false, why: 'oldWork' };
  const there = existingDocument(job)?.id;
  const own = { ...job, wirings: job.wirings.filter((one) => one.kind === 'planned' && one.id !== there) };
  const alone = job.circuits
    .filter((circuit) => circuit.id !== id)
    .reduce((left, circuit) => withoutCircuit(left, circuit.id), own);
  const { job: planned, circuits } = planJob(alone);
  if (!circuits.every(({ outcome }) => outcome.ok)) return { ok: false, why: 'notPlanned' };
  const loose = hangingLoose(wiringOrEmpty(planned));
  return { ok: true, job: withDocument(planned, newWiringDoc(BUILT, 'built', loose)) };
};
