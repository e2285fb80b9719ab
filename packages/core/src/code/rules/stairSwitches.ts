import { defineRule, type Ask, type Breach } from '../rule.js';

/** From so many risers between levels a switch is asked for at each (210.70(A)(2)). */
export const RISERS = 6;

interface Found {
  name: string;
  risers: number;
  asked: number;
  there: number;
}

/** 210.70(A)(2): an interior stair with six or more risers has a wall switch at each floor, and at landings with an entryway. */
export const stairSwitches = defineRule<Found>({
  id: 'stair-switches',
  stage: 'roughIn',
  title: 'A stair of six risers or more has a switch at each floor and at landings with an entryway',
  rests: 'Six risers between two levels.',
  section: () => '210.70(A)(2)',
  severities: ['violation'],
  asks: ['room.risers'],
  check: ({ job }) =>
    job.rooms.flatMap((room): (Breach<Found> | Ask)[] => {
      if (room.kind !== 'stairway') return [];
      if (room.risers === null) return [{ ask: 'room.risers', of: room.id }];
      const asked = 2 + room.landings;
      const groups = job.groups.filter((group) => group.room === room.id && group.control === 'switched');
      const counts = groups.map(
        ({ id }) =>
          new Set(
            job.slots
              .filter((slot) => slot.group === id && slot.role !== 'receptacle')
              .map((slot) => slot.box),
          ).size,
      );
      const there = Math.max(0, ...counts);
      const [first] = groups;
      if (room.risers < RISERS || there >= asked || !first) return [];
      const data = { name: room.name, risers: room.risers, asked, there };
      return [{ severity: 'violation', at: { room: room.id, group: first.id }, data }];
    }),
  say: ({ name, risers, asked, there }) => ({
    where: name,
    what: `${there} switch location${there === 1 ? '' : 's'} on a stair of ${risers} risers, ${asked} are asked for`,
    reason: 'Coming from either end, one lights the stair before setting foot on it.',
    remedy: 'Add a switch location at each floor, and at each landing with an entryway.',
  }),
});
