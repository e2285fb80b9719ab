import { assumedOf, existingDocument } from '../model/existing.js';
import type { BoxId, WiringId } from '../model/ids.js';
import type { Job, JudgedEdition, WiringDoc } from '../model/job.js';
import { findBox } from '../model/lookup.js';
import { ofId } from '../model/records.js';
import type { Wiring } from '../model/wiring.js';
import { compile, type Compiled } from '../circuit/compile.js';
import { inspectInSteps } from '../code/inspect.js';
import type { Finding } from '../code/rule.js';
import { proveGroup, type GroupProof } from '../proving/works.js';
import { lazily, stepwise } from '../model/lazily.js';

/** A wiring under judgement, planned or not. To inspect takes longer than all the rest, so findings wait until they are asked for. */
export interface Subject {
  job: Job;
  id: WiringId;
  kind: Job['wirings'][number]['kind'];
  /** The edition that it is judged by. */
  edition: JudgedEdition;
  wiring: Wiring;
  /** What is known of it: of what is only assumed, nothing is. */
  compiled: Compiled;
  /** The same if it is as the wiring has it, assumed or not: what belongs to which circuit is told by this. */
  drawn: Compiled;
  readonly findings: Finding[];
  /** Inspects a piece further before the findings are asked for; false once all of it is inspected. */
  inspectFurther: () => boolean;
  /** Does it work, if it is as the wiring has it? Told when it is first asked for. */
  readonly proofs: GroupProof[];
}

/** What is found in a box that nobody has looked into is found in what is usual there, and may not be so. */
export const ifAsAssumed = (job: Job, { certainty, wiring }: WiringDoc, finding: Finding): Finding => {
  const cable = wiring.cables.find(({ id }) => id === finding.at.cable);
  const places = cable ? [cable.from, cable.to] : finding.at.box === undefined ? [] : [finding.at.box];
  const assumed = places.filter((place) => ofId(certainty, place) === 'assumed');
  const [first] = assumed;
  if (first === undefined || (finding.severity !== 'violation' && finding.severity !== 'caution'))
    return finding;
  return {
    ...finding,
    severity: 'verify',
    assumed: first as BoxId,
    reason: `Nobody has looked into ${findBox(job, first)?.name ?? 'this box'} yet; this is so if it is wired as is usual. ${finding.reason}`,
    remedy: `Look first. ${finding.remedy}`,
  };
};

/** A wiring of the job, as it is or spoiled, compiled so that what is only assumed of what is there counts as not known. */
export const compileKnown = (job: Job, wiring: Wiring): Compiled =>
  compile(wiring, job, assumedOf(existingDocument(job)));

/**
 * A wiring of the job as it stands, existing, found or built, judged like a planned one; null where there is none. What stands there is
 * judged by the edition in force, and what the edition of its day did not ask for is named as lawful as built.
 */
export const reviewWiring = (job: Job, id: string): Subject | null => {
  const document = job.wirings.find((one) => one.id === id);
  if (!document) return null;
  const { wiring, kind } = document;
  const standing = kind === 'existing' || kind === 'found';
  const drawn = compile(wiring, job);
  const assumed = assumedOf(document);
  const findings = stepwise(function* () {
    const found = yield* inspectInSteps(job, wiring, { standing });
    return found.map((one) => ifAsAssumed(job, document, one));
  });
  const proofs = lazily(() => job.groups.map((group) => proveGroup(job, wiring, drawn, group)));
  return {
    ...{ job, id: document.id, kind, edition: job.edition, wiring, drawn },
    compiled: assumed.size === 0 ? drawn : compile(wiring, job, assumed),
    get findings() {
      return findings.value();
    },
    inspectFurther: findings.step,
    get proofs() {
      return proofs();
    },
  };
};
