import type { DeviceTerminal } from '../model/articles.js';
import { placeOnFace } from '../model/face.js';

/** What a wire does at a terminal that says nothing itself. */
const DUTY: Record<DeviceTerminal['use'], string | null> = {
  line: 'line',
  load: 'load',
  common: 'common',
  traveler: 'traveler',
  in: 'in',
  out: 'out',
  hot: 'hot',
  neutral: null,
  ground: null,
};

/**
 * A screw or lead of a device in the words of whoever holds the device: its colour, what is marked at it, where it is. What its wire
 * does stands in brackets where the device does not say it: the two screws of a plain switch are alike.
 */
export const screwWord = ({ use, face }: DeviceTerminal): string => {
  const duty = face.marked === null ? DUTY[use] : null;
  const marked = face.marked === null ? '' : ` marked ${face.marked}`;
  return `${face.colour} ${face.kind}${marked}, ${placeOnFace(face)}${duty === null ? '' : ` (${duty})`}`;
};
