import {
  boxesReached,
  isIn,
  partOf,
  reviewCircuit,
  estimate,
  findBox,
  orderLines,
  pullingOrder,
  tagNumbers,
  type BoxId,
  type Circuit,
  type CircuitId,
  type Finding,
  type CableId,
  type Cut,
  type Estimate,
  type Job,
  type OrderList,
  type ReviewedWiring,
  type SiteRecord,
} from '@amber/core';
import type { Paper, Section } from './sections.js';

/** What a packet is made of. */
export interface Asked {
  /** The planned wiring of a job, or of one whose steps and findings are wanted. */
  review: ReviewedWiring;
  records: readonly SiteRecord[];
  sections: readonly Section[];
  paper: Paper;
  /** Which state of the job this is, in words: "revision 3", "revision 3, changed since". */
  state: string;
  /** When it was made. */
  made: Date;
  /** Of this circuit alone; null for the whole job. */
  circuit: CircuitId | null;
}

/** What is asked with what every section reads of it, worked out once. */
export interface Material extends Asked {
  job: Job;
  all: Estimate;
  order: OrderList;
  cuts: Cut[];
  numbers: ReadonlyMap<CableId, number>;
  /** What is found, of the circuit where one is asked for. */
  findings: readonly Finding[];
  circuits: Circuit[];
  /** Boxes that the wiring comes to, in the order of the job, those elsewhere left out. */
  boxes: BoxId[];
}

export const materialOf = (asked: Asked): Material => {
  const { job, wiring, drawn } = asked.review;
  const all = estimate(job, wiring, drawn);
  const cuts = pullingOrder(job, wiring, drawn, all.cuts);
  const reached = boxesReached(wiring);
  const mine = asked.circuit === null ? null : reviewCircuit(asked.review, asked.circuit);
  const part = mine && partOf([mine]);
  return {
    ...asked,
    ...{ job, all },
    cuts: cuts.filter(({ cable }) => isIn(part, cable)),
    order: orderLines(job, all, part, asked.records),
    // Numbered as in the whole job.
    numbers: tagNumbers(job, cuts),
    findings: (mine ?? asked.review).findings,
    circuits: job.circuits.filter(({ id }) => asked.circuit === null || id === asked.circuit),
    boxes: job.boxes
      .map(({ id }) => id)
      .filter((id) => reached.has(id) && isIn(part, id) && findBox(job, id)?.work !== 'beyond'),
  };
};
