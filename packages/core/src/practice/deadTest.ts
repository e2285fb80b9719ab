/** A way in which somebody might take a box for dead. */
export interface DeadTest {
  id: 'thorough' | 'noContact' | 'onePair' | 'switchOff';
  words: string;
  /** Why that proves nothing; null of the way that does. */
  why: string | null;
}

/** Ways to take a box for dead, of which one proves it: the first, which says what `DEAD` of the cautions says. */
export const DEAD_TESTS: readonly DeadTest[] = [
  {
    id: 'thorough',
    words:
      'A two-pole tester that is proved on a live source before and after: hot to neutral, hot to ground, neutral to ground, of every cable, every handle in both positions.',
    why: null,
  },
  {
    id: 'noContact',
    words: 'A tester that needs no contact, held along the cables: it stays dark.',
    why: 'It finds live wires and proves none dead: it may stay dark beside one in a metal sheath, behind another wire, or with a weak battery.',
  },
  {
    id: 'onePair',
    words: 'One prod of the tester on the black, the other on its white: it shows nothing.',
    why: 'One pair says nothing of the rest: with the white open somewhere a live black shows nothing to it, and another cable in the box may be on another breaker.',
  },
  {
    id: 'switchOff',
    words: 'The handle stands down and the light is dark.',
    why: 'The feed of a switch is live whatever its handle says, and so is one of two travelers.',
  },
];
