import { ofId } from '../model/records.js';
import type { DeviceId, GroupId, LuminaireId, SlotId } from '../model/ids.js';
import type { Group, Job } from '../model/job.js';
import type { Wiring } from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';
import { evaluate, type LuminaireState, type Short } from '../circuit/evaluate.js';
import { grayWalk, positionsOf, somePositions } from './positions.js';
import { concerns, devicesOfGroup, outletsOf } from './works.js';

/** One set of handle positions: by the order of the table's switches, luminaires and receptacles. */
export interface TruthRow {
  positions: number[];
  lights: LuminaireState['light'][];
  receptaclesLive: boolean[];
  /** Of these receptacles nobody knows whether they are live. */
  receptaclesUnknown: boolean[];
  /** What opens the breaker of its circuit. */
  shorts: readonly Short[];
}

export interface TruthTable {
  group: GroupId;
  switches: DeviceId[];
  luminaires: LuminaireId[];
  receptacles: SlotId[];
  /** In the order of the shortest walk: one handle moved from each row to the next. Of very many handles a sample. */
  rows: TruthRow[];
  /** How many sets of positions there are. */
  of: number;
}

/** Of more sets of positions than these, some are tried. */
const MOST_ROWS = 4096;

/** What every set of handle positions of a group gives, the handles of other groups in their first position. */
export const truthTable = (job: Job, wiring: Wiring, compiled: Compiled, group: Group): TruthTable => {
  const switches = devicesOfGroup(job, wiring, group.id);
  const luminaires = job.luminaires.filter((one) => one.group === group.id).map((one) => one.id);
  const outlets = outletsOf(job, wiring, compiled, group.id);
  const rows = somePositions(compiled, switches, { every: grayWalk, most: MOST_ROWS }).map(
    (positions): TruthRow => {
      const state = evaluate(compiled, positions);
      const lights = new Map(state.luminaires.map((one) => [one.id, one.light]));
      return {
        positions: switches.map((id) => ofId(positions, id) ?? 0),
        lights: luminaires.map((id) => lights.get(id) ?? 'dark'),
        receptaclesLive: outlets.map(({ nets }) => nets.every((net) => state.nets[net] === 'live')),
        receptaclesUnknown: outlets.map(({ nets }) => nets.some((net) => state.nets[net] === 'unknown')),
        shorts: state.shorts.filter((short) => concerns(short, group.circuit)),
      };
    },
  );
  return {
    group: group.id,
    switches,
    luminaires,
    receptacles: outlets.map(({ slot }) => slot),
    rows,
    of: positionsOf(compiled, switches),
  };
};
