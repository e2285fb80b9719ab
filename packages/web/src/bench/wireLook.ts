import type { Colour, NetState, Role } from '@amber/core';

/** Insulation as it looks, and the outline that sets it off from the board. */
export const INSULATION: Record<Colour, { paint: string; outline: string; code: string; word: string }> = {
  black: { paint: '#1d1d1f', outline: '#1d1d1f', code: 'BK', word: 'black' },
  white: { paint: '#ffffff', outline: '#5b574d', code: 'WH', word: 'white' },
  red: { paint: '#bf2a25', outline: '#7e1512', code: 'RD', word: 'red' },
  blue: { paint: '#2a5ca8', outline: '#173a70', code: 'BU', word: 'blue' },
  bare: { paint: '#a8693a', outline: '#6d4020', code: 'bare', word: 'bare' },
};

export const ROLE_WORD: Record<Role, string> = {
  hot: 'hot',
  neutral: 'neutral',
  ground: 'ground',
  traveler: 'traveler',
  switchLeg: 'switch leg',
  spare: 'spare',
  conflict: 'wrongly joined',
};

export const STATE_WORD: Record<NetState, string> = {
  live: 'live now',
  backfed: 'live through a luminaire',
  neutral: 'not live now',
  ground: 'not live',
  dead: 'dead now',
};
