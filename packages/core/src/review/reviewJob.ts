import { staysShut } from '../model/boxState.js';
import { boxesOfCircuit, emptyGroups, groupIdsOf, groupsOfCircuit } from '../model/lookup.js';
import {
  PANEL,
  UNKNOWN_PLACE,
  type BoxId,
  type CableId,
  type CircuitId,
  type Place,
  type WiringId,
} from '../model/ids.js';
import type { Cable } from '../model/wiring.js';
import { plannedDocument, type Group, type Job } from '../model/job.js';
import type { CircuitPlan } from '../planning/planCircuit.js';
import { planInSteps } from '../planning/planJob.js';
import type { PlanProblem } from '../planning/problem.js';
import { sayProblem } from '../planning/sayProblem.js';
import { compile } from '../circuit/compile.js';
import { circuitsByCable } from '../circuit/roles.js';
import { proveGroup, wiringOrEmpty, type GroupProof } from '../proving/works.js';
import { byGravity, inspectInSteps } from '../code/inspect.js';
import { findingOf, type Finding } from '../code/rule.js';
import { whileItWaits } from '../model/there.js';
import { toPlan } from '../model/toPlan.js';
import { toEnd, type InSteps } from '../model/inSteps.js';
import { lazily, stepwise } from '../model/lazily.js';
import { madeOnce } from '../model/memo.js';
import { partOf } from './partOf.js';
import { assumedOf, existingDocument } from '../model/existing.js';
import { ifAsAssumed, type Subject } from './subject.js';

/** One look at a job: planned anew, proved, and inspected as soon as its findings are asked for. */
export interface JobReview extends Subject {
  plans: CircuitPlan[];
  /** Circuits that stand as they are, copied from the existing wiring. */
  standing: CircuitId[];
  /** What is found on a circuit alone. Where the job is not inspected yet, only what hangs together with the circuit is inspected for it. */
  findingsOn: (circuit: CircuitId) => Finding[];
}

/** A control that is asked for in a circuit that stands, and of which nothing is placed yet. */
const whatEmptyLacks = ({ id, circuit, control }: Group): PlanProblem[] => [
  ...(control === 'hot' ? [] : [{ code: 'GroupWithoutSwitch' as const, circuit, group: id }]),
  { code: 'GroupWithoutLuminaire', circuit, group: id },
];

/** Plans the job and gives all that follows: refusals to plan stand among the findings as unfinished. */
export const reviewJob = (asked: Job): JobReview => toEnd(reviewInSteps(asked));

/** `reviewJob` a piece at a time, as a whole job takes longer than a tap should wait. */
export const reviewInSteps = function* (asked: Job): InSteps<JobReview> {
  const { job, circuits, standing, asFound } = yield* planInSteps(asked);
  yield;
  const wiring = wiringOrEmpty(job);
  const drawn = compile(wiring, job);
  const there = asFound.circuits.size > 0 ? existingDocument(job) : undefined;
  const assumed = assumedOf(there);
  const empty = standing.flatMap((circuit) => emptyGroups(job, circuit));
  const refusals = [
    ...circuits.flatMap(({ outcome }) => (outcome.ok ? [] : outcome.problems)),
    ...empty.flatMap(whatEmptyLacks),
  ].map((problem) =>
    findingOf(
      {
        kind: 'refusal',
        rule: problem.code,
        severity: 'unfinished',
        walk: 'roughIn',
        section: '',
        at: {
          circuit: problem.circuit,
          ...('box' in problem ? { box: problem.box } : {}),
          ...('run' in problem ? { run: problem.run } : {}),
        },
        actions:
          problem.code === 'RingOfCables'
            ? [{ do: 'takeOutRun', circuit: problem.circuit, run: problem.run }]
            : [],
      },
      sayProblem(job, problem),
    ),
  );
  // What is found in a box that the plan opens is not softened for what nobody has seen of it before.
  const shut = ({ at }: Finding): boolean => at.box === undefined || staysShut(job, wiring, at.box);
  const inspected = function* (part: Pick<Subject, 'job' | 'wiring'>): InSteps<Finding[]> {
    const found = yield* inspectInSteps(toPlan(whileItWaits(part.job)), part.wiring);
    return [
      ...refusals,
      ...found.map((one) => (there && shut(one) ? ifAsAssumed(job, there, one) : one)),
    ].sort(byGravity);
  };
  // To inspect takes longer than all the rest, and what is drawn does not wait for it.
  const findings = stepwise(() => inspected({ job, wiring }));
  const planned = new Set([
    ...standing,
    ...circuits.filter(({ outcome }) => outcome.ok).map(({ circuit }) => circuit.id),
  ]);
  const proofs = lazily(() =>
    job.groups
      .filter((group) => planned.has(group.circuit) && !empty.includes(group))
      .map((group) => proveGroup(job, wiring, drawn, group)),
  );
  const review: JobReview = {
    job,
    id: plannedDocument(job)?.id ?? ('' as WiringId),
    kind: 'planned',
    edition: job.edition,
    wiring,
    compiled: assumed.size === 0 ? drawn : compile(wiring, job, assumed),
    plans: circuits,
    standing,
    drawn,
    get findings() {
      return findings.value();
    },
    inspectFurther: findings.step,
    findingsOn: (circuit) => {
      const part = findings.isDone() ? null : partOf(job, wiring, circuit);
      return reviewCircuit(review, circuit).only(part === null ? findings.value() : toEnd(inspected(part)));
    },
    get proofs() {
      return proofs();
    },
  };
  return review;
};

