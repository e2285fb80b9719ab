/** The parts of a packet, in the order in which they are bound. */
export const SECTIONS = {
  cover: 'Cover: what is asked, what it rests on, what is open',
  plans: 'Plan of each floor',
  schedule: 'Schedule of boxes',
  boxes: 'One page a box: picture, cables, steps',
  cuts: 'Cut list and tags',
  takeOff: 'Take-off',
  checks: 'Rough-in and final check',
  tests: 'Test sheet',
  panel: 'Label for the panel, and a card to leave',
} as const;
export type Section = keyof typeof SECTIONS;
export const ALL_SECTIONS = Object.keys(SECTIONS) as Section[];

export const PAPERS = { letter: 'LETTER', a4: 'A4' } as const;
export type Paper = keyof typeof PAPERS;
