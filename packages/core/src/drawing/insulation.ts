import { hueOf, type Colour } from '../model/colours.js';

/** Insulation as it looks, and the outline that sets it off from the board. */
type Look = { paint: string; outline: string; code: string; word: string };

const INSULATION: Record<ReturnType<typeof hueOf>, Look> = {
  black: { paint: '#1d1d1f', outline: '#1d1d1f', code: 'BK', word: 'black' },
  white: { paint: '#ffffff', outline: '#5b574d', code: 'WH', word: 'white' },
  red: { paint: '#bf2a25', outline: '#7e1512', code: 'RD', word: 'red' },
  blue: { paint: '#2a5ca8', outline: '#173a70', code: 'BU', word: 'blue' },
  yellow: { paint: '#e3c92f', outline: '#7d6c0c', code: 'YE', word: 'yellow' },
  orange: { paint: '#d9772b', outline: '#803f0d', code: 'OR', word: 'orange' },
  brown: { paint: '#6b4526', outline: '#3c2410', code: 'BN', word: 'brown' },
  purple: { paint: '#7a4a9c', outline: '#472661', code: 'PU', word: 'purple' },
  pink: { paint: '#e09ab0', outline: '#8c4a60', code: 'PK', word: 'pink' },
  gray: { paint: '#a9a9a6', outline: '#5b5b57', code: 'GY', word: 'gray' },
  green: { paint: '#3f8a56', outline: '#1d5030', code: 'GN', word: 'green' },
  raceway: { paint: '#8d9196', outline: '#4d5156', code: 'metal', word: 'raceway' },
  bare: { paint: '#a8693a', outline: '#6d4020', code: 'G', word: 'bare' },
};

/** How a conductor looks; those that look alike carry their number. */
export const lookOf = (colour: Colour): Look => {
  const look = INSULATION[hueOf(colour)];
  const number = /-(\d)$/.exec(colour)?.[1];
  return number ? { ...look, code: `${look.code}${number}`, word: `${look.word} ${number}` } : look;
};
