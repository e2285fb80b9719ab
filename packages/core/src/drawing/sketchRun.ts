import * as z from 'zod';
import { findDevice, findLuminaire, findSlot } from '../model/lookup.js';
import type { Wiring } from '../model/wiring.js';
import { articleOf } from '../model/articles.js';
import { PANEL, type CableId } from '../model/ids.js';
import { plannedWiring, type Job } from '../model/job.js';
import { drawStrip, type StripNode } from './runStrip.js';

/** The run of a circuit in small: enough for a picture beside its name. */
export const runSketchSchema = z.object({
  nodes: z.array(
    z.object({
      column: z.number(),
      row: z.number(),
      letters: z.array(z.string()),
      luminaires: z.int(),
      panel: z.boolean(),
      /** A receptacle alone, or a feed that goes on beyond the plan: they are no lamps and no switches. */
      sign: z.enum(['receptacle', 'onward']).nullable().default(null),
    }),
  ),
  edges: z.array(z.object({ from: z.int(), to: z.int(), insulated: z.int() })),
  columns: z.number(),
  rows: z.number(),
});
export type RunSketch = z.infer<typeof runSketchSchema>;
type Sign = RunSketch['nodes'][number]['sign'];

/** What stands at a place that is neither a switch nor a lamp. */
const signOf = (job: Job, wiring: Wiring, { devices, luminaires }: StripNode): Sign => {
  if (luminaires.length > 0)
    return devices.length === 0 && luminaires.every((id) => findLuminaire(job, id)?.unit === 'onward')
      ? 'onward'
      : null;
  const [one, ...others] = devices.map((id) => findSlot(job, findDevice(wiring, id)?.slot ?? null));
  return one?.role === 'receptacle' && others.length === 0 ? 'receptacle' : null;
};

/** The sketch of these cables of the planned wiring; null where there are none. */
export const sketchRun = (job: Job, cables: readonly CableId[]): RunSketch | null => {
  const wiring = plannedWiring(job);
  if (!wiring || cables.length === 0) return null;
  const { nodes, edges, columns, rows } = drawStrip(wiring, job, cables);
  const index = (id: string) => nodes.findIndex((node) => node.id === id);
  const letterOf = (id: string) => {
    const device = findDevice(wiring, id);
    // A receptacle has no letter of its own in a group.
    return device ? (articleOf(job.stock, 'device', device.article).letter ?? 'R') : '';
  };
  return {
    nodes: nodes.map((node) => ({
      column: node.column,
      row: node.row,
      letters: node.devices.map(letterOf),
      luminaires: node.luminaires.length,
      panel: node.place === PANEL,
      sign: signOf(job, wiring, node),
    })),
    edges: edges.map(({ from, to, insulated }) => ({ from: index(from), to: index(to), insulated })),
    columns,
    rows,
  };
};
