import { findCable } from '../../model/lookup.js';
import { ringsOf } from '../../circuit/rings.js';
import type { InsulatedColour } from '../../model/colours.js';
import type { Cable } from '../../model/wiring.js';
import { defineRule } from '../rule.js';

/** 310.10(H), 310.10(G) from 2020: conductors smaller than 1/0 are not paralleled, so no net closes a ring. */
export const parallelPaths = defineRule<{ cable: Cable; colour: InsulatedColour; byPanel: boolean }>({
  id: 'parallel-paths',
  stage: 'roughIn',
  title: 'No net closes a ring through two cables',
  rests: 'Conductors smaller than 1/0 AWG are not connected in parallel.',
  section: (edition) => (edition >= 2020 ? '310.10(G)' : edition >= 2011 ? '310.10(H)' : '310.4'),
  severities: ['violation'],
  check: ({ job, wiring }) =>
    ringsOf(wiring, job).flatMap(({ cable: id, colour, byPanel }) => {
      const cable = findCable(wiring, id);
      const end = { cable: id, side: 'to' as const, colour };
      return cable
        ? [
            {
              severity: 'violation' as const,
              at: { cable: id, box: cable.to, end },
              data: { cable, colour, byPanel },
            },
          ]
        : [];
    }),
  say: ({ cable, colour, byPanel }, { runOf }) => ({
    where: runOf(cable),
    what: `the ${colour} closes a ring ${byPanel ? 'by the neutral bar of the panel' : 'with another cable'}`,
    reason:
      'Current splits between two ways: neither cable sums to zero, and opening one leaves the other live.',
    remedy: byPanel
      ? 'Part the neutrals of the two circuits where they are joined, both breakers off: each goes back in the cable of its own hot.'
      : 'Take one of the two ways out: cap this conductor at both ends.',
  }),
});