const isBox = (place: Place): place is BoxId => place !== PANEL && place !== UNKNOWN_PLACE;

/** What of a review belongs to one circuit. */
export interface CircuitReview {
  /** Cables that carry its conductors, told by the wiring. */
  cables: CableId[];
  boxes: ReadonlySet<BoxId>;
  readonly findings: Finding[];
  /** Of what was found those on the circuit; of a check that is made at many places only its own are told. */
  only: (found: readonly Finding[]) => Finding[];
  readonly proofs: GroupProof[];
}

/**
 * The part of one circuit in a review. A finding that names a circuit is that circuit's; one on a cable or box is of
 * every circuit that comes there. Boxes that no cable reaches yet count by what stands in them.
 * Told once: it is asked for box by box.
 */
export const reviewCircuit = madeOnce((review: Subject, circuit: CircuitId): CircuitReview => {
  const { job, wiring, drawn } = review;
  const byCable = circuitsByCable(wiring, job, drawn);
  const stands = new Set<string>(boxesOfCircuit(job, circuit));
  const told = new Set<string>(existingDocument(job)?.wiring.cables.map(({ id }) => id));
  const isOf = ({ id, from, to }: Cable): boolean => {
    const carried = byCable.get(id);
    // Of what is there, a cable whose power nobody knows is of every circuit that has a box at its end.
    return carried?.size || !told.has(id)
      ? carried?.has(circuit) === true
      : stands.has(from) || stands.has(to);
  };
  const cables = wiring.cables.filter(isOf);
  const groups = groupIdsOf(job, circuit);
  const rooms = new Set<string>(groupsOfCircuit(job, circuit).map((group) => group.room));
  const boxes = new Set<BoxId>([
    ...cables.flatMap(({ from, to }) => [from, to]).filter(isBox),
    ...boxesOfCircuit(job, circuit),
  ]);
  const cableIds = new Set<string>(cables.map((cable) => cable.id));
  const boxIds = new Set<string>(boxes);
  const isMine = ({ at }: Finding): boolean => {
    if (at.circuit !== undefined) return at.circuit === circuit;
    if (at.group !== undefined) return groups.has(at.group);
    if (at.cable !== undefined) return cableIds.has(at.cable);
    if (at.box !== undefined) return boxIds.has(at.box);
    // What is said of the whole job is said of each of its circuits.
    return at.room === undefined || rooms.has(at.room);
  };
  const only = (found: readonly Finding[]): Finding[] =>
    found.filter(isMine).flatMap((one) => {
      const places = one.places.filter((at) => isMine({ ...one, at }));
      return one.places.length > 0 && places.length === 0 ? [] : [{ ...one, places }];
    });
  const findings = lazily(() => only(review.findings));
  const proofs = lazily(() => review.proofs.filter((proof) => groups.has(proof.group)));
  return {
    cables: cables.map((cable) => cable.id),
    boxes,
    get findings() {
      return findings();
    },
    only,
    get proofs() {
      return proofs();
    },
  };
});
