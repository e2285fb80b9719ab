import { articleOf } from '../../model/articles.js';
import { hueOf, isGroundColour, isNeutralColour, type Colour } from '../../model/colours.js';
import type { Cable } from '../../model/wiring.js';
import { conductorKey } from '../../circuit/keys.js';
import { defineRule, type Breach } from '../rule.js';

/** 200.6(A): a neutral of 6 AWG or smaller is white or gray, whether a white is free or not. */
export const neutralColour = defineRule<{ cable: Cable; colour: Colour }>({
  id: 'neutral-colour',
  stage: 'makeUp',
  title: 'A neutral is white or gray',
  rests: 'Of 6 AWG and smaller by its insulation over its whole length; no tape makes a colour a neutral.',
  section: () => '200.6(A)',
  severities: ['violation'],
  check: ({ job, wiring, compiled, roles }) =>
    wiring.cables.flatMap((cable) =>
      articleOf(job.stock, 'cable', cable.article)
        // A green that carries anything is told by a rule of its own.
        .insulated.filter((colour) => !isNeutralColour(colour) && !isGroundColour(colour))
        .flatMap((colour): Breach<{ cable: Cable; colour: Colour }>[] => {
          const net = compiled.netOf(conductorKey(cable.id, colour));
          return net !== undefined && roles[net] === 'neutral'
            ? [{ severity: 'violation', at: { cable: cable.id, box: cable.to }, data: { cable, colour } }]
            : [];
        }),
    ),
  say: ({ cable, colour }, { runOf }) => ({
    where: runOf(cable),
    what: `the ${hueOf(colour)} is the neutral`,
    reason: 'Whoever opens the box next takes a colour for a hot and a white for the neutral.',
    remedy:
      'Carry the neutral on a white of the same cable; where none is free, bring a cable with one more conductor.',
  }),
});
