import { newWiringDoc, planJob, withoutCircuit, type Job } from '@amber/core';
import { yard as loaded } from '../../../core/test/support/yard.js';

let known: Job | null = null;

/** The demo job as it is loaded: planned. */
export const yard = (): Job => (known ??= planJob(loaded()).job);

/** The same with these circuits alone, so that little is planned again. */
export const few = (...kept: string[]): Job =>
  yard()
    .circuits.filter(({ id }) => !kept.includes(id))
    .reduce((job, { id }) => withoutCircuit(job, id), yard());

/** The same with a wiring as found beside the planned one: two wires of a four-way exchanged, so that a pair is crossed. */
export const yardAsFound = (): Job => {
  const job = yard();
  const planned = job.wirings.find(({ kind }) => kind === 'planned');
  if (!planned) throw new Error('the yard has no wiring');
  const { devices, landings } = planned.wiring;
  const fourWay = devices.find((one) => one.article.startsWith('four-way'));
  const on = (name: RegExp) =>
    landings.findIndex(
      ({ terminal }) => 'device' in terminal && terminal.device === fourWay?.id && name.test(terminal.name),
    );
  const [a, b] = [on(/^in/i), on(/^out/i)];
  const swapped = landings.map((one, i) => {
    const other = i === a ? landings[b] : i === b ? landings[a] : undefined;
    return other ? { ...one, terminal: other.terminal } : one;
  });
  const found = newWiringDoc('found-1', 'found', { ...planned.wiring, landings: swapped });
  return { ...job, wirings: [...job.wirings, found] };
};
