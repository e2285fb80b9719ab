import type { LuminaireId } from '../model/ids.js';
import { findLuminaire } from '../model/lookup.js';
import { mendTrouble, sayPlace, sayTrouble } from '../faults/say.js';
import { placeKey, type Trouble, type TroublePlace } from '../faults/trouble.js';
import type { Subject as ReviewedWiring } from '../review/subject.js';
import { LIGHT_WORDS, sayEach } from '../words/lights.js';
import type { Valued } from './ask.js';
import type { Asking, Diagnosis, Finder, Suspect } from './finder.js';
import { ANY, TRIPPED } from './model.js';
import type { Observation, Question } from './question.js';
import type { Scope } from './scope.js';
import { sayObservation, sayQuestion, type QuestionWords } from './words.js';

/** What may be wrong, told: what, where, how likely, and how it is mended. */
export interface SuspectTold {
  key: string;
  troubles: readonly Trouble[];
  places: readonly TroublePlace[];
  /** "the black of … is off the brass screw …", one for each thing that is wrong. */
  what: string[];
  where: string[];
  share: number;
  against: number;
  mend: string[];
}

export interface QuestionTold extends QuestionWords {
  question: Question;
  /** What each answer would mean: how likely it is, and where one would look then. */
  answers: { word: string; label: string; share: number; then: string[] }[];
}

/** How it stands, in words, for a page, a terminal or a sheet. */
export interface DiagnosisTold {
  state: Diagnosis['state'];
  fits: boolean;
  /** The next question; where an answer fits nothing else, that one once more. */
  next: QuestionTold | null;
  /** Is it asked because its answer fits nothing that fits the rest? Then how it was answered. */
  again: string | null;
  /** Others that may be answered instead. */
  instead: QuestionTold[];
  places: { key: string; name: string; share: number }[];
  /** How many things may be wrong, and the likeliest of them; where it was found, those of that place. */
  possible: number;
  suspects: SuspectTold[];
  seen: string[];
  at: { place: TroublePlace; name: string } | null;
  loads: { id: LuminaireId; name: string; unit: keyof typeof LIGHT_WORDS }[];
}

/** So many others than the next are offered, and so many suspects told. */
const MOST_INSTEAD = 5;
const MOST_HINTS = 6;
const MOST_SUSPECTS = 12;
const MOST_PLACES = 6;
/** What is less likely than this against the likeliest is not counted among what may be. */
const HARDLY = 0.02;

const LETTER_LIGHTS = { l: 'lit', m: 'dim', d: 'dark' } as const;

/** What loads do, from the letters of an answer. */
const sayLights = ({ job, luminaires }: Scope, letters: string): string => {
  if (letters === TRIPPED) return 'the breaker trips';
  const told = luminaires.flatMap((id, i) => {
    const light = LETTER_LIGHTS[letters[i] as keyof typeof LETTER_LIGHTS];
    const one = findLuminaire(job, id);
    return light && one ? [{ name: one.name, words: LIGHT_WORDS[one.unit][light] }] : [];
  });
  const words = sayEach(told);
  const isAlike = told.length > 1 && new Set(told.map((one) => one.words)).size === 1;
  return words === '' ? 'anything' : isAlike ? `all ${words}` : words;
};

const tellQuestion = (
  review: ReviewedWiring,
  { scope }: Finder,
  { question, answers }: Valued,
  { positions }: Asking,
): QuestionTold => {
  const words = sayQuestion(review, scope, question, positions);
  const label = (word: string): string =>
    word === ANY
      ? 'anything'
      : question.kind === 'flip'
        ? sayLights(scope, word)
        : (words.options.find((one) => one.word === word)?.label ?? word);
  return {
    ...words,
    question,
    answers: answers
      .filter(({ share }) => share > 0.005)
      .slice(0, 6)
      .map(({ word, share, then }) => ({
        ...{ word, share, label: label(word) },
        then: then
          .filter((one) => one.share > 0.1)
          .slice(0, 3)
          .map(({ place }) => sayPlace(scope.job, place)),
      })),
  };
};

const tellSuspect = (
  { job, wiring }: Scope,
  { hypothesis: { troubles, places }, share, against }: Suspect,
): SuspectTold => ({
  ...{ troubles, places, share, against, key: JSON.stringify(troubles) },
  what: troubles.map((one) => sayTrouble(job, wiring, one)),
  where: places.map((place) => sayPlace(job, place)),
  mend: troubles.flatMap((one) => mendTrouble(job, wiring, one)),
});

/** Those that are told in the same words are one: their shares together. */
const alikeTogether = (suspects: readonly SuspectTold[]): SuspectTold[] => {
  const told = new Map<string, SuspectTold>();
  for (const one of suspects) {
    const words = JSON.stringify([one.where, one.what]);
    const before = told.get(words);
    told.set(words, before ? { ...before, share: before.share + one.share } : one);
  }
  return [...told.values()].sort((a, b) => b.share - a.share);
};

/** How it stands with a fault after what was seen, all in words. */
export const tellDiagnosis = (
  review: ReviewedWiring,
  finder: Finder,
  observations: readonly Observation[],
  asking: Asking,
): DiagnosisTold => {
  const { scope } = finder;
  const found = finder.at(observations, asking);
  const { again, questions, at, hints } = found;
  const told = questions.slice(0, MOST_INSTEAD + 1).map((one) => tellQuestion(review, finder, one, asking));
  const repeated =
    again && tellQuestion(review, finder, { question: again.question, minutes: 0, answers: [] }, asking);
  const [next = null] = repeated ? [repeated] : told;
  const likely = found.suspects.filter(
    ({ share, hypothesis }) =>
      hypothesis.troubles.length > 0 && share >= HARDLY * (found.suspects[0]?.share ?? 0),
  );
  const suspects = alikeTogether(likely.map((one) => tellSuspect(scope, one)));
  return {
    ...{ state: found.state, fits: found.fits, next },
    again: again && sayObservation(review, scope, again),
    instead: [
      ...told.filter((one) => one !== next).slice(0, MOST_INSTEAD),
      ...hints.slice(0, MOST_HINTS).map((one) => tellQuestion(review, finder, one, asking)),
    ],
    places: found.places
      .slice(0, MOST_PLACES)
      .map(({ place, share }) => ({ key: placeKey(place), name: sayPlace(scope.job, place), share })),
    possible: suspects.length,
    suspects: suspects.slice(0, MOST_SUSPECTS),
    seen: observations.map((one) => sayObservation(review, scope, one)),
    at: at && { place: at, name: sayPlace(scope.job, at) },
    loads: scope.luminaires.flatMap((id) => {
      const one = findLuminaire(scope.job, id);
      return one ? [{ id, name: one.name, unit: one.unit }] : [];
    }),
  };
};
