import { jobOf } from '../jobs.js';
import {
  of,
  pair,
  single,
  rewired,
  changed,
  joinSplices,
  withLamp,
  withReceptacle,
  editBoxes,
  editLuminaires,
  editSlots,
  type RuleCases,
} from './builders.js';

/** Rules on boxes, screws, splices and what hangs on them. */
export const boxCases: RuleCases = {
  'box-volume': {
    trips: [
      [
        'overfilled by a quarter of a cubic inch',
        changed(jobOf({ ...single, breaker: 20, awg: 12 }), (job) => ({
          ...editBoxes(job, (box) => (box.id === 'S1' ? { article: 'just' as never } : {})),
          // 4 conductors, the yoke and the grounds: 15.75 in³.
          stock: job.stock.flatMap((one) =>
            one.id === 'wall-1-18' && one.kind === 'box'
              ? [one, { ...one, id: 'just' as never, volume: 155_000 }]
              : [one],
          ),
        })),
      ],
    ],
    passes: [
      ['chosen by the program', changed(jobOf(pair), (job) => editBoxes(job, () => ({ article: null })))],
    ],
  },
  'driver-box': {
    trips: [
      ['a driver box of 5 in³', withLamp({ driverBox: 50_000 }, { article: null })],
      [
        'through wiring where it is not listed for it',
        changed(jobOf({ runs: ['F-S1', 'S1-L1', 'L1-L2'] }), (job) =>
          editBoxes(
            editLuminaires(job, () => ({ driverBox: 200_000, throughWiring: 'no' })),
            (box) => (box.id.startsWith('L') ? { article: null } : {}),
          ),
        ),
      ],
    ],
    passes: [['a driver box of 8 in³ at the end', withLamp({ driverBox: 80_000 }, { article: null })]],
  },
  'as-laid-out': {
    trips: [
      [
        'a cable that comes back to its box',
        rewired(of(single), (wiring) => ({
          ...wiring,
          cables: wiring.cables.map((cable) =>
            cable.from === 'S1' ? { ...cable, to: 'S1' as never } : cable,
          ),
        })),
      ],
      [
        'a dimmer on the layout, a switch in the wall',
        { ...of(single), job: editSlots(of(single).job, () => ({ role: 'dimmer' })) },
      ],
    ],
    passes: [['as planned', of(single)]],
  },
  'one-wire-a-screw': {
    trips: [
      [
        'two wires under the line screw',
        rewired(of(single), (wiring) => ({
          ...wiring,
          landings: wiring.landings.map((landing) =>
            'device' in landing.terminal && landing.terminal.name === 'load'
              ? { ...landing, terminal: { ...landing.terminal, name: 'line' } }
              : landing,
          ),
        })),
      ],
    ],
    passes: [['as planned', of(single)]],
  },
  splices: {
    trips: [
      ['three in a connector for two', joinSplices(of(single), 'S1/c1/N', 'S1/G')],
      [
        'a splice without a connector',
        rewired(of(single), (wiring) => ({
          ...wiring,
          joints: wiring.joints.map((joint) => ({ ...joint, connectors: [] })),
        })),
      ],
    ],
    passes: [['as planned', of(single)]],
  },
  'tamper-resistant': {
    trips: [['a plain receptacle', withReceptacle(false)]],
    passes: [['a shuttered one', withReceptacle(true)]],
  },
  'box-accessible': {
    trips: [
      [
        'a junction behind finish',
        changed(jobOf({ runs: ['F-J1', 'J1-S1', 'S1-L'] }), (job) =>
          editBoxes(job, () => ({ staysAccessible: 'no' })),
        ),
      ],
    ],
    passes: [['boxes with a device or luminaire', of(single)]],
  },
  'luminaire-support': {
    trips: [
      ['60 lb on a ceiling box', withLamp({ pounds: 60 })],
      [
        '5 lb on a device box overhead',
        withLamp({ pounds: 5 }, { article: 'wall-1-18', mount: 'ceiling' } as never),
      ],
    ],
    passes: [
      [
        '5 lb on a device box on the wall',
        withLamp({ pounds: 5 }, { article: 'wall-1-18', mount: 'wall' } as never),
      ],
      ['40 lb', withLamp({ pounds: 40 })],
      ['60 lb on a box that the program chooses', withLamp({ pounds: 60 }, { article: null })],
    ],
  },
  'fan-support': {
    trips: [
      ['a fan on a plain box', withLamp({ unit: 'fan' })],
      [
        'a fan of 80 lb on a box for fans',
        withLamp({ unit: 'fan', pounds: 80 }, { article: 'ceiling-fan-20.5' } as never),
      ],
      [
        'a fan-ready pair of switched conductors on a plain box',
        rewired(
          changed(jobOf({ runs: ['F-S1', 'S1-L'], neutralAt: ['S1'] }), (job) => ({
            ...job,
            stock: job.stock.filter((article) => article.id !== '14-2'),
          })),
          (wiring) => ({
            ...wiring,
            devices: [
              ...wiring.devices,
              ...wiring.devices.map((one) => ({ ...one, id: 'device:spare' as typeof one.id, slot: null })),
            ],
            // The spare conductor up to the luminaire box lands on a switch of its own.
            joints: wiring.joints.filter((joint) => !(joint.box === 'S1' && joint.members.length === 1)),
            landings: [
              ...wiring.landings,
              ...wiring.joints
                .filter((joint) => joint.box === 'S1' && joint.id.includes('S1>L'))
                .flatMap((joint) =>
                  joint.members.flatMap((m) =>
                    'end' in m
                      ? [
                          {
                            wire: { end: m.end },
                            terminal: { device: 'device:spare' as never, name: 'load' },
                          },
                        ]
                      : [],
                  ),
                ),
            ],
          }),
        ),
      ],
    ],
    passes: [
      ['a fan on a box for fans', withLamp({ unit: 'fan' }, { article: null })],
      ['a fan of 60 lb on a box marked for 70', withLamp({ unit: 'fan', pounds: 60 }, { article: null })],
      ['a vent fan on a plain box', withLamp({ unit: 'ventFan' })],
      ['a luminaire', of(single)],
    ],
  },
  'switch-height': {
    trips: [
      [
        '7 ft above the floor',
        changed(jobOf(single), (job) => editBoxes(job, () => ({ at: { x: 0, y: 0, z: 84 } }))),
      ],
    ],
    passes: [
      ['4 ft', changed(jobOf(single), (job) => editBoxes(job, () => ({ at: { x: 0, y: 0, z: 48 } })))],
    ],
  },
  'wet-places': {
    trips: [
      [
        'a switch in the shower',
        changed(jobOf({ ...single, roomKind: 'bathroom' }), (job) =>
          editBoxes(job, () => ({ inTubSpace: 'yes' })),
        ),
      ],
      ['a dry luminaire in the rain', withLamp({ suitedTo: 'dry' }, { location: 'wet' })],
    ],
    passes: [
      [
        'a switch beside the door of a bathroom',
        changed(jobOf({ ...single, roomKind: 'bathroom' }), (job) =>
          editBoxes(job, () => ({ inTubSpace: 'no' })),
        ),
      ],
      ['a wet luminaire under a roof', withLamp({ suitedTo: 'wet' }, { location: 'damp' })],
    ],
  },
  'bundled-cables': {
    trips: [
      [
        'six cables of 14 AWG from one junction on 15 A',
        changed(
          jobOf({
            runs: ['F-J1', 'J1-S1', 'J1-L1', 'J1-L2', 'J1-L3', 'J1-L4'],
            neutralAt: ['S1'],
          }),
          (job) => editBoxes(job, () => ({ staysAccessible: 'yes', article: null })),
        ),
      ],
    ],
    passes: [['two cables', of(single)]],
  },
  'grounding-strap': {
    trips: [
      [
        'a strap under a switch without a green screw',
        changed(jobOf(single), (job) => ({
          ...editBoxes(job, (box) => (box.id === 'S1' ? { article: 'strap' as never } : {})),
          stock: job.stock.flatMap((one) => {
            if (one.id === 'wall-1-22.5' && one.kind === 'box')
              return [one, { ...one, id: 'strap' as never, groundingStrap: true }];
            return one.id === 'single-pole-15' && one.kind === 'device'
              ? [{ ...one, terminals: one.terminals.filter((terminal) => terminal.use !== 'ground') }]
              : [one];
          }),
        })),
      ],
    ],
    passes: [['a switch with a green screw', of(single)]],
  },
};
