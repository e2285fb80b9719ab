import { articleOf, conductorsOf } from '../model/articles.js';
import type { BoxId } from '../model/ids.js';
import { placeOfEnd, terminalKey, type Terminal } from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';
import { conductorKey } from '../circuit/keys.js';
import { endWord, screwOf } from '../words/wires.js';
import type { Scope } from './scope.js';

/** Where a probe is put in an open box. */
export interface ProbePoint {
  key: string;
  name: string;
}

/** Every screw, lead and conductor in a box that a probe reaches. */
export const probePoints = ({ job, wiring, near, parts }: Scope, box: BoxId): ProbePoint[] => {
  const at = (terminal: Terminal): ProbePoint => ({
    key: terminalKey(terminal),
    name: `the ${screwOf(job, wiring, terminal)}`,
  });
  return [
    ...near.devices
      .filter((one) => one.box === box)
      .flatMap(({ id, article }) =>
        articleOf(parts.stock, 'device', article).terminals.map(({ name }) => at({ device: id, name })),
      ),
    ...near.cables.flatMap((cable) =>
      (['from', 'to'] as const)
        .filter((side) => placeOfEnd(cable, side) === box)
        .flatMap((side) =>
          conductorsOf(articleOf(parts.stock, 'cable', cable.article)).map((colour) => ({
            key: conductorKey(cable.id, colour),
            name: `the ${endWord(job, wiring, { cable: cable.id, side, colour })}`,
          })),
        ),
    ),
    ...parts.luminaires
      .filter((one) => one.box === box && one.partOf === null)
      .flatMap(({ id }) => (['hot', 'neutral'] as const).map((name) => at({ luminaire: id, name }))),
  ];
};

/** One point of each piece of copper that meets in a box, by the wiring as it should be. */
export const onePerNet = (points: readonly ProbePoint[], compiled: Compiled): ProbePoint[] => {
  const nets = new Map<number, ProbePoint>();
  for (const point of points) {
    const net = compiled.netOf(point.key);
    if (net !== undefined && !nets.has(net)) nets.set(net, point);
  }
  return [...nets.values()];
};
