const make = () => new Worker(new URL('./planWorker.ts', import.meta.url), { type: 'module' });

/** One worker waits ready: to load the program takes longer than to find a first answer. */
let spare: Worker | null = null;

/** A worker of the planner, for one search; whoever takes it ends it. */
export const takeWorker = (): Worker => {
  const taken = spare ?? make();
  spare = make();
  return taken;
};
