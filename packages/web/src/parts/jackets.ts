import type { Jacket } from '@amber/core';

/** How a jacket is painted, on the plan as at the boxes. The yellow of 12 AWG is a pale lemon: amber is kept for what is live. */
export const JACKET_PAINT: Record<Jacket, string> = {
  white: '#fdfbf5',
  yellow: '#f3e9a8',
  orange: '#eec0a0',
  armor: '#d3d7da',
  unknown: '#e9e4d8',
};

/** What a jacket says, where colours are explained. */
export const JACKET_WORDS: Record<Jacket, string> = {
  white: 'white, 14 AWG',
  yellow: 'yellow, 12 AWG',
  orange: 'orange, 10 AWG',
  armor: 'metal',
  unknown: 'as it is found',
};
