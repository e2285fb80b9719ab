import { PANEL, type CableId, type Place } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { findBox } from '../model/lookup.js';
import { ofId } from '../model/records.js';
import type { Wiring } from '../model/wiring.js';
import type { Cut } from '../materials/cutList.js';
import type { Compiled } from '../circuit/compile.js';
import { circuitsByCable } from '../circuit/roles.js';

/** How many new cables lie between power and each place: what lies there already is no step. */
const stepsFromPower = (job: Job, wiring: Wiring): Map<Place, number> => {
  const steps = new Map<Place, number>([[PANEL, 0]]);
  // In a box that is there and may feed, power is there already.
  for (const { at } of job.feeds) if (findBox(job, at)?.work === 'existing') steps.set(at, 0);
  for (let changed = true; changed;) {
    changed = false;
    for (const { from, to, existing } of wiring.cables)
      for (const [a, b] of [
        [from, to],
        [to, from],
      ] as const) {
        const near = steps.get(a);
        if (near === undefined) continue;
        const so = near + (existing ? 0 : 1);
        if (so < (steps.get(b) ?? Infinity)) {
          steps.set(b, so);
          changed = true;
        }
      }
  }
  return steps;
};

/** The cuts in the order of pulling: circuit by circuit, from where power enters outward, the longest of a step first. */
export const pullingOrder = (job: Job, wiring: Wiring, compiled: Compiled, cuts: readonly Cut[]): Cut[] => {
  const steps = stepsFromPower(job, wiring);
  const carried = circuitsByCable(wiring, job, compiled);
  const circuit = (cable: CableId) => {
    const at = job.circuits.findIndex(({ id }) => carried.get(cable)?.has(id));
    return at < 0 ? job.circuits.length : at;
  };
  const step = ({ from, to }: Cut) => Math.min(steps.get(from) ?? Infinity, steps.get(to) ?? Infinity);
  const before = (a: number, b: number) => (a === b ? 0 : a < b ? -1 : 1);
  return [...cuts].sort(
    (a, b) =>
      before(circuit(a.cable), circuit(b.cable)) ||
      before(step(a), step(b)) ||
      before(b.length?.cut ?? 0, a.length?.cut ?? 0) ||
      before(0, a.cable.localeCompare(b.cable, 'en')),
  );
};

/**
 * The number on the tags of each cut: the one that was printed, else the next that was never given. Nothing is given by this; `withNumbers` does.
 */
export const tagNumbers = ({ order }: Pick<Job, 'order'>, cuts: readonly Cut[]): Map<CableId, number> => {
  let last = Math.max(0, ...Object.values(order.numbers));
  return new Map(cuts.map(({ cable }) => [cable, ofId(order.numbers, cable) ?? ++last]));
};

/** The job in which these numbers are given: they stay with their cables, and are never given again. */
export const withNumbers = (job: Job, numbers: ReadonlyMap<CableId, number>): Job => ({
  ...job,
  order: { ...job.order, numbers: { ...job.order.numbers, ...Object.fromEntries(numbers) } },
});
