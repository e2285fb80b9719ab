import { defineRule, type Breach } from '../rule.js';

/** 200.10(C), 410.50, 410.90: the screw shell is on the neutral, never on a hot. */
export const shellOnNeutral = defineRule<{ name: string }>({
  id: 'shell-on-neutral',
  title: 'The screw shell of a luminaire is on the neutral',
  rests: 'Silver screw or white lead; computed in every handle position.',
  section: () => '200.10(C), 410.50, 410.90',
  severities: ['violation'],
  check: ({ job, compiled, roles, states }) =>
    job.luminaires.flatMap((luminaire): Breach<{ name: string }>[] => {
      const live = states().some(({ state }) =>
        state.luminaires.some((one) => one.id === luminaire.id && one.shellLive),
      );
      const net = compiled.luminaires.find((one) => one.id === luminaire.id)?.neutral ?? -1;
      const onHot = ['hot', 'traveler', 'switchLeg', 'conflict'].includes(roles[net] ?? '');
      return live || onHot
        ? [
            {
              severity: 'violation',
              at: { luminaire: luminaire.id, box: luminaire.box },
              data: { name: luminaire.name },
            },
          ]
        : [];
    }),
  say: ({ name }) => ({
    where: name,
    what: 'its shell is not on the neutral',
    reason: 'Whoever changes the lamp touches the shell.',
    remedy: 'Exchange the two: silver screw or white lead to the neutral.',
  }),
});
