import type { Compiled, CompiledLuminaire } from '../../circuit/compile.js';
import type { Role } from '../../circuit/roles.js';
import { defineRule, type Breach } from '../rule.js';

interface Found {
  name: string;
  /** Hot and neutral have changed places at its own terminals, and not before it. */
  here: boolean;
}

/** Its hot terminal is on the neutral, and no other luminaire hangs on the same two nets: what comes to it is right. */
const isExchangedHere = (
  { luminaires }: Compiled,
  roles: readonly Role[],
  one: CompiledLuminaire | undefined,
): boolean =>
  one !== undefined &&
  roles[one.hot] === 'neutral' &&
  luminaires.every((other) => other === one || other.neutral !== one.neutral);

/** 200.10(C), 410.50, 410.90: the screw shell is on the neutral, never on a hot. */
export const shellOnNeutral = defineRule<Found>({
  id: 'shell-on-neutral',
  title: 'The screw shell of a luminaire is on the neutral',
  rests: 'Silver screw or white lead; computed in every handle position.',
  section: () => '200.10(C), 410.50, 410.90',
  severities: ['violation'],
  check: ({ job, compiled, roles, states }) =>
    job.luminaires.flatMap((luminaire): Breach<Found>[] => {
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
              data: { name: luminaire.name, here: isExchangedHere(compiled, roles, wired) },
            },
          ]
        : [];
    }),
  say: ({ name, here }) => ({
    where: name,
    what: 'its shell is not on the neutral',
    reason: 'Whoever changes the lamp touches the shell.',
    remedy: here
      ? 'Exchange the two: silver screw or white lead to the neutral.'
      : 'Do not exchange the two here: what comes to it is wrong already. Go back towards the feed box by box, and mend it where a white that is a neutral is joined with another wire.',
  }),
});
