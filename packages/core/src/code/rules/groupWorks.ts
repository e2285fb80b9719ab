import type { Group } from '../../model/job.js';
import { evaluate } from '../../circuit/evaluate.js';
import { somePositions } from '../../proving/positions.js';
import {
  concerns,
  devicesOfGroup,
  handlesThatSway,
  isSeen,
  proveGroup,
  switchesWithShellLive,
  type GroupProof,
} from '../../proving/works.js';
import { handleName } from '../../words/handles.js';
import { listed } from '../../words/lists.js';
import type { Inspected } from '../inspected.js';
import { defineRule, type Breach } from '../rule.js';

type Found =
  | { kind: 'doesNotWork'; name: string; working: number; positions: number }
  | { kind: 'notKnown'; name: string }
  | { kind: 'switchesLive'; name: string }
  | { kind: 'swayed'; name: string; by: string[] }
  | { kind: 'shorted'; name: string };

/** Why a group does not do what it should from every position. */
const whyNot = (
  { job, wiring, compiled }: Inspected,
  group: Group,
  { working, positions }: GroupProof,
): Found => {
  const { name } = group;
  if (switchesWithShellLive(job, wiring, compiled, group)) return { kind: 'switchesLive', name };
  if (!isSeen(job, wiring, compiled, group)) return { kind: 'notKnown', name };
  const by = handlesThatSway(job, wiring, compiled, group).map((id) => handleName({ job, wiring }, id));
  return by.length > 0 ? { kind: 'swayed', name, by } : { kind: 'doesNotWork', name, working, positions };
};

/** By simulation: every handle changes the light from every position, and nothing trips. */
export const groupWorks = defineRule<Found>({
  id: 'group-works',
  stage: 'roughIn',
  title: 'Every handle changes the light from every position, and nothing trips',
  rests: 'Simulation of every handle position of the group.',
  section: () => '',
  severities: ['violation', 'verify'],
  check: (inspected) =>
    inspected.job.groups.flatMap((group): Breach<Found>[] => {
      const { job, wiring, compiled } = inspected;
      const devices = devicesOfGroup(job, wiring, group.id);
      if (devices.length === 0 && group.control === 'switched') return [];
      const at = { circuit: group.circuit, group: group.id };
      const shorted = somePositions(compiled, devices).some((positions) =>
        evaluate(compiled, positions).shorts.some((short) => concerns(short, group.circuit)),
      );
      if (shorted) return [{ severity: 'violation', at, data: { kind: 'shorted', name: group.name } }];
      const proof = proveGroup(job, wiring, compiled, group);
      if (proof.working === proof.positions) return [];
      const data = whyNot(inspected, group, proof);
      return [{ severity: data.kind === 'notKnown' ? 'verify' : 'violation', at, data }];
    }),
  say: (found) => {
    const where = found.name;
    switch (found.kind) {
      case 'switchesLive':
        return {
          where,
          what: 'it switches, and is dangerous: the shell of a luminaire is live',
          reason:
            'Every handle does what it should, so nobody looks; whoever changes the lamp touches the hot.',
          remedy: 'See that hot and neutral are not exchanged, and that the switches are in the hot.',
        };
      case 'swayed':
        return {
          where,
          what: `hangs on ${found.by.length === 1 ? 'a handle' : 'handles'} of another group: ${listed(found.by)}`,
          reason:
            'Its own handles do what they should only while that one stands right: as where a hot is taken behind another switch, or two groups are mixed.',
          remedy:
            'Look where the two groups meet. The hot of each switch is taken before any other switch, and each load goes to its own.',
        };
      case 'shorted':
        return {
          where,
          what: 'the breaker trips',
          reason: 'In some handle position the hot meets the neutral or the ground.',
          remedy: 'Follow the hot from the feed and find the landing or splice that joins it.',
        };
      case 'notKnown':
        return {
          where,
          what: 'whether it works is not known: not all of it was seen',
          reason: 'What its luminaires hang on leads to wires that nobody has looked at.',
          remedy: 'Look where these wires go and tell it, or try every handle.',
        };
      case 'doesNotWork':
        return {
          where,
          what: `works in ${found.working} of ${found.positions} positions`,
          reason: 'From some position a handle changes nothing, or the luminaires disagree.',
          remedy: 'Compare the landings with the plan, commons first.',
        };
    }
  },
});
