import type { Awg } from '../model/units.js';
import { cubicInches } from '../model/units.js';
import { VOLUME_PER_CONDUCTOR } from './boxFill.js';

/** What one more two-wire cable takes in a box beside its ground, ten-thousandths of a cubic inch (Table 314.16(B)(1)). */
export const roomForCable = (awg: Awg): number => 2 * VOLUME_PER_CONDUCTOR[awg];

/** What is left in the box with the least room of those that are known, in words; `all` where none is unknown. */
export const sayRoomLeft = (left: number, all: boolean): string =>
  left < 0
    ? `a box ${cubicInches(-left)} too small`
    : `${cubicInches(left)} or more to spare in each box${all ? '' : ' that is known'}`;
