import { readFileSync } from 'node:fs';
import {
  newWiringDoc,
  planJob,
  readJob,
  standardStock,
  wireAll,
  withoutCircuit,
  type Job,
} from '@amber/core';

let known: Job | null = null;

/** The demo job as it is loaded: planned. */
export const yard = (): Job => {
  if (known) return known;
  const file = new URL('../../../../demo/heron-yard.json', import.meta.url);
  const read = readJob({ stock: standardStock(), ...(JSON.parse(readFileSync(file, 'utf8')) as object) });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return (known = planJob(wireAll(read.job)).job);
};

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
