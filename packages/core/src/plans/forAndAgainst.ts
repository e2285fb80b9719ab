import { findBox } from '../model/lookup.js';
import type { Job } from '../model/job.js';
import { dollars } from '../model/units.js';
import type { Judgement } from '../model/judgement.js';
import { listed } from '../words/lists.js';
import type { Candidate } from './candidates.js';

/** What of it speaks against a way, within a sentence, for how often it is there. */
const AGAINST: Record<keyof Judgement, (count: number) => string> = {
  travelersThrough: () => 'travelers spliced in a luminaire or junction box',
  bothPairsInOneCable: () => 'both pairs of a four-way in one cable',
  fourConductors: (count) => (count > 1 ? `${count} runs of four conductors` : 'a run of four conductors'),
  homeRunAtLuminaire: () => 'the feed of the circuit at a luminaire',
  homeRunAtLuminaireOutside: () => 'the feed of the circuit at a luminaire in the damp or wet',
  hotThroughLuminaire: () => 'always-hot at a luminaire',
  withoutNeutral: (count) =>
    count > 1 ? `no neutral at ${count} switch places` : 'no neutral at one switch place',
  withoutNeutralInReach: (count) =>
    count > 1 ? `no neutral yet at ${count} switch places` : 'no neutral yet at one switch place',
  travelerOnWhite: () => 'travelers on whites',
  hotOnWhite: () => 'whites that are hot',
  cableBeyondThree: () => 'boxes crowded with cables',
  littleRoom: () => 'boxes without room for one more cable',
  powerIntoFourWay: () => 'power into the crowded box of a four-way',
  secondCircuit: () => 'a box that another circuit is in',
};

/** From so much of it on a box is called full, percent. */
const FULL = 95;

/** What speaks for a way and what against it, in a line each; `cheapest` is what its price is held against. */
export const forAndAgainst = (
  job: Job,
  { measures, entry }: Candidate,
  cheapest: Candidate | undefined,
): { pro: string; con: string } => {
  const { neutrals, fullest, judged, reidentified, guessed, unknownFill } = measures;
  const more = cheapest ? measures.cost - cheapest.measures.cost : 0;
  const pro = [
    ...(cheapest && more < 50 ? ['the least cost'] : []),
    ...(neutrals.all > 0 && neutrals.present === neutrals.all ? ['a neutral at every switch'] : []),
    ...(reidentified === 0 ? ['every white a neutral'] : []),
    ...(job.slots.some(({ box, role }) => box === entry && role !== 'receptacle')
      ? ['power enters at a switch']
      : []),
    ...(judged.length === 0 ? ['nothing that a master does without'] : []),
  ];
  const con = [
    ...(measures.violations > 0
      ? [
          measures.violations > 1
            ? `${measures.violations} violations of the code`
            : 'a violation of the code',
        ]
      : []),
    ...(more >= 50 ? [`${dollars(more)} more than the cheapest`] : []),
    ...(fullest !== null && fullest.percent >= FULL
      ? [`${findBox(job, fullest.box)?.name ?? ''} ${fullest.percent} % full`]
      : []),
    ...judged.map(({ what, count }) => AGAINST[what](count)),
    ...(unknownFill.length > 0
      ? [`nobody knows how full ${listed(unknownFill.map((box) => findBox(job, box)?.name ?? ''))} will be`]
      : []),
    ...(guessed > 0 ? ['lengths at a guess'] : []),
    ...(measures.rough.length > 0 ? ['a room that nobody has measured'] : []),
  ];
  return { pro: listed(pro), con: listed([...new Set(con)]) };
};
