import { wrap, type Remote } from 'comlink';
import type { Planner } from './planner.js';

/** A worker with the planner in it. They are kept together: a planner that nobody holds any more is closed for good. */
export interface PlannerWorker {
  worker: Worker;
  planner: Remote<Planner>;
}

const make = (): PlannerWorker => {
  const worker = new Worker(new URL('./planWorker.ts', import.meta.url), { type: 'module' });
  return { worker, planner: wrap<Planner>(worker) };
};

/** One worker waits ready: to load the program and to compile it takes longer than to find a first answer. */
let spare: PlannerWorker | null = null;

/** A worker of the planner, for one search; whoever takes it ends it. */
export const takeWorker = (): PlannerWorker => {
  const taken = spare ?? make();
  spare = make();
  void spare.planner.warmUp();
  return taken;
};
