import { groupsOfCircuit } from '../../model/lookup.js';
import { newReceptacles } from '../newReceptacles.js';
import type { JudgedEdition } from '../../model/job.js';
import type { RoomKind } from '../../model/place.js';
import { defineRule, type Ask, type Breach, type Fix } from '../rule.js';

/** Rooms whose outlets and devices are protected; bathrooms, garages and outdoors are not on the list. */
const roomsListed = (edition: JudgedEdition): readonly RoomKind[] => [
  'unknown',
  'habitable',
  'bedroom',
  'living',
  'dining',
  'closet',
  'hallway',
  ...(edition >= 2014 ? (['kitchen', 'laundry'] as const) : []),
];

interface Found {
  name: string;
  rooms: string[];
  extended: boolean;
  /** A receptacle is added or replaced there: 406.4(D)(4) asks for it by itself. */
  receptacle: boolean;
}

/** 210.12: arc-fault protection for outlets (and, from 2014, devices) in the rooms listed; for an extension there too. */
export const arcFault = defineRule<Found>({
  id: 'arc-fault',
  stage: 'final',
  title: 'Arc-fault protection in the rooms that the edition lists',
  rests:
    '2011: bedrooms, living and dining rooms, closets, hallways and the like; 2014 adds kitchens and laundry. Lighting outlets are outlets. An extension of more than 6 ft, or with a new outlet or device, brings it.',
  section: () => '210.12',
  since: 2008,
  severities: ['violation'],
  asks: ['room.kind', 'circuit.afci'],
  check: (inspected) => {
    const { job, edition } = inspected;
    const fresh = newReceptacles(inspected).map(({ slot }) => slot.group);
    return job.circuits.flatMap((circuit): (Breach<Found> | Ask)[] => {
      const mine = new Set<string>(groupsOfCircuit(job, circuit.id).map((group) => group.room));
      const rooms = job.rooms.filter((room) => mine.has(room.id) && roomsListed(edition).includes(room.kind));
      if (rooms.length === 0 || circuit.afci === 'yes') return [];
      // The answer may take the room off the list.
      const unknown = rooms.filter((room) => room.kind === 'unknown');
      if (unknown.length === rooms.length)
        return unknown.map((room): Ask => ({ ask: 'room.kind', of: room.id }));
      if (circuit.afci === 'unknown') return [{ ask: 'circuit.afci', of: circuit.id }];
      const extended = job.choices.some(
        (choice) =>
          choice.circuit === circuit.id &&
          job.feeds.some((feed) => feed.id === choice.feed && feed.at !== 'panel'),
      );
      const receptacle =
        edition >= 2011 && groupsOfCircuit(job, circuit.id).some(({ id }) => fresh.includes(id));
      const data = { name: circuit.name, rooms: rooms.map((room) => room.name), extended, receptacle };
      return [{ severity: 'violation', at: { circuit: circuit.id }, data }];
    });
  },
  say: ({ name, rooms, extended, receptacle }) => ({
    where: name,
    what: `no arc-fault protection for ${rooms.join(', ')}`,
    reason: `${
      extended
        ? 'An existing circuit that is extended there with a new outlet or device is protected from then on.'
        : 'A loose or broken conductor sparks long before a breaker notices.'
    }${receptacle ? ' A receptacle that comes new there is protected in any case (406.4(D)(4)).' : ''}`,
    remedy: 'Fit an arc-fault breaker, or the protection that the edition accepts at the first outlet.',
  }),
  fixes: ({ at }): Fix[] => [
    {
      words: 'Fit an arc-fault breaker',
      unpriced: 'breaker',
      job: (job) => ({
        ...job,
        circuits: job.circuits.map((one) => (one.id === at.circuit ? { ...one, afci: 'yes' } : one)),
      }),
    },
  ],
});
