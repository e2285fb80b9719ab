import { articleOf, hasReceptacle } from '../../model/articles.js';
import type { BoxId, CircuitId } from '../../model/ids.js';
import type { Job } from '../../model/job.js';
import { findGroup, findSlot } from '../../model/lookup.js';
import { defineRule, type Breach, type Fix } from '../rule.js';

type Found =
  | { kind: 'tooEarly'; name: string }
  | { kind: 'receptacle'; name: string; box: BoxId }
  | { kind: 'fan' | 'onward'; name: string; what: string };

/** 210.23(A): from 2023 a 10 A circuit serves lighting and few other loads, never receptacles; earlier editions have none. */
export const tenAmpere = defineRule<Found>({
  id: 'ten-ampere-circuit',
  stage: 'roughIn',
  title: 'A 10 A circuit serves lighting, never receptacles, from 2023 on',
  rests:
    '14 AWG or larger; lighting outlets, and the exhaust fan of a bath or laundry on its lighting circuit. Before 2023 the least rating is 15 A.',
  section: (edition) => (edition >= 2023 ? '210.23(A)' : edition >= 2020 ? '210.18' : '210.3'),
  severities: ['violation', 'caution', 'verify'],
  check: ({ job, wiring, edition }) =>
    job.circuits
      .filter(({ breaker }) => breaker === 10)
      .flatMap(({ id, name }): Breach<Found>[] => {
        const at = { circuit: id };
        if (edition < 2023) return [{ severity: 'violation', at, data: { kind: 'tooEarly', name } }];
        const isMine = (group: string | undefined) => findGroup(job, group)?.circuit === id;
        const receptacles = wiring.devices.flatMap(({ id: device, box, slot, article }): Breach<Found>[] => {
          const { role } = articleOf(job.stock, 'device', article);
          return hasReceptacle(role) && isMine(findSlot(job, slot)?.group)
            ? [{ severity: 'violation', at: { ...at, box, device }, data: { kind: 'receptacle', name, box } }]
            : [];
        });
        const loads = job.luminaires.flatMap(
          ({ id: luminaire, box, group, unit, name: what }): Breach<Found>[] => {
            if (!isMine(group) || (unit !== 'fan' && unit !== 'onward')) return [];
            const severity = unit === 'fan' ? 'caution' : 'verify';
            return [{ severity, at: { ...at, box, luminaire }, data: { kind: unit, name, what } }];
          },
        );
        return [...receptacles, ...loads];
      }),
  say: (found, { place }) =>
    found.kind === 'tooEarly'
      ? {
          where: found.name,
          what: 'a branch circuit of 10 A is not in this edition',
          reason: 'The least rating of a branch circuit is 15 A before 2023.',
          remedy: 'Use a breaker of 15 A; 14 AWG suits it.',
        }
      : found.kind === 'receptacle'
        ? {
            where: place(found.box),
            what: `a receptacle on ${found.name}, a 10 A circuit`,
            reason:
              'What is plugged into it draws more than lighting, and nobody sees the breaker behind it.',
            remedy: 'Take the receptacle off another circuit, or make this one 15 A.',
          }
        : found.kind === 'fan'
          ? {
              where: found.what,
              what: `a fan on ${found.name}, a 10 A circuit`,
              reason:
                'Lighting may be on it, and the exhaust fan of a bath or laundry; other motors are not named.',
              remedy: 'Ask the authority, or make the circuit 15 A.',
            }
          : {
              where: found.what,
              what: `what hangs on it is on ${found.name}, a 10 A circuit`,
              reason: 'Receptacles and most appliances may not be on it.',
              remedy: 'See what is beyond: lighting alone may stay.',
            },
  fixes: ({ at }): Fix[] => [
    {
      words: 'Make the circuit 15 A',
      unpriced: 'breaker',
      job: (job: Job): Job => ({
        ...job,
        circuits: job.circuits.map((one) =>
          one.id === (at.circuit as CircuitId) ? { ...one, breaker: 15 } : one,
        ),
      }),
    },
  ],
});
