import type { Wiring } from '../../../src/index.js';
import { jobOf } from '../jobs.js';
import {
  asFed,
  bareForRed,
  made,
  of,
  pair,
  single,
  rewired,
  changed,
  twoCircuits,
  borrowed,
  feedTurned,
  joinSplices,
  loaded,
  madeOf,
  neutralOnTraveler,
  withLamp,
  withSwitchedReceptacle,
  withDevice,
  withoutGround,
  withOldHomeRun,
  besides,
  steel,
  strayNeutral,
  editCircuits,
  editBoxes,
  editLuminaires,
  type RuleCases,
} from './builders.js';

/** Rules on switching, conductors, loads and grounds. */
export const electricalCases: RuleCases = {
  'group-works': {
    trips: [
      [
        'a common and a traveler exchanged',
        rewired(of(pair), (wiring) => ({
          ...wiring,
          landings: wiring.landings.map((landing) => {
            const { terminal } = landing;
            if (!('device' in terminal) || terminal.device !== 'device:slot:S2') return landing;
            const name = { common: 'traveler 1', 'traveler 1': 'common' }[terminal.name];
            return name ? { ...landing, terminal: { ...terminal, name } } : landing;
          }),
        })),
      ],
    ],
    passes: [['as planned', of(pair)]],
  },
  'strange-wire': {
    trips: [
      ['aluminium', madeOf(of(single), { metal: 'aluminium' })],
      ['knob-and-tube', madeOf(of(single), { sheath: 'knobAndTube' })],
      ['what nobody recognised', madeOf(of(single), { metal: 'unknown' })],
      ['cloth-covered copper, as a caution', madeOf(of(single), { sheath: 'cloth' })],
    ],
    passes: [
      ['copper in nonmetallic sheath', of(single)],
      ['copper in a raceway', madeOf(of(single), { sheath: 'raceway' })],
    ],
  },
  'old-pattern': {
    trips: [['hot and neutral on the travelers of one switch', rewired(of(pair), neutralOnTraveler)]],
    passes: [['travelers between two switches', of(pair)]],
  },
  'borrowed-neutral': {
    trips: [['the neutral of the other circuit', rewired(twoCircuits(), borrowed)]],
    passes: [
      ['each its own', twoCircuits()],
      ['one circuit alone', of(single)],
    ],
  },
  'switch-hot-only': {
    trips: [
      [
        'the neutral through the switch',
        rewired(of(single), (wiring) => ({
          ...wiring,
          landings: wiring.landings.map((landing) => {
            const { terminal } = landing;
            if ('circuit' in terminal && terminal.name !== 'ground')
              return {
                ...landing,
                terminal: { ...terminal, name: terminal.name === 'hot' ? 'neutral' : 'hot' },
              };
            return landing;
          }),
        })),
      ],
    ],
    passes: [['as planned', of(single)]],
  },
  'ungrounded-extension': {
    trips: [['a new light off an old cable without a ground', rewired(withoutGround(of(single)), asFed)]],
    passes: [
      ['the same off an old cable with one', rewired(of(single), asFed)],
      ['as planned', of(single)],
    ],
  },
  'neutral-colour': {
    trips: [['hot and neutral of the feed exchanged over its whole length', rewired(of(single), feedTurned)]],
    passes: [['as planned', of(single)]],
  },
  'neutral-one-circuit': {
    trips: [['neutrals of two circuits in one splice', joinSplices(twoCircuits(), 'S1/c1/N', 'S1/c2/N')]],
    passes: [['two circuits, neutrals apart', twoCircuits()]],
  },
  'circuits-in-box': {
    trips: [['two circuits in one box', twoCircuits()]],
    passes: [['one circuit', of(single)]],
  },
  'conductors-together': {
    trips: [['a neutral that goes another way', strayNeutral('plastic')]],
    passes: [['as planned', of(pair)]],
  },
  'parallel-paths': {
    trips: [
      ['the neutral through two cables', besides()],
      [
        'neutrals of two circuits joined, so that they go round by the panel',
        joinSplices(twoCircuits(), 'S1/c1/N', 'S1/c2/N'),
      ],
    ],
    passes: [['a tree', of(pair)]],
  },
  'conductor-to-breaker': {
    trips: [['14 AWG travelers on 20 A', of({ ...pair, breaker: 20, awg: 14 })]],
    passes: [['12 AWG on 20 A', of({ ...pair, breaker: 20, awg: 12 })]],
  },
  'switch-rating': {
    trips: [
      ['2000 VA on a switch of 15 A', loaded(of(single), { va: 2000 })],
      ['1500 VA of fan on a switch of 15 A', loaded(of(single), { va: 1500, unit: 'fan' })],
      ['a switch of 15 A that controls receptacles on 20 A', loaded(withSwitchedReceptacle(15), {}, 20)],
    ],
    passes: [
      ['a planned switch for 2000 VA', withLamp({ va: 2000 })],
      ['a switch of 15 A on a lighting circuit of 20 A', loaded(of(single), { va: 1000 }, 20)],
      ['a planned switch of receptacles on 20 A', withSwitchedReceptacle(20)],
      ['1800 VA of light', withLamp({ va: 1800 })],
      ['1400 VA of fan', withLamp({ va: 1400, unit: 'fan' }, { article: null })],
    ],
  },
  'dimmer-load': {
    trips: [
      [
        'a dimmer on a fan',
        withDevice('dimmer', (job) =>
          editBoxes(
            editLuminaires(job, () => ({ unit: 'fan' })),
            () => ({ article: null }),
          ),
        ),
      ],
    ],
    passes: [['a dimmer on a luminaire', withDevice('dimmer')]],
  },
  'electronic-neutral': {
    trips: [
      [
        'a timer with its neutral lead on the ground',
        rewired(withDevice('timer'), (wiring) => {
          const isLead = (name: string) => (member: Wiring['joints'][number]['members'][number]) =>
            'lead' in member && 'device' in member.lead && member.lead.name === name;
          const lead = wiring.joints.flatMap(({ members }) => members.filter(isLead('neutral')));
          return {
            ...wiring,
            joints: wiring.joints.map((joint) =>
              joint.members.some(isLead('ground'))
                ? { ...joint, members: [...joint.members, ...lead] }
                : { ...joint, members: joint.members.filter((member) => !isLead('neutral')(member)) },
            ),
          };
        }),
      ],
    ],
    passes: [['a timer as planned', withDevice('timer')]],
  },
  'circuit-load': {
    trips: [
      [
        '1500 VA beside 200 VA on 15 A',
        changed(jobOf(single), (job) =>
          editCircuits(
            editLuminaires(job, () => ({ va: 1300 })),
            () => ({ existingVa: 200 }),
          ),
        ),
      ],
    ],
    passes: [['1400 VA on 15 A', withLamp({ va: 1400 })]],
  },
  'voltage-drop': {
    trips: [
      [
        '240 ft of 14 AWG at 10 A',
        changed(jobOf(single), (job) => ({
          ...editLuminaires(job, () => ({ va: 1200 })),
          runFacts: [
            ...(['F-S1', 'S1-L'] as const).map((run) => ({
              between: run.split('-').map((name) => (name === 'F' ? 'panel' : name)) as ['panel', 'panel'],
              length: 1440,
              rule: null,
              route: null,
              access: null,
              openings: 0,
              closeHoles: 0,
            })),
          ],
        })),
      ],
    ],
    passes: [['no length, no load to speak of', of(single)]],
  },
  'cable-left-live': {
    trips: [['an old cable from the panel that no circuit uses', made(withOldHomeRun('c1'))]],
    passes: [['one between two boxes, capped at both ends', made(withOldHomeRun('c1', 'S1'))]],
  },
  'ground-colour': {
    trips: [['a bare wire on the screw of a traveler', rewired(of(pair), bareForRed('S1', 'S2'))]],
    passes: [['bare wires in the splice of grounds', of(pair)]],
  },
  'grounds-joined': {
    trips: [
      [
        'one ground left out of the splice',
        rewired(of(single), (wiring) => ({
          ...wiring,
          joints: wiring.joints.flatMap((joint) => {
            if (joint.id !== 'S1/G') return [joint];
            const [first, ...rest] = joint.members;
            return first
              ? [
                  { ...joint, members: rest },
                  { ...joint, id: 'S1/G2' as typeof joint.id, members: [first] },
                ]
              : [joint];
          }),
        })),
      ],
    ],
    passes: [
      ['as planned', of(single)],
      ['two circuits, one splice', twoCircuits()],
    ],
  },
  'ground-size': {
    trips: [
      [
        'a 14 AWG tail in a splice with a 20 A circuit',
        rewired(of({ ...single, breaker: 20, awg: 12 }), (wiring) => ({
          ...wiring,
          joints: wiring.joints.map((joint) => ({
            ...joint,
            members: joint.members.map((member) =>
              'pigtail' in member && member.pigtail.colour === 'bare'
                ? { pigtail: { ...member.pigtail, awg: 14 as const } }
                : member,
            ),
          })),
        })),
      ],
    ],
    passes: [
      ['12 AWG as planned on 20 A', of({ ...single, breaker: 20, awg: 12 })],
      ['14 AWG on 15 A', of(single)],
    ],
  },
  'metal-box-bonded': {
    trips: [
      [
        'a steel box that the screws of its switch alone ground',
        rewired(steel(single), (wiring) => ({
          ...wiring,
          landings: wiring.landings.filter(({ terminal }) => !('box' in terminal && terminal.box === 'S1')),
        })),
      ],
      [
        'a steel box without a bond',
        rewired(steel(single), (wiring) => ({
          ...wiring,
          landings: wiring.landings.filter(({ terminal }) => !('box' in terminal)),
        })),
      ],
    ],
    passes: [
      ['a steel box as planned', steel(single)],
      [
        'a plastic box whose strap the screws of its switch ground',
        rewired(
          changed(jobOf(single), (job) => ({
            ...job,
            stock: job.stock.map((one) =>
              one.kind === 'box' && !one.metal && one.id.startsWith('wall-')
                ? { ...one, groundingStrap: true }
                : one,
            ),
          })),
          (wiring) => ({
            ...wiring,
            landings: wiring.landings.filter(({ terminal }) => !('box' in terminal)),
          }),
        ),
      ],
      [
        'the tail of the switch left out: its screws ground it',
        rewired(steel(single), (wiring) => ({
          ...wiring,
          landings: wiring.landings.filter(
            ({ terminal }) => !('device' in terminal && terminal.name === 'ground'),
          ),
        })),
      ],
    ],
  },
  'yoke-grounded': {
    trips: [
      [
        'the green screw left empty in a plastic box',
        rewired(of(single), (wiring) => ({
          ...wiring,
          landings: wiring.landings.filter(
            ({ terminal }) => !('device' in terminal && terminal.name === 'ground'),
          ),
        })),
      ],
    ],
    passes: [['as planned', of(single)]],
  },
  'luminaire-grounded': {
    trips: [
      [
        'its ground lead left out of the splice',
        rewired(of(single), (wiring) => ({
          ...wiring,
          joints: wiring.joints.map((joint) =>
            joint.id === 'L/G' ? { ...joint, members: joint.members.filter((m) => !('lead' in m)) } : joint,
          ),
        })),
      ],
    ],
    passes: [
      ['as planned', of(single)],
      ['all of plastic', withLamp({ metal: false })],
    ],
  },
  'shell-on-neutral': {
    trips: [
      [
        'leads exchanged at the luminaire',
        rewired(of(single), (wiring) => ({
          ...wiring,
          joints: wiring.joints.map((joint) => ({
            ...joint,
            members: joint.members.map((m) =>
              'lead' in m && m.lead.name !== 'ground'
                ? {
                    lead: {
                      ...m.lead,
                      name: m.lead.name === 'hot' ? ('neutral' as const) : ('hot' as const),
                    },
                  }
                : m,
            ),
          })),
        })),
      ],
    ],
    passes: [['as planned', of(single)]],
  },
};
