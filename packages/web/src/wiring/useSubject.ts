import { useMemo } from 'react';
import {
  articleOf,
  boxesOfCircuit,
  boxesReached,
  cautionsAt,
  devicesOfGroup,
  drawBox,
  drawStrip,
  evaluate,
  existingDocument,
  findBox,
  findCable,
  groupsOfCircuit,
  ofId,
  PANEL,
  placeOfEnd,
  reviewCircuit,
  rolesOf,
  staysShut,
  truthTable,
  type BoxDrawing,
  type BoxId,
  type CableId,
  type Circuit,
  type Compiled,
  type DeviceId,
  type Finding,
  type Group,
  type GroupProof,
  type Job,
  type JobReview,
  type JudgedEdition,
  type ReviewedWiring,
  type Role,
  type RunStrip,
  type State,
  type TruthTable,
  type Wiring,
  type WiringDoc,
} from '@amber/core';
import { useAppSelector } from '../store/store.js';
import { reviewOf, subjectOf } from '../store/review.js';
import { plannedDrawing } from './plannedDrawing.js';

/** A table of more switches than these is not worked out with every change. */
const MOST_SWITCHES = 8;

/**
 * What is drawn, followed, proved and stepped: any wiring of the job, of which a circuit is a filter. What depends on the handles alone
 * is recomputed with them.
 */
export interface Subject {
  job: Job;
  /** Null for all circuits. */
  circuit: Circuit | null;
  /** What it is called where it is saved: the circuit, or all of them. */
  name: string;
  wiringId: string;
  kind: ReviewedWiring['kind'];
  /** Of the planned wiring the job can be changed here; of every other it is told what is there, and nothing is planned. */
  readOnly: boolean;
  edition: JudgedEdition;
  wiring: Wiring;
  compiled: Compiled;
  /** Boxes that are only assumed, and ends that are or that nobody has looked at: what is proved is so if it is as drawn. */
  open: { assumedBoxes: number; ends: number };
  roles: readonly Role[];
  /** What a wire is for if it is as the wiring has it, whether somebody has seen that or not. */
  usualRole: (key: string) => Role;
  /** The run of each circuit that is shown, by itself: circuits share boxes, and their cables would lie on each other. */
  strips: { circuit: Circuit; strip: RunStrip }[];
  drawings: BoxDrawing[];
  /** Names of other circuits whose cables come into a box. */
  otherCircuits: ReadonlyMap<string, string[]>;
  /** How sure each box of a wiring that is there is; a planned one is named nowhere. */
  certainty: ReadonlyMap<string, WiringDoc['certainty'][BoxId]>;
  /** What stands at a box before anybody works in it. */
  cautions: ReadonlyMap<string, string[]>;
  /** Devices in the order of the run: number key 1 is the first. */
  devices: { id: DeviceId; box: BoxId; letter: string; positions: string[] }[];
  /** What is switched of it. */
  groups: Group[];
  /** Of what is shown; the job is inspected when they are first asked for. */
  findings: () => Finding[];
  /** Inspects a piece further; false once the findings are known. The same function for the same state of the wiring. */
  inspectFurther: () => boolean;
  proofs: GroupProof[];
  /** What every set of handle positions gives, group by group. */
  tables: TruthTable[];
  state: State;
}

/** Has nobody told anything of what is there yet, in any box that is shown? */
export const isUntold = ({ kind, drawings, certainty }: Subject): boolean =>
  kind === 'existing' && drawings.every(({ box }) => !certainty.has(box));

/** The planned wiring with its plans, or any other. */
type Review = JobReview | ReviewedWiring;

/** Names of the circuits that come into each box, but for the one that is shown. */
const otherCircuits = (review: Review, circuit: Circuit | null): Map<string, string[]> => {
  const met = new Map<string, string[]>();
  for (const other of review.job.circuits.filter((one) => one.id !== circuit?.id))
    for (const box of reviewCircuit(review, other.id).boxes)
      met.set(box, [...(met.get(box) ?? []), other.name]);
  // Where all circuits are shown, one that is alone in a box is no other.
  return circuit ? met : new Map([...met].filter(([, names]) => names.length > 1));
};

/** Boxes in the order of the run, then those of the wiring that no cable ties to it. */
const boxesOf = (
  strips: Subject['strips'],
  { job, wiring, kind }: Review,
  cables: ReadonlySet<CableId> | null,
  circuit: Circuit | null,
  certainty: WiringDoc['certainty'],
): BoxId[] => {
  const told = Object.keys(certainty);
  // A box that everything comes out of is worked in all the same.
  const left = job.slots.filter(({ leaves }) => leaves).map(({ box }) => box);
  const standing =
    kind === 'planned'
      ? circuit
        ? boxesOfCircuit(job, circuit.id).filter((box) => left.includes(box))
        : left
      : circuit
        ? boxesOfCircuit(job, circuit.id).filter((box) => told.includes(box))
        : told;
  const along = strips
    .flatMap(({ strip }) => strip.nodes.map((node) => node.place))
    .filter((place): place is BoxId => place !== PANEL);
  const shown =
    cables === null ? wiring : { ...wiring, cables: wiring.cables.filter((one) => cables.has(one.id)) };
  const apart = cables === null ? wiring.devices.map((one) => one.box) : [];
  return [...new Set([...along, ...boxesReached(shown), ...apart, ...(standing as BoxId[])])].filter(
    (box) => findBox(job, box) !== undefined,
  );
};

