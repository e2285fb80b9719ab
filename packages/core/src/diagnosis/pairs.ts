import { agrees, type Believed } from './belief.js';
import { modelOf, predicted, type Model } from './model.js';
import type { Observation, Question } from './question.js';
import type { Scope } from './scope.js';

/** Single faults of which pairs are made: the likeliest of each way to behave, up to so many. */
const MOST_SINGLES = 110;
/** Pairs that are tried, and that are kept. */
const MOST_TRIED = 900;
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
    .map(({ model }) => ({
      hypothesis: model.hypothesis,
      explains: observations.map((one) => agrees(scope, model, one) !== false),
    }));
  // First those of which each observation is what one of the two says alone: together they may do otherwise, and then are left out below.
  const promising = chosen
    .flatMap((a, i) =>
      chosen.slice(i + 1).map((b) => ({
        ...{ a: a.hypothesis, b: b.hypothesis },
        unexplained: a.explains.filter((explained, k) => !explained && !b.explains[k]).length,
      })),
    )
    .sort((p, q) => p.unexplained - q.unexplained || q.a.weight * q.b.weight - p.a.weight * p.b.weight)
    .slice(0, MOST_TRIED);
  const found: Model[] = [];
  for (const { a, b } of promising) {
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
