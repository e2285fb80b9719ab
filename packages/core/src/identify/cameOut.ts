/** A switch that came out of its box while the others of its group stay in: so many wires were on it beside the ground. */
export const CAME_OUT = { single: 2, threeWay: 3, fourWay: 4 } as const;
export type CameOut = keyof typeof CAME_OUT;

/** A live reading of all its wires, counted from 0, with a handle of another switch moved before it or not. */
export interface HotReading {
  moved: boolean;
  hot: number[];
}

export type WireDuty =
  | 'feed'
  | 'leg'
  /** Hot in turn with another handle: a traveler from the side of the power. */
  | 'traveler'
  /** The other pair of a four-way, towards the luminaires. */
  | 'onward';

export interface CameOutTold {
  /** The duty of each wire; null while it is not told. */
  duties: WireDuty[] | null;
  /** What is read next: as the handles stand, with one of another switch moved, or with one of yet another; null where nothing more tells. */
  next: 'asTheyStand' | 'moveOne' | 'moveAnother' | null;
  /** No wiring of such a switch reads so: why. */
  broken: 'dead' | 'twoHot' | 'unlike' | null;
}

const told = (count: number, duty: (wire: number) => WireDuty): CameOutTold => ({
  duties: Array.from({ length: count }, (_, wire) => duty(wire)),
  next: null,
  broken: null,
});

const open = (next: CameOutTold['next'], broken: CameOutTold['broken'] = null): CameOutTold => ({
  duties: null,
  next,
  broken,
});

/**
 * Which wire is which of a switch that came out, by the one that is hot as handles of other switches move: the feed stays hot whatever they
 * do, travelers turn hot in turn, the switch leg never is, nor is the pair of a four-way that goes on. Every wire is read each time.
 */
export const tellCameOut = (kind: CameOut, readings: readonly HotReading[]): CameOutTold => {
  const count = CAME_OUT[kind];
  const [first] = readings;
  if (!first) return open('asTheyStand');
  if (readings.some(({ hot }) => hot.length > 1)) return open(null, 'twoHot');
  const hots = readings.map(({ hot: [one] }) => one);
  if (hots.some((one) => one === undefined)) {
    // One that is dead in one position and live in the other is none of these; one dead in both has no power.
    if (kind === 'single') return open(null, 'dead');
    return readings.length < 2
      ? open('moveOne')
      : open(null, hots.every((one) => one === undefined) ? 'dead' : 'unlike');
  }
  const seen = [...new Set(hots as number[])];
  const [a, b] = seen;
  if (seen.length > 2) return open(null, 'unlike');
  if (kind === 'single') return told(count, (wire) => (wire === a ? 'feed' : 'leg'));
  if (kind === 'threeWay') {
    if (readings.length < 2) return open('moveOne');
    if (b === undefined) return told(count, (wire) => (wire === a ? 'feed' : 'traveler'));
    return told(count, (wire) => (wire === a || wire === b ? 'traveler' : 'leg'));
  }
  if (b !== undefined) return told(count, (wire) => (wire === a || wire === b ? 'traveler' : 'onward'));
  // The handle that was moved is beyond it: one between it and the power turns the other wire hot.
  return open(readings.length < 2 ? 'moveOne' : 'moveAnother');
};
