import { articleOf } from '../model/articles.js';
import { PANEL, type CircuitId } from '../model/ids.js';
import { plannedWiring, type Job } from '../model/job.js';
import { compile } from '../circuit/compile.js';
import { circuitsByNet } from '../circuit/roles.js';
import { drawStrip } from './runStrip.js';

/** The run of a circuit in small: enough for a picture beside its name. */
export interface RunSketch {
  nodes: { column: number; row: number; letters: string[]; luminaires: number; panel: boolean }[];
  edges: { from: number; to: number; insulated: number }[];
  columns: number;
  rows: number;
}

/** Cables that carry a circuit's conductors, told by the wiring alone. */
export const cablesOfCircuit = (job: Job, circuit: CircuitId) => {
  const wiring = plannedWiring(job);
  if (!wiring) return [];
  const compiled = compile(wiring, job);
  const reached = circuitsByNet(compiled);
  return wiring.cables
    .filter((cable) =>
      articleOf(job.stock, 'cable', cable.article).insulated.some((colour) => {
        const net = compiled.netOf(`conductor|${cable.id}|${colour}`);
        return net !== undefined && reached[net]?.has(circuit) === true;
      }),
    )
    .map((cable) => cable.id);
};

/** Null where nothing of the circuit is planned. */
export const sketchRun = (job: Job, circuit: CircuitId): RunSketch | null => {
  const wiring = plannedWiring(job);
  const cables = cablesOfCircuit(job, circuit);
  if (!wiring || cables.length === 0) return null;
  const { nodes, edges, columns, rows } = drawStrip(wiring, job, cables);
  const index = (place: string) => nodes.findIndex((node) => node.place === place);
  const letterOf = (id: string) => {
    const device = wiring.devices.find((one) => one.id === id);
    return device ? articleOf(job.stock, 'device', device.article).letter : '';
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
