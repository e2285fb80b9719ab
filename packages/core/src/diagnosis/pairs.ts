import { agrees, type Believed } from './belief.js';
import { modelOf, predicted, type Model } from './model.js';
import type { Observation, Question } from './question.js';
import type { Scope } from './scope.js';

/** Single faults of which pairs are made: the likeliest of each way to behave, up to so many. */
const MOST_SINGLES = 110;
/** Pairs that are kept. */
const MOST_PAIRS = 400;

/**
 * Two things that are wrong at once, where no single one fits what was seen: pairs of single faults that each behave in a way of their own, of which
 * every observation is what they say. Each single stands for those at its place that behave alike.
 */
export const pairsThatFit = (
  scope: Scope,
  singles: readonly Believed[],
  observations: readonly Observation[],
  flips: readonly Question[],
): Model[] => {
  const reps = new Map<string, Believed>();
  for (const one of [...singles].sort((a, b) => b.model.hypothesis.weight - a.model.hypothesis.weight)) {
    if (!one.model.compiled || one.model.hypothesis.troubles.length === 0) continue;
    const key = [...one.model.places, ...flips.map((flip) => predicted(scope, one.model, flip))].join('|');
    if (!reps.has(key)) reps.set(key, one);
  }
  const chosen = [...reps.values()]
    .sort((a, b) => a.against - b.against || b.model.hypothesis.weight - a.model.hypothesis.weight)
    .slice(0, MOST_SINGLES)
    .map(({ model }) => model.hypothesis);
  const found: Model[] = [];
  for (const [i, a] of chosen.entries())
    for (const b of chosen.slice(i + 1)) {
      if (found.length >= MOST_PAIRS) return found;
      const model = modelOf(scope, {
        troubles: [...a.troubles, ...b.troubles],
        weight: a.weight * b.weight * 0.02,
        places: [...a.places, ...b.places],
      });
      if (model && observations.every((one) => agrees(scope, model, one) !== false)) found.push(model);
    }
  return found;
};
