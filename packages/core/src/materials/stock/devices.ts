import type * as z from 'zod';
import type { deviceArticleSchema } from '../../model/articles.js';
import { dollarsOf } from './dollars.js';

type Device = z.input<typeof deviceArticleSchema>;
type Terminals = Device['terminals'];

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

const device = (more: Omit<Device, 'kind' | 'gangs' | 'price'> & { price: number }): Device => ({
  kind: 'device',
  gangs: 1,
  ...more,
  price: dollarsOf(more.price),
});

const switches = (amperes: 15 | 20): Device[] => [
  device({
    id: `single-pole-${amperes}`,
    name: `Single-pole switch, ${amperes} A`,
    price: amperes === 15 ? 2 : 5,
    letter: 'S',
    amperes,
    terminals: [...lineAndLoad, ground],
    positions: onOff,
  }),
  device({
    id: `three-way-${amperes}`,
    name: `Three-way switch, ${amperes} A`,
    price: amperes === 15 ? 4 : 8,
    letter: 'S3',
    amperes,
    terminals: [...commonAndTravelers, ground],
    positions: upDown,
  }),
  device({
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
  }),
];

/** Dimmers and electronics. What each needs (a neutral, a companion, an end of the chain) is its own. */
const electronics = (amperes: 15 | 20): Device[] => {
  const dear = amperes === 15 ? 0 : 15;
  return [
    device({
      id: `dimmer-${amperes}`,
      name: `Dimmer, single-pole, ${amperes} A`,
      price: 25 + dear,
      role: 'dimmer',
      letter: 'S',
      amperes,
      terminals: [...lineAndLoad, ground],
      positions: onOff,
    }),
    device({
      id: `dimmer-three-way-${amperes}`,
      name: `Dimmer, three-way, ${amperes} A`,
      price: 30 + dear,
      role: 'dimmer',
      letter: 'S3',
      amperes,
      terminals: [...commonAndTravelers, ground],
      positions: upDown,
    }),
    device({
      id: `timer-${amperes}`,
      name: `Timer switch with neutral, ${amperes} A`,
      price: 35 + dear,
      role: 'timer',
      letter: 'S',
      amperes,
      terminals: [...lineAndLoad, neutral, ground],
      positions: onOff,
    }),
    device({
      id: `sensor-${amperes}`,
      name: `Occupancy sensor with neutral, ${amperes} A`,
      price: 40 + dear,
      role: 'occupancySensor',
      letter: 'S',
      amperes,
      terminals: [...lineAndLoad, neutral, ground],
      positions: onOff,
    }),
    device({
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
    }),
    device({
      id: `sensor-companion-${amperes}`,
      name: `Companion of the three-way sensor, ${amperes} A`,
      price: 20 + dear,
      role: 'occupancySensor',
      letter: 'S3',
      amperes,
      terminals: [...commonAndTravelers, ground],
      positions: upDown,
      chainEnd: 'load',
    }),
  ];
};

const outlets = (amperes: 15 | 20): Device[] => [
  device({
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
  }),
  device({
    id: `switch-receptacle-${amperes}`,
    name: `Switch and receptacle, ${amperes} A`,
    price: amperes === 15 ? 12 : 16,
    role: 'switchReceptacle',
    tamperResistant: true,
    letter: 'S',
    amperes,
    terminals: [...lineAndLoad, { name: 'hot', use: 'hot' }, neutral, ground],
    positions: onOff,
  }),
];

export const devices: Device[] = ([15, 20] as const).flatMap((amperes) => [
  ...switches(amperes),
  ...electronics(amperes),
  ...outlets(amperes),
]);
