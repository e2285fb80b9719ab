import { useMemo } from 'react';
import {
  articleOf,
  cablesOfCircuit,
  compile,
  drawBox,
  drawStrip,
  evaluate,
  PANEL,
  rolesOf,
  wiringOrEmpty,
  type BoxDrawing,
  type BoxId,
  type Circuit,
  type Compiled,
  type DeviceId,
  type Finding,
  type GroupProof,
  type Job,
  type Role,
  type RunStrip,
  type State,
  type Wiring,
} from '@amber/core';
import { useAppSelector } from '../app/store.js';
import { reviewOf } from '../editing/review.js';

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
  /** Devices in the order of the run: number key 1 is the first. */
  devices: { id: DeviceId; box: BoxId; letter: string; positions: string[] }[];
  findings: Finding[];
  proofs: GroupProof[];
  state: State;
}

const boxesOf = (strip: RunStrip | null): BoxId[] =>
  (strip?.nodes ?? []).map((node) => node.place).filter((place): place is BoxId => place !== PANEL);

const otherCircuits = (job: Job, wiring: Wiring, circuit: Circuit): Map<string, string[]> => {
  const met = new Map<string, string[]>();
  for (const other of job.circuits.filter((one) => one.id !== circuit.id)) {
    const cables = new Set<string>(cablesOfCircuit(job, other.id));
    const boxes = new Set(
      wiring.cables.filter((cable) => cables.has(cable.id)).flatMap(({ from, to }) => [from, to]),
    );
    for (const box of boxes) met.set(box, [...(met.get(box) ?? []), other.name]);
  }
  return met;
};

/** All that follows from the job, once for each state of it. */
const useStill = (asked: Job, circuit: Circuit) =>
  useMemo(() => {
    const { job, plans, findings, proofs } = reviewOf(asked);
    const wiring = wiringOrEmpty(job);
    const compiled = compile(wiring, job);
    const plan = plans.find((one) => one.circuit.id === circuit.id);
    const cables = cablesOfCircuit(job, circuit.id);
    const strip = plan?.outcome.ok ? drawStrip(wiring, job, cables) : null;
    const boxes = boxesOf(strip);
    const groups = new Set<string>(
      job.groups.filter((group) => group.circuit === circuit.id).map((one) => one.id),
    );
    const cableIds = new Set<string>(cables);
    const onBoxes = new Set<string>(boxes);
    const mine = findings.filter(({ at }) => {
      if (at.circuit !== undefined) return at.circuit === circuit.id;
      if (at.cable !== undefined) return cableIds.has(at.cable);
      return at.box !== undefined && onBoxes.has(at.box);
    });
    return {
      job,
      circuit,
      wiring,
      compiled,
      roles: rolesOf(compiled),
      strip,
      drawings: boxes.map((box) => drawBox(wiring, job, box, compiled)),
      otherCircuits: otherCircuits(job, wiring, circuit),
      devices: boxes.flatMap((box) =>
        wiring.devices
          .filter((device) => device.box === box)
          .map((device) => {
            const article = articleOf(job.stock, 'device', device.article);
            return {
              id: device.id,
              box,
              letter: article.letter,
              positions: article.positions.map((one) => one.name),
            };
          }),
      ),
      findings: mine,
      proofs: proofs.filter((proof) => groups.has(proof.group)),
    };
  }, [asked, circuit]);

export const useBench = (job: Job, circuit: Circuit): Bench => {
  const still = useStill(job, circuit);
  const positions = useAppSelector((state) => state.bench.positions);
  const state = useMemo(() => evaluate(still.compiled, positions), [still, positions]);
  return useMemo(() => ({ ...still, state }), [still, state]);
};
