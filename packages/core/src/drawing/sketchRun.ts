import * as z from 'zod';
import { findDevice } from '../model/lookup.js';
import { articleOf } from '../model/articles.js';
import { PANEL, type CableId } from '../model/ids.js';
import { plannedWiring, type Job } from '../model/job.js';
import { drawStrip } from './runStrip.js';

/** The run of a circuit in small: enough for a picture beside its name. */
export const runSketchSchema = z.object({
  nodes: z.array(
    z.object({
      column: z.number(),
      row: z.number(),
      letters: z.array(z.string()),
      luminaires: z.int(),
      panel: z.boolean(),
    }),
  ),
  edges: z.array(z.object({ from: z.int(), to: z.int(), insulated: z.int() })),
  columns: z.number(),
  rows: z.number(),
});
export type RunSketch = z.infer<typeof runSketchSchema>;

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
    nodes: nodes.map(({ place, column, row, devices, luminaires }) => ({
      column,
      row,
      letters: devices.map(letterOf),
      luminaires: luminaires.length,
      panel: place === PANEL,
    })),
    edges: edges.map(({ from, to, insulated }) => ({ from: index(from), to: index(to), insulated })),
    columns,
    rows,
  };
};
