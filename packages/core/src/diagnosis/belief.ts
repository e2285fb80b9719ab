import { ANY, comesAndGoes, predicted, TRIPPED, type Model } from './model.js';
import { ANSWERS, type Observation, type Question, type Seen } from './question.js';
import type { Scope } from './scope.js';

/** How often an answer of each kind is wrong: one looks at the wrong lamp, misses a wire that only seems to sit in its splice. */
const WRONG: Record<Question['kind'], number> = {
  ...{ flip: 0.05, breaker: 0.02, lamp: 0.03, look: 0.06, panel: 0.06, continuity: 0.04, volts: 0.04 },
  // A tester without contact is fooled and misses; who listens for a hum hears one.
  ...{ hint: 0.25, hums: 0.2 },
};

const LETTER_OF: Record<Exclude<Seen, 'flickers'>, string> = { lit: 'l', dim: 'm', dark: 'd' };

/** Is what was seen what a hypothesis says? Null where it says nothing of it. */
export const agrees = (scope: Scope, model: Model, { question, answer }: Observation): boolean | null => {
  if (answer.kind === 'cannot') return null;
  const said = predicted(scope, model, question);
  if (said === ANY) return null;
  // A short opens the breaker at once; what opens it after a while is an arc, which only one that watches sees.
  if (answer.kind === 'tripped')
    return said === TRIPPED || (answer.when === 'later' && scope.watches && comesAndGoes(model));
  if (answer.kind === 'is') return said === answer.word;
  if (said === TRIPPED) return false;
  let told = false;
  for (const [i, id] of scope.luminaires.entries()) {
    const seen = answer.seen[id];
    const letter = said[i];
    if (seen === undefined || letter === ANY) continue;
    told = true;
    if (seen === 'flickers' ? !comesAndGoes(model) : LETTER_OF[seen] !== letter) return false;
  }
  return told ? true : null;
};

/** How many answers a question may have, for what says nothing of it. */
const waysOf = (question: Question): number => (question.kind === 'flip' ? 3 : ANSWERS[question.kind].length);

const likelihood = (scope: Scope, model: Model, observation: Observation): number => {
  if (observation.answer.kind === 'cannot') return 1;
  const { question } = observation;
  const agreed = agrees(scope, model, observation);
  const wrong = WRONG[question.kind];
  return agreed === null ? 1 / waysOf(question) : agreed ? 1 - wrong : wrong;
};

/** What is believed of one hypothesis. */
export interface Believed {
  model: Model;
  /** From 0 to 1; of all together 1. */
  share: number;
  /** How many observations it is at odds with. */
  against: number;
}

/** Every hypothesis by how likely it is after what was seen, the likeliest first. */
export const believed = (
  scope: Scope,
  models: readonly Model[],
  observations: readonly Observation[],
): Believed[] => {
  const weighed = models.map((model) => ({
    model,
    weight: observations.reduce(
      (product, one) => product * likelihood(scope, model, one),
      model.hypothesis.weight,
    ),
    against: observations.filter((one) => agrees(scope, model, one) === false).length,
  }));
  const sum = weighed.reduce((total, { weight }) => total + weight, 0);
  return weighed
    .map(({ model, weight, against }) => ({ model, against, share: sum > 0 ? weight / sum : 0 }))
    .sort((a, b) => b.share - a.share);
};
