import { findBox, findRoom } from '../../model/lookup.js';
import { newReceptacles } from '../newReceptacles.js';
import { defineRule, type Ask, type Breach } from '../rule.js';

/** 406.9: receptacles in damp and wet places are weather-resistant, under a cover that suits the place. */
export const receptacleOutdoors = defineRule<{ box: string; wet: boolean }>({
  id: 'receptacle-outdoors',
  stage: 'final',
  title: 'A receptacle in a damp or wet place is weather-resistant and covered for it',
  rests: 'Wet place: a cover that serves while a cord is plugged in. Damp place: weatherproof when closed.',
  since: 2008,
  section: (edition) => (edition === 2008 ? '406.8' : '406.9'),
  severities: ['verify'],
  asks: ['box.location'],
  check: (inspected) =>
    newReceptacles(inspected).flatMap(({ device }): (Breach<{ box: string; wet: boolean }> | Ask)[] => {
      const { job } = inspected;
      const box = findBox(job, device.box);
      if (!box) return [];
      if (box.location === 'unknown')
        return findRoom(job, box.room)?.kind === 'outdoors' ? [{ ask: 'box.location', of: box.id }] : [];
      if (box.location === 'dry') return [];
      const data = { box: box.id, wet: box.location === 'wet' };
      return [{ severity: 'verify', at: { box: box.id, device: device.id }, data }];
    }),
  say: ({ box, wet }, { place }) => ({
    where: place(box),
    what: `the receptacle is weather-resistant, its cover ${wet ? 'for use with a cord plugged in' : 'weatherproof when closed'}`,
    reason: 'Water in a receptacle is a way to ground through whoever holds the plug.',
    remedy: 'Read WR on the face of the receptacle, and the marking of the cover.',
  }),
});
