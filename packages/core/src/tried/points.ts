import { digestOf } from '../model/digest.js';
import type { BoxId, CircuitId } from '../model/ids.js';
import type { Group } from '../model/job.js';
import { findBox, findGroup, findSlot } from '../model/lookup.js';
import { BRANCH_VOLTS } from '../model/units.js';
import { evaluate, type NetState } from '../circuit/evaluate.js';
import { somePositions, grayWalk } from '../proving/positions.js';
import { devicesOfGroup } from '../proving/works.js';
import type { Subject as ReviewedWiring } from '../review/subject.js';
import { handleName } from '../words/handles.js';

/** What is expected where nobody has looked. */
export const NOT_KNOWN = 'not known';

/** A point that is touched with a tester. Live readings are for qualified people alone. */
export interface SheetPoint {
  id: string;
  circuit: CircuitId;
  box: BoxId;
  name: string;
  kind: 'receptacle' | 'reading';
  expect: string;
  caution: string;
  hash: string;
}

const RECEPTACLE_CAUTION =
  'A receptacle tester cannot see neutral and ground exchanged or joined, and may miss hot and neutral exchanged behind such a join.';
const READING_CAUTION =
  'Live reading, for qualified people alone: the box is open and live. A two-pole tester rated for it, proved before and after; nothing is touched but with its probes.';

/** More sets of positions than these are not tried for a receptacle. */
const MOST_POSITIONS = 64;

const RIGHT = 'hot, neutral and ground each in its place';

/** What a receptacle tester is to show at nets that are hot in some positions of the handles of a group, in all, or in none. */
const atReceptacle = (
  { job, wiring, compiled }: ReviewedWiring,
  group: Group,
  nets: readonly number[],
): string => {
  const devices = devicesOfGroup(job, wiring, group.id);
  const states = new Set<NetState | undefined>();
  for (const positions of somePositions(compiled, devices, { every: grayWalk, most: MOST_POSITIONS })) {
    const state = evaluate(compiled, positions);
    for (const net of nets) states.add(state.nets[net]);
  }
  if (nets.length === 0 || states.has('unknown') || states.has(undefined)) return NOT_KNOWN;
  const live = states.has('live') || states.has('backfed');
  if (live && states.size === 1) return `live whatever the handles do: ${RIGHT}`;
  return live ? `where it is switched on: ${RIGHT}; where it is off: nothing` : 'nothing in any position';
};

/** The points of a circuit; `boxes` is a sum of all that is in its boxes. */
export const pointsOf = (review: ReviewedWiring, circuit: CircuitId, boxes: string): SheetPoint[] => {
  const { job, wiring, compiled } = review;
  const point = (of: Omit<SheetPoint, 'circuit' | 'hash'>): SheetPoint => ({
    ...of,
    circuit,
    hash: digestOf([boxes, of.kind, of.expect]),
  });
  const receptacles = wiring.devices.flatMap((device): SheetPoint[] => {
    const group = findGroup(job, findSlot(job, device.slot)?.group);
    const nets = compiled.devices.find(({ id }) => id === device.id)?.outlets ?? [];
    if (group?.circuit !== circuit || nets.length === 0) return [];
    return [
      point({
        ...{ id: `touch/${device.id}`, box: device.box, kind: 'receptacle', caution: RECEPTACLE_CAUTION },
        name: `Receptacle, ${handleName(review, device.id)}`,
        expect: atReceptacle(review, group, nets),
      }),
    ];
  });
  const now = evaluate(compiled, {});
  const readings = job.luminaires.flatMap((luminaire): SheetPoint[] => {
    const group = findGroup(job, luminaire.group);
    if (group?.circuit !== circuit || luminaire.unit === 'onward' || luminaire.partOf !== null) return [];
    const light = now.luminaires.find(({ id }) => id === luminaire.id)?.light ?? 'unknown';
    const volts = `hot to neutral about ${BRANCH_VOLTS} V, hot to ground about ${BRANCH_VOLTS} V, neutral to ground about 0 V`;
    return [
      point({
        ...{ id: `touch/${luminaire.id}`, box: luminaire.box, kind: 'reading', caution: READING_CAUTION },
        name: [...new Set([findBox(job, luminaire.box)?.name ?? luminaire.box, luminaire.name])].join(
          ', at ',
        ),
        expect:
          light === 'unknown' ? NOT_KNOWN : group.control === 'switched' ? `switched on: ${volts}` : volts,
      }),
    ];
  });
  return [...receptacles, ...readings];
};
