import type { Box, Job } from '../../model/job.js';
import type { RoomKind } from '../../model/place.js';
import { defineRule, type Ask, type Breach } from '../rule.js';

type Found =
  { why: 'tub'; box: string } | { why: 'luminaire'; name: string; place: 'damp' | 'wet'; suited: string };

const kindsAt = (job: Job, box: Box): Set<RoomKind> => {
  const groups = new Set<string>(
    [...job.slots, ...job.luminaires].filter((one) => one.box === box.id).map((one) => one.group),
  );
  const rooms = new Set<string>([
    ...(box.room === null ? [] : [box.room]),
    ...job.groups.filter((group) => groups.has(group.id)).map((group) => group.room),
  ]);
  return new Set(job.rooms.filter((room) => rooms.has(room.id)).map((room) => room.kind));
};

const SUITED = { dry: 0, damp: 1, wet: 2 };

/** 404.4, 410.10: no switch within a tub or shower space; luminaires marked for damp or wet places. */
export const wetPlaces = defineRule<Found>({
  id: 'wet-places',
  stage: 'roughIn',
  title: 'No switch in a tub or shower space; luminaires marked for the place they are in',
  rests: 'The marking of the luminaire; weatherproof boxes and covers outdoors.',
  section: () => '404.4, 410.10',
  severities: ['violation'],
  asks: ['box.inTubSpace', 'box.location', 'luminaire.suitedTo'],
  check: ({ job, wiring }) =>
    job.boxes.flatMap((box): (Breach<Found> | Ask)[] => {
      if (box.work === 'beyond') return [];
      const kinds = kindsAt(job, box);
      const found: (Breach<Found> | Ask)[] = [];
      if (kinds.has('bathroom') && wiring.devices.some((device) => device.box === box.id)) {
        if (box.inTubSpace === 'unknown') found.push({ ask: 'box.inTubSpace', of: box.id });
        if (box.inTubSpace === 'yes')
          found.push({ severity: 'violation', at: { box: box.id }, data: { why: 'tub', box: box.id } });
      }
      const { location } = box;
      if (location === 'unknown' && kinds.has('outdoors')) found.push({ ask: 'box.location', of: box.id });
      if (location !== 'damp' && location !== 'wet') return found;
      for (const { id, name, box: at, suitedTo } of job.luminaires.filter((one) => one.box === box.id)) {
        if (suitedTo === 'unknown') found.push({ ask: 'luminaire.suitedTo', of: id });
        else if (SUITED[suitedTo] < SUITED[location])
          found.push({
            severity: 'violation',
            at: { box: at, luminaire: id },
            data: { why: 'luminaire', name, place: location, suited: suitedTo },
          });
      }
      return found;
    }),
  say: (found, { place }) =>
    found.why === 'tub'
      ? {
          where: place(found.box),
          what: 'a switch within a tub or shower space',
          reason: 'Wet hands, and water in the box.',
          remedy: 'Move it out of the space.',
        }
      : {
          where: found.name,
          what: `marked for ${found.suited} places, in a ${found.place} one`,
          reason: 'Water in a luminaire that is not sealed for it makes its metal live.',
          remedy: `Use one marked for ${found.place} places.`,
        },
});
