import { articleOf } from '../../model/articles.js';
import { findSlot } from '../../model/lookup.js';
import { defineRule, type Breach } from '../rule.js';
import { RISERS } from './stairSwitches.js';

/** 210.70(A)(2): on a stair a light is not dimmed from one place alone. */
export const stairDimmers = defineRule<{ name: string; dimmed: number; places: number }>({
  id: 'stair-dimmers',
  stage: 'final',
  title: 'On a stair no place dims the light unless each has the full range',
  rests: 'In force by 2020, for stairs of six risers or more; automatic control is another matter.',
  since: 2020,
  section: () => '210.70(A)(2)',
  severities: ['violation'],
  check: ({ job, wiring }) =>
    job.rooms.flatMap((room): Breach<{ name: string; dimmed: number; places: number }>[] => {
      if (room.kind !== 'stairway' || room.risers === null || room.risers < RISERS) return [];
      return job.groups
        .filter((group) => group.room === room.id && group.control === 'switched')
        .flatMap((group) => {
          const here = wiring.devices.filter(({ slot }) => findSlot(job, slot)?.group === group.id);
          const dimmed = here.filter(({ article }) => {
            const { role, id } = articleOf(job.stock, 'device', article);
            // The other end of a dimmer that has companions dims as it does.
            const companion = here.some(
              (one) => articleOf(job.stock, 'device', one.article).companion === id,
            );
            return role === 'dimmer' || companion;
          }).length;
          if (here.length < 2 || dimmed === 0 || dimmed === here.length) return [];
          const data = { name: group.name, dimmed, places: here.length };
          return [{ severity: 'violation' as const, at: { room: room.id, group: group.id }, data }];
        });
    }),
  say: ({ name, dimmed, places }) => ({
    where: name,
    what: `${dimmed} of ${places} places on the stair dims the light`,
    reason: 'Dimmed down at one end, it is too dark for whoever comes from the other and cannot bring it up.',
    remedy: 'Use a plain switch, or a dimmer with companions that have the full range at every other place.',
  }),
});
