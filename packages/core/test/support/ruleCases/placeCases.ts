import type { Job } from '../../../src/index.js';
import { jobOf } from '../jobs.js';
import {
  dimmed,
  madeOf,
  oldBoxes,
  receptacleIn,
  tappedAs,
  of,
  pair,
  single,
  rewired,
  changed,
  tapped,
  withLamp,
  withReceptacle,
  inRoom,
  steel,
  editRooms,
  editCircuits,
  editFeeds,
  type RuleCases,
} from './builders.js';

/** A light in a room of a kind, on a circuit with or without ground-fault protection. */
const inCrawlSpace = (kind: 'crawlSpace' | 'storage', gfci: 'yes' | 'no') =>
  changed(jobOf(single), (job) =>
    editCircuits(
      editRooms(job, () => ({ kind })),
      () => ({ gfci }),
    ),
  );
const onTenAmperes = (job: Job) => changed(job, (one) => editCircuits(one, () => ({ breaker: 10 as const })));

/** Rules on rooms and circuits, and what is to be seen on site. */
export const placeCases: RuleCases = {
  'required-light': {
    trips: [
      [
        'a bedroom without a switched light',
        changed(jobOf(single), (job) => ({
          ...job,
          rooms: [...job.rooms, { ...job.rooms[0]!, id: 'r2' as never, name: 'Net loft', otherLight: 'no' }],
        })),
      ],
      [
        'space for storage without one',
        changed(jobOf(single), (job) => ({
          ...job,
          rooms: [
            ...job.rooms,
            { ...job.rooms[0]!, id: 'r2' as never, name: 'Sail store', kind: 'storage', otherLight: 'no' },
          ],
        })),
      ],
    ],
    passes: [
      ['this job lights it', of(single)],
      [
        'there is one already',
        changed(jobOf(single), (job) => ({
          ...job,
          rooms: [...job.rooms, { ...job.rooms[0]!, id: 'r2' as never, name: 'Net loft', otherLight: 'yes' }],
        })),
      ],
    ],
  },
  'stair-switches': {
    trips: [['seven risers and one switch', inRoom({ kind: 'stairway', risers: 7 })]],
    passes: [
      ['five risers and one switch', inRoom({ kind: 'stairway', risers: 5 })],
      ['seven risers and two', inRoom({ kind: 'stairway', risers: 7 }, pair)],
    ],
  },
  'stair-dimmers': {
    trips: [['a dimmer at one end of a stair', dimmed(7, 'S1')]],
    passes: [
      ['a stair of five risers', dimmed(5, 'S1')],
      ['plain switches', inRoom({ kind: 'stairway', risers: 7 }, pair)],
    ],
  },
  'receptacle-protected': {
    trips: [
      ['a bathroom without', receptacleIn({ kind: 'bathroom' }, 'no')],
      ['a kitchen in 2023', receptacleIn({ kind: 'kitchen' }, 'no')],
      ['a workshop, to be verified', receptacleIn({ kind: 'storage' }, 'no')],
    ],
    passes: [
      ['a bathroom with it', receptacleIn({ kind: 'bathroom' }, 'yes')],
      ['a bedroom without', receptacleIn({ kind: 'bedroom' }, 'no')],
    ],
  },
  'crawl-space-lighting': {
    trips: [['a light in a crawl space without', inCrawlSpace('crawlSpace', 'no')]],
    passes: [
      ['one with ground-fault protection', inCrawlSpace('crawlSpace', 'yes')],
      ['a light in a store without', inCrawlSpace('storage', 'no')],
    ],
  },
  'ten-ampere-circuit': {
    trips: [
      ['10 A before 2023', of({ ...single, breaker: 10, edition: 2020 })],
      ['a receptacle on 10 A', onTenAmperes(withReceptacle(true).job)],
      [
        'something beyond on 10 A, to be seen',
        onTenAmperes({
          ...jobOf(single),
          luminaires: jobOf(single).luminaires.map((one) => ({ ...one, unit: 'onward' as const })),
        }),
      ],
    ],
    passes: [
      ['lighting on 10 A in 2023', of({ ...single, breaker: 10, edition: 2023 })],
      ['a receptacle on 15 A', withReceptacle(true)],
    ],
  },
  'receptacle-outdoors': {
    trips: [
      ['a receptacle in the rain', receptacleIn({ kind: 'outdoors' }, 'yes', { location: 'wet' })],
      ['one under a roof', receptacleIn({ kind: 'outdoors' }, 'yes', { location: 'damp' })],
    ],
    passes: [['a receptacle in a dry place', receptacleIn({ kind: 'bedroom' }, 'yes', { location: 'dry' })]],
  },
  'cable-places': {
    trips: [['a luminaire in the rain', withLamp({ suitedTo: 'wet' }, { location: 'wet' })]],
    passes: [
      ['a dry place', of(single)],
      ['an armored cable', madeOf(withLamp({ suitedTo: 'wet' }, { location: 'wet' }), { sheath: 'armored' })],
    ],
  },
  'tub-luminaires': {
    trips: [['a luminaire of a bathroom', inRoom({ kind: 'bathroom' })]],
    passes: [['of a hallway', inRoom({ kind: 'hallway' })]],
  },
  'recessed-luminaires': {
    trips: [['one with a driver box of its own', withLamp({ driverBox: 200_000 }, { article: null })]],
    passes: [['one on an outlet box', of(single)]],
  },
  'old-insulation': {
    trips: [['a new luminaire on an old box', oldBoxes(1996)]],
    passes: [
      ['an old box of later days', oldBoxes(2017)],
      ['a new box', of(single)],
    ],
  },
  'multiwire-circuit': {
    trips: [['a tap on half of one', tappedAs('multiwire')]],
    passes: [['a tap on a receptacle that is live at all times', tappedAs('live')]],
  },
  'small-appliance-circuit': {
    trips: [['a lighting tap on a countertop circuit', tapped('smallAppliance')]],
    passes: [['a tap on a general circuit', tapped('general')]],
  },
  'bathroom-circuit': {
    trips: [['a tap on the bathroom receptacles for another room', tapped('bathroom')]],
    passes: [
      [
        'a light of the one bathroom that the circuit serves',
        changed(tapped('bathroom', { oneBathroom: 'yes' }).job, (job) =>
          editRooms(job, () => ({ kind: 'bathroom' })),
        ),
      ],
    ],
  },
  'laundry-circuit': {
    trips: [['a tap on the laundry circuit', tapped('laundry')]],
    passes: [['a tap on a lighting circuit', tapped('lighting')]],
  },
  'garage-circuit': {
    trips: [['a tap on the garage receptacles', tapped('garage')]],
    passes: [['a tap on a lighting circuit', tapped('lighting')]],
  },
  'arc-fault': {
    trips: [
      [
        'a bedroom without it',
        changed(jobOf({ ...single, roomKind: 'bedroom' }), (job) =>
          editCircuits(job, () => ({ afci: 'no' })),
        ),
      ],
    ],
    passes: [
      ['a bedroom with it', of({ ...single, roomKind: 'bedroom' })],
      [
        'a garage without it',
        changed(jobOf({ ...single, roomKind: 'garage' }), (job) => editCircuits(job, () => ({ afci: 'no' }))),
      ],
    ],
  },
  'ground-fault-side': {
    trips: [
      [
        'the load side of a ground-fault receptacle',
        changed(tapped('general').job, (job) =>
          editFeeds(job, () => ({ tap: 'receptacle', gfciSide: 'load' })),
        ),
      ],
    ],
    passes: [
      [
        'its line side',
        changed(tapped('general').job, (job) =>
          editFeeds(job, () => ({ tap: 'receptacle', gfciSide: 'line' })),
        ),
      ],
    ],
  },
  'closet-luminaires': {
    trips: [['a luminaire in a closet', of({ ...single, roomKind: 'closet' })]],
    passes: [['in a hallway', of({ ...single, roomKind: 'hallway' })]],
  },
  weatherproof: {
    trips: [['a box in the rain', withLamp({ suitedTo: 'wet' }, { location: 'wet' })]],
    passes: [['a dry place', of(single)]],
  },
  'cable-secured': {
    trips: [['open framing', of(single)]],
    passes: [
      [
        'fished in finished walls',
        changed(jobOf(single), (job) => ({ ...job, routing: { ...job.routing, access: 'fished' } })),
      ],
    ],
  },
  'holes-in-framing': {
    trips: [['open framing', of(single)]],
    passes: [
      [
        'fished',
        changed(jobOf(single), (job) => ({ ...job, routing: { ...job.routing, access: 'fished' } })),
      ],
    ],
  },
  'cables-along-framing': {
    trips: [
      [
        'through the attic',
        changed(jobOf(single), (job) => ({ ...job, routing: { ...job.routing, access: 'attic' } })),
      ],
    ],
    passes: [
      [
        'fished',
        changed(jobOf(single), (job) => ({ ...job, routing: { ...job.routing, access: 'fished' } })),
      ],
    ],
  },
  'outlet-covers': {
    trips: [['new boxes', of(single)]],
    passes: [['nothing planned', rewired(of(single), (wiring) => ({ ...wiring, cables: [] }))]],
  },
  'sheath-in-box': { trips: [['plastic boxes', of(single)]], passes: [['steel boxes', steel(single)]] },
  'free-conductor': {
    trips: [['new boxes', of(single)]],
    passes: [['nothing planned', rewired(of(single), (wiring) => ({ ...wiring, cables: [] }))]],
  },
  'box-set-back': {
    trips: [['new boxes', of(single)]],
    passes: [['nothing planned', rewired(of(single), (wiring) => ({ ...wiring, cables: [] }))]],
  },
  'terminal-torque': {
    trips: [['new devices', of(single)]],
    passes: [['nothing planned', rewired(of(single), (wiring) => ({ ...wiring, cables: [] }))]],
  },
};
