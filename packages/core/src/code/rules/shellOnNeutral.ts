import type { CompiledLuminaire } from '../../circuit/compile.js';
import { conductorKey } from '../../circuit/keys.js';
import { articleOf } from '../../model/articles.js';
import { isNeutralColour } from '../../model/colours.js';
import type { BoxId } from '../../model/ids.js';
import type { Inspected } from '../inspected.js';
import { defineRule, type Breach } from '../rule.js';

interface Found {
  name: string;
  /** Hot and neutral have changed places at its own terminals, and not before it. */
  here: boolean;
}

/** Its hot terminal is on the neutral, which comes there on a white, and no other luminaire hangs on the same net: what comes to it is right. */
const isExchangedHere = (
  { job, wiring, compiled, roles }: Inspected,
  box: BoxId,
  one: CompiledLuminaire | undefined,
): boolean =>
  one !== undefined &&
  roles[one.hot] === 'neutral' &&
  compiled.luminaires.every((other) => other === one || other.neutral !== one.neutral) &&
  wiring.cables
    .filter(({ from, to }) => from === box || to === box)
    .some(({ id, article }) =>
      articleOf(job.stock, 'cable', article).insulated.some(
        (colour) => isNeutralColour(colour) && compiled.netOf(conductorKey(id, colour)) === one.hot,
      ),
    );

/** 200.10(C), 410.50, 410.90: the screw shell is on the neutral, never on a hot. */
export const shellOnNeutral = defineRule<Found>({
  id: 'shell-on-neutral',
  stage: 'final',
  title: 'The screw shell of a luminaire is on the neutral',
  rests: 'Silver screw or white lead; computed in every handle position.',
  section: () => '200.10(C), 410.50, 410.90',
  severities: ['violation'],
  check: (inspected) => {
    const { job, compiled, roles, states } = inspected;
    return job.luminaires.flatMap((luminaire): Breach<Found>[] => {
      const live = states().some(({ state }) =>
        state.luminaires.some((one) => one.id === luminaire.id && one.shellLive),
      );
      const wired = compiled.luminaires.find((one) => one.id === luminaire.id);
      const net = wired?.neutral ?? -1;
      const onHot = ['hot', 'traveler', 'switchLeg', 'conflict'].includes(roles[net] ?? '');
      return live || onHot
        ? [
            {
              severity: 'violation',
              at: { luminaire: luminaire.id, box: luminaire.box },
              data: { name: luminaire.name, here: isExchangedHere(inspected, luminaire.box, wired) },
            },
          ]
        : [];
    });
  },
  say: ({ name, here }) => ({
    where: name,
    what: 'its shell is not on the neutral',
    reason: 'Whoever changes the lamp touches the shell.',
    remedy: here
      ? 'Exchange the two: silver screw or white lead to the neutral.'
      : 'Do not exchange the two here: what comes to it is wrong already. Go back towards the feed box by box, and mend it where a white that is a neutral is joined with another wire.',
  }),
});
