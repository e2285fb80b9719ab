/** A word of the trade, what it means, and what else people call it. */
export interface Term {
  word: string;
  meaning: string;
  /** Words heard for it, which the program itself does not use. */
  heard: string[];
}

/** The words of the trade, explained; "common" for the neutral and the like are found here too. */
export const GLOSSARY: readonly Term[] = [
  {
    word: 'hot',
    meaning: 'The conductor with voltage to ground; ungrounded conductor.',
    heard: ['live wire'],
  },
  {
    word: 'neutral',
    meaning: 'The return of the current, white; grounded conductor. Not the same as ground.',
    heard: ['common', 'return'],
  },
  {
    word: 'ground',
    meaning: 'Bare or green; ties metal parts back to the panel so that a fault opens the breaker.',
    heard: ['earth', 'EGC'],
  },
  {
    word: 'single-pole (S)',
    meaning: 'One switch location alone: two brass screws, marked on and off.',
    heard: ['two-way'],
  },
  {
    word: 'three-way (S3)',
    meaning:
      'One of the two switches at the ends of a group: a dark common screw and two brass traveler screws.',
    heard: ['end switch'],
  },
  {
    word: 'four-way (S4)',
    meaning: 'Swaps the two travelers; any number of them, always between the two three-ways.',
    heard: ['middle switch'],
  },
  {
    word: 'common',
    meaning:
      'The dark screw of a three-way: the feed hot at one end, the switch leg at the other. Not the neutral.',
    heard: ['black screw'],
  },
  {
    word: 'travelers',
    meaning: 'The pair of hots between neighbouring switches. One of them is live with the luminaires off.',
    heard: ['runners'],
  },
  {
    word: 'switch leg',
    meaning: 'The conductor from the last switch to the luminaires; hot only when the switches say so.',
    heard: ['switched hot', 'load wire'],
  },
  {
    word: 'switch loop',
    meaning: 'Power comes to the luminaire first, goes down to the switch and comes back.',
    heard: ['switch leg drop', 'dead-end switch'],
  },
  {
    word: '14/3',
    meaning: 'A cable with three insulated conductors of 14 AWG and a ground; the ground is never counted.',
    heard: ['four-wire, the ground counted in'],
  },
  {
    word: '14/2',
    meaning: 'A cable with two insulated conductors of 14 AWG and a ground; the ground is never counted.',
    heard: ['three-wire, the ground counted in'],
  },
  {
    word: 'pigtail',
    meaning: 'A short wire from a splice to one screw. It does not leave the box.',
    heard: ['tail', 'jumper', 'bonding tail'],
  },
  { word: 'splice', meaning: 'Conductors joined in a connector.', heard: ['joint', 'nut', 'connection'] },
  {
    word: 're-identified white',
    meaning:
      'A white used as a hot, marked all round at both ends with any colour but white, gray and green.',
    heard: ['taped white', 'coded white'],
  },
  { word: 'home run', meaning: 'The cable from the panel to the first box.', heard: ['supply', 'feeder'] },
  { word: 'gang', meaning: 'One device space of a box.', heard: ['bay', 'position'] },
  {
    word: 'yoke',
    meaning: 'The strap that a device is fixed by; box fill counts yokes.',
    heard: ['strap', 'frame'],
  },
  {
    word: 'make-up',
    meaning: 'Joining and landing everything inside a box.',
    heard: ['termination', 'making joints'],
  },
  {
    word: 'luminaire',
    meaning: 'The light with its lampholder and housing.',
    heard: ['fixture', 'light'],
  },
];

const folded = (text: string) =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9/]+/g, ' ')
    .trim();

/** Terms that a search finds: by the word, by what else it is called, by its meaning; in that order. */
export const findTerms = (asked: string): Term[] => {
  const wanted = folded(asked);
  if (wanted === '') return [...GLOSSARY];
  const rank = ({ word, heard, meaning }: Term): number =>
    folded(word).includes(wanted)
      ? 0
      : heard.some((one) => folded(one).includes(wanted))
        ? 1
        : folded(meaning).includes(wanted)
          ? 2
          : 3;
  return GLOSSARY.filter((term) => rank(term) < 3).sort((a, b) => rank(a) - rank(b));
};