/** The part of a review that is shown: of one circuit, or all of it. */
const partOf = (review: Review, circuit: Circuit | null) => {
  if (circuit) {
    const mine = reviewCircuit(review, circuit.id);
    return { cables: mine.cables, findings: () => mine.findings, proofs: mine.proofs };
  }
  return {
    cables: review.wiring.cables.map((cable) => cable.id),
    findings: () => review.findings,
    proofs: review.proofs,
  };
};

/** Could the circuit be planned? Of one that could not, nothing of it is in the planned wiring. */
const isPlanned = (review: Review, circuit: Circuit): boolean =>
  'plans' in review &&
  (review.standing.includes(circuit.id) ||
    review.plans.some((one) => one.circuit.id === circuit.id && one.outcome.ok));

const stripsOf = (review: Review, circuit: Circuit | null): Subject['strips'] =>
  (circuit ? [circuit] : review.job.circuits).flatMap((one) => {
    const strip = drawStrip(review.wiring, review.job, reviewCircuit(review, one.id).cables);
    return strip.edges.length > 0 || (circuit && review.kind === 'planned') ? [{ circuit: one, strip }] : [];
  });

/**
 * Boxes of these that are only assumed, and ends in them that nobody has looked at or that are only assumed. In what is planned a box that is
 * there and is not opened is as sure as what is told of it; what an end that nobody has looked at is joined with is open in the proof itself.
 */
const openIn = (
  { job, wiring, kind }: Review,
  document: WiringDoc | undefined,
  boxes: readonly BoxId[],
): Subject['open'] => {
  const isPlan = kind === 'planned';
  const there = isPlan ? existingDocument(job) : document;
  const shown = new Set<string>(isPlan ? boxes.filter((box) => staysShut(job, wiring, box)) : boxes);
  const ends = [...(isPlan ? [] : wiring.unseen), ...(there?.assumedEnds ?? [])];
  return {
    assumedBoxes: [...shown].filter((box) => ofId(there?.certainty ?? {}, box) === 'assumed').length,
    ends: ends.filter(({ cable: id, side }) => {
      const cable = findCable(wiring, id);
      return cable !== undefined && shown.has(placeOfEnd(cable, side));
    }).length,
  };
};

/** The opened box. Another wiring keeps the order in which the planned one is drawn, so that what differs is seen. */
const drawn = (asked: Job, review: Review, box: BoxId): BoxDrawing => {
  if (review.kind === 'planned') return plannedDrawing(review, box);
  const { order: like } = plannedDrawing(reviewOf(asked), box);
  return drawBox(review.job, review.wiring, box, { compiled: review.drawn, like });
};

/** All that follows from the job, once for each state of it. */
const useStill = (asked: Job, wiringId: string | null, circuit: Circuit | null) =>
  useMemo((): Omit<Subject, 'state'> => {
    const review = subjectOf(asked, wiringId);
    const { job, wiring, compiled, kind } = review;
    const { cables, findings, proofs } = partOf(review, circuit);
    const isDrawn = kind !== 'planned' || circuit === null || isPlanned(review, circuit);
    const strips = isDrawn ? stripsOf(review, circuit) : [];
    const document = asked.wirings.find((one) => one.id === review.id);
    const certainty = document?.certainty ?? {};
    const boxes = isDrawn
      ? boxesOf(strips, review, circuit ? new Set(cables) : null, circuit, certainty)
      : [];
    const roles = rolesOf(compiled);
    const usualRoles = review.drawn === compiled ? roles : rolesOf(review.drawn);
    const groups = (circuit ? [...groupsOfCircuit(job, circuit.id)] : job.groups).filter(
      (group) => group.control === 'switched',
    );
    return {
      ...{ job, circuit, kind, wiring, compiled, roles, strips, findings, proofs, groups },
      usualRole: (key) => usualRoles[review.drawn.netOf(key) ?? -1] ?? 'spare',
      name: circuit?.name ?? 'all circuits',
      wiringId: review.id,
      readOnly: kind !== 'planned',
      edition: review.edition,
      inspectFurther: review.inspectFurther,
      drawings: boxes.map((box) => drawn(asked, review, box)),
      otherCircuits: otherCircuits(review, circuit),
      certainty: new Map(Object.entries(certainty)),
      open: openIn(review, document, boxes),
      cautions: new Map(boxes.map((box) => [box, cautionsAt(job, wiring, compiled, roles, box)])),
      devices: boxes.flatMap((box) =>
        wiring.devices
          .filter((device) => device.box === box)
          .flatMap(({ id, article: articleId }) => {
            const { letter, positions } = articleOf(job.stock, 'device', articleId);
            // A receptacle has no handle to flip.
            return letter === null ? [] : [{ id, box, letter, positions: positions.map((one) => one.name) }];
          }),
      ),
      tables: groups
        .filter((one) => devicesOfGroup(job, wiring, one.id).length <= MOST_SWITCHES)
        .map((group) => truthTable(job, wiring, compiled, group)),
    };
  }, [asked, wiringId, circuit]);

/** A wiring of the job, the planned one where none is named, and of one circuit where one is given. */
export const useSubject = (job: Job, wiringId: string | null, circuit: Circuit | null): Subject => {
  const still = useStill(job, wiringId, circuit);
  const positions = useAppSelector((state) => state.wiring.positions);
  const state = useMemo(() => evaluate(still.compiled, positions), [still, positions]);
  return useMemo(() => ({ ...still, state }), [still, state]);
};
