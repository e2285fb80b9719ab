import type { WiringId } from '../model/ids.js';
import type { Job, JudgedEdition } from '../model/job.js';
import type { Wiring } from '../model/wiring.js';
import { compile, type Compiled } from '../circuit/compile.js';
import { inspect } from '../code/inspect.js';
import type { Finding } from '../code/rule.js';
import { proveGroup, type GroupProof } from '../proving/works.js';
import { lazily } from './lazily.js';

/** A wiring under judgement, planned or not. To inspect takes longer than all the rest, so findings wait until they are asked for. */
export interface Subject {
  job: Job;
  id: WiringId;
  kind: Job['wirings'][number]['kind'];
  /** The edition that it is judged by. */
  edition: JudgedEdition;
  wiring: Wiring;
  compiled: Compiled;
  readonly findings: Finding[];
  proofs: GroupProof[];
}

/** A wiring of the job as it stands, existing, found or built, judged like a planned one; null where there is none. */
export const reviewWiring = (job: Job, id: string): Subject | null => {
  const document = job.wirings.find((one) => one.id === id);
  if (!document) return null;
  const { wiring, kind } = document;
  // What stood before anything was planned is judged by the edition of its day.
  const edition = kind === 'existing' ? (job.existingEdition ?? job.edition) : job.edition;
  const compiled = compile(wiring, job);
  const findings = lazily(() => inspect(job, wiring, edition));
  return {
    ...{ job, id: document.id, kind, edition, wiring, compiled },
    get findings() {
      return findings();
    },
    proofs: job.groups.map((group) => proveGroup(job, wiring, compiled, group)),
  };
};
