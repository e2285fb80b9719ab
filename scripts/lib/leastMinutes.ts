/**
 * The least minutes that any way of asking can expect until a fault is seen, by full search over every question and every answer of a small circuit:
 * handles, the breaker, lamps, boxes, the panel; every answer right. And what the finder's own way takes on the same.
 */
import type { FaultQuestion, Finder, Observation, Positions } from '@amber/core';
import { compile } from '../../packages/core/src/circuit/compile.js';
import { lookAt } from '../../packages/core/src/diagnosis/ask.js';
import { effortOf } from '../../packages/core/src/diagnosis/effort.js';
import { modelOf, predicted, TRIPPED, type Model } from '../../packages/core/src/diagnosis/model.js';
import { questionKey } from '../../packages/core/src/diagnosis/question.js';
import { questionsNow } from '../../packages/core/src/diagnosis/questions.js';
import { hypothesesOf } from '../../packages/core/src/faults/hypotheses.js';
import { placeKey } from '../../packages/core/src/faults/trouble.js';

/** More states than these are no small circuit. */
const MOST_STATES = 400_000;

const FOUND = new Set(['other', 'helped', 'off']);

/** Hypotheses that answer every question alike. */
interface Alike {
  share: number;
  said: string[];
}

export const leastMinutes = (finder: Finder): { mine: number; least: number } | null => {
  const { scope } = finder;
  const models = hypothesesOf({
    ...{ wiring: scope.near, parts: scope.parts, boxes: scope.boxes, luminaires: scope.luminaires },
    ...{ circuits: [scope.circuit], assumed: new Set<string>(), history: 'new' },
  })
    .filter(({ troubles }) => troubles[0]?.kind !== 'otherwise')
    .flatMap((one) => modelOf(scope, one) ?? []);
  const healthy = compile(scope.near, scope.parts);
  const none = { positions: {}, open: new Set<string>() };
  const flips = questionsNow(scope, none, { healthy, held: [] }, [], true).filter(
    ({ kind }) => kind === 'flip',
  );
  const places = new Map(
    models.flatMap(({ hypothesis }) => hypothesis.places.map((one) => [placeKey(one), one])),
  );
  const questions = [...flips, ...[...places.values()].map((place) => lookAt(scope, place))];
  const whole = modelOf(scope, { troubles: [], weight: 1, places: [] });
  const asIs = whole ? flips.map((flip) => predicted(scope, whole, flip)).join('|') : '';
  // Only what some handle shows is looked for; the rest is told as not seen.
  const shown = (model: Model) => flips.map((flip) => predicted(scope, model, flip)).join('|') !== asIs;
  const classes = new Map<string, Alike>();
  for (const model of models.filter(shown)) {
    const said = questions.map((question) => predicted(scope, model, question));
    const key = said.join('|');
    const known = classes.get(key);
    if (known) known.share += model.hypothesis.weight;
    else classes.set(key, { share: model.hypothesis.weight, said });
  }
  const all = [...classes.values()];
  const effort = (question: FaultQuestion, positions: Positions) =>
    effortOf(scope, { ...none, positions }, question);
  const known = new Map<string, number>();
  let states = 0;
  /** Minutes that are expected, times the share of those that are left. */
  const least = (left: readonly number[], asked: number, positions: Positions, tripped: boolean): number => {
    if (left.length === 0) return 0;
    const key = `${left.join()}|${asked}|${JSON.stringify(positions)}|${tripped}`;
    const before = known.get(key);
    if (before !== undefined) return before;
    if (++states > MOST_STATES) return Number.NaN;
    const share = left.reduce((sum, i) => sum + (all[i]?.share ?? 0), 0);
    let best = Infinity;
    for (const [q, question] of questions.entries()) {
      if ((asked >> q) & 1) continue;
      if (tripped && (question.kind === 'flip' || question.kind === 'lamp')) continue;
      const parts = new Map<string, number[]>();
      for (const i of left) {
        const word = all[i]?.said[q] ?? '';
        parts.set(word, [...(parts.get(word) ?? []), i]);
      }
      // What tells nothing of those that are left is not asked.
      if (parts.size === 1 && !FOUND.has([...parts.keys()][0] ?? '')) continue;
      const next = 'positions' in question ? { ...positions, ...question.positions } : positions;
      let minutes = share * effort(question, positions);
      for (const [word, part] of parts) {
        if (FOUND.has(word)) continue;
        minutes += least(part, asked | (1 << q), next, tripped || word === TRIPPED);
        if (Number.isNaN(minutes) || minutes >= best) break;
      }
      if (Number.isNaN(minutes)) return Number.NaN;
      best = Math.min(best, minutes);
    }
    known.set(key, best);
    return best;
  };
  if (questions.length > 28) return null;
  const total = all.reduce((sum, one) => sum + one.share, 0);
  const found = least(
    all.map((_, i) => i),
    0,
    {},
    false,
  );
  if (!Number.isFinite(found)) return null;
  let mine = 0;
  for (const [, { share, said }] of classes) {
    const observations: Observation[] = [];
    let positions: Positions = {};
    for (let k = 0; k < 60; k++) {
      const { questions: asked } = finder.at(observations, {
        positions,
        history: 'new',
        isElectrician: true,
      });
      // Readings are not in the full search: of what is asked the first that is.
      const question = asked
        .map((one) => one.question)
        .find((one) => one.kind !== 'continuity' && one.kind !== 'volts');
      if (!question) break;
      const q = questions.findIndex((one) => questionKey(one) === questionKey(question));
      const word = said[q] ?? '';
      mine += share * effort(question, positions);
      if (FOUND.has(word)) break;
      if ('positions' in question) positions = { ...positions, ...question.positions };
      observations.push({
        question,
        answer:
          question.kind !== 'flip'
            ? { kind: 'is', word }
            : word === TRIPPED
              ? { kind: 'tripped' }
              : {
                  kind: 'lights',
                  seen: Object.fromEntries(
                    scope.luminaires.map((id, i) => [
                      id,
                      ({ l: 'lit', m: 'dim', d: 'dark' } as const)[word[i] as 'l' | 'm' | 'd'] ?? 'dark',
                    ]),
                  ),
                },
      });
    }
  }
  return { mine: mine / total, least: found / total };
};
