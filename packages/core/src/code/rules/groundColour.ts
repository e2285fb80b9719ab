import { findCable } from '../../model/lookup.js';
import { hueOf } from '../../model/colours.js';
import { misusedGrounds, type MisusedGround } from '../groundUse.js';
import { defineRule } from '../rule.js';

/** 250.119: a bare or green conductor is a ground and nothing else. */
export const groundColour = defineRule<MisusedGround>({
  id: 'ground-colour',
  stage: 'makeUp',
  title: 'A bare or green conductor serves as ground alone',
  rests: 'Never as hot, traveler, switch leg or neutral, marked or not.',
  section: () => '250.119',
  severities: ['violation'],
  check: (inspected) =>
    misusedGrounds(inspected).map((one) => ({
      severity: 'violation' as const,
      at: { box: one.box, ...(one.cable === null ? {} : { cable: one.cable }) },
      data: one,
    })),
  say: ({ box, colour, cable, carries }, { place, wiring, runOf }) => {
    const lies = findCable(wiring, cable);
    const wire = `the ${hueOf(colour)} ${lies ? `of ${runOf(lies)}` : 'tail'}`;
    return {
      where: place(box),
      what: `${wire} carries ${carries}`,
      reason:
        'Everybody takes a bare or green wire for a ground, touches it and joins it to metal: then the metal is live.',
      remedy:
        'Give it another conductor: a cable with one more, or another way to run. Until then leave it apart from the grounds.',
    };
  },
});
