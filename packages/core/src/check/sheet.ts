import type { BoxId, CircuitId } from '../model/ids.js';
import type { Circuit } from '../model/job.js';
import { findBox, groupsOfCircuit, switchesOfGroup } from '../model/lookup.js';
import { unseenBoxes } from '../model/existing.js';
import { staysShut } from '../model/boxState.js';
import { boxesReached } from '../model/wiring.js';
import { boxRow, type BoxRow } from '../materials/boxRows.js';
import { neutralRequirement } from '../nec/neutralRequirement.js';
import { inspectedOf } from '../code/inspected.js';
import { plannedVa } from '../code/plannedVa.js';
import { neutralIn } from '../code/neutralIn.js';
import type { Subject } from '../review/subject.js';

/** One switch location: does the rule ask for a neutral there, and is one in its box? */
export interface NeutralAt {
  box: BoxId;
  name: string;
  group: string;
  /** Asked at this location, at one of several, or not. */
  asked: 'here' | 'oneOf' | 'no';
  /** Brought by the plan, there already as somebody has seen, not there; or not known, since nobody has looked into the box. */
  has: 'planned' | 'there' | 'none' | 'notKnown';
}

export interface CircuitOnSheet {
  circuit: Circuit;
  /** Connected load of the luminaires, what is there already counted, volt-amperes. */
  va: number;
  neutrals: NeutralAt[];
}

/** What an inspector wants to read of a job, beside the findings. */
export interface InspectorSheet {
  boxes: BoxRow[];
  circuits: CircuitOnSheet[];
}

/** The boxes with their fill, and the circuits with load, protection and the neutral at each switch location. */
export const inspectorSheet = ({ job, wiring }: Pick<Subject, 'job' | 'wiring'>): InspectorSheet => {
  const inspected = inspectedOf(job, wiring, job.edition);
  const unseen = new Set<string>(unseenBoxes(job, wiring));
  const neutral = (box: BoxId, circuit: CircuitId): NeutralAt['has'] => {
    if (unseen.has(box)) return 'notKnown';
    if (!neutralIn(inspected, box, circuit)) return 'none';
    return staysShut(job, wiring, box) ? 'there' : 'planned';
  };
  const reached = boxesReached(wiring);
  return {
    boxes: job.boxes
      .filter(({ id, work }) => work !== 'beyond' && reached.has(id))
      .flatMap(({ id }) => boxRow(job, wiring, id) ?? []),
    circuits: job.circuits.map((circuit) => ({
      circuit,
      va: circuit.existingVa + plannedVa(job, circuit.id),
      neutrals: groupsOfCircuit(job, circuit.id).flatMap((group) => {
        const { need, slots } = neutralRequirement(job, group);
        return switchesOfGroup(job, group.id).map(({ id, box }): NeutralAt => ({
          box,
          name: findBox(job, box)?.name ?? box,
          group: group.name,
          asked: need === 'none' || !slots.includes(id) ? 'no' : need === 'each' ? 'here' : 'oneOf',
          has: neutral(box, circuit.id),
        }));
      }),
    })),
  };
};
