import type { Judgement } from '../model/judgement.js';

/** What a price of judgement is for, as a line of a list. */
export const JUDGEMENT_WORDS: Record<keyof Judgement, string> = {
  travelersThrough: 'Travelers spliced in a luminaire or junction box, a pair',
  bothPairsInOneCable: 'Both pairs of a four-way in one cable',
  fourConductors: 'A run of four conductors',
  homeRunAtLuminaire: 'Home run into a luminaire box',
  homeRunAtLuminaireOutside: 'Home run into a luminaire box in the damp or wet',
  hotThroughLuminaire: 'Always-hot through a luminaire box',
  withoutNeutral: 'Switch box without a neutral',
  withoutNeutralInReach: 'Switch box without a neutral, within reach of another cable',
  travelerOnWhite: 'Traveler on a white',
  hotOnWhite: 'Other hot on a white',
  cableBeyondThree: 'New cable beyond three in a one-gang or luminaire box',
  littleRoom: 'Box without room for one more cable',
  powerIntoFourWay: 'Power into the box of a four-way',
  secondCircuit: 'Box that another circuit is in',
};

/** Why a master pays for it: what it costs whoever comes later. */
export const JUDGEMENT_REASONS: Record<keyof Judgement, string> = {
  travelersThrough: 'A fault in a traveler is then looked for on a ladder, with the luminaire down.',
  bothPairsInOneCable: 'Two pairs in one sheath are crossed sooner than two cables.',
  fourConductors: 'Four conductors fill boxes at both ends, and few trucks carry the cable.',
  homeRunAtLuminaire: 'Whoever changes the luminaire meets the feed of the whole circuit.',
  homeRunAtLuminaireOutside: 'Water at the luminaire takes the whole circuit with it.',
  hotThroughLuminaire: 'A luminaire box with its switch off is taken for dead.',
  withoutNeutral: 'A sensor, timer or dimmer that comes later asks for one.',
  withoutNeutralInReach: 'A sensor, timer or dimmer that comes later asks for one; here it can be brought.',
  travelerOnWhite: 'Some authorities see it otherwise, and a mark wears off.',
  hotOnWhite: 'A mark wears off, and the next hand takes it for a neutral.',
  cableBeyondThree: 'Crowded boxes are folded by force.',
  littleRoom: 'The next cable asks for another box.',
  powerIntoFourWay: 'Two pairs and the feed are the most crowded box there is.',
  secondCircuit: 'One breaker off leaves half of the box live.',
};
