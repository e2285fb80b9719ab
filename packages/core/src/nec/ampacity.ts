import type { Awg } from '../model/units.js';

/** Largest breaker in amperes for a copper conductor (240.4(D)). */
export const LARGEST_BREAKER: Partial<Record<Awg, number>> = { 14: 15, 12: 20, 10: 30 };

/** May a copper conductor of this size be on a breaker of so many amperes (240.4(D))? What is thicker than 10 AWG may be on 30 A. */
export const suitsBreaker = (awg: Awg, breaker: number): boolean =>
  breaker <= (LARGEST_BREAKER[awg] ?? (awg < 10 ? 30 : 0));
