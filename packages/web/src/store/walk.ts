import { walkPath, type Shown } from '../parts/paths.js';
import { habitOf, keepHabit } from '../server/habit.js';

export interface Stop {
  shown: Shown;
  says: string;
  /** What it points at. */
  at: string;
}

const ROPEWALK = 'ropewalk-lights';

/** Five things of the demo that one has to have seen, in the order of the work. */
export const STOPS: readonly Stop[] = [
  {
    shown: { screen: 'layout', circuit: ROPEWALK },
    says: 'The place, measured. Drag a switch or a luminaire: letters, lengths and prices follow.',
    at: '[aria-label="Plan"]',
  },
  {
    shown: { screen: 'runs', circuit: ROPEWALK },
    says: 'Every sensible way to wire it. First what a master would choose, with what that costs and buys.',
    at: 'aside[aria-label="Plans"]',
  },
  {
    shown: { circuit: ROPEWALK },
    says: 'Each box as you see it, plate off. Flip a handle: amber is live now. Tap a wire to follow it.',
    at: '[aria-label="The run"], [aria-label="Handles"]',
  },
  {
    shown: { screen: 'boxes' },
    says: 'What fills each box, what room is left, and which box of the stock would do.',
    at: '#page main',
  },
  {
    shown: { screen: 'check' },
    says: 'The job as an inspector walks it: what is to be mended, answered and seen on site.',
    at: '#page main',
  },
];

const KEPT = 'walk';
const LEFT = 'left';

export const pathOfStop = (stop: number): string => walkPath(STOPS[stop]?.shown ?? {}, stop);

/** Where the walk goes on; null where it was left or never begun. */
export const walkedTo = (): number | null => {
  const kept = Number(habitOf(KEPT) ?? LEFT);
  return Number.isInteger(kept) && kept >= 0 && kept < STOPS.length ? kept : null;
};
/** Somebody has left it, or has been at its end: it is not offered again by itself. */
export const isWalkLeft = (): boolean => habitOf(KEPT) === LEFT;
export const keepWalk = (stop: number | null): void => keepHabit(KEPT, stop === null ? LEFT : String(stop));
