import type { RoomKind } from '../../model/place.js';
import { HABITABLE } from '../../nec/rooms.js';
import { defineRule, type Ask, type Breach } from '../rule.js';

/** There a switched receptacle will not do (210.70(A)(1)). */
const LIGHT_ONLY: readonly RoomKind[] = [
  'kitchen',
  'bathroom',
  'hallway',
  'stairway',
  'garage',
  'outdoors',
  'storage',
  'crawlSpace',
];
const ASKED: readonly RoomKind[] = [...HABITABLE, ...LIGHT_ONLY];

interface Found {
  name: string;
  /** Asked for only where the space is used for storage or holds equipment. */
  underfloor: boolean;
}

/** 210.70(A), 210.70(C): a wall-switched lighting outlet where one is needed; in space for storage or with equipment too. */
export const requiredLight = defineRule<Found>({
  id: 'required-light',
  stage: 'roughIn',
  title: 'A light with a wall switch where one is needed',
  rests:
    'Habitable rooms, kitchens, bathrooms, hallways, stairways, garages, outdoor side of doors, space for storage or with equipment (its switch at the usual way in); in most rooms but kitchen and bath a switched receptacle will do.',
  section: () => '210.70(A), 210.70(C)',
  severities: ['violation', 'verify'],
  asks: ['room.kind', 'room.otherLight'],
  check: ({ job }) =>
    job.rooms.flatMap((room): (Breach<Found> | Ask)[] => {
      if (room.kind === 'unknown') return [{ ask: 'room.kind', of: room.id }];
      if (!ASKED.includes(room.kind) || room.otherLight === 'yes') return [];
      const groups = job.groups.filter((group) => group.room === room.id && group.control === 'switched');
      const switched = groups.some(
        ({ id }) =>
          job.slots.some((slot) => slot.group === id && slot.role !== 'receptacle') &&
          (job.luminaires.some((one) => one.group === id) ||
            (!LIGHT_ONLY.includes(room.kind) &&
              job.slots.some((slot) => slot.group === id && slot.role === 'receptacle'))),
      );
      if (switched) return [];
      return room.otherLight === 'unknown'
        ? [{ ask: 'room.otherLight', of: room.id }]
        : [
            {
              severity: room.kind === 'crawlSpace' ? 'verify' : 'violation',
              at: { room: room.id },
              data: { name: room.name, underfloor: room.kind === 'crawlSpace' },
            },
          ];
    }),
  say: ({ name, underfloor }) => ({
    what: underfloor
      ? `${name} has no light with a wall switch, which it has to have if it is used for storage or holds equipment`
      : `${name} has no light with a wall switch`,
    reason: 'Nobody should have to cross a dark room to find the lamp.',
    remedy: 'Add a switch location and a luminaire there.',
  }),
});
