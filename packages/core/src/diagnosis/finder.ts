import type { CircuitId } from '../model/ids.js';
import type { Positions } from '../circuit/parts.js';
import { hypothesesOf, type History, type Hypothesis } from '../faults/hypotheses.js';
import { placeKey, type TroublePlace } from '../faults/trouble.js';
import type { Subject as ReviewedWiring } from '../review/subject.js';
import { oldPatternsOf } from './oldPatterns.js';
import { placesOf, valued, type Valued } from './ask.js';
import { agrees, believed, type Believed } from './belief.js';
import { modelOf, type Model } from './model.js';
import { pairsThatFit } from './pairs.js';
import { keepsOff, questionKey, SHOWS, type Observation, type Question } from './question.js';
import { flipsOf, hintsNow, questionsNow } from './questions.js';
import { scopeOf, type Scope } from './scope.js';

/** What may be wrong, after all that was seen. */
export interface Suspect {
  hypothesis: Hypothesis;
  /** From 0 to 1. */
  share: number;
  /** Observations that it is at odds with. */
  against: number;
}

export interface Diagnosis {
  /**
   * looking: there is something to ask. found: it was seen where the last answer says. nothingSeen: every handle does what it should.
   * notToTell: nothing is left to ask.
   */
  state: 'looking' | 'found' | 'nothingSeen' | 'notToTell';
  /** The questions, the best first. */
  questions: Valued[];
  /** What is a hint alone, and may be told without being asked for. */
  hints: Valued[];
  /** What was seen and fits nothing that fits the rest: it is asked once more. */
  again: Observation | null;
  /** The likeliest first. */
  suspects: Suspect[];
  /** Where it is likely to be, the likeliest first. */
  places: { place: TroublePlace; share: number }[];
  /** Does anything fit all that was seen? */
  fits: boolean;
  /** Where it was seen. */
  at: TroublePlace | null;
}

/** What is known while a fault is looked for, beside what was seen. */
export interface Asking {
  positions: Positions;
  history: History;
  /** Is an electrician at work? Nobody else is asked for a live reading or sent to the panel. */
  isElectrician: boolean;
}

export interface Finder {
  scope: Scope;
  at: (observations: readonly Observation[], asking: Asking) => Diagnosis;
}

/** What is asked with the power on; of a breaker that tripped it is not asked whether it is on. */
const WANTS_POWER: ReadonlySet<Question['kind']> = new Set(['flip', 'volts', 'lamp', 'breaker', 'hint']);

/** The place that an answer shows the fault at. */
const seenAt = ({ question, answer }: Observation): TroublePlace | null => {
  if (answer.kind !== 'is' || answer.word !== SHOWS[question.kind]) return null;
  switch (question.kind) {
    case 'look':
      return { kind: 'box', box: question.box };
    case 'panel':
    case 'breaker':
      return { kind: question.kind, circuit: question.circuit };
    case 'lamp':
      return { kind: 'lamp', luminaire: question.luminaire };
    default:
      return null;
  }
};

/** Boxes that somebody has opened and looked into. */
const openedBy = (observations: readonly Observation[]): Set<string> =>
  new Set(
    observations.flatMap(({ question, answer }) =>
      question.kind === 'look' && answer.kind === 'is' ? [question.box] : [],
    ),
  );

/**
 * An answer that is at odds with all that fits the others: something of weight fits everything else and it alone not. One that was asked twice
 * holds.
 */
const atOdds = (
  scope: Scope,
  held: readonly Believed[],
  observations: readonly Observation[],
): Observation | null => {
  const told = held.filter(({ model }) => model.compiled !== null);
  if (told.length === 0 || told.some(({ against }) => against === 0)) return null;
  const best = told.filter(({ against }) => against === 1);
  for (const { model } of best) {
    const odd = observations.find((one) => agrees(scope, model, one) === false);
    if (!odd) continue;
    const key = questionKey(odd.question);
    if (observations.filter(({ question }) => questionKey(question) === key).length < 2) return odd;
  }
  return null;
};

