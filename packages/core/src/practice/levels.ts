import type { BenchLevel } from '../wire/practised.js';

/** A circuit of one group: how many switches, where power enters, where the luminaires hang. */
export interface OneGroup {
  switches: number;
  powerAt: 'switch' | 'luminaire';
  /** Luminaires beside the first. */
  more: number;
  /** No neutral is brought to the switches for its own sake: a single-pole at the light is a loop of two wires. */
  withoutNeutral?: true;
}

/** A switched group: the boxes that its switches are in, and that of its luminaire, by their place in the list of boxes. */
interface LaidGroup {
  switches: number[];
  light: number;
}

/** Cables laid by hand between boxes by their place in the list, `panel` for the panel; a box that is two nodes is written with the group that stays apart there. */
interface LaidCircuit {
  groups: LaidGroup[];
  runs: [from: LaidAt, to: LaidAt][];
}
export type LaidAt = number | 'panel' | { box: number; apart: number };

/** Several groups in one box: whose cables lie as they are laid in the trade. */
export interface SeveralGroups {
  boxes: ('door' | 'light')[];
  circuits: LaidCircuit[];
}

interface Level {
  title: string;
  /** What is new in it, for who chooses. */
  learns: string;
  shape: OneGroup | SeveralGroups;
}

const one = (switches: number, powerAt: OneGroup['powerAt'], more = 0): OneGroup => ({
  ...{ switches, powerAt, more },
});

/** What is made up, from the easiest on. */
export const MAKE_UP_LEVELS: Readonly<Record<BenchLevel, Level>> = {
  poleAtSwitch: {
    title: 'Single-pole, power at the switch',
    learns: 'The hot is switched, the neutral goes through, grounds meet.',
    shape: one(1, 'switch'),
  },
  poleAtLight: {
    title: 'Single-pole, power at the light',
    learns: 'A loop: what goes down hot comes back switched, and what the code asks for beside it.',
    shape: one(1, 'luminaire'),
  },
  loopOfTwo: {
    title: 'Single-pole, an old loop of two wires',
    learns: 'The white of the loop takes the hot down, and is marked at both ends.',
    shape: { ...one(1, 'luminaire'), withoutNeutral: true },
  },
  poleTwoLights: {
    title: 'Single-pole, two lights',
    learns: 'A switched hot and a neutral that go on.',
    shape: one(1, 'switch', 1),
  },
  pairAtSwitch: {
    title: 'Two three-ways, power at the first',
    learns: 'Commons and travelers.',
    shape: one(2, 'switch'),
  },
  pairAtLight: {
    title: 'Two three-ways, power at the light',
    learns: 'The common of each, told by what comes to it.',
    shape: one(2, 'luminaire'),
  },
  fourWay: {
    title: 'Three places, a four-way between',
    learns: 'Two pairs on one switch.',
    shape: one(3, 'switch'),
  },
  twoFourWays: {
    title: 'Four places, two four-ways between',
    learns: 'Pairs kept as pairs through every box.',
    shape: one(4, 'switch', 1),
  },
  twoGroups: {
    title: 'Two lights, each from the same two doors',
    learns: 'Two pairs side by side; the neutral of each stays with its own cable.',
    shape: {
      boxes: ['door', 'door', 'light', 'light'],
      circuits: [
        {
          groups: [
            { switches: [0, 1], light: 2 },
            { switches: [0, 1], light: 3 },
          ],
          runs: [
            ['panel', 0],
            [0, 1],
            [0, { box: 1, apart: 1 }],
            [1, 2],
            [{ box: 1, apart: 1 }, 3],
          ],
        },
      ],
    },
  },
  fourGang: {
    title: 'Two circuits in a four-gang box',
    learns: 'Neutrals of two circuits never meet; grounds do.',
    shape: {
      boxes: ['door', 'door', 'light', 'light', 'light', 'light'],
      circuits: [
        {
          groups: [
            { switches: [0], light: 2 },
            { switches: [0], light: 3 },
          ],
          runs: [
            ['panel', 0],
            [0, 2],
            [0, 3],
          ],
        },
        {
          groups: [
            { switches: [0, 1], light: 4 },
            { switches: [0], light: 5 },
          ],
          runs: [
            ['panel', 0],
            [0, 1],
            [1, 4],
            [0, 5],
          ],
        },
      ],
    },
  },
};
export type MakeUpLevel = BenchLevel;

/** Positions of the handles of a level, group by group together. */
export const positionsOf = ({ shape }: Level): number =>
  'boxes' in shape
    ? shape.circuits
        .flatMap(({ groups }) => groups)
        .reduce((sum, { switches }) => sum + 2 ** switches.length, 0)
    : 2 ** shape.switches;
