/** The parts of a packet, in the order in which they are bound. */
export const SECTIONS = {
  cover: 'Cover: what is asked, what it rests on, what is open',
  plans: 'Plan of each floor',
  schedule: 'Schedule of boxes',
  boxes: 'Box by box: picture, cables, steps',
  cuts: 'Cut list and tags',
  takeOff: 'Take-off',
  checks: 'Rough-in and final check',
  bites: 'Where each box bites',
  tests: 'Test sheet, before power and with it',
  panel: 'Label for the panel, and a card to leave',
  why: 'For the apprentice: each position drawn',
  brief: 'Short: a circuit on two pages',
} as const;
export type Section = keyof typeof SECTIONS;
export const EVERY_SECTION = Object.keys(SECTIONS) as Section[];
/** Those of a whole packet: the short one says again what they say. */
export const ALL_SECTIONS = EVERY_SECTION.filter((section) => section !== 'brief');

export const PAPERS = { letter: 'LETTER', a4: 'A4' } as const;
export type Paper = keyof typeof PAPERS;

/** Points left, above, right, below. */
export const MARGINS: [number, number, number, number] = [36, 40, 36, 46];
const SIZE: Record<Paper, { width: number; height: number }> = {
  letter: { width: 612, height: 792 },
  a4: { width: 595, height: 841 },
};
/** Points of a page between its margins. */
export const pageOf = (paper: Paper): { width: number; height: number } => ({
  width: SIZE[paper].width - MARGINS[0] - MARGINS[2],
  height: SIZE[paper].height - MARGINS[1] - MARGINS[3],
});
