import type { FacePart, ScrewColour } from '../../model/face.js';
import type { Hue } from '../../model/colours.js';

/**
 * Faces of generic devices, by the name of the terminal: devices differ from one maker to the next in where their screws sit, and
 * hardly in anything else. Heights are percent from the top of the body.
 */
export type Face = Readonly<Record<string, FacePart>>;

/** Faces that one device comes with; the first is the usual one. */
export type Faces = readonly { id: string; name: string; face: Face }[];

const HIGH = 20;
const LOW = 72;
const LOWEST = 90;

const screw = (
  colour: ScrewColour,
  side: FacePart['side'],
  height: number,
  marked: string | null = null,
): FacePart => ({ kind: 'screw', colour, side, height, marked });

/** Leads of electronics are stranded and thinner than the cable. */
const lead = (colour: Hue | 'bare', side: FacePart['side'], height: number): FacePart => ({
  ...{ kind: 'lead', colour, awg: 16, side, height, marked: null },
});

const green = screw('green', 'left', LOWEST);

export const SINGLE_POLES: Faces = [
  {
    ...{ id: '', name: '' },
    face: { load: screw('brass', 'right', HIGH), line: screw('brass', 'right', LOW), ground: green },
  },
  {
    ...{ id: 'numbered', name: 'marked by number' },
    face: {
      load: screw('brass', 'right', HIGH, 'LINE 2'),
      line: screw('brass', 'right', LOW, 'LINE 1'),
      ground: green,
    },
  },
  {
    ...{ id: 'two-sides', name: 'a screw at each side' },
    face: { load: screw('brass', 'left', HIGH), line: screw('brass', 'right', LOW), ground: green },
  },
];

export const THREE_WAYS: Faces = [
  {
    ...{ id: '', name: '' },
    face: {
      common: screw('dark', 'right', LOW),
      'traveler 1': screw('brass', 'left', HIGH),
      'traveler 2': screw('brass', 'right', HIGH),
      ground: green,
    },
  },
  {
    ...{ id: 'common-alone', name: 'travelers at one side' },
    face: {
      common: screw('dark', 'left', HIGH, 'COM'),
      'traveler 1': screw('brass', 'right', HIGH),
      'traveler 2': screw('brass', 'right', LOW),
      ground: green,
    },
  },
  {
    ...{ id: 'common-below', name: 'common alone below' },
    face: {
      common: screw('dark', 'left', LOWEST, 'COM'),
      'traveler 1': screw('brass', 'left', 45),
      'traveler 2': screw('brass', 'right', 45),
      ground: screw('green', 'right', HIGH),
    },
  },
];

/** A pair of a four-way: two screws of one colour, with the word that is on the device or none. */
const pair = (
  name: 'in' | 'out',
  colour: ScrewColour,
  [a, b]: readonly [readonly [FacePart['side'], number], readonly [FacePart['side'], number]],
  marked: string | null,
): Face => ({
  [`${name} 1`]: screw(colour, a[0], a[1], marked),
  [`${name} 2`]: screw(colour, b[0], b[1], marked),
});

const TOP = [
  ['left', HIGH],
  ['right', HIGH],
] as const;
const BOTTOM = [
  ['left', LOW],
  ['right', LOW],
] as const;

export const FOUR_WAYS: Faces = [
  {
    ...{ id: '', name: '' },
    face: { ...pair('in', 'dark', TOP, 'IN'), ...pair('out', 'brass', BOTTOM, 'OUT'), ground: green },
  },
  {
    ...{ id: 'left-right', name: 'pairs left and right' },
    face: {
      ...pair(
        'in',
        'dark',
        [
          ['left', HIGH],
          ['left', LOW],
        ],
        'IN',
      ),
      ...pair(
        'out',
        'brass',
        [
          ['right', HIGH],
          ['right', LOW],
        ],
        'OUT',
      ),
      ground: green,
    },
  },
  {
    ...{ id: 'in-below', name: 'IN at the bottom' },
    face: { ...pair('in', 'brass', BOTTOM, 'IN'), ...pair('out', 'brass', TOP, 'OUT'), ground: green },
  },
  {
    ...{ id: 'by-colour', name: 'pairs told by colour' },
    face: { ...pair('in', 'dark', TOP, null), ...pair('out', 'brass', BOTTOM, null), ground: green },
  },
];

/** Dimmers, timers and sensors bring leads, each of which is spliced. */
export const LEADS: Face = {
  line: lead('black', 'right', LOW),
  load: lead('red', 'right', HIGH),
  common: lead('black', 'right', LOW),
  'traveler 1': lead('red', 'left', HIGH),
  'traveler 2': lead('yellow', 'right', HIGH),
  neutral: lead('white', 'left', 45),
  ground: lead('green', 'left', LOWEST),
};

/** A control with screws that wants a neutral. */
export const WITH_NEUTRAL: Face = {
  load: screw('brass', 'right', HIGH, 'LOAD'),
  line: screw('brass', 'right', LOW, 'LINE'),
  neutral: screw('silver', 'left', HIGH),
  ground: green,
};

export const RECEPTACLE: Face = {
  'hot 1': screw('brass', 'right', HIGH),
  'hot 2': screw('brass', 'right', LOW),
  'neutral 1': screw('silver', 'left', HIGH),
  'neutral 2': screw('silver', 'left', LOW),
  ground: green,
};

export const SWITCH_RECEPTACLE: Face = {
  load: screw('dark', 'right', HIGH),
  line: screw('brass', 'right', LOW),
  hot: screw('brass', 'left', LOW - 10),
  neutral: screw('silver', 'left', HIGH),
  ground: green,
};
