import { useMemo } from 'react';
import {
  articleOf,
  cautionsAt,
  devicesOfGroup,
  drawBox,
  drawStrip,
  evaluate,
  PANEL,
  reviewCircuit,
  rolesOf,
  truthTable,
  type BoxDrawing,
  type BoxId,
  type Circuit,
  type Compiled,
  type DeviceId,
  type Finding,
  type GroupProof,
  type Job,
  type JobReview,
  type Role,
  type RunStrip,
  type State,
  type TruthTable,
  type Wiring,
} from '@amber/core';
import { useAppSelector } from '../store/store.js';
import { reviewOf } from '../store/review.js';

/** A table of more switches than these is not worked out with every change. */
const MOST_SWITCHES = 8;

/** Everything the bench shows of one circuit. What depends on the handles alone is recomputed with them. */
export interface Bench {
  job: Job;
  circuit: Circuit;
  wiring: Wiring;
  compiled: Compiled;
  roles: readonly Role[];
  strip: RunStrip | null;
  drawings: BoxDrawing[];
  /** Names of other circuits whose cables come into a box. */
  otherCircuits: ReadonlyMap<string, string[]>;
  /** What stands at a box before anybody works in it. */
  cautions: ReadonlyMap<string, string[]>;
  /** Devices in the order of the run: number key 1 is the first. */
  devices: { id: DeviceId; box: BoxId; letter: string; positions: string[] }[];
  /** Of this circuit; the job is inspected when they are first asked for. */
  findings: () => Finding[];
  proofs: GroupProof[];
  /** What every set of handle positions gives, group by group. */
  tables: TruthTable[];
  state: State;
}

const boxesOf = (strip: RunStrip | null): BoxId[] =>
  (strip?.nodes ?? []).map((node) => node.place).filter((place): place is BoxId => place !== PANEL);

/** Names of the other circuits that come into each box. */
const otherCircuits = (review: JobReview, circuit: Circuit): Map<string, string[]> => {
  const met = new Map<string, string[]>();
  for (const other of review.job.circuits.filter((one) => one.id !== circuit.id))
    for (const box of reviewCircuit(review, other.id).boxes)
      met.set(box, [...(met.get(box) ?? []), other.name]);
  return met;
};

/** All that follows from the job, once for each state of it. */
const useStill = (asked: Job, circuit: Circuit) =>
  useMemo(() => {
    const review = reviewOf(asked);
    const { job, wiring, compiled } = review;
    const mine = reviewCircuit(review, circuit.id);
    const { cables, proofs } = mine;
    const plan = review.plans.find((one) => one.circuit.id === circuit.id);
    const strip = plan?.outcome.ok ? drawStrip(wiring, job, cables) : null;
    const boxes = boxesOf(strip);
    const roles = rolesOf(compiled);
    return {
      job,
      circuit,
      wiring,
      compiled,
      roles,
      strip,
      drawings: boxes.map((box) => drawBox(wiring, job, box, compiled)),
      otherCircuits: otherCircuits(review, circuit),
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
      findings: () => mine.findings,
      proofs,
      tables: job.groups
        .filter((one) => one.circuit === circuit.id && one.control === 'switched')
        .filter((one) => devicesOfGroup(job, wiring, one.id).length <= MOST_SWITCHES)
        .map((group) => truthTable(job, wiring, compiled, group)),
    };
  }, [asked, circuit]);

export const useBench = (job: Job, circuit: Circuit): Bench => {
  const still = useStill(job, circuit);
  const positions = useAppSelector((state) => state.bench.positions);
  const state = useMemo(() => evaluate(still.compiled, positions), [still, positions]);
  return useMemo(() => ({ ...still, state }), [still, state]);
};
