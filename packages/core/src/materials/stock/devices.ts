import type * as z from 'zod';
import type { deviceArticleSchema } from '../../model/articles.js';
import { dollarsOf } from './dollars.js';
import {
  FOUR_WAYS,
  LEADS,
  RECEPTACLE,
  SINGLE_POLES,
  SWITCH_RECEPTACLE,
  THREE_WAYS,
  WITH_NEUTRAL,
  type Face,
  type Faces,
} from './faces.js';

type Device = z.input<typeof deviceArticleSchema>;
type Terminals = readonly Omit<Device['terminals'][number], 'face'>[];
type Bare = Omit<Device, 'kind' | 'gangs' | 'price' | 'terminals'> & { price: number; terminals: Terminals };

const ground: Terminals[number] = { name: 'ground', use: 'ground' };
const neutral: Terminals[number] = { name: 'neutral', use: 'neutral' };
const lineAndLoad: Terminals = [
  { name: 'load', use: 'load' },
  { name: 'line', use: 'line' },
];
const onOff: Device['positions'] = [
  { name: 'on', connected: [['line', 'load']] },
  { name: 'off', connected: [] },
];
const commonAndTravelers: Terminals = [
  { name: 'common', use: 'common' },
  { name: 'traveler 1', use: 'traveler' },
  { name: 'traveler 2', use: 'traveler' },
];
const upDown: Device['positions'] = [
  { name: 'up', connected: [['common', 'traveler 1']] },
  { name: 'down', connected: [['common', 'traveler 2']] },
];

/** A device with the places of its terminals. Throws where the face has none for one. */
const device = ({ terminals, ...more }: Bare, face: Face): Device => ({
  kind: 'device',
  gangs: 1,
  ...more,
  price: dollarsOf(more.price),
  terminals: terminals.map((terminal) => {
    const part = face[terminal.name];
    if (!part) throw new Error(`The face of "${more.id}" has no place for ${terminal.name}.`);
    return { ...terminal, face: part };
  }),
});

/** One device as it comes with each of these faces: the first is the usual one and keeps the plain name. */
const withFaces = (bare: Bare, faces: Faces): Device[] =>
  faces.map(({ id, name, face }) =>
    device(
      {
        ...bare,
        id: id === '' ? bare.id : `${bare.id}-${id}`,
        name: name === '' ? bare.name : `${bare.name}, ${name}`,
      },
      face,
    ),
  );

const switches = (amperes: 15 | 20): Device[] => [
  ...withFaces(
    {
      id: `single-pole-${amperes}`,
      name: `Single-pole switch, ${amperes} A`,
      price: amperes === 15 ? 2 : 5,
      letter: 'S',
      amperes,
      terminals: [...lineAndLoad, ground],
      positions: onOff,
    },
    SINGLE_POLES,
  ),
  ...withFaces(
    {
      id: `three-way-${amperes}`,
      name: `Three-way switch, ${amperes} A`,
      price: amperes === 15 ? 4 : 8,
      letter: 'S3',
      amperes,
      terminals: [...commonAndTravelers, ground],
      positions: upDown,
    },
    THREE_WAYS,
  ),
  ...withFaces(
    {
      id: `four-way-${amperes}`,
      name: `Four-way switch, ${amperes} A`,
      price: amperes === 15 ? 14 : 22,
      letter: 'S4',
      amperes,
      terminals: [
        { name: 'in 1', use: 'in' },
        { name: 'in 2', use: 'in' },
        { name: 'out 1', use: 'out' },
        { name: 'out 2', use: 'out' },
        ground,
      ],
      positions: [
        {
          name: 'up',
          connected: [
            ['in 1', 'out 1'],
            ['in 2', 'out 2'],
          ],
        },
        {
          name: 'down',
          connected: [
            ['in 1', 'out 2'],
            ['in 2', 'out 1'],
          ],
        },
      ],
    },
    FOUR_WAYS,
  ),
];