/** Looks for what is wrong with one circuit of a wiring: as planned, as found, or as it is only assumed to be. What hypotheses say is remembered between questions. */
export const createFinder = (review: ReviewedWiring, circuit: CircuitId): Finder => {
  const scope = scopeOf(review, circuit);
  const byHistory = new Map<History, Model[]>();
  const singlesOf = (history: History): Model[] => {
    const known = byHistory.get(history);
    if (known) return known;
    const { near: wiring, parts, boxes, luminaires, assumed } = scope;
    const hypotheses: Hypothesis[] = [
      { troubles: [], weight: 1, places: [] },
      ...hypothesesOf({ wiring, parts, boxes, luminaires, assumed, history, circuits: [circuit] }),
      ...oldPatternsOf(scope, history),
    ];
    const models = hypotheses.flatMap((one) => modelOf(scope, one) ?? []);
    byHistory.set(history, models);
    return models;
  };
  const pairsOf = new Map<string, Model[]>();
  return {
    scope,
    at: (told, { positions: now, history, isElectrician }) => {
      // A handle of which nothing is said is in its first position.
      const whole = (positions: Positions): Positions => ({
        ...Object.fromEntries(scope.groups.flatMap(({ devices }) => devices).map((id) => [id, 0])),
        ...positions,
      });
      const positions = whole(now);
      const observations = told.map((one): Observation =>
        one.question.kind === 'flip'
          ? { ...one, question: { ...one.question, positions: whole(one.question.positions) } }
          : one,
      );
      const singles = singlesOf(history);
      const healthy = singles[0];
      const compiled = healthy?.compiled;
      if (!compiled) throw new Error('A wiring without a fault always compiles.');
      const situation = { positions, open: openedBy(observations) };
      const alone = believed(scope, singles, observations);
      const isOff = observations.some(keepsOff);
      // What tripped a breaker, or grows warm, is never switched on again to look: whatever is asked from then on is dead, once more or for the first time.
      const isSafe = ({ kind }: Question): boolean => !isOff || !WANTS_POWER.has(kind);
      const odd = atOdds(scope, alone, observations);
      const again = odd && isSafe(odd.question) ? odd : null;
      const known = alone.filter(({ model }) => model.compiled !== null);
      const fitsAlone = known.some(({ against }) => against === 0);
      const key = JSON.stringify([history, observations]);
      const pairs =
        fitsAlone || again
          ? []
          : (pairsOf.get(key) ??
            pairsThatFit(scope, alone, observations, flipsOf(scope, situation, compiled)));
      pairsOf.set(key, pairs);
      const models = [...singles, ...pairs];
      const held = pairs.length > 0 ? believed(scope, models, observations) : alone;

      const asked = questionsNow(scope, situation, { healthy: compiled, held }, observations, isElectrician);
      const questions = valued(scope, situation, held, asked.filter(isSafe));
      const at = observations.flatMap((one) => seenAt(one) ?? []).at(-1) ?? null;
      const flipsLeft = questions.some(({ question }) => question.kind === 'flip');
      const seen = observations.filter(({ question }) => question.kind === 'flip');
      const nothingSeen =
        !flipsLeft && seen.length > 0 && seen.every((one) => agrees(scope, healthy, one) !== false);
      return {
        state: at ? 'found' : nothingSeen ? 'nothingSeen' : questions.length === 0 ? 'notToTell' : 'looking',
        hints: valued(scope, situation, held, hintsNow(scope, observations).filter(isSafe)),
        ...{ questions, again, at, fits: fitsAlone || pairs.length > 0 },
        suspects: held
          .filter(({ model }) => at === null || model.places.includes(placeKey(at)))
          .map(({ model, share, against }) => ({ hypothesis: model.hypothesis, share, against })),
        places: placesOf(held),
      };
    },
  };
};
