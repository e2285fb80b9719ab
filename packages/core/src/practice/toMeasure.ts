import type { Edition } from '../model/editions.js';
import type { JobId } from '../model/ids.js';
import type { SharedExercise } from './exerciseFile.js';
import { MAKE_UP_LEVELS } from './levels.js';
import { drawLoose } from './makeUp.js';

/** A circuit to be made up as somebody asks for it, not by a level. */
export interface ToMeasure {
  /** Places that switch it. */
  locations: 1 | 2 | 3 | 4;
  /** Luminaires, one after the other. */
  lights: 1 | 2 | 3;
  powerAt: 'switch' | 'luminaire';
  /** At the switches: as the edition asks, at each, or at none, as where it can be brought later without opening a wall. */
  neutral: 'byEdition' | 'everySwitch' | 'none';
  /** Two lights, each from the same two doors; then there are two locations, and power enters at the first. */
  groups: 1 | 2;
  breaker: 15 | 20;
  boxes: 'steel' | 'nonmetallic';
  edition: Edition;
  /** The same seed gives the same exercise. A whole number. */
  seed: number;
}

const COUNT = { 1: 'one', 2: 'two', 3: 'three', 4: 'four' } as const;

const titleOf = ({ locations, lights, powerAt, groups }: ToMeasure): string =>
  groups === 2
    ? MAKE_UP_LEVELS.twoGroups.title
    : [
        locations === 1 ? 'Single-pole' : `From ${COUNT[locations]} places`,
        `power at the ${powerAt === 'switch' ? 'first switch' : 'light'}`,
        ...(lights > 1 ? [`${COUNT[lights]} lights`] : []),
      ].join(', ');

/** Such a circuit with its wires loose. Whatever is asked can be planned. */
export const drawToMeasure = (asked: ToMeasure): SharedExercise => {
  const { locations, lights, powerAt, neutral, groups, breaker, boxes, edition, seed } = asked;
  return {
    kind: 'makeUp',
    title: titleOf(asked),
    note: '',
    job: drawLoose({
      id: `measured-${seed}` as JobId,
      shape:
        groups === 2
          ? MAKE_UP_LEVELS.twoGroups.shape
          : {
              ...{ switches: locations, powerAt, more: lights - 1 },
              ...(neutral === 'none' ? { withoutNeutral: true as const } : {}),
            },
      ...{ seed, edition },
      metal: boxes === 'steel',
      supply: { breaker, awg: breaker === 20 ? 12 : 14 },
      everyNeutral: neutral === 'everySwitch',
    }),
  };
};