/** Dimmers and electronics. What each needs (a neutral, a companion, an end of the chain) is its own; most have leads. */
const electronics = (amperes: 15 | 20): Device[] => {
  const dear = amperes === 15 ? 0 : 15;
  return [
    device(
      {
        id: `dimmer-${amperes}`,
        name: `Dimmer, single-pole, ${amperes} A`,
        price: 25 + dear,
        role: 'dimmer',
        letter: 'S',
        amperes,
        terminals: [...lineAndLoad, ground],
        positions: onOff,
      },
      LEADS,
    ),
    device(
      {
        id: `dimmer-three-way-${amperes}`,
        name: `Dimmer, three-way, ${amperes} A`,
        price: 30 + dear,
        role: 'dimmer',
        letter: 'S3',
        amperes,
        terminals: [...commonAndTravelers, ground],
        positions: upDown,
      },
      LEADS,
    ),
    device(
      {
        id: `timer-${amperes}`,
        name: `Timer switch with neutral, ${amperes} A`,
        price: 35 + dear,
        role: 'timer',
        letter: 'S',
        amperes,
        terminals: [...lineAndLoad, neutral, ground],
        positions: onOff,
      },
      LEADS,
    ),
    ...withFaces(
      {
        id: `sensor-${amperes}`,
        name: `Occupancy sensor with neutral, ${amperes} A`,
        price: 40 + dear,
        role: 'occupancySensor',
        letter: 'S',
        amperes,
        terminals: [...lineAndLoad, neutral, ground],
        positions: onOff,
      },
      [
        { id: '', name: '', face: LEADS },
        { id: 'screws', name: 'with screws', face: WITH_NEUTRAL },
      ],
    ),
    device(
      {
        id: `sensor-three-way-${amperes}`,
        name: `Occupancy sensor, three-way, line end, ${amperes} A`,
        price: 55 + dear,
        role: 'occupancySensor',
        letter: 'S3',
        amperes,
        terminals: [...commonAndTravelers, neutral, ground],
        positions: upDown,
        chainEnd: 'line',
        companion: `sensor-companion-${amperes}`,
      },
      LEADS,
    ),
    device(
      {
        id: `sensor-companion-${amperes}`,
        name: `Companion of the three-way sensor, ${amperes} A`,
        price: 20 + dear,
        role: 'occupancySensor',
        letter: 'S3',
        amperes,
        terminals: [...commonAndTravelers, ground],
        positions: upDown,
        chainEnd: 'load',
      },
      LEADS,
    ),
  ];
};

/** Older kinds and some plain ones have no green screw: the box has to ground their yoke (404.9(B)). */
const withoutGreenScrew = (amperes: 15 | 20): Device[] => [
  device(
    {
      id: `single-pole-${amperes}-no-green`,
      name: `Single-pole switch without a green screw, ${amperes} A`,
      price: amperes === 15 ? 2 : 5,
      letter: 'S',
      amperes,
      terminals: lineAndLoad,
      positions: onOff,
    },
    SINGLE_POLES[0]?.face ?? {},
  ),
  device(
    {
      id: `three-way-${amperes}-no-green`,
      name: `Three-way switch without a green screw, ${amperes} A`,
      price: amperes === 15 ? 4 : 8,
      letter: 'S3',
      amperes,
      terminals: commonAndTravelers,
      positions: upDown,
    },
    THREE_WAYS[0]?.face ?? {},
  ),
];

const outlets = (amperes: 15 | 20): Device[] => [
  device(
    {
      id: `receptacle-${amperes}`,
      name: `Duplex receptacle, ${amperes} A`,
      price: amperes === 15 ? 3 : 5,
      role: 'receptacle',
      letter: null,
      amperes,
      terminals: [
        { name: 'hot 1', use: 'hot' },
        { name: 'hot 2', use: 'hot' },
        { name: 'neutral 1', use: 'neutral' },
        { name: 'neutral 2', use: 'neutral' },
        ground,
      ],
      positions: [{ name: 'fixed', connected: [] }],
      tamperResistant: true,
      bridged: [
        ['hot 1', 'hot 2'],
        ['neutral 1', 'neutral 2'],
      ],
    },
    RECEPTACLE,
  ),
  device(
    {
      id: `switch-receptacle-${amperes}`,
      name: `Switch and receptacle, ${amperes} A`,
      price: amperes === 15 ? 12 : 16,
      role: 'switchReceptacle',
      tamperResistant: true,
      letter: 'S',
      amperes,
      terminals: [...lineAndLoad, { name: 'hot', use: 'hot' }, neutral, ground],
      positions: onOff,
    },
    SWITCH_RECEPTACLE,
  ),
];

export const devices: Device[] = ([15, 20] as const).flatMap((amperes) => [
  ...switches(amperes),
  ...electronics(amperes),
  ...outlets(amperes),
  ...withoutGreenScrew(amperes),
]);
