import { circuitName, findCable } from '../../model/lookup.js';
import { listed } from '../../words/lists.js';
import type { CircuitId } from '../../model/ids.js';
import type { Joint } from '../../model/wiring.js';
import { conductorKey, jointKey } from '../../circuit/keys.js';
import { articleOf } from '../../model/articles.js';
import type { Inspected } from '../inspected.js';
import { defineRule, type Breach } from '../rule.js';

interface Found {
  circuits: readonly [CircuitId, CircuitId];
  joint: Joint | null;
}

/** Circuits whose hot or switched conductors come with the ends of a splice, told by the cables they are in. */
const circuitsAt = ({ job, wiring, compiled, roles, circuits }: Inspected, joint: Joint): Set<string> =>
  new Set(
    joint.members.flatMap((member) => {
      const cable = 'end' in member ? findCable(wiring, member.end.cable) : undefined;
      if (!cable) return [];
      return articleOf(job.stock, 'cable', cable.article).insulated.flatMap((colour) => {
        const net = compiled.netOf(conductorKey(cable.id, colour)) ?? -1;
        return roles[net] === 'neutral' ? [] : [...(circuits[net] ?? [])];
      });
    }),
  );

/** 200.4, 200.4(A) from 2014: a neutral serves one branch circuit; neutrals of two are never joined. */
export const neutralOneCircuit = defineRule<Found>({
  id: 'neutral-one-circuit',
  stage: 'makeUp',
  title: 'A neutral serves one circuit alone',
  rests: 'Multiwire branch circuits apart, which this program does not plan.',
  section: (edition) => (edition >= 2014 ? '200.4(A)' : '200.4'),
  severities: ['violation'],
  check: (inspected) => {
    const { wiring, compiled, states } = inspected;
    const pairs = new Map(
      states()
        .flatMap(({ state }) => state.neutralsJoined)
        .map((pair) => [pair.join(), pair]),
    );
    return [...pairs.values()].map((circuits): Breach<Found> => {
      const nets = compiled.sources.filter((one) => circuits.includes(one.id)).map((one) => one.neutral);
      const joints = wiring.joints.filter((one) => nets.includes(compiled.netOf(jointKey(one.id)) ?? -1));
      const joint = joints.find((one) => circuits.every((id) => circuitsAt(inspected, one).has(id))) ?? null;
      const at = joint ? { box: joint.box, joint: joint.id } : { circuit: circuits[0] };
      return { severity: 'violation', at, data: { circuits, joint } };
    });
  },
  say: ({ circuits, joint }, { job, place }) => {
    const names = circuits.map((id) => circuitName(job, id));
    return {
      what: `The neutrals of ${listed(names)} are joined${joint ? ` in ${place(joint.box)}` : ''}`,
      reason:
        'Current of one circuit comes back on the other: arc-fault and ground-fault devices trip for ever, and a neutral thought dead is not.',
      remedy: 'Part the splice: each neutral with those of its own circuit.',
    };
  },
});
